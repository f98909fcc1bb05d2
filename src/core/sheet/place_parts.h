// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "decal/set_plan.h"
#include "divide/divide.h"
#include "sheet/part.h"

namespace avrelt {

/// What paper to place sets by is made from.
struct PlaceWork {
  const Wall& wall;
  const Divided& divided;
  Unit unit = Unit::inch;
  std::string cupName;
};

/// A paper mask for each place of a set that is its own: as wide as the set and a border round it,
/// up to the rim, cut to the zone that the place is in, open where the set lies; the middle, to be
/// folded along, the height of the anchor and the marks are drawn on it.
std::vector<Part> placingMasks(const SetPlan& set, const PlaceWork& work);

/// A strip for each row, its upper edge on the ring of its lowest line's anchors, all of which are
/// marked; none for a row so low that no strip fits below it.
std::vector<Part> rowStrips(const std::vector<SetPlan>& sets, const std::vector<RowPlan>& rows,
                            const PlaceWork& work);

/// The wall rolled out, with every peekaboo's stencil and number and how far it is down from the
/// rim and round from the front: to find them by under paint. None where there are none.
std::vector<Part> peekabooMap(const std::vector<SetPlan>& sets, const PlaceWork& work);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "cup/body.h"
#include "cup/wrap.h"
#include "sheet/part.h"
#include "sheet/round_marks.h"

namespace avrelt {

/// What the maker chooses for the paper strip that carries marks round the body.
struct MarkingStrip {
  /// Up the wall to the strip's upper edge, the one to mark along. Left out: half-way up.
  std::optional<WrittenLength> at;
  /// From the upper edge down the wall; 5 mm to 100 mm.
  WrittenLength width{Length::inches(0.5), "1/2 in"};
  std::string kept;

  friend bool operator==(const MarkingStrip&, const MarkingStrip&) = default;
};

/// Where the strip's upper edge lies on this body.
Length stripHeight(const Body& body, const MarkingStrip& strip);

/// The strip, curved on a taper as the wall asks: its upper edge is exactly once round the body at
/// its height, from seam to seam, with a tab of 10 mm beyond to stick it by. Ticked along the
/// upper edge from the front both ways, as a tape in `unit` is, with front, quarters and seam
/// named. On a curved wall it lies on the cone through the girths at both its edges. Common
/// practice, no published source. `more` are directions marked and named besides.
///
/// Refused, naming the field: a strip that does not lie wholly on the wall, a width out of range.
CheckedAll<Part> markingStripPart(const Body& body, const MarkingStrip& strip, CupAngle seamAt,
                                  Unit unit, const std::string& cupName,
                                  const std::vector<RoundMark>& more = {});

}  // namespace avrelt

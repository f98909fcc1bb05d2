// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "sheet/part.h"

namespace avrelt {

/// What makes a sheet easier to weed: a box round all its parts, so that what is beyond stays one
/// piece, and cuts across the waste within it wherever it is large, which then comes off in pieces
/// a hand can hold. All as far from the parts as they are from each other, and on the sheet.
///
/// Nothing where there is no room for the box.
std::optional<Part> weedingOf(const std::vector<Polygon>& shapes, Length wide, Length tall,
                              Length apart);

/// Cuts across waste run so far from each other, and shorter ones are left out: common practice, no
/// published source.
inline constexpr Length crossCutsApart = Length::mm(60);
inline constexpr Length leastCrossCut = Length::mm(20);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "divide/region.h"

namespace avrelt {

/// What of a region lies between two angles of the frame less than a turn apart, which may run on
/// past the seam, to be filled on screen: each outline cut straight at both, in one go along it.
/// Where a cut takes away the middle of a part, what is left hangs together along the cut, which a
/// fill does not show. A sight turned by hand needs no more, and no booleans.
std::vector<WallLine> inSight(const Region& region, Angle from, Angle to);

}  // namespace avrelt

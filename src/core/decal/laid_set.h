// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "decal/footprint.h"
#include "decal/standing.h"
#include "divide/region.h"

namespace avrelt {

/// A layer on the wall.
struct LaidLayer {
  Region region;
  WallReach reach;
};

/// A set on the wall, its outline that of all its layers.
struct LaidSet : Footprint {
  std::vector<LaidLayer> layers;  ///< as the set has them
  WallReach reach;                ///< of all of it
};

/// A set laid where it stands; `anchor` is the artwork's, from its middle.
LaidSet laidSet(const SetShape& made, const Stand& stand, Point anchor, const Wall& wall);

}  // namespace avrelt

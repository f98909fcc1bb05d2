// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "decal/place_room.h"
#include "decal/standing.h"
#include "divide/region.h"
#include "shape/edge_tree.h"

namespace avrelt {

/// A layer on the wall.
struct LaidLayer {
  Region region;
  WallReach reach;
};

/// A set on the wall.
struct LaidSet {
  std::vector<LaidLayer> layers;  ///< as the set has them
  EdgeTree outline;               ///< all of it, in the flat with its anchor turned to the front
  WallReach reach;                ///< of all of it
};

/// A set laid where it stands; `anchor` is the artwork's, from its middle.
LaidSet laidSet(const SetShape& made, const Stand& stand, Point anchor, const Wall& wall);

}  // namespace avrelt

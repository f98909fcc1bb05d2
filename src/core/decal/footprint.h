// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "cup/wall.h"
#include "divide/region.h"
#include "shape/edge_tree.h"

namespace avrelt {

/// How far something reaches on the wall, past seam, rim and base as it lies.
struct WallReach {
  Angle from;  ///< in the frame; below −180° or, `to`, above 180° past the seam
  Angle to;
  Length low;
  Length high;

  void add(const WallReach& other);
};

/// What something of a decal's size covers of the wall.
struct Footprint {
  EdgeTree outline;  ///< rolled out on its ground, its anchor turned to the front
  WallPoint anchor;  ///< in the frame
  /// The cone it lies on: the wall where that is one, else what touches the wall about its middle.
  Development ground = Development::cone(Length::mm(1), 0, Length::mm(1));
};

/// A shape of a ground on the wall, so far round.
std::vector<WallLine> rolledUp(const Polygon& shape, Angle by, const Development& ground);
/// How far it reaches: sides are arcs on a taper, so that the middle of one may lie farther up or
/// down than its ends.
WallReach reachOf(const Footprint& footprint);
/// Its outline on the wall's own flat, where that is drawn.
Polygon onFlat(const Footprint& footprint, const Wall& wall);
/// A shape of one ground on another, the same place to the front on both.
Polygon broughtTo(const Development& ground, const Polygon& shape, const Development& from);

/// How far a place is from something, and where they are nearest.
struct Apart {
  std::string id;   ///< of what it is
  Length apart;     ///< 0 where it lies on it
  WallPoint here;   ///< of the place, in the frame
  WallPoint there;  ///< beside it, past the seam where it lies beyond
};

/// Between two, the other's anchor so far round from the first's. On a curved wall they are brought
/// to the cone that touches it half-way between, and once more to the one half-way between the
/// places found so.
Apart apartBy(const Wall& wall, const Footprint& one, const Footprint& other, Angle by);
/// Between two, whichever way round they are nearer.
Apart apartOn(const Wall& wall, const Footprint& one, const Footprint& other);
/// Whether `apartOn` says less than `limit`, which is quicker to know.
bool nearerThan(const Wall& wall, const Footprint& one, const Footprint& other, Length limit);

/// What is known of two without going along their outlines, in mm.
struct Spacing {
  double middles = 0;  ///< between the middles of the discs that hold them
  double least = 0;    ///< what lies between them at the least; below 0 where discs overlap
};
Spacing spacingOf(const Wall& wall, const Footprint& one, const Footprint& other);

}  // namespace avrelt

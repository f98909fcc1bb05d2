// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "cup/wall.h"
#include "decal/set_shape.h"

namespace avrelt {

/// Where a set is to stand, of its own, in a row or in a scatter.
struct Stand {
  std::string id{};
  std::string row{};
  std::string scatter{};
  int index = 0;
  WallPoint anchor{};
  Angle turn{};
  bool follows = false;
  double percent = 100;  ///< of the set's size
};

/// The artwork's anchor from its middle, as it is made.
Point anchorOf(const DecalSet& set, const SetShape& made);

/// What turns a shape about its middle.
Transform turned(Angle by);
/// What a place lies on, rolled out: the cone that touches the wall where the set's middle is. The
/// same by whichever of its points the place is told.
Development groundOf(const Stand& stand, Point anchor, const Wall& wall);
/// The way of a set's shapes to the flat of its ground, their anchor turned to the front.
Transform standing(const Stand& stand, Point anchor, const Development& ground);

/// What one that follows its ring is bent by: 0 for one that stays straight, and on a straight cup,
/// where a ring is straight.
double curveOf(const Stand& stand, Point anchor, const Wall& wall);

}  // namespace avrelt

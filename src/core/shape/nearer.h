// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "measure/length.h"
#include "shape/polygon.h"

namespace avrelt {

/// A straight side, and whether it is one of those that are asked for.
struct SideOfTwo {
  Point from;
  Point to;
  bool asked = false;
};

/// What of the plane, to at least `reach` from the sides, lies nearer to one of those asked for
/// than to any other: the cells of their Voronoi diagram (Boost.Polygon), their curved edges
/// followed to 0.005 mm. An end that a side asked for shares with another belongs to the other.
/// Sides meet in their ends alone.
Polygon nearerToAsked(const std::vector<SideOfTwo>& sides, Length reach);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "measure/angle.h"
#include "measure/length.h"
#include "shape/polygon.h"

namespace avrelt {

/// A straight edge of a shape.
struct StraightEdge {
  Length length;
  Angle lean;  ///< of its direction, from level, to the left; above −90°, up to 90°
};

/// The straight edges by which a shape may be stood level or plumb, the longest first: sides in one
/// line with each other count as one, those under an eighth of the shape's larger side are left
/// out, and so is what leans like a longer one, to half a degree.
std::vector<StraightEdge> straightEdges(const Polygon& shape);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
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

/// How far what has these edges and is turned so far is to be turned for the first of them to be
/// level, or plumb; where one is so already, for the next. Nothing where there are none.
std::optional<Angle> turnedToEdge(const std::vector<StraightEdge>& edges, Angle turned, bool plumb);

}  // namespace avrelt

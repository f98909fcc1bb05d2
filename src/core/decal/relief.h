// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "shape/polygon.h"

namespace avrelt {

/// A straight cut from the edge of a shape into it.
struct ReliefCut {
  Point from;  ///< on the edge
  Point to;    ///< inside
};

/// Cuts up and down into a shape that lies too wide, which leave it in one piece.
struct Relief {
  std::vector<ReliefCut> cuts;
  /// The widest that is left between two cuts that go most of the way; all of it where there are
  /// none.
  Length tongue;
};

/// So much is left between the two halves of a cut that would go through, and before an opening.
inline constexpr Length reliefBridge = Length::mm(3);
/// They stay so far off the artwork.
inline constexpr Length reliefOff = Length::mm(0.5);

/// What of a shape is wider than `widest` is cut in to tongues no wider: from its upper and lower
/// edge, where it is emptiest near the places that part it evenly. What of it the artwork covers is
/// not cut: a shape that is all artwork stays as it is. Shapes lie as on the wall, y up it.
Relief reliefOf(const Polygon& shape, const Polygon& artwork, Length widest);

}  // namespace avrelt

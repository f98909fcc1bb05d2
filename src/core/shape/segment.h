// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>

#include "shape/point.h"

namespace avrelt {

/// The square of how far a place lies from the straight line between two others, in mm².
inline double squareDistance(Point p, Point from, Point to) {
  const Point along = to - from;
  const Point off = p - from;
  const double square = dot(along, along);
  const double share = square < 1e-24 ? 0 : std::clamp(dot(off, along) / square, 0.0, 1.0);
  const Point left = off - along * share;
  return dot(left, left);
}

}  // namespace avrelt

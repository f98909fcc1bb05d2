// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cmath>
#include <numbers>

#include "divide/region.h"

namespace avrelt {

/// Positive where a closed outline runs counter-clockwise, negative for a hole; in radians times
/// mm, so of use to compare outlines, not as an area.
inline double turnOf(const WallLine& outline) {
  double sum = 0;
  for (std::size_t i = 0; i < outline.size(); ++i) {
    const WallPoint& a = outline[i];
    const WallPoint& b = outline[(i + 1) % outline.size()];
    sum += a.theta.radians() * b.s.mm() - b.theta.radians() * a.s.mm();
  }
  return sum;
}

/// Whether a side runs along the seam, where a region is parted and has no edge of its own.
inline bool alongSeam(const WallPoint& a, const WallPoint& b) {
  return std::abs(std::abs(a.theta.radians()) - std::numbers::pi) < 1e-7 &&
         std::abs((a.theta - b.theta).radians()) < 1e-7;
}

}  // namespace avrelt

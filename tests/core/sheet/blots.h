// SPDX-License-Identifier: GPL-3.0-or-later
// Shapes as if by chance, as tests of what is laid on sheets need them.
#pragma once

#include <cmath>

#include "measure/dice.h"
#include "shape/polygon.h"

namespace avrelt {

inline Polygon blot(Dice& dice, Point at, double r) {
  std::vector<Point> points;
  const int corners = 3 + static_cast<int>(dice.one(9));
  for (int i = 0; i < corners; ++i) {
    const double a = 2 * M_PI * i / corners;
    const double far = r * dice.between(0.4, 1);
    points.push_back(at + Point{far * std::cos(a), far * std::sin(a)});
  }
  return {points};
}

}  // namespace avrelt

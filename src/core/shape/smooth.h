// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cmath>

namespace avrelt {

/// sin(x) / x, whole at x = 0. What keeps a taper of nothing from being a case of its own.
inline double sinc(double x) {
  const double x2 = x * x;
  return x2 < 1e-8 ? 1 - x2 / 6 : std::sin(x) / x;
}

}  // namespace avrelt

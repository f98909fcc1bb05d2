// SPDX-License-Identifier: GPL-3.0-or-later
#include "craft/flood.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace avrelt {

Volume floodFor(Area wall, Roughness below) {
  constexpr double usualMm2 = 48'000;
  constexpr std::array<double, 5> usualMl{20, 15, 25, 27, 30};
  constexpr double leastMl = 5;
  const double size = std::sqrt(std::max(0.0, wall.mm2()) / usualMm2);
  return Volume::ml(std::max(leastMl, std::round(usualMl[static_cast<std::size_t>(below)] * size)));
}

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <cmath>

#include "cup/development.h"
#include "shape/picture_mesh.h"

namespace avrelt {

/// Gives a mesh nodes over the wall between two angles and two heights: `at` brings places of the
/// wall to its plane, `on` to the picture. At most 4 mm apart, so that what runs evenly between
/// them is off by less than 0.05 mm on any cup over 80 mm round. `radius` is the widest there.
template <typename At, typename On>
void addNodes(PictureMesh& mesh, Angle from, Angle to, Length low, Length high, Length radius,
              const At& at, const On& on) {
  const auto steps = [](double mm) {
    constexpr double apart = 4;
    return std::max<std::size_t>(1, static_cast<std::size_t>(std::ceil(mm / apart)));
  };
  const std::size_t across = steps(radius.mm() * (to - from).radians());
  const std::size_t up = steps((high - low).mm());
  mesh.across = across + 1;
  mesh.nodes.reserve(mesh.nodes.size() + mesh.across * (up + 1));
  for (std::size_t row = 0; row <= up; ++row) {
    for (std::size_t column = 0; column <= across; ++column) {
      const WallPoint p{
          from + (to - from) * (static_cast<double>(column) / static_cast<double>(across)),
          low + (high - low) * (static_cast<double>(row) / static_cast<double>(up))};
      mesh.nodes.push_back({at(p), on(p)});
    }
  }
}

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <cmath>
#include <vector>

#include "decal/set_plan.h"

namespace avrelt {

/// The picture of a layer where it lies on a place, between two angles of the frame, in as many
/// pieces as it comes to lie there; `at` brings places of the wall to the meshes' plane. Nodes at
/// most 4 mm apart.
template <typename At>
std::vector<PictureMesh> laidPrint(const LayerPrint& print, const PlacePlan& place,
                                   std::size_t layer, const Wall& wall, Angle from, Angle to,
                                   const At& at) {
  constexpr double apart = 4;
  const WallReach& reach = place.laid->layers[layer].reach;
  const Transform back = inverseOf(place.onFlat);
  std::vector<PictureMesh> meshes;
  for (const int turns : {-1, 0, 1}) {
    const Angle by = Angle::turn() * turns;
    const Angle left = std::max(reach.from + by, from);
    const Angle right = std::min(reach.to + by, to);
    const Length low = std::max(reach.low, Length());
    const Length high = std::min(reach.high, wall.body.wall());
    if (left >= right || low >= high) continue;
    const auto steps = [](double mm) {
      return std::max<std::size_t>(1, static_cast<std::size_t>(std::ceil(mm / apart)));
    };
    const std::size_t across = steps(wall.body.widestRadius().mm() * (right - left).radians());
    const std::size_t up = steps((high - low).mm());
    PictureMesh mesh;
    mesh.across = across + 1;
    if (print.tiled) mesh.everyWide = mesh.everyTall = 1;
    for (std::size_t row = 0; row <= up; ++row) {
      for (std::size_t column = 0; column <= across; ++column) {
        const WallPoint p{
            left + (right - left) * (static_cast<double>(column) / static_cast<double>(across)),
            low + (high - low) * (static_cast<double>(row) / static_cast<double>(up))};
        const Point flat = wall.flat.toFlat({p.theta - by, p.s});
        mesh.nodes.push_back({at(p), onPicture(print, back(flat))});
      }
    }
    meshes.push_back(std::move(mesh));
  }
  return meshes;
}

}  // namespace avrelt

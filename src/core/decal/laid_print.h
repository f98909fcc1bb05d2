// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <vector>

#include "decal/set_plan.h"
#include "divide/wall_mesh.h"

namespace avrelt {

/// The picture of a layer where it lies on a place, between two angles of the frame, in as many
/// pieces as it comes to lie there; `at` brings places of the wall to the meshes' plane.
template <typename At>
std::vector<PictureMesh> laidPrint(const LayerPrint& print, const PlacePlan& place,
                                   std::size_t layer, const Wall& wall, Angle from, Angle to,
                                   const At& at) {
  const WallReach& reach = place.laid->layers[layer].reach;
  const Transform back = inverseOf(place.onGround);
  std::vector<PictureMesh> meshes;
  for (const int turns : {-1, 0, 1}) {
    const Angle by = Angle::turn() * turns;
    const Angle left = std::max(reach.from + by, from);
    const Angle right = std::min(reach.to + by, to);
    const Length low = std::max(reach.low, Length());
    const Length high = std::min(reach.high, wall.body.wall());
    if (left >= right || low >= high) continue;
    PictureMesh mesh = emptyMesh(print);
    addNodes(mesh, left, right, low, high, wall.body.widestRadius(), at, [&](WallPoint p) {
      return onPicture(print,
                       back(place.laid->ground.toFlat({p.theta - by - place.anchor.theta, p.s})));
    });
    meshes.push_back(std::move(mesh));
  }
  return meshes;
}

}  // namespace avrelt

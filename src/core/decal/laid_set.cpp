// SPDX-License-Identifier: GPL-3.0-or-later
#include "decal/laid_set.h"

#include <algorithm>
#include <cmath>
#include <iterator>

namespace avrelt {
namespace {

/// Sides of a shape of the flat parted so that they stay within 0.01 mm of straight where rings are
/// taken for straight: over a length l those run l² k / 8r off.
Polygon inShortSides(const Polygon& shape, const Development& ground) {
  constexpr double off = 0.01;
  const double taper = std::abs(ground.taper());
  if (taper < 1e-9) return shape;
  const double r = std::min(ground.radius(Length()), ground.radius(ground.wall())).mm();
  const double most = std::sqrt(8 * off * std::max(r, 1.0) / taper);
  Polygon parted;
  parted.reserve(shape.size());
  for (const std::vector<Point>& outline : shape) {
    std::vector<Point> points;
    points.reserve(outline.size());
    for (std::size_t i = 0; i < outline.size(); ++i) {
      const Point a = outline[i];
      const Point along = outline[(i + 1) % outline.size()] - a;
      const int parts = std::max(1, static_cast<int>(std::ceil(norm(along) / most)));
      for (int k = 0; k < parts; ++k)
        points.push_back(a + along * (static_cast<double>(k) / parts));
    }
    parted.push_back(std::move(points));
  }
  return parted;
}

WallReach reachOfLines(const std::vector<WallLine>& outlines, WallPoint anchor) {
  WallReach reach{anchor.theta, anchor.theta, anchor.s, anchor.s};
  bool first = true;
  for (const WallLine& line : outlines) {
    for (const WallPoint& at : line) {
      const WallReach here{at.theta, at.theta, at.s, at.s};
      if (first) reach = here;
      first = false;
      reach.add(here);
    }
  }
  return reach;
}

/// Neither over the rim or the base nor across the seam.
bool liesWithin(const WallReach& reach, Length top) {
  return reach.from >= -Angle::halfTurn() && reach.to <= Angle::halfTurn() &&
         reach.low >= Length() && reach.high <= top;
}

/// A shape of the flat on the wall, so far round.
LaidLayer onWall(const Polygon& shape, WallPoint anchor, const Development& ground) {
  LaidLayer laid;
  std::vector<WallLine> outlines = rolledUp(shape, anchor.theta, ground);
  laid.reach = reachOfLines(outlines, anchor);
  const Length top = ground.wall();
  if (liesWithin(laid.reach, top)) {
    laid.region = Region(std::move(outlines));
    return laid;
  }
  // Part by part, as a part may lie in the opening of another; only those that reach out are
  // folded.
  std::vector<WallLine> all;
  for (const Polygon& part : partsOf(shape)) {
    std::vector<WallLine> lines = rolledUp(part, anchor.theta, ground);
    if (liesWithin(reachOfLines(lines, anchor), top)) {
      std::move(lines.begin(), lines.end(), std::back_inserter(all));
      continue;
    }
    Region region = Region::folded(lines.front(), Length(), top);
    for (std::size_t i = 1; i < lines.size(); ++i) {
      std::reverse(lines[i].begin(), lines[i].end());
      region = region - Region::folded(lines[i], Length(), top);
    }
    all.insert(all.end(), region.outlines().begin(), region.outlines().end());
  }
  laid.region = Region(std::move(all)) | Region();
  return laid;
}

}  // namespace

LaidSet laidSet(const SetShape& made, const Stand& stand, Point anchor, const Wall& wall) {
  LaidSet laid;
  laid.anchor = stand.anchor;
  laid.ground = groundOf(stand, anchor, wall);
  const Transform way = standing(stand, anchor, laid.ground);
  for (const LayerShape& layer : made.layers) {
    laid.layers.push_back(
        onWall(inShortSides(mapped(layer.shape, way), laid.ground), stand.anchor, laid.ground));
  }
  laid.outline = EdgeTree(mapped(made.outer, way));
  laid.reach = reachOf(laid);
  return laid;
}

}  // namespace avrelt

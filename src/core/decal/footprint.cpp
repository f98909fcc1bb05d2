// SPDX-License-Identifier: GPL-3.0-or-later
#include "decal/footprint.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <optional>

namespace avrelt {
namespace {

/// How far discs of two footprints may grow when they are brought to one ground.
constexpr double broughtWider = 1.25;

bool sameGround(const Development& a, const Development& b) {
  return a.taper() == b.taper() && a.radius(Length()) == b.radius(Length());
}

/// How high up the wall the middle of a footprint is, and how far round from its anchor.
WallPoint middleOf(const Footprint& footprint) {
  return footprint.ground.toWall(footprint.outline.centre());
}

/// The ground that both are measured on.
Development groundBetween(const Wall& wall, const Footprint& one, const Footprint& other) {
  if (sameGround(one.ground, other.ground)) return one.ground;
  return wall.touching((middleOf(one).s + middleOf(other).s) / 2);
}

/// By which the other's anchor may stand from the first's: the shorter way between their middles,
/// and where that is over a quarter of the cup the longer one too, which for wide shapes may be the
/// nearer.
std::vector<Angle> waysRound(const Footprint& one, const Footprint& other) {
  const Angle between = middleOf(one).theta - middleOf(other).theta;
  const Angle by = (other.anchor.theta - one.anchor.theta - between).wrapped();
  if (abs(by) < Angle::halfTurn() / 2) return {by + between};
  const Angle back = by > Angle() ? by - Angle::turn() : by + Angle::turn();
  return {by + between, back + between};
}

}  // namespace

void WallReach::add(const WallReach& more) {
  *this = {std::min(from, more.from), std::max(to, more.to), std::min(low, more.low),
           std::max(high, more.high)};
}

std::vector<WallLine> rolledUp(const Polygon& shape, Angle by, const Development& ground) {
  std::vector<WallLine> outlines;
  outlines.reserve(shape.size());
  for (const std::vector<Point>& outline : shape) {
    WallLine line;
    line.reserve(outline.size());
    for (const Point& p : outline) {
      WallPoint at = ground.toWall(p);
      at.theta = at.theta + by;
      line.push_back(at);
    }
    outlines.push_back(std::move(line));
  }
  return outlines;
}

WallReach reachOf(const Footprint& footprint) {
  const Development& ground = footprint.ground;
  const Polygon& shape = footprint.outline.shape();
  WallReach reach{footprint.anchor.theta, footprint.anchor.theta, footprint.anchor.s,
                  footprint.anchor.s};
  if (shape.empty()) return reach;
  const WallPoint first = ground.toWall(shape.front().front());
  reach = {first.theta, first.theta, first.s, first.s};
  for (const std::vector<Point>& outline : shape) {
    for (std::size_t i = 0; i < outline.size(); ++i) {
      const WallPoint at = ground.toWall(outline[i]);
      reach.add({at.theta, at.theta, at.s, at.s});
      if (ground.isCylinder()) continue;
      // Where a side is nearest to the apex it is square to the upright there: its lowest place, or
      // on a cup wider at its base its highest.
      const Point apex{0, -ground.radius(Length()).mm() / ground.taper()};
      const Point along = outline[(i + 1) % outline.size()] - outline[i];
      const double share = -dot(outline[i] - apex, along) / std::max(dot(along, along), 1e-12);
      if (share <= 0 || share >= 1) continue;
      const Length s = ground.toWall(outline[i] + along * share).s;
      reach.add({at.theta, at.theta, s, s});
    }
  }
  const Angle by = footprint.anchor.theta;
  return {reach.from + by, reach.to + by, reach.low, reach.high};
}

Polygon broughtTo(const Development& ground, const Polygon& shape, const Development& from) {
  if (sameGround(ground, from)) return shape;
  Polygon brought = shape;
  for (std::vector<Point>& outline : brought) {
    for (Point& p : outline) p = ground.toFlat(from.toWall(p));
  }
  return brought;
}

Polygon onFlat(const Footprint& footprint, const Wall& wall) {
  return mapped(broughtTo(wall.flat, footprint.outline.shape(), footprint.ground),
                wall.flat.turning(footprint.anchor.theta));
}

Apart apartBy(const Wall& wall, const Footprint& one, const Footprint& other, Angle by) {
  Development ground = groundBetween(wall, one, other);
  const auto near = [&] {
    const EdgeTree there(
        mapped(broughtTo(ground, other.outline.shape(), other.ground), ground.turning(by)));
    if (sameGround(ground, one.ground)) return nearest(one.outline, there);
    return nearest(EdgeTree(broughtTo(ground, one.outline.shape(), one.ground)), there);
  };
  Nearest found = near();
  if (!wall.body.isCone() && found.apart > Length()) {
    ground = wall.touching((ground.toWall(found.here).s + ground.toWall(found.there).s) / 2);
    found = near();
  }
  WallPoint here = ground.toWall(found.here);
  WallPoint beside = ground.toWall(found.there);
  // The first into the frame, the other beside it, past the seam where that is nearer.
  const Angle at = here.theta + one.anchor.theta;
  beside.theta = beside.theta + one.anchor.theta + (at.wrapped() - at);
  here.theta = at.wrapped();
  return {{}, found.apart, here, beside};
}

Apart apartOn(const Wall& wall, const Footprint& one, const Footprint& other) {
  std::optional<Apart> found;
  for (const Angle by : waysRound(one, other)) {
    Apart apart = apartBy(wall, one, other, by);
    if (!found || apart.apart < found->apart) found = std::move(apart);
  }
  return *found;
}

bool nearerThan(const Wall& wall, const Footprint& one, const Footprint& other, Length limit) {
  const std::vector<Angle> ways = waysRound(one, other);
  return std::any_of(ways.begin(), ways.end(), [&](Angle by) {
    if (!wall.body.isCone()) return apartBy(wall, one, other, by).apart < limit;
    return nearerThan(one.outline, EdgeTree(mapped(other.outline.shape(), wall.flat.turning(by))),
                      limit);
  });
}

Spacing spacingOf(const Wall& wall, const Footprint& one, const Footprint& other) {
  const Development ground = groundBetween(wall, one, other);
  const Point middle = ground.toFlat(middleOf(one));
  const Point there = ground.toFlat(middleOf(other));
  double middles = std::numeric_limits<double>::infinity();
  for (const Angle by : waysRound(one, other)) {
    middles = std::min(middles, norm(ground.turning(by)(there) - middle));
  }
  const double wider = wall.body.isCone() ? 1 : broughtWider;
  return {middles, middles - wider * (one.outline.reach() + other.outline.reach())};
}

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#include "decal/place_room.h"

#include <algorithm>
#include <cmath>

namespace avrelt {
namespace {

/// Arcs of rings are drawn in steps of this.
constexpr double arcStep = 0.05;

Polyline rolledOut(const Development& flat, const WallLine& line, bool closed) {
  Polyline result{{}, closed};
  const std::size_t sides = closed ? line.size() : line.size() - 1;
  for (std::size_t i = 0; i < sides; ++i) {
    const WallPoint from = line[i];
    const WallPoint to = line[(i + 1) % line.size()];
    const double turn = (to.theta - from.theta).radians();
    // A side is straight on the wall, an arc in the flat of a cone.
    const auto steps =
        flat.taper() == 0 ? 1 : 1 + static_cast<int>(std::min(std::abs(turn) / arcStep, 1000.0));
    for (int k = 0; k < steps; ++k) {
      const double share = static_cast<double>(k) / steps;
      result.points.push_back(flat.toFlat(
          {from.theta + (to.theta - from.theta) * share, from.s + (to.s - from.s) * share}));
    }
  }
  if (!closed && !line.empty()) result.points.push_back(flat.toFlat(line.back()));
  return result;
}

/// Puts the first into the frame and the second beside it, past the seam where that is nearer.
void keepTogether(WallPoint& here, WallPoint& there) {
  const Angle by = here.theta.wrapped() - here.theta;
  here.theta = here.theta + by;
  there.theta = there.theta + by;
}

}  // namespace

void WallReach::add(const WallReach& other) {
  *this = {std::min(from, other.from), std::max(to, other.to), std::min(low, other.low),
           std::max(high, other.high)};
}

const Apart* PlaceRoom::nearest() const {
  const Apart* found = &seam;
  for (const std::optional<Apart>* other : {&line, &feature, &place}) {
    if (*other && (*other)->apart < found->apart) found = &**other;
  }
  return found;
}

WallLandmarks::WallLandmarks(const Wall& wall, const Divided& divided,
                             const std::vector<Feature>& features)
    : wall_(wall), divided_(divided) {
  std::vector<Polyline> lines;
  for (const DivideLine& line : divided.lines) {
    for (const WallLine& stretch : line.stretches) {
      if (stretch.size() < 2) continue;
      lines.push_back(rolledOut(wall.flat, stretch, false));
      lineIds_.push_back(line.cut + "/" + std::to_string(line.index));
    }
  }
  lines_ = EdgeTree(lines);
  Polygon covered;
  for (std::size_t i = 0; i < features.size(); ++i) {
    const Feature& feature = features[i];
    if (!coversWall(feature.kind)) continue;
    const Length low =
        feature.kind == FeatureKind::footLip ? Length() : std::max(feature.low.length, Length());
    const Length high = std::min(feature.high.length, wall.body.wall());
    if (high <= low) continue;
    const bool round = feature.kind == FeatureKind::footLip;
    const Angle middle = round ? Angle() : wall.inFrame(feature.at);
    const Angle half = round ? Angle::halfTurn() : feature.wide / 2;
    covered.push_back(rolledOut(wall.flat,
                                {{middle - half, low},
                                 {middle + half, low},
                                 {middle + half, high},
                                 {middle - half, high}},
                                true)
                          .points);
    featureIds_.push_back(std::to_string(i));
  }
  features_ = EdgeTree(std::move(covered));
}

std::optional<Apart> WallLandmarks::nearestOf(const EdgeTree& outline, WallPoint anchor,
                                              const EdgeTree& marks,
                                              const std::vector<std::string>& ids) const {
  if (marks.empty() || outline.empty()) return std::nullopt;
  std::optional<Apart> found;
  // What lies beyond the seam is reached the other way round.
  const Angle over = anchor.theta < Angle() ? Angle::turn() : -Angle::turn();
  for (const Angle shift : {Angle(), over}) {
    const EdgeTree moved(
        mapped(outline.shape(), wall_.flat.turning(anchor.theta + shift)));
    const Nearest one = nearest(moved, marks);
    if (found && found->apart <= one.apart) continue;
    WallPoint here = wall_.flat.toWall(one.here);
    WallPoint there = wall_.flat.toWall(one.there);
    keepTogether(here, there);
    found = Apart{ids[one.line], one.apart, here, there};
  }
  return found;
}

PlaceRoom WallLandmarks::roomOf(const EdgeTree& outline, WallPoint anchor,
                                const WallReach& reach) const {
  PlaceRoom room;
  const Length top = wall_.body.wall();
  room.rim = top - reach.high;
  room.base = reach.low;
  room.line = nearestOf(outline, anchor, lines_, lineIds_);
  room.feature = nearestOf(outline, anchor, features_, featureIds_);
  // The seam's both edges, beyond rim and base as far as the set reaches.
  const Length low = std::min(Length(), reach.low);
  const Length high = std::max(top, reach.high);
  std::vector<Polyline> edges;
  for (const Angle at : {-Angle::halfTurn(), Angle::halfTurn()}) {
    edges.push_back({{wall_.flat.toFlat({at, low}), wall_.flat.toFlat({at, high})}, false});
  }
  room.seam = nearestOf(outline, anchor, EdgeTree(edges), {"seam", "seam"})
                  .value_or(Apart{"seam", Length(), anchor, anchor});
  const WallPoint inside{anchor.theta.wrapped(), anchor.s};
  for (const Zone& zone : divided_.zones) {
    if (zone.region.contains(inside)) room.zone = zone.id;
  }
  return room;
}

Apart apartOn(const Development& flat, const EdgeTree& one, WallPoint at, const EdgeTree& other,
              WallPoint otherAt) {
  const Angle by = (otherAt.theta - at.theta).wrapped();
  const Nearest found =
      nearest(one, EdgeTree(mapped(other.shape(), flat.turning(by))));
  WallPoint here = flat.toWall(found.here);
  WallPoint there = flat.toWall(found.there);
  here.theta = here.theta + at.theta;
  there.theta = there.theta + at.theta;
  keepTogether(here, there);
  return {{}, found.apart, here, there};
}

}  // namespace avrelt

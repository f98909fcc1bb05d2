// SPDX-License-Identifier: GPL-3.0-or-later
#include "decal/place_room.h"

#include <algorithm>

#include "divide/flat_outline.h"

namespace avrelt {
namespace {

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
    : wall_(wall) {
  for (const Zone& zone : divided.zones) zones_.push_back({zone.id, zone.letter, zone.region});
  std::vector<Polyline> lines;
  for (const DivideLine& line : divided.lines) {
    for (const WallLine& stretch : line.stretches) {
      if (stretch.size() < 2) continue;
      lines.push_back({inFlat(stretch, false, wall.flat, curveTolerance), false});
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
    covered.push_back(inFlat(
        {{middle - half, low}, {middle + half, low}, {middle + half, high}, {middle - half, high}},
        true, wall.flat, curveTolerance));
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
    const EdgeTree moved(mapped(outline.shape(), wall_.flat.turning(anchor.theta + shift)));
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
  room.zone = zoneAt(anchor);
  return room;
}

std::optional<Apart> WallLandmarks::lineNear(WallPoint place) const {
  const Point p = wall_.flat.toFlat({Angle(), place.s});
  // As good as a point.
  constexpr double tiny = 1e-6;
  return nearestOf(EdgeTree(Polygon{{p, p + Point{tiny, 0}, p + Point{0, tiny}}}), place, lines_,
                   lineIds_);
}

std::string WallLandmarks::zoneAt(WallPoint place) const {
  if (place.s < Length() || place.s > wall_.body.wall()) return {};
  // What stands on the seam, on a line, at rim or base is in what lies just beside.
  constexpr Length aside = Length::mm(1e-4);
  constexpr Angle round = Angle::radians(1e-6);
  const Length s = std::clamp(place.s, aside, wall_.body.wall() - aside);
  const WallPoint near[] = {{place.theta.wrapped(), s},
                            {(place.theta - round).wrapped(), s + aside},
                            {(place.theta + round).wrapped(), s + aside},
                            {(place.theta - round).wrapped(), s - aside},
                            {(place.theta + round).wrapped(), s - aside}};
  for (const WallPoint& p : near) {
    for (const ZoneOnWall& zone : zones_) {
      if (zone.region.contains(p)) return zone.id;
    }
  }
  return {};
}

Apart apartOn(const Development& flat, const EdgeTree& one, WallPoint at, const EdgeTree& other,
              WallPoint otherAt) {
  std::optional<Apart> found;
  for (const Angle by : waysRound(at.theta, otherAt.theta)) {
    const Nearest near = nearest(one, EdgeTree(mapped(other.shape(), flat.turning(by))));
    if (found && found->apart <= near.apart) continue;
    WallPoint here = flat.toWall(near.here);
    WallPoint there = flat.toWall(near.there);
    here.theta = here.theta + at.theta;
    there.theta = there.theta + at.theta;
    keepTogether(here, there);
    found = Apart{{}, near.apart, here, there};
  }
  return *found;
}

std::vector<Angle> waysRound(Angle from, Angle to) {
  const Angle by = (to - from).wrapped();
  if (abs(by) < Angle::halfTurn() / 2) return {by};
  return {by, by > Angle() ? by - Angle::turn() : by + Angle::turn()};
}

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#include "decal/place_room.h"

#include <algorithm>

#include "divide/flat_outline.h"

namespace avrelt {
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
  for (const DivideLine& line : divided.lines) {
    for (const WallLine& stretch : line.stretches) {
      if (stretch.size() < 2) continue;
      lines_.lines.push_back(stretch);
      lines_.ids.push_back(line.cut + "/" + std::to_string(line.index));
    }
  }
  features_.closed = true;
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
    features_.lines.push_back(
        {{middle - half, low}, {middle + half, low}, {middle + half, high}, {middle - half, high}});
    features_.ids.push_back(std::to_string(i));
  }
  lines_.onFlat = lines_.on(wall.flat);
  features_.onFlat = features_.on(wall.flat);
}

EdgeTree WallLandmarks::Marks::on(const Development& ground) const {
  std::vector<Polyline> open;
  Polygon shapes;
  for (const WallLine& line : lines) {
    std::vector<Point> points = inFlat(line, closed, ground, curveTolerance);
    if (closed) {
      shapes.push_back(std::move(points));
    } else {
      open.push_back({std::move(points), false});
    }
  }
  return closed ? EdgeTree(std::move(shapes)) : EdgeTree(open);
}

std::optional<Apart> WallLandmarks::nearestOf(const Footprint& footprint, Angle middle,
                                              const Marks& marks) const {
  if (marks.lines.empty() || footprint.outline.empty()) return std::nullopt;
  const bool cone = wall_.body.isCone();
  std::optional<Apart> found;
  // What lies beyond the seam is reached the other way round.
  const Angle over = middle < Angle() ? Angle::turn() : -Angle::turn();
  const auto measure = [&](const Development& ground, const EdgeTree& marked, Angle shift) {
    const EdgeTree moved(mapped(broughtTo(ground, footprint.outline.shape(), footprint.ground),
                                ground.turning(footprint.anchor.theta + shift)));
    const Nearest one = nearest(moved, marked);
    return Apart{marks.ids[one.line], one.apart, ground.toWall(one.here), ground.toWall(one.there)};
  };
  const EdgeTree own = cone ? EdgeTree() : marks.on(footprint.ground);
  for (const Angle shift : {Angle(), over}) {
    Apart apart = measure(footprint.ground, cone ? marks.onFlat : own, shift);
    if (found && found->apart <= apart.apart) continue;
    if (!cone && apart.apart > Length()) {
      // Once more where they are nearest, as the wall is there.
      const Development ground = wall_.touching((apart.here.s + apart.there.s) / 2);
      apart = measure(ground, marks.on(ground), shift);
    }
    const Angle by = apart.here.theta.wrapped() - apart.here.theta;
    apart.here.theta = apart.here.theta + by;
    apart.there.theta = apart.there.theta + by;
    found = std::move(apart);
  }
  return found;
}

PlaceRoom WallLandmarks::roomOf(const Footprint& footprint, const WallReach& reach) const {
  PlaceRoom room;
  const Length top = wall_.body.wall();
  const Angle middle = (reach.from + reach.to) / 2;
  room.rim = top - reach.high;
  room.base = reach.low;
  room.line = nearestOf(footprint, middle, lines_);
  room.feature = nearestOf(footprint, middle, features_);
  // The seam's both edges, beyond rim and base as far as the set reaches.
  const Length low = std::min(Length(), reach.low);
  const Length high = std::max(top, reach.high);
  Marks seam;
  for (const Angle at : {-Angle::halfTurn(), Angle::halfTurn()}) {
    seam.lines.push_back({{at, low}, {at, high}});
    seam.ids.emplace_back("seam");
  }
  seam.onFlat = seam.on(footprint.ground);
  room.seam = nearestOf(footprint, middle, seam)
                  .value_or(Apart{"seam", Length(), footprint.anchor, footprint.anchor});
  room.zone = zoneAt(footprint.anchor);
  return room;
}

std::optional<Apart> WallLandmarks::lineNear(WallPoint place) const {
  Footprint footprint{{}, place, wall_.touching(place.s)};
  const Point p = footprint.ground.toFlat({Angle(), place.s});
  // As good as a point.
  constexpr double tiny = 1e-6;
  footprint.outline = EdgeTree(Polygon{{p, p + Point{tiny, 0}, p + Point{0, tiny}}});
  return nearestOf(footprint, place.theta, lines_);
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

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#include "divide/underlap.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "divide/patch.h"
#include "shape/segment.h"

namespace avrelt {
namespace {

constexpr Length hair = Length::mm(0.02);

/// A line as a patch a hair wide.
Patch hairOf(const WallLine& line, const Body& body) {
  WallLine left;
  WallLine right;
  for (std::size_t i = 0; i < line.size(); ++i) {
    const WallPoint& a = line[i > 0 ? i - 1 : i];
    const WallPoint& b = line[std::min(i + 1, line.size() - 1)];
    const double r = body.radius(line[i].s).mm();
    const double x = (b.theta - a.theta).radians() * r;
    const double y = (b.s - a.s).mm();
    const double half = hair.mm() / 2 / std::max(std::hypot(x, y), 1e-9);
    const Angle across = Angle::radians(-y * half / r);
    const Length up = Length::mm(x * half);
    left.push_back({line[i].theta + across, line[i].s + up});
    right.push_back({line[i].theta - across, line[i].s - up});
  }
  // Counter-clockwise: the right-hand side forth, the left-hand side back.
  right.insert(right.end(), left.rbegin(), left.rend());
  return {std::move(right), {}};
}

/// What lies within so much of a line.
Region besideOf(const DivideLine& line, Length by, const Body& body) {
  Region beside;
  for (const WallLine& stretch : line.stretches) {
    const auto [low, high] =
        std::minmax_element(stretch.begin(), stretch.end(),
                            [](const WallPoint& a, const WallPoint& b) { return a.s < b.s; });
    if (high->s - low->s < Length::mm(1e-6)) {
      // Rings go on as rings, so that nothing ends at the seam.
      beside = beside | Region::between(stretch.front().theta, stretch.back().theta, low->s - by,
                                        high->s + by);
    } else {
      beside = beside | regionOf(drawnOut(hairOf(stretch, body), by - hair / 2, body));
    }
  }
  return beside;
}

}  // namespace

std::vector<EdgeLine> edgeLinesOf(const Zone& zone, const Divided& divided) {
  const auto index = static_cast<std::size_t>(
      std::find_if(divided.zones.begin(), divided.zones.end(),
                   [&](const Zone& other) { return other.id == zone.id; }) -
      divided.zones.begin());
  const auto has = [index](const std::vector<std::size_t>& side) {
    return std::find(side.begin(), side.end(), index) != side.end();
  };
  std::vector<EdgeLine> edges;
  for (std::size_t i = 0; i < divided.lines.size(); ++i) {
    const DivideLine& line = divided.lines[i];
    if (line.stretches.empty()) continue;
    const Sides& sides = divided.sides[i];
    const bool first = has(sides.first);
    const bool second = has(sides.second);
    if (first && second) {
      edges.push_back({&line, {}});
    } else if (first || second) {
      edges.push_back({&line, first ? sides.second : sides.first});
    }
  }
  return edges;
}

EdgeRule edgeRule(const Finish& finish, const DivideLine& line) {
  for (const LineEdge& one : finish.edges) {
    if (one.of == line.cut && one.line == line.index) return {one.edge, one.by.length};
  }
  return {finish.edge, finish.edgeBy.length};
}

namespace {

/// How far a place is from a line, in mm of the wall there.
double awayFrom(const DivideLine& line, WallPoint place, double radius) {
  double least = HUGE_VAL;
  const Point p{place.theta.radians() * radius, place.s.mm()};
  const double round = 2 * std::numbers::pi * radius;
  for (const WallLine& stretch : line.stretches) {
    for (std::size_t i = 0; i + 1 < stretch.size(); ++i) {
      const Point a{stretch[i].theta.radians() * radius, stretch[i].s.mm()};
      const Point b{stretch[i + 1].theta.radians() * radius, stretch[i + 1].s.mm()};
      for (const double by : {0.0, round, -round}) {
        least = std::min(least, squareDistance(p + Point{by, 0}, a, b));
      }
    }
  }
  return std::sqrt(least);
}

}  // namespace

Region grownOver(const Zone& zone, const Divided& divided, const Body& body,
                 const std::function<Length(const DivideLine&)>& by) {
  Length most;
  std::vector<std::pair<const DivideLine*, Length>> lines;
  for (const EdgeLine& edge : edgeLinesOf(zone, divided)) {
    lines.emplace_back(edge.line, by(*edge.line));
    most = std::max(most, lines.back().second);
  }
  if (most <= Length()) return zone.region;
  const bool someExact = std::any_of(lines.begin(), lines.end(),
                                     [](const auto& line) { return line.second <= Length(); });
  // A place belongs to the edge it is nearest to: beyond an exact one nothing is covered.
  const auto isExact = [&](WallPoint a, WallPoint b) {
    const WallPoint middle{(a.theta + b.theta) / 2, (a.s + b.s) / 2};
    const double radius = body.radius(middle.s).mm();
    double least = HUGE_VAL;
    bool exact = false;
    for (const auto& [line, over] : lines) {
      const double away = awayFrom(*line, middle, radius);
      if (away >= least) continue;
      least = away;
      exact = over <= Length();
    }
    return exact;
  };
  Region grown = zone.region;
  for (const Patch& patch : patchesOf(zone.region)) {
    const Region near = regionOf(drawnOut(patch, most, body));
    Region laps;
    for (const auto& [line, over] : lines) {
      if (over > Length()) laps = laps | (besideOf(*line, over, body) & near);
    }
    if (someExact) laps = laps - nearerTo(isExact, patch, most, body);
    grown = grown | laps;
  }
  return grown;
}

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#include "divide/underlap.h"

#include <algorithm>
#include <cmath>

#include "divide/patch.h"

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

Region grownOver(const Zone& zone, const Divided& divided, const Body& body,
                 const std::function<Length(const DivideLine&)>& by) {
  Region grown = zone.region;
  Length most;
  std::vector<EdgeLine> exact;
  std::vector<std::size_t> grownInto;
  std::vector<std::pair<const DivideLine*, Length>> lines;
  for (const EdgeLine& edge : edgeLinesOf(zone, divided)) {
    const Length over = by(*edge.line);
    if (over > Length()) {
      lines.emplace_back(edge.line, over);
      most = std::max(most, over);
      grownInto.insert(grownInto.end(), edge.beyond.begin(), edge.beyond.end());
    } else {
      exact.push_back(edge);
    }
  }
  if (lines.empty()) return grown;
  Region near;
  for (const Patch& patch : patchesOf(zone.region)) {
    near = near | regionOf(drawnOut(patch, most, body));
  }
  for (const auto& [line, over] : lines) {
    grown = grown | (besideOf(*line, over, body) & near);
  }
  for (const EdgeLine& edge : exact) {
    for (const std::size_t other : edge.beyond) {
      const Region& beyond = divided.zones[other].region;
      const bool both = std::find(grownInto.begin(), grownInto.end(), other) != grownInto.end();
      // A neighbour met across both kinds of line is kept off along the exact one alone.
      grown = grown - (both ? besideOf(*edge.line, most, body) & beyond : beyond);
    }
  }
  return grown;
}

}  // namespace avrelt

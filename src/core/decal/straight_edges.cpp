// SPDX-License-Identifier: GPL-3.0-or-later
#include "decal/straight_edges.h"

#include <algorithm>
#include <cmath>

namespace avrelt {
namespace {

constexpr double alike = 0.5;     // degrees
constexpr double inLine = 0.01;   // degrees, from one side to the next
constexpr double leastShare = 8;  // of the larger side

Angle leanOf(Point along) {
  double degrees = std::atan2(along.y, along.x) * 180 / M_PI;
  if (degrees <= -90) degrees += 180;
  if (degrees > 90) degrees -= 180;
  return Angle::degrees(degrees);
}

/// How far two directions without an arrow are from each other.
double between(Angle a, Angle b) {
  const double off = std::fmod(std::abs((a - b).degrees()), 180);
  return std::min(off, 180 - off);
}

}  // namespace

std::vector<StraightEdge> straightEdges(const Polygon& shape) {
  std::vector<StraightEdge> all;
  const Box box = boundsOf(shape);
  const double least = std::max(box.width(), box.height()) / leastShare;
  for (const std::vector<Point>& outline : shape) {
    const std::size_t count = outline.size();
    if (count < 3) continue;
    const auto side = [&](std::size_t i) { return outline[(i + 1) % count] - outline[i % count]; };
    // From a corner on, so that no edge is begun in its midst.
    std::size_t start = 0;
    while (start < count &&
           between(leanOf(side(start)), leanOf(side(start + count - 1))) < inLine) {
      ++start;
    }
    for (std::size_t i = 0; i < count;) {
      Point run = side(start + i);
      std::size_t next = i + 1;
      while (next < count &&
             between(leanOf(side(start + next)), leanOf(side(start + next - 1))) < inLine) {
        run = run + side(start + next);
        ++next;
      }
      if (norm(run) >= least) all.push_back({Length::mm(norm(run)), leanOf(run)});
      i = next;
    }
  }
  std::stable_sort(all.begin(), all.end(), [](const StraightEdge& a, const StraightEdge& b) {
    return a.length > b.length;
  });
  std::vector<StraightEdge> kept;
  for (const StraightEdge& one : all) {
    if (std::none_of(kept.begin(), kept.end(), [&](const StraightEdge& other) {
          return between(one.lean, other.lean) < alike;
        })) {
      kept.push_back(one);
    }
  }
  return kept;
}

std::optional<Angle> turnedToEdge(const std::vector<StraightEdge>& edges, Angle turned,
                                  bool plumb) {
  if (edges.empty()) return std::nullopt;
  // By how much each is off, without an arrow: within a quarter turn.
  const auto off = [&](const StraightEdge& edge) {
    return std::remainder((plumb ? 90 : 0) - (edge.lean + turned).degrees(), 180);
  };
  constexpr double stands = 0.01;
  const auto now = std::find_if(edges.begin(), edges.end(), [&](const StraightEdge& edge) {
    return std::abs(off(edge)) < stands;
  });
  const auto next =
      now == edges.end() ? 0 : static_cast<std::size_t>(now - edges.begin() + 1) % edges.size();
  return (turned + Angle::degrees(off(edges[next]))).wrapped();
}

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#include "shape/crossings.h"

#include <unordered_map>

#include "shape/buckets.h"
#include "shape/segment.h"

namespace avrelt {

// Counts in squares, each with as few stretches as may be, and stops when it is too much.
bool crossMoreOftenThan(std::size_t most, const std::vector<Polyline>& lines) {
  struct Side {
    Point a;
    Point b;
  };
  std::vector<Side> sides;
  Box room;
  for (const Polyline& line : lines) {
    const std::size_t count = line.points.size();
    for (std::size_t i = 0; i + (line.closed ? 0 : 1) < count; ++i) {
      sides.push_back({line.points[i], line.points[(i + 1) % count]});
      room.add(sides.back().a);
      room.add(sides.back().b);
    }
  }
  const Buckets buckets(room, sides.size());
  std::unordered_map<long, std::vector<std::size_t>> places;
  std::size_t entered = 0;
  std::size_t tried = 0;
  std::size_t crossings = 0;
  const std::size_t mostTries = 40 * sides.size() + 20'000'000;
  for (std::size_t i = 0; i < sides.size(); ++i) {
    const Point a = sides[i].a;
    const Point b = sides[i].b;
    Box box;
    box.add(a);
    box.add(b);
    buckets.at(box, [&](std::pair<long, long> place) {
      std::vector<std::size_t>& here = places[place.first * 1'000'003 + place.second];
      ++entered;
      for (const std::size_t j : here) {
        ++tried;
        const Point c = sides[j].a;
        const Point d = sides[j].b;
        const double left = cross(b - a, c - a) * cross(b - a, d - a);
        const double right = cross(d - c, a - c) * cross(d - c, b - c);
        if (left >= 0 || right >= 0) continue;
        // Once, in the square where they cross.
        const double share = cross(c - a, d - c) / cross(b - a, d - c);
        const Point p = a + (b - a) * share;
        buckets.at(Box{p, p}, [&](std::pair<long, long> at) { crossings += at == place ? 1 : 0; });
      }
      here.push_back(i);
    });
    if (crossings > most || tried > mostTries || entered > mostTries) return true;
  }
  return false;
}

}  // namespace avrelt

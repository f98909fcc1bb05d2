// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/push.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <numeric>

namespace avrelt {
namespace {

/// Left at each meeting, so that what touches does not lie on each other by rounding.
constexpr double between = 1e-4;
/// What lies on another by so little, by rounding or by hand, is taken to touch it.
constexpr double overlap = 0.05;
constexpr double hardlyAny = 0.02;
constexpr int mostRounds = 6;

constexpr double never = std::numeric_limits<double>::infinity();

/// The least that corners of one lie above sides of the other; `sign` -1 asks how far its sides lie
/// above those corners.
double leastAbove(const Polygon& corners, const Polygon& sides, const Box& within, double sign) {
  double least = never;
  for (const std::vector<Point>& outline : corners) {
    for (const Point p : outline) {
      if (p.x < within.low.x || p.x > within.high.x) continue;
      for (const std::vector<Point>& other : sides) {
        for (std::size_t i = 0; i < other.size(); ++i) {
          const Point a = other[i];
          const Point b = other[i + 1 == other.size() ? 0 : i + 1];
          if (std::min(a.x, b.x) > p.x || std::max(a.x, b.x) < p.x) continue;
          // Of an upright side the end that is met first.
          double y = sign > 0 ? std::max(a.y, b.y) : std::min(a.y, b.y);
          if (a.x != b.x) y = a.y + (b.y - a.y) * (p.x - a.x) / (b.x - a.x);
          const double above = sign * (p.y - y);
          if (above >= -overlap) least = std::min(least, std::max(above, 0.0));
        }
      }
    }
  }
  return least;
}

Polygon transposed(Polygon shape) {
  for (std::vector<Point>& outline : shape) {
    for (Point& p : outline) std::swap(p.x, p.y);
  }
  return shape;
}

/// Lets all fall once; by how much they fell together.
double fall(std::vector<Pushed>& shapes, double floor) {
  std::vector<Box> boxes;
  for (const Pushed& one : shapes) boxes.push_back(boundsOf(one.shape));
  std::vector<std::size_t> order(shapes.size());
  std::iota(order.begin(), order.end(), std::size_t{0});
  std::stable_sort(order.begin(), order.end(),
                   [&](std::size_t a, std::size_t b) { return boxes[a].low.y < boxes[b].low.y; });
  double sum = 0;
  for (const std::size_t at : order) {
    Pushed& one = shapes[at];
    if (one.fixed) continue;
    double way = std::max(0.0, boxes[at].low.y - floor);
    for (std::size_t other = 0; other < shapes.size() && way > hardlyAny / 10; ++other) {
      const Box& there = boxes[other];
      if (other == at || there.low.x > boxes[at].high.x || there.high.x < boxes[at].low.x ||
          there.low.y > boxes[at].high.y || there.high.y < boxes[at].low.y - way) {
        continue;
      }
      const auto free = wayDownTo(one.shape, shapes[other].shape);
      if (free) way = std::min(way, std::max(0.0, *free - between));
    }
    if (way <= hardlyAny / 10) continue;
    const Point by{0, -way};
    one.shape = movedBy(std::move(one.shape), by);
    one.by = one.by + by;
    boxes[at].low = boxes[at].low + by;
    boxes[at].high = boxes[at].high + by;
    sum += way;
  }
  return sum;
}

void transpose(std::vector<Pushed>& shapes) {
  for (Pushed& one : shapes) {
    one.shape = transposed(std::move(one.shape));
    std::swap(one.by.x, one.by.y);
  }
}

}  // namespace

std::optional<double> wayDownTo(const Polygon& moving, const Polygon& fixed) {
  const Box one = boundsOf(moving);
  const Box other = boundsOf(fixed);
  const Box within{{std::max(one.low.x, other.low.x), 0}, {std::min(one.high.x, other.high.x), 0}};
  // What only touches from the side slides along.
  if (within.high.x - within.low.x <= between) return std::nullopt;
  const double way =
      std::min(leastAbove(moving, fixed, within, 1), leastAbove(fixed, moving, within, -1));
  return way == never ? std::nullopt : std::optional(way);
}

void pushTogether(std::vector<Pushed>& shapes, Point low) {
  for (int round = 0; round < mostRounds; ++round) {
    double moved = fall(shapes, low.y);
    transpose(shapes);
    moved += fall(shapes, low.x);
    transpose(shapes);
    if (moved < hardlyAny * static_cast<double>(shapes.size())) return;
  }
}

}  // namespace avrelt

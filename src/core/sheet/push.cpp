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
constexpr int mostRounds = 4;

constexpr double never = std::numeric_limits<double>::infinity();

struct Edge {
  Point from;
  Point to;
};

/// What of a shape lies in a range across: corners, and sides.
struct Within {
  std::vector<Point> corners;
  std::vector<Edge> sides;

  Within(const Polygon& shape, double low, double high) {
    for (const std::vector<Point>& outline : shape) {
      for (std::size_t i = 0; i < outline.size(); ++i) {
        const Point from = outline[i];
        const Point to = outline[i + 1 == outline.size() ? 0 : i + 1];
        if (from.x >= low && from.x <= high) corners.push_back(from);
        if (std::min(from.x, to.x) <= high && std::max(from.x, to.x) >= low) {
          sides.push_back({from, to});
        }
      }
    }
  }
};

/// The least that corners of one lie above sides of the other; `sign` -1 asks how far its sides lie
/// above those corners.
double leastAbove(const std::vector<Point>& corners, const std::vector<Edge>& sides, double sign) {
  double least = never;
  for (const Edge& side : sides) {
    const Point a = side.from;
    const Point b = side.to;
    const double left = std::min(a.x, b.x);
    const double right = std::max(a.x, b.x);
    const double slope = a.x == b.x ? 0 : (b.y - a.y) / (b.x - a.x);
    // Of an upright side the end that is met first.
    const double foot = a.x != b.x ? a.y : sign > 0 ? std::max(a.y, b.y) : std::min(a.y, b.y);
    for (const Point p : corners) {
      if (p.x < left || p.x > right) continue;
      const double above = sign * (p.y - foot - slope * (p.x - a.x));
      if (above >= -overlap) least = std::min(least, std::max(above, 0.0));
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
  boxes.reserve(shapes.size());
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
      if (free) way = std::min(way, std::max(0.0, free->mm() - between));
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

std::optional<Length> wayDownTo(const Polygon& moving, const Polygon& fixed) {
  const Box one = boundsOf(moving);
  const Box other = boundsOf(fixed);
  const double low = std::max(one.low.x, other.low.x);
  const double high = std::min(one.high.x, other.high.x);
  // What only touches from the side slides along.
  if (high - low <= between) return std::nullopt;
  const Within above(moving, low, high);
  const Within below(fixed, low, high);
  const double way = std::min(leastAbove(above.corners, below.sides, 1),
                              leastAbove(below.corners, above.sides, -1));
  return way == never ? std::nullopt : std::optional(Length::mm(way));
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

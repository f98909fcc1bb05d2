// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/fitting_turn.h"

#include <algorithm>
#include <boost/math/tools/minima.hpp>
#include <cmath>
#include <limits>
#include <utility>
#include <vector>

namespace avrelt {
namespace {

/// The corners of the least convex outline round a shape (Andrew 1979, from memory).
std::vector<Point> hullOf(const Polygon& shape) {
  std::vector<Point> points;
  for (const std::vector<Point>& outline : shape) {
    points.insert(points.end(), outline.begin(), outline.end());
  }
  std::sort(points.begin(), points.end(),
            [](Point a, Point b) { return std::pair(a.x, a.y) < std::pair(b.x, b.y); });
  std::vector<Point> hull;
  for (int side = 0; side < 2; ++side) {
    const std::size_t begins = hull.size();
    for (const Point& p : points) {
      while (hull.size() >= begins + 2 &&
             cross(hull.back() - hull[hull.size() - 2], p - hull.back()) <= 0) {
        hull.pop_back();
      }
      hull.push_back(p);
    }
    if (!hull.empty()) hull.pop_back();
    std::reverse(points.begin(), points.end());
  }
  return hull;
}

}  // namespace

std::optional<Angle> fittingTurn(const Polygon& shape, Length wide, Length tall) {
  constexpr int turns = 360;
  constexpr double enough = 1e-9;
  const std::vector<Point> hull = hullOf(shape);
  if (hull.empty()) return std::nullopt;
  // By how much the box is too large, the worse of both ways.
  const auto over = [&](double turn) {
    const double c = std::cos(turn);
    const double s = std::sin(turn);
    Box box;
    for (const Point& p : hull) box.add(Point{c * p.x - s * p.y, s * p.x + c * p.y});
    return std::max(box.width() - wide.mm(), box.height() - tall.mm());
  };
  const double step = M_PI / turns;
  std::vector<double> at;
  at.reserve(turns);
  for (int i = 0; i < turns; ++i) at.push_back(over(i * step));
  double least = HUGE_VAL;
  double best = 0;
  for (int i = 0; i < turns; ++i) {
    const double here = at[static_cast<std::size_t>(i)];
    const double before = at[static_cast<std::size_t>((i + turns - 1) % turns)];
    const double after = at[static_cast<std::size_t>((i + 1) % turns)];
    if (here > before || here > after) continue;
    const auto [turn, value] = boost::math::tools::brent_find_minima(
        over, (i - 1) * step, (i + 1) * step, std::numeric_limits<double>::digits / 2);
    for (const auto& [where, much] : {std::pair(turn, value), std::pair(i * step, here)}) {
      if (much >= least) continue;
      least = much;
      best = where;
    }
  }
  if (least > enough) return std::nullopt;
  return Angle::radians(best);
}

}  // namespace avrelt

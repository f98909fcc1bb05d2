// SPDX-License-Identifier: GPL-3.0-or-later
#include "divide/flat_outline.h"

#include <algorithm>
#include <cmath>

namespace avrelt {

std::vector<Point> inFlat(const WallLine& line, bool closed, const Development& flat,
                          Length tolerance) {
  std::vector<Point> points;
  const std::size_t sides = closed ? line.size() : line.size() - 1;
  for (std::size_t i = 0; i < sides; ++i) {
    const WallPoint& a = line[i];
    const WallPoint& b = line[(i + 1) % line.size()];
    // A side that goes round by θ turns in the flat by kθ: its rise over n parts is r k θ² / 8n².
    const double turn = std::abs((b.theta - a.theta).radians());
    const double r = flat.radius(std::max(a.s, b.s)).mm();
    const double rise = r * std::abs(flat.taper()) * turn * turn / 8;
    const int parts = std::max(1, static_cast<int>(std::ceil(std::sqrt(rise / tolerance.mm()))));
    for (int part = 0; part < parts; ++part) {
      const double share = static_cast<double>(part) / parts;
      points.push_back(
          flat.toFlat({a.theta + (b.theta - a.theta) * share, a.s + (b.s - a.s) * share}));
    }
  }
  if (!closed && !line.empty()) points.push_back(flat.toFlat(line.back()));
  return points;
}

}  // namespace avrelt

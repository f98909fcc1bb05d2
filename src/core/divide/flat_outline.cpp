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
    // Straight in θ and s, a side is p(t) = (ρ₀ + ht) e^{ikφt} about the apex, with h its height
    // and φ its turn: |p″| = kφ √(4h² + r²k²φ²), so the rise over n parts is at most |p″| / 8n².
    const double turn = std::abs((b.theta - a.theta).radians() * flat.taper());
    const double r = std::max(flat.radius(a.s).mm(), flat.radius(b.s).mm());
    const double round = r * std::abs((b.theta - a.theta).radians());
    const double rise = turn * std::hypot(2 * (b.s - a.s).mm(), round) / 8;
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

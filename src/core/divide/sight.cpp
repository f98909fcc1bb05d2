// SPDX-License-Identifier: GPL-3.0-or-later
#include "divide/sight.h"

#include <cmath>
#include <numbers>

namespace avrelt {
namespace {

/// The part of a closed outline on one side of an angle (Sutherland and Hodgman, 1974).
WallLine cutAt(const WallLine& outline, double at, double side) {
  WallLine kept;
  const auto off = [&](const WallPoint& p) { return (p.theta.radians() - at) * side; };
  for (std::size_t i = 0; i < outline.size(); ++i) {
    const WallPoint& a = outline[i];
    const WallPoint& b = outline[(i + 1) % outline.size()];
    const double offA = off(a);
    const double offB = off(b);
    if (offA >= 0) kept.push_back(a);
    if (offA * offB >= 0) continue;
    const double share = offA / (offA - offB);
    kept.push_back({Angle::radians(at), a.s + (b.s - a.s) * share});
  }
  return kept;
}

}  // namespace

std::vector<WallLine> inSight(const Region& region, Angle from, Angle to) {
  const double turn = 2 * std::numbers::pi;
  std::vector<WallLine> seen;
  for (const WallLine& outline : region.outlines()) {
    for (const double shift : {-turn, 0.0, turn}) {
      WallLine left = cutAt(outline, from.radians() + shift, 1);
      if (left.size() < 3) continue;
      left = cutAt(left, to.radians() + shift, -1);
      if (left.size() >= 3) seen.push_back(std::move(left));
    }
  }
  return seen;
}

}  // namespace avrelt

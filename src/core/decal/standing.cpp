// SPDX-License-Identifier: GPL-3.0-or-later
#include "decal/standing.h"

#include <algorithm>
#include <cmath>

namespace avrelt {
namespace {

Transform moved(Point by) {
  return {1, 0, 0, 1, by.x, by.y};
}

/// How high up the wall the middle of a set is.
Length middleOf(const Stand& stand, Point anchor) {
  return stand.anchor.s - Length::mm(turned(stand.turn)(anchor).y);
}

}  // namespace

Point anchorOf(const DecalSet& set, const SetShape& made) {
  const Point own{(set.anchor.across - 0.5) * made.own.width(),
                  (set.anchor.up - 0.5) * made.own.height()};
  return set.turn == Angle() ? own : turned(set.turn)(own);
}

Transform turned(Angle by) {
  const double c = std::cos(by.radians());
  const double s = std::sin(by.radians());
  return {c, s, -s, c, 0, 0};
}

Development groundOf(const Stand& stand, Point anchor, const Wall& wall) {
  return wall.touching(middleOf(stand, anchor));
}

Transform standing(const Stand& stand, Point anchor, const Development& ground) {
  const Point off = turned(stand.turn)(anchor);
  if (!stand.follows) {
    return moved({0, stand.anchor.s.mm()}) * moved(off * -1) * turned(stand.turn);
  }
  const Length s = stand.anchor.s - Length::mm(off.y);
  const double radius = std::max(ground.radius(s).mm(), 1e-6);
  return ground.turning(Angle::radians(-off.x / radius)) * moved({0, s.mm()});
}

double curveOf(const Stand& stand, Point anchor, const Wall& wall) {
  if (!stand.follows) return 0;
  const Length s = std::clamp(middleOf(stand, anchor), Length(), wall.body.wall());
  const Development ground = groundOf(stand, anchor, wall);
  const double radius = ground.radius(s).mm();
  // As finely as matters, so that a drag up the wall does not make it anew at each step.
  return radius > 0 ? std::round(ground.taper() / radius * 1e7) / 1e7 : 0;
}

}  // namespace avrelt

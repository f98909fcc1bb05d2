// SPDX-License-Identifier: GPL-3.0-or-later
#include "cup/wall.h"

#include <algorithm>
#include <cmath>

#include "cup/ring_fit.h"

namespace avrelt {

Wall wallOf(const Body& body, CupAngle seamAt) {
  if (body.isCone()) return {body, body.cone(), seamAt};
  const std::vector<WallSample> samples = body.samples(Length(), body.wall(), 160);
  return {body, fitRing(samples, 0, samples.size() - 1).cone(), seamAt};
}

Development Wall::touching(Length s) const {
  if (body.isCone()) return flat;
  const Length at = std::clamp(s, Length(), body.wall());
  const double k = body.taper(at);
  return Development::cone(body.radius(at) - at * k, k, body.wall());
}

WallMark markOf(const Wall& wall, WallPoint place) {
  const Length radius = wall.body.radius(place.s);
  const CupAngle onCup = wall.onCup(place.theta);
  return {place.s, wall.body.wall() - place.s, onCup, radius * onCup.radians(),
          radius * (Angle::halfTurn().radians() - std::abs(place.theta.wrapped().radians()))};
}

}  // namespace avrelt

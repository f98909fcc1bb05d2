// SPDX-License-Identifier: GPL-3.0-or-later
#include "cup/cup_camera.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace avrelt {
namespace {

/// The onlooker looks down by 12°.
const double tiltSin = std::sin(12.0 / 180 * std::numbers::pi);
const double tiltCos = std::cos(12.0 / 180 * std::numbers::pi);

/// The cosine of the angle at which a wall of this taper turns away from the eye.
double turning(double taper) {
  return taper / std::sqrt((1 - taper) * (1 + taper)) * tiltSin / tiltCos;
}

}  // namespace

Point CupCamera::project(CupAngle onCup, Length s) const {
  const SpacePoint p = body_.toSpace({onCup - facing_, s});
  return {p.x, (p.z - half_) * tiltCos + p.y * tiltSin};
}

bool CupCamera::sees(CupAngle onCup, Length s) const {
  const double towards = std::cos((onCup - facing_).radians());
  const double lean = body_.taper(s);
  return towards * std::sqrt(1 - lean * lean) * tiltCos - lean * tiltSin > 0;
}

std::optional<Angle> CupCamera::turnsAway(Length s) const {
  const double cosine = turning(body_.taper(s));
  if (std::abs(cosine) >= 1) return std::nullopt;
  return Angle::radians(std::acos(cosine));
}

Angle CupCamera::seenHalf() const {
  const double taper = body_.isCone() ? body_.taper(Length()) : 0;
  return Angle::radians(std::acos(std::clamp(turning(taper), -1.0, 1.0)));
}

std::optional<CupCamera::Place> CupCamera::at(Point p) const {
  // Up the wall along the upright that appears at this x at every height: found by halving.
  const auto onCupAt = [&](Length s) {
    const double share = std::clamp(p.x / body_.radius(s).mm(), -1.0, 1.0);
    return facing_ + Angle::radians(std::asin(share));
  };
  const auto above = [&](Length s) { return project(onCupAt(s), s).y > p.y; };
  if (above(Length()) || !above(body_.wall())) return std::nullopt;
  Length low;
  Length high = body_.wall();
  for (int i = 0; i < 40; ++i) {
    const Length middle = (low + high) / 2;
    (above(middle) ? high : low) = middle;
  }
  if (std::abs(p.x) > body_.radius(low).mm()) return std::nullopt;
  return Place{onCupAt(low), low};
}

Length CupCamera::wide(const Body& body) {
  return body.widestRadius() * 2;
}

Length CupCamera::tall(const Body& body) {
  return body.plumb() * tiltCos + body.widestRadius() * (2 * tiltSin);
}

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#include "cup/development.h"

#include <cmath>
#include <numbers>

#include "shape/smooth.h"

namespace avrelt {
namespace {

using std::numbers::pi;

/// atan2(k x, q) / k, whole at k = 0 where it is x / q. The angle round the cup of a flat place.
double angleAbout(double k, double x, double q) {
  const double lean = k * x;
  if (q > 0 && std::abs(lean) < 1e-4 * q) {
    const double t2 = lean * lean / (q * q);
    return x / q * (1 - t2 / 3 + t2 * t2 / 5);
  }
  return std::atan2(lean, q) / k;
}

}  // namespace

Development Development::grownBy(Length thickness) const {
  return Development(r0_ + thickness.mm() * std::sqrt((1 - k_) * (1 + k_)), k_, wall_);
}

Length Development::plumb() const {
  return Length::mm(wall_ * std::sqrt((1 - k_) * (1 + k_)));
}

Length Development::around(Length s) const {
  return Length::mm(2 * pi * radiusMm(s.mm()));
}

Length Development::aroundNarrow() const {
  return k_ < 0 ? aroundRim() : aroundBase();
}

bool Development::isCylinder() const {
  return abs(aroundRim() - aroundBase()) < Length::mm(1e-6);
}

Angle Development::lean() const {
  return Angle::radians(std::asin(k_));
}

Length Development::apexDistance(Length s) const {
  return Length::mm(radiusMm(s.mm()) / std::abs(k_));
}

Point Development::toFlat(WallPoint p) const {
  const double theta = p.theta.radians();
  const double s = p.s.mm();
  const double r = radiusMm(s);
  // One sine and one cosine of the half angle serve both coordinates.
  const double half = k_ * theta / 2;
  const double halfSinc = sinc(half);
  const double across = theta * halfSinc;
  return {r * across * std::cos(half), s - r * k_ * across * across / 2};
}

Transform Development::turning(Angle by) const {
  const double lean = k_ * by.radians();
  const double halfSinc = sinc(lean / 2);
  const double along = by.radians() * r0_;
  return {std::cos(lean), -std::sin(lean),    std::sin(lean),
          std::cos(lean), along * sinc(lean), -along * by.radians() * k_ * halfSinc * halfSinc / 2};
}

WallPoint Development::toWall(Point p) const {
  const double q = r0_ + k_ * p.y;
  const double r = std::hypot(k_ * p.x, q);
  const double s = (k_ * (p.x * p.x + p.y * p.y) + 2 * p.y * r0_) / (r + r0_);
  return {Angle::radians(angleAbout(k_, p.x, q)), Length::mm(s)};
}

SpacePoint Development::toSpace(WallPoint p) const {
  const double s = p.s.mm();
  const double r = radiusMm(s);
  const double theta = p.theta.radians();
  return {r * std::sin(theta), -r * std::cos(theta), s * std::sqrt((1 - k_) * (1 + k_))};
}

double Development::ringBulge(Angle from, Angle to) const {
  return -std::tan(k_ * (to - from).radians() / 4);
}

Path Development::ring(Length s, Angle from, Angle to) const {
  Path path{toFlat({from, s}), {}};
  path.arcTo(toFlat({to, s}), ringBulge(from, to));
  return path;
}

Path Development::upright(Angle theta, Length from, Length to) const {
  Path path{toFlat({theta, from}), {}};
  path.lineTo(toFlat({theta, to}));
  return path;
}

Path Development::wallOutline() const {
  const Angle left = -Angle::halfTurn();
  const Angle right = Angle::halfTurn();
  Path path = ring(Length(), left, right);
  path.lineTo(toFlat({right, wall()}));
  path.arcTo(toFlat({left, wall()}), ringBulge(right, left));
  path.lineTo(path.start);
  return path;
}

Length Development::bow(Length s) const {
  return abs(Length::mm(toFlat({Angle::halfTurn(), s}).y - s.mm()));
}

}  // namespace avrelt

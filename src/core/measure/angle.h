// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cmath>
#include <compare>
#include <numbers>

namespace avrelt {

/// An angle round the axis of a cup, or the opening of a flat ring sector.
///
/// Round a cup, 0 is the front and positive runs to the right as one faces the front: 90° is the
/// right side, 180° the back, −90° the left. Held in radians.
class Angle {
 public:
  constexpr Angle() = default;
  static constexpr Angle radians(double value) { return Angle(value); }
  static constexpr Angle degrees(double value) { return Angle(value / 180.0 * std::numbers::pi); }
  /// Once round.
  static constexpr Angle turn() { return Angle(2 * std::numbers::pi); }
  static constexpr Angle halfTurn() { return Angle(std::numbers::pi); }

  constexpr double radians() const { return radians_; }
  constexpr double degrees() const { return radians_ / std::numbers::pi * 180.0; }

  /// The same direction as a value from −180° (left out) to 180° (included): the back is 180°.
  Angle wrapped() const {
    const double r = std::remainder(radians_, 2 * std::numbers::pi);
    return Angle(r <= -std::numbers::pi ? r + 2 * std::numbers::pi : r);
  }

  constexpr Angle operator-() const { return Angle(-radians_); }
  friend constexpr Angle operator+(Angle a, Angle b) { return Angle(a.radians_ + b.radians_); }
  friend constexpr Angle operator-(Angle a, Angle b) { return Angle(a.radians_ - b.radians_); }
  friend constexpr Angle operator*(Angle a, double factor) { return Angle(a.radians_ * factor); }
  friend constexpr Angle operator*(double factor, Angle a) { return Angle(a.radians_ * factor); }
  friend constexpr Angle operator/(Angle a, double divisor) { return Angle(a.radians_ / divisor); }
  friend constexpr auto operator<=>(Angle a, Angle b) = default;

 private:
  constexpr explicit Angle(double radians) : radians_(radians) {}
  double radians_ = 0;
};

constexpr Angle abs(Angle a) {
  return a < Angle() ? -a : a;
}

}  // namespace avrelt

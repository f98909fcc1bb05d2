// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cmath>
#include <compare>
#include <numbers>

namespace avrelt {

/// An angle: so much round the axis of a cup, the opening of a flat ring sector, a lean. Places on
/// a wall count by it from the middle of the frame, half a turn from the seam (`cup/wall.h`). Held
/// in radians.
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

/// A direction of a cup, wherever its seam stands: 0 is the front, and positive runs to the right
/// as one faces it: 90° is the right side, 180° the back, −90° the left. What a maker types and the
/// order keeps. A place in the frame is an `Angle`; `Wall` alone leads from one to the other.
class CupAngle {
 public:
  constexpr CupAngle() = default;
  static constexpr CupAngle degrees(double value) { return CupAngle(Angle::degrees(value)); }
  static constexpr CupAngle radians(double value) { return CupAngle(Angle::radians(value)); }
  /// So far to the right of the front.
  static constexpr CupAngle ofFront(Angle right) { return CupAngle(right); }
  static constexpr CupAngle front() { return {}; }
  static constexpr CupAngle back() { return CupAngle(Angle::halfTurn()); }

  /// How far to the right of the front.
  constexpr Angle fromFront() const { return fromFront_; }
  constexpr double radians() const { return fromFront_.radians(); }
  constexpr double degrees() const { return fromFront_.degrees(); }
  /// The same direction from −180° (left out) to 180° (included).
  CupAngle wrapped() const { return CupAngle(fromFront_.wrapped()); }

  friend constexpr CupAngle operator+(CupAngle a, Angle by) { return CupAngle(a.fromFront_ + by); }
  friend constexpr CupAngle operator-(CupAngle a, Angle by) { return CupAngle(a.fromFront_ - by); }
  friend constexpr Angle operator-(CupAngle a, CupAngle b) { return a.fromFront_ - b.fromFront_; }
  friend constexpr auto operator<=>(CupAngle a, CupAngle b) = default;

 private:
  constexpr explicit CupAngle(Angle fromFront) : fromFront_(fromFront) {}
  Angle fromFront_;
};

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <compare>

namespace avrelt {

/// The two units a tape carries. A document shows one of them at a time.
enum class Unit { inch, mm };

/// A distance: up a wall, round a body, across a part. Never a bare number, so that inches and
/// millimetres cannot be mixed by accident.
///
/// Held in millimetres as a double. 1 in = 25.4 mm exactly (NIST Handbook 44, Appendix C).
/// May be negative (an offset to the left, a shortfall); what must not be negative says so where
/// it is checked. Never rounded on the way: rounding to a graduation is an output (`tape.h`).
class Length {
 public:
  static constexpr double mmPerInch = 25.4;

  constexpr Length() = default;
  static constexpr Length mm(double value) { return Length(value); }
  static constexpr Length inches(double value) { return Length(value * mmPerInch); }

  constexpr double mm() const { return mm_; }
  constexpr double inches() const { return mm_ / mmPerInch; }

  constexpr Length operator-() const { return Length(-mm_); }
  constexpr Length& operator+=(Length other) {
    mm_ += other.mm_;
    return *this;
  }
  constexpr Length& operator-=(Length other) {
    mm_ -= other.mm_;
    return *this;
  }
  friend constexpr Length operator+(Length a, Length b) { return Length(a.mm_ + b.mm_); }
  friend constexpr Length operator-(Length a, Length b) { return Length(a.mm_ - b.mm_); }
  friend constexpr Length operator*(Length a, double factor) { return Length(a.mm_ * factor); }
  friend constexpr Length operator*(double factor, Length a) { return Length(a.mm_ * factor); }
  friend constexpr Length operator/(Length a, double divisor) { return Length(a.mm_ / divisor); }
  friend constexpr double operator/(Length a, Length b) { return a.mm_ / b.mm_; }
  friend constexpr auto operator<=>(Length a, Length b) = default;

 private:
  constexpr explicit Length(double mm) : mm_(mm) {}
  double mm_ = 0;
};

constexpr Length abs(Length a) {
  return a < Length() ? -a : a;
}

/// The extent of a flat region, in square millimetres.
class Area {
 public:
  constexpr Area() = default;
  static constexpr Area mm2(double value) { return Area(value); }

  constexpr double mm2() const { return mm2_; }

  friend constexpr Area operator+(Area a, Area b) { return Area(a.mm2_ + b.mm2_); }
  friend constexpr Area operator-(Area a, Area b) { return Area(a.mm2_ - b.mm2_); }
  friend constexpr auto operator<=>(Area a, Area b) = default;

 private:
  constexpr explicit Area(double mm2) : mm2_(mm2) {}
  double mm2_ = 0;
};

}  // namespace avrelt

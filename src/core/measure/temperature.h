// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <compare>

namespace avrelt {

/// How warm it is. Held in degrees Celsius.
class Temperature {
 public:
  constexpr Temperature() = default;
  static constexpr Temperature celsius(double value) { return Temperature(value); }
  static constexpr Temperature fahrenheit(double value) { return Temperature((value - 32) / 1.8); }

  constexpr double celsius() const { return celsius_; }
  constexpr double fahrenheit() const { return celsius_ * 1.8 + 32; }

  friend constexpr auto operator<=>(Temperature a, Temperature b) = default;

 private:
  constexpr explicit Temperature(double celsius) : celsius_(celsius) {}
  double celsius_ = 0;
};

}  // namespace avrelt

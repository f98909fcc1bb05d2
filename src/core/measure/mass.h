// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <compare>

namespace avrelt {

/// How much there is of a solid, by weight. Held in grams.
class Mass {
 public:
  constexpr Mass() = default;
  static constexpr Mass grams(double value) { return Mass(value); }

  constexpr double grams() const { return grams_; }

  friend constexpr Mass operator+(Mass a, Mass b) { return Mass(a.grams_ + b.grams_); }
  friend constexpr Mass operator*(Mass a, double factor) { return Mass(a.grams_ * factor); }
  friend constexpr auto operator<=>(Mass a, Mass b) = default;

 private:
  constexpr explicit Mass(double grams) : grams_(grams) {}
  double grams_ = 0;
};

}  // namespace avrelt

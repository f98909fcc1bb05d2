// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <compare>
#include <string>

namespace avrelt {

/// How long something takes. Held in minutes.
class Duration {
 public:
  constexpr Duration() = default;
  static constexpr Duration minutes(double value) { return Duration(value); }

  constexpr double minutes() const { return minutes_; }

  friend constexpr Duration operator+(Duration a, Duration b) {
    return Duration(a.minutes_ + b.minutes_);
  }
  friend constexpr Duration operator-(Duration a, Duration b) {
    return Duration(a.minutes_ - b.minutes_);
  }
  friend constexpr Duration operator*(Duration a, double factor) {
    return Duration(a.minutes_ * factor);
  }
  friend constexpr auto operator<=>(Duration a, Duration b) = default;

 private:
  constexpr explicit Duration(double minutes) : minutes_(minutes) {}
  double minutes_ = 0;
};

/// "12 min", "5 h", "5 h 30 min".
std::string timeText(Duration duration);

}  // namespace avrelt

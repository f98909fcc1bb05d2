// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <compare>
#include <optional>
#include <string>
#include <string_view>

namespace avrelt {

/// So much money, in the shop's own currency, which nothing here needs to know.
class Money {
 public:
  constexpr Money() = default;
  static constexpr Money of(double value) { return Money(value); }

  constexpr double value() const { return value_; }

  friend constexpr Money operator+(Money a, Money b) { return Money(a.value_ + b.value_); }
  friend constexpr Money operator-(Money a, Money b) { return Money(a.value_ - b.value_); }
  friend constexpr Money operator*(Money a, double factor) { return Money(a.value_ * factor); }
  friend constexpr auto operator<=>(Money a, Money b) = default;

 private:
  constexpr explicit Money(double value) : value_(value) {}
  double value_ = 0;
};

/// Of "12.50" or "12,5", from 0 to a million; nothing for other texts.
std::optional<Money> parseMoney(std::string_view text);
/// "12.50": always with two decimals, in every locale.
std::string moneyText(Money money);

}  // namespace avrelt

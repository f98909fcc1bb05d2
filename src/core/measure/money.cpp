// SPDX-License-Identifier: GPL-3.0-or-later
#include "measure/money.h"

#include <algorithm>
#include <charconv>
#include <cmath>
#include <system_error>

namespace avrelt {

std::optional<Money> parseMoney(std::string_view text) {
  constexpr double most = 1e6;
  const auto blank = [](char c) { return c == ' ' || c == '\t'; };
  while (!text.empty() && blank(text.front())) text.remove_prefix(1);
  while (!text.empty() && blank(text.back())) text.remove_suffix(1);
  std::string number(text);
  std::replace(number.begin(), number.end(), ',', '.');
  double value = 0;
  const char* end = number.data() + number.size();
  const auto read = std::from_chars(number.data(), end, value, std::chars_format::fixed);
  if (read.ec != std::errc() || read.ptr != end || !(value >= 0 && value <= most)) {
    return std::nullopt;
  }
  return Money::of(value);
}

std::string moneyText(Money money) {
  constexpr long long hundred = 100;
  const long long cents = std::llround(money.value() * hundred);
  const long long size = std::abs(cents);
  const std::string part = std::to_string(size % hundred);
  return (cents < 0 ? "−" : "") + std::to_string(size / hundred) + "." +
         (part.size() < 2 ? "0" : "") + part;
}

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#include "measure/money.h"

#include <cmath>

namespace avrelt {

std::string moneyText(Money money) {
  constexpr long long hundred = 100;
  const long long cents = std::llround(money.value() * hundred);
  const long long size = std::abs(cents);
  const std::string part = std::to_string(size % hundred);
  return (cents < 0 ? "−" : "") + std::to_string(size / hundred) + "." +
         (part.size() < 2 ? "0" : "") + part;
}

}  // namespace avrelt

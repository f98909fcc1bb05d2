// SPDX-License-Identifier: GPL-3.0-or-later
#include "measure/duration.h"

#include <cmath>

namespace avrelt {

std::string timeText(Duration duration) {
  constexpr long hour = 60;
  const long minutes = std::lround(duration.minutes());
  if (minutes < hour) return std::to_string(minutes) + " min";
  const std::string hours = std::to_string(minutes / hour) + " h";
  return minutes % hour == 0 ? hours : hours + " " + std::to_string(minutes % hour) + " min";
}

}  // namespace avrelt

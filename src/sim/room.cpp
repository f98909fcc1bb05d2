// SPDX-License-Identifier: GPL-3.0-or-later
#include "sim/room.h"

#include <cmath>
#include <cstdio>

namespace avrelt::sim {

Temperature Room::at(Duration time) const {
  const double share = std::exp2(-time.minutes() / halves.minutes());
  return Temperature::celsius(outside.celsius() + (begins.celsius() - outside.celsius()) * share);
}

std::string Room::lineAt(Duration time) const {
  double told = at(time).celsius();
  if (time >= faultAfter) {
    constexpr double jump = 30;
    switch (fault) {
      case ThermometerFault::silent:
        return {};
      case ThermometerFault::garbled:
        return "?1#.\n";
      case ThermometerFault::jumps:
        told += jump;
        break;
      case ThermometerFault::none:
        break;
    }
  }
  char text[32];
  std::snprintf(text, sizeof(text), "%.1f C\n", told);
  return text;
}

}  // namespace avrelt::sim

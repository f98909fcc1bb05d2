// SPDX-License-Identifier: GPL-3.0-or-later
#include "sim/room.h"

#include <cmath>

#include "measure/sentence.h"

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
  std::string line = numberText(told, 1);
  line.append(" C\n");
  return line;
}

}  // namespace avrelt::sim

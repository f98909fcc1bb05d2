// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "measure/duration.h"
#include "measure/temperature.h"

namespace avrelt::sim {

/// What can be wrong with a thermometer.
enum class ThermometerFault { none, silent, garbled, jumps };

/// A room that cools or warms towards what is outside of it, and a thermometer in it.
struct Room {
  Temperature begins = Temperature::celsius(21);
  Temperature outside = Temperature::celsius(21);
  Duration halves = Duration::minutes(60);  ///< the difference to outside
  ThermometerFault fault = ThermometerFault::none;
  Duration faultAfter{};

  /// Newton's law of cooling: the difference to outside dies away, half of it in each `halves`.
  Temperature at(Duration time) const;
  /// What the thermometer sends then: "18.4 C" and a line feed; nothing where it is silent.
  std::string lineAt(Duration time) const;
};

}  // namespace avrelt::sim

// SPDX-License-Identifier: GPL-3.0-or-later
// The stand-in thermometer: a room that cools as Newton's law has it, and what can be wrong.
#include "sim/room.h"

#include <catch2/catch.hpp>

using namespace avrelt;
using namespace avrelt::sim;

TEST_CASE("A room cools towards outside, half of the difference in each half-time") {
  // Newton's law of cooling, by a worked example: 24 °C in, 8 °C out, half of it in 40 minutes.
  const Room room{Temperature::celsius(24), Temperature::celsius(8), Duration::minutes(40)};
  CHECK(room.at(Duration()).celsius() == Approx(24));
  CHECK(room.at(Duration::minutes(40)).celsius() == Approx(16));
  CHECK(room.at(Duration::minutes(80)).celsius() == Approx(12));
  CHECK(room.lineAt(Duration::minutes(40)) == "16 C\n");
  CHECK(Temperature::fahrenheit(65).celsius() == Approx(18.3333).margin(1e-3));
  CHECK(Temperature::celsius(100).fahrenheit() == Approx(212));
}

TEST_CASE("A thermometer falls silent, babbles or jumps when it is to") {
  Room room;
  room.faultAfter = Duration::minutes(5);
  room.fault = ThermometerFault::silent;
  CHECK(room.lineAt(Duration::minutes(4)) == "21 C\n");
  CHECK(room.lineAt(Duration::minutes(6)).empty());
  room.fault = ThermometerFault::garbled;
  CHECK(room.lineAt(Duration::minutes(6)).find(" C") == std::string::npos);
  room.fault = ThermometerFault::jumps;
  CHECK(room.lineAt(Duration::minutes(6)) == "51 C\n");
}

// SPDX-License-Identifier: GPL-3.0-or-later
#include "measure/angle.h"

#include <catch2/catch.hpp>

using namespace avrelt;

TEST_CASE("a direction round the cup has one name, and the back is 180°") {
  // A value in every quadrant and on every axis, from both ways round.
  const std::pair<double, double> pairs[] = {
      {0, 0},      {45, 45},   {90, 90},    {135, 135},  {180, 180}, {-180, 180}, {-135, -135},
      {-90, -90},  {-45, -45}, {225, -135}, {270, -90},  {315, -45}, {360, 0},    {540, 180},
      {-225, 135}, {-270, 90}, {-360, 0},   {-540, 180}, {721, 1}};
  for (const auto& [given, wanted] : pairs) {
    INFO(given);
    CHECK(Angle::degrees(given).wrapped().degrees() == Approx(wanted).margin(1e-9));
  }
}

TEST_CASE("angles add, scale and compare") {
  CHECK((Angle::degrees(90) + Angle::degrees(90)).degrees() == Approx(180));
  CHECK((Angle::turn() / 4).degrees() == Approx(90));
  CHECK(Angle::halfTurn().degrees() == 180.0);
  CHECK(abs(Angle::degrees(-30)) == Angle::degrees(30));
  CHECK(Angle::degrees(10) < Angle::degrees(11));
}

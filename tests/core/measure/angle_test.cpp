// SPDX-License-Identifier: GPL-3.0-or-later
#include "measure/angle.h"

#include <catch2/catch.hpp>
#include <type_traits>

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

namespace {

template <typename A, typename B>
concept Adds = requires(A a, B b) {
  a + b;
};
template <typename A, typename B>
concept Compares = requires(A a, B b) {
  a == b;
};

}  // namespace

// A place in the frame taken for a direction of the cup, or one for the other, does not compile.
static_assert(!std::is_convertible_v<Angle, CupAngle>);
static_assert(!std::is_convertible_v<CupAngle, Angle>);
static_assert(!std::is_assignable_v<CupAngle&, Angle>);
static_assert(!std::is_assignable_v<Angle&, CupAngle>);
static_assert(!std::is_constructible_v<CupAngle, Angle>);
static_assert(!Adds<CupAngle, CupAngle>);
static_assert(!Compares<CupAngle, Angle>);
static_assert(Adds<CupAngle, Angle>);
static_assert(std::is_same_v<decltype(CupAngle() - CupAngle()), Angle>);

TEST_CASE("directions turn, differ and wrap") {
  CHECK(CupAngle::back().degrees() == 180.0);
  CHECK((CupAngle::front() + Angle::degrees(200)).wrapped().degrees() == Approx(-160));
  CHECK((CupAngle::degrees(170) - CupAngle::degrees(-170)).wrapped().degrees() == Approx(-20));
  CHECK(CupAngle::ofFront(Angle::degrees(30)) == CupAngle::degrees(30));
  CHECK((CupAngle::degrees(30) - Angle::degrees(40)).fromFront().degrees() == Approx(-10));
}

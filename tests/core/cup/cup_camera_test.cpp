// SPDX-License-Identifier: GPL-3.0-or-later
#include "cup/cup_camera.h"

#include <catch2/catch.hpp>
#include <cmath>
#include <numbers>

#include "core/cups.h"

using namespace avrelt;

namespace {

const double tilt = 12.0 / 180 * std::numbers::pi;

/// What turns a cup before the eye: about its axis, then about the line across. x to the right,
/// y up the picture, z towards the onlooker.
SpacePoint turned(const SpacePoint& p, Angle facing) {
  const double c = std::cos(-facing.radians());
  const double s = std::sin(-facing.radians());
  const SpacePoint round{c * p.x - s * p.y, s * p.x + c * p.y, p.z};
  // The onlooker stands where y is below 0.
  return {round.x, round.z * std::cos(tilt) + round.y * std::sin(tilt),
          -round.y * std::cos(tilt) + round.z * std::sin(tilt)};
}

/// The wall's outer normal, by differences.
SpacePoint normalAt(const Body& body, WallPoint at) {
  const double step = 1e-4;
  const auto along = [&](Angle by, Length up) {
    const SpacePoint a = body.toSpace({at.theta - by, at.s - up});
    const SpacePoint b = body.toSpace({at.theta + by, at.s + up});
    return SpacePoint{b.x - a.x, b.y - a.y, b.z - a.z};
  };
  const SpacePoint round = along(Angle::radians(step), Length());
  const SpacePoint up = along(Angle(), Length::mm(step));
  return {round.y * up.z - round.z * up.y, round.z * up.x - round.x * up.z,
          round.x * up.y - round.y * up.x};
}

std::vector<Body> everyBody() {
  std::vector<Body> bodies;
  for (const Named& cup : all()) bodies.push_back(bodyOf(cup.blank));
  for (const Named& cup : allCurved()) bodies.push_back(bodyOf(cup.blank));
  return bodies;
}

}  // namespace

TEST_CASE("a cup appears as turning it in space has it, from every side") {
  for (const Body& body : everyBody()) {
    const double half = body.plumb().mm() / 2 * std::cos(tilt);
    for (int turn = 0; turn < 24; ++turn) {
      const Angle facing = Angle::degrees(15 * turn - 180);
      const CupCamera camera(body, CupAngle::ofFront(facing));
      for (int i = 0; i < 40; ++i) {
        const Angle theta = Angle::degrees(-178 + 9 * i);
        const Length s = body.wall() * ((i % 7) / 6.0);
        const SpacePoint there = turned(body.toSpace({theta, s}), facing);
        const Point seen = camera.project(CupAngle::ofFront(theta), s);
        CHECK(seen.x == Approx(there.x).margin(1e-9));
        CHECK(seen.y == Approx(there.y - half).margin(1e-9));
      }
    }
  }
}

TEST_CASE("what is turned to the eye is seen, and the silhouette is where that ends") {
  for (const Body& body : everyBody()) {
    for (const double facing : {0.0, 77.0, 180.0, -130.0}) {
      const CupCamera camera(body, CupAngle::degrees(facing));
      for (int i = 1; i < 30; ++i) {
        const Length s = body.wall() * (i / 30.0 + 0.0013);
        for (int k = 0; k < 36; ++k) {
          const Angle theta = Angle::degrees(10 * k - 179.3);
          const double towards = turned(normalAt(body, {theta, s}), Angle::degrees(facing)).z;
          if (std::abs(towards) < 1e-10) continue;
          CHECK(camera.sees(CupAngle::ofFront(theta), s) == (towards > 0));
        }
        const std::optional<Angle> away = camera.turnsAway(s);
        if (!away) continue;
        for (const double side : {-1.0, 1.0}) {
          const CupAngle edge = CupAngle::degrees(facing) + *away * side;
          const Angle hair = Angle::degrees(0.01) * side;
          CHECK(camera.sees(edge - hair, s));
          CHECK_FALSE(camera.sees(edge + hair, s));
        }
      }
      if (body.isCone()) CHECK(camera.seenHalf() == *camera.turnsAway(body.wall() / 2));
    }
  }
}

TEST_CASE("the place under the eye appears where it was looked for") {
  for (const Body& body : everyBody()) {
    const CupCamera camera(body, CupAngle::degrees(50));
    int found = 0;
    for (double x = -0.6; x <= 0.6; x += 0.1) {
      for (double y = -0.6; y <= 0.6; y += 0.1) {
        const Point p{x * CupCamera::wide(body).mm(), y * CupCamera::tall(body).mm()};
        const std::optional<CupCamera::Place> place = camera.at(p);
        if (!place) continue;
        ++found;
        const Point again = camera.project(place->onCup, place->s);
        CHECK(again.x == Approx(p.x).margin(1e-6));
        // At the very edge a hair up the wall is far round it.
        CHECK(again.y == Approx(p.y).margin(1e-4));
      }
    }
    CHECK(found > 20);
    // Beside the cup, over its rim and under its base there is none.
    CHECK_FALSE(camera.at({CupCamera::wide(body).mm(), 0}));
    CHECK_FALSE(camera.at({0, CupCamera::tall(body).mm()}));
    CHECK_FALSE(camera.at({0, -CupCamera::tall(body).mm()}));
  }
}

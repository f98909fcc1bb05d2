// SPDX-License-Identifier: GPL-3.0-or-later
#include "cup/development.h"

#include <rapidcheck.h>

#include <catch2/catch.hpp>
#include <cmath>
#include <numbers>

#include "core/cups.h"

using namespace avrelt;
using namespace avrelt::cups;
using std::numbers::pi;

namespace {

double distance(SpacePoint a, SpacePoint b) {
  return std::hypot(a.x - b.x, a.y - b.y, a.z - b.z);
}

}  // namespace

TEST_CASE("a straight cup rolls out into a rectangle") {
  const Development cup = developed(all()[0].blank);
  CHECK(cup.isCylinder());
  CHECK(cup.lean() == Angle());
  const Point corner = cup.toFlat({Angle::halfTurn(), Length::inches(8)});
  CHECK(corner.x == Approx(9.25 * 25.4 / 2).epsilon(1e-14));
  CHECK(corner.y == Length::inches(8).mm());
  CHECK(areaOf(cup.wallOutline()).mm2() == Approx(9.25 * 8 * 25.4 * 25.4));
}

TEST_CASE("a bare straight 20 oz takes a wrap of 9 1/4 in by 8 in") {
  // Common practice, no published source.
  const WrapLayout wrap = laidOut(developed(all()[0].blank), wrapOf(Length(), Length(), Length()));
  const Box size = boundsOf(wrap.outline());
  CHECK(Length::mm(size.width()).inches() == Approx(9.25));
  CHECK(Length::mm(size.height()).inches() == Approx(8));
}

TEST_CASE("a cone rolls out into a ring sector of the handbook's radii and angle") {
  // Machinery's Handbook, "Frustum of cone", and MathWorld, "Conical Frustum": slant height
  // s² = (R₁ − R₂)² + h², lateral area π (R₁ + R₂) s. The sector's radii are the distances to the
  // apex along the slant, its angle 360° · R / radius.
  for (const Named& cup : all()) {
    INFO(cup.name);
    const Development body = developed(cup.blank);
    if (body.isCylinder()) continue;
    const double base = body.radius(Length()).mm();
    const double rim = body.radius(body.wall()).mm();
    const double slant = std::hypot(rim - base, body.plumb().mm());
    CHECK(body.wall().mm() == Approx(slant).epsilon(1e-12));
    const double toBase = body.apexDistance(Length()).mm();
    const double toRim = body.apexDistance(body.wall()).mm();
    CHECK(std::abs(toRim - toBase) == Approx(slant).epsilon(1e-6));
    const double sector = abs(body.flatAngle(Angle::turn())).degrees();
    CHECK(sector == Approx(360 * base / toBase));
    CHECK(areaOf(body.wallOutline()).mm2() == Approx(pi * (base + rim) * slant));
  }
}

TEST_CASE("the cup of the drawing has a sector of 15.1° and bows 11/32 in") {
  // Worked by hand from the formulas above: C₁ = 9 1/4 in, C₂ = 10 1/2 in, slant 4 3/4 in;
  // angle = 360° (C₂ − C₁) / (2π · 4.75), bow = R (1 − cos of half the angle).
  const Development cup = developed(all()[1].blank);
  CHECK(abs(cup.flatAngle(Angle::turn())).degrees() == Approx(15.0778).epsilon(1e-4));
  CHECK(cup.bow(cup.wall()).inches() == Approx(0.345).margin(0.001));
}

TEST_CASE("wall to flat to wall agrees within a millionth of a micrometre") {
  for (const Named& cup : all()) {
    INFO(cup.name);
    const Development body = developed(cup.blank);
    const double tolerance = 1e-9 * std::max(1.0, body.wall().mm() / 1000);
    for (int i = -36; i <= 36; ++i) {
      for (int j = 0; j <= 10; ++j) {
        const WallPoint there{Angle::degrees(i * 5.0), body.wall() * (j / 10.0)};
        const WallPoint back = body.toWall(body.toFlat(there));
        const double radius = body.radius(there.s).mm();
        REQUIRE(std::abs(back.s.mm() - there.s.mm()) < tolerance);
        REQUIRE(std::abs((back.theta - there.theta).radians()) * radius < tolerance);
      }
    }
  }
}

TEST_CASE("the flat changes smoothly as the taper goes to zero, from either side") {
  const Development straight = developed(body(Length::mm(240), Length::mm(240), Length::mm(200)));
  for (double difference = 10; difference > 1e-13; difference /= 10) {
    for (const double sign : {1.0, -1.0}) {
      const Development cone =
          developed(body(Length::mm(240), Length::mm(240 + sign * difference), Length::mm(200)));
      for (const double degrees : {-180.0, -77.0, 0.0, 33.0, 180.0}) {
        for (const double s : {0.0, 80.0, 200.0}) {
          const WallPoint p{Angle::degrees(degrees), Length::mm(s)};
          // No place moves farther than half the circumference's growth and the bow it makes.
          REQUIRE(norm(cone.toFlat(p) - straight.toFlat(p)) <= difference + 1e-12);
        }
      }
    }
  }
}

TEST_CASE("short lines keep their length between flat and cup") {
  const bool holds = rc::check([] {
    const Named cup = *rc::gen::elementOf(all());
    const Development body = Body::of(cup.blank)->cone();
    const Angle theta = Angle::degrees(*rc::gen::inRange(-1790, 1790) / 10.0);
    const Length s = body.wall() * (*rc::gen::inRange(1, 99) / 100.0);
    const double heading = *rc::gen::inRange(0, 628) / 100.0;
    const double length = 1e-4 * body.radius(s).mm();
    const Point from = body.toFlat({theta, s});
    const Point to = from + Point{length * std::cos(heading), length * std::sin(heading)};
    const double onCup = distance(body.toSpace(body.toWall(from)), body.toSpace(body.toWall(to)));
    RC_ASSERT(std::abs(onCup - length) < 1e-6 * length);
  });
  CHECK(holds);
}

TEST_CASE("height along the wall and plumb height are told apart and converted") {
  const Blank alongWall = body(Length::mm(200), Length::mm(270), Length::mm(120));
  const Blank plumb = body(Length::mm(200), Length::mm(270), Length::mm(120), HeightAlong::plumb);
  const double step = 70 / (2 * pi);
  CHECK(developed(alongWall).wall().mm() == 120);
  CHECK(developed(alongWall).plumb().mm() == Approx(std::sqrt(120 * 120 - step * step)));
  CHECK(developed(plumb).plumb().mm() == Approx(120));
  CHECK(developed(plumb).wall().mm() == Approx(std::hypot(120, step)));
  const Body cup = bodyOf(alongWall);
  CHECK(cup.wallAt(cup.plumb()).mm() == Approx(120));
}

TEST_CASE("a diameter may stand for a circumference") {
  Blank across = body(Length::mm(80), Length::mm(90), Length::mm(120));
  for (Station& station : across.stations) station.girthIs = Girth::across;
  CHECK(developed(across).aroundBase().mm() == Approx(80 * pi));
  CHECK(developed(across).aroundRim().mm() == Approx(90 * pi));
}

TEST_CASE("a second girth left out means a straight cup") {
  Blank blank = body(Length::mm(240), Length::mm(1), Length::mm(200));
  blank.stations[1].girth.reset();
  CHECK(developed(blank).isCylinder());
  CHECK(developed(blank).aroundRim() == developed(blank).aroundBase());
}

TEST_CASE("rings and uprights lie where the wall says") {
  for (const Named& cup : all()) {
    INFO(cup.name);
    const Development body = developed(cup.blank);
    const Path ring = body.ring(body.wall() / 2, Angle::degrees(-120), Angle::degrees(100));
    for (const double share : {0.0, 0.25, 0.5, 0.9, 1.0}) {
      const Point expected = body.toFlat({Angle::degrees(-120 + 220 * share), body.wall() / 2});
      const Point found = pointAlong(ring.start, ring.stretches.front(), share);
      CHECK(norm(found - expected) < 1e-9 * std::max(1.0, body.aroundBase().mm()));
    }
    CHECK(lengthOf(ring).mm() == Approx(body.around(body.wall() / 2).mm() * 220 / 360));
    CHECK(lengthOf(body.upright(Angle::degrees(70), Length(), body.wall())).mm() ==
          Approx(body.wall().mm()));
  }
}

TEST_CASE("the side view is as wide and as high as the cup") {
  const Body cup = bodyOf(all()[2].blank);
  const Box side = boundsOf(cup.sideView());
  CHECK(side.width() == Approx(2 * cup.radius(Length()).mm()));
  CHECK(side.height() == Approx(cup.plumb().mm()));
}

TEST_CASE("measures that make no cup are refused at their field") {
  const Length good = Length::mm(240);
  CHECK_THAT(faultAt(body(Length(), good, good), Where(Member::stationGirth, std::size_t{0})),
             Catch::Contains("at least 1 mm"));
  CHECK_THAT(faultAt(body(good, Length(), good), Where(Member::stationGirth, std::size_t{1})),
             Catch::Contains("at least 1 mm"));
  CHECK_THAT(faultAt(body(good, good, Length()), Where(Member::stationAt, std::size_t{1})),
             Catch::Contains("Measure from the base edge"));
  CHECK_THAT(
      faultAt(body(Length::mm(10001), good, good), Where(Member::stationGirth, std::size_t{0})),
      Catch::Contains("over 10 m"));
  CHECK_THAT(faultAt(body(Length::mm(100), Length::mm(900), Length::mm(100)),
                     Where(Member::stationAt, std::size_t{1})),
             Catch::Contains("has to be longer than 127.45 mm"));
  Blank raised = body(good, good, good);
  raised.stations[0].at = WrittenLength::mm(3);
  CHECK_THAT(faultAt(raised, Where(Member::stationAt, std::size_t{0})),
             Catch::Contains("base edge, at 0"));
  Blank bare = body(good, good, good);
  bare.stations[0].girth.reset();
  CHECK_THAT(faultAt(bare, Where(Member::stationGirth, std::size_t{0})),
             Catch::Contains("no measure"));
  CHECK_THAT(faultAt(Blank{}, Member::stations), Catch::Contains("0 stations"));
}

TEST_CASE("all faults of a cup are told at once") {
  const CheckedAll<Body> made = Body::of(body(Length(), Length(), Length()));
  REQUIRE_FALSE(made.has_value());
  CHECK(made.error().size() == 3);
}

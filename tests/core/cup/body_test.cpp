// SPDX-License-Identifier: GPL-3.0-or-later
#include "cup/body.h"

#include <rapidcheck.h>

#include <catch2/catch.hpp>
#include <cmath>
#include <numbers>

#include "core/cups.h"

using namespace avrelt;
using namespace avrelt::cups;
using std::numbers::pi;

namespace {

/// A ball of this radius without its caps, from `from` to `to` degrees above its equator.
Blank ball(double radius, double from, double to, int stations) {
  std::vector<At> places;
  const double low = radius * std::sin(from * pi / 180);
  for (int i = 0; i < stations; ++i) {
    const double up = (from + (to - from) * i / (stations - 1)) * pi / 180;
    places.push_back({radius * std::sin(up) - low, 2 * pi * radius * std::cos(up)});
  }
  places.front().height = 0;
  return curved(places);
}

}  // namespace

TEST_CASE("a body of two stations is the cone it always was") {
  for (const Named& cup : all()) {
    INFO(cup.name);
    const Body body = bodyOf(cup.blank);
    CHECK(body.isCone());
    const Development cone = body.cone();
    CHECK(body.wall() == cone.wall());
    CHECK(body.aroundBase() == cone.aroundBase());
    CHECK(body.aroundRim() == cone.aroundRim());
    CHECK(body.plumb().mm() == Approx(cone.plumb().mm()));
    CHECK(body.area().mm2() == Approx(areaOf(cone.wallOutline()).mm2()));
    CHECK(body.grownBy(Length::mm(0.4)).aroundRim() == cone.grownBy(Length::mm(0.4)).aroundRim());
  }
}

TEST_CASE("stations in one line make a cone, one off it does not") {
  Blank blank = curved({{0, 200}, {60, 230}, {120, 260}}, Joined::straight, HeightAlong::wall);
  CHECK(bodyOf(blank).isCone());
  CHECK(bodyOf(blank).cone().taper() == Approx(60 / (2 * pi) / 120));
  blank.stations[1].girth = WrittenLength::mm(231);
  CHECK_FALSE(bodyOf(blank).isCone());
}

TEST_CASE("the wall goes through every station, straight or smooth, by wall or plumb") {
  for (const Named& cup : allCurved()) {
    for (const HeightAlong along : {HeightAlong::wall, HeightAlong::plumb}) {
      Blank blank = cup.blank;
      blank.heightAlong = along;
      const CheckedAll<Body> made = Body::of(blank);
      if (!made) continue;  // a plumb height that is no wall: told elsewhere
      INFO(cup.name);
      REQUIRE(made->stations().size() == blank.stations.size());
      for (std::size_t i = 0; i < blank.stations.size(); ++i) {
        const Length at = made->stations()[i];
        CHECK(made->around(at).mm() == Approx(blank.stations[i].girth->length.mm()));
        const Length measured = along == HeightAlong::wall ? at : made->plumbAt(at);
        CHECK(measured.mm() == Approx(blank.stations[i].at.length.mm()).margin(1e-6));
        CHECK(made->wallAt(made->plumbAt(at)).mm() == Approx(at.mm()).margin(1e-6));
      }
    }
  }
}

TEST_CASE("a smooth wall has no bulge and no waist between its stations") {
  for (const Named& cup : allCurved()) {
    INFO(cup.name);
    const Body body = bodyOf(cup.blank);
    for (std::size_t i = 0; i + 1 < body.stations().size(); ++i) {
      const Length low = body.stations()[i];
      const Length high = body.stations()[i + 1];
      const Length least = std::min(body.radius(low), body.radius(high));
      const Length most = std::max(body.radius(low), body.radius(high));
      for (int step = 1; step < 20; ++step) {
        const Length r = body.radius(low + (high - low) * (step / 20.0));
        CHECK(r >= least - Length::mm(1e-6));
        CHECK(r <= most + Length::mm(1e-6));
      }
    }
  }
}

TEST_CASE("surface and content of a ball's zone are those of the solid") {
  // Zone of a sphere: area 2πRh (Archimedes; MathWorld, "Zone"); spherical segment: volume
  // πh/6 · (3a² + 3b² + h²) (MathWorld, "Spherical Segment"). Both follow from the theorems of
  // Pappus and Guldinus that the body integrates.
  const double radius = 50;
  const Body body = bodyOf(ball(radius, -40, 55, 40));
  const double h = body.plumb().mm();
  CHECK(h == Approx(radius * (std::sin(55 * pi / 180) + std::sin(40 * pi / 180))));
  CHECK(body.wall().mm() == Approx(radius * 95 * pi / 180).epsilon(2e-4));
  CHECK(body.area().mm2() == Approx(2 * pi * radius * h).epsilon(2e-4));
  const double a = body.radius(Length()).mm();
  const double b = body.radius(body.wall()).mm();
  CHECK(body.holds({}, {}).mm3() ==
        Approx(pi * h / 6 * (3 * a * a + 3 * b * b + h * h)).epsilon(2e-4));
}

TEST_CASE("a frustum holds what the handbook says") {
  // Volume of a frustum: πh/3 · (R² + Rr + r²) (Machinery's Handbook, "Volumes of solids"); in US
  // fluid ounces by NIST Handbook 44, Appendix C.
  const Body body = bodyOf(all()[3].blank);
  const double big = body.radius(body.wall()).mm();
  const double small = body.radius(Length()).mm();
  const double h = body.plumb().mm();
  const Volume holds = body.holds({}, {});
  CHECK(holds.ml() == Approx(pi * h / 3 * (big * big + big * small + small * small) / 1000));
  CHECK(holds.ml() / Volume::mlPerFluidOunce == Approx(holds.ml() / 29.5735));
  CHECK(body.holds(Length::mm(2), Length::mm(5)) < holds);
}

TEST_CASE("half a wall's area and the other half's are the whole's") {
  for (const Named& cup : allCurved()) {
    const Body body = bodyOf(cup.blank);
    const Length middle = body.wall() * 0.37;
    CHECK((body.area(Length(), middle) + body.area(middle, body.wall())).mm2() ==
          Approx(body.area().mm2()));
  }
}

TEST_CASE("under coats a curved body grows square to its wall") {
  for (const Named& cup : allCurved()) {
    INFO(cup.name);
    const Body bare = bodyOf(cup.blank);
    const Length coat = Length::mm(0.6);
    const Body grown = bare.grownBy(coat);
    CHECK(grown.wall() == bare.wall());
    for (const double share : {0.05, 0.3, 0.55, 0.8, 0.95}) {
      const Length s = bare.wall() * share;
      const double gain = (grown.radius(s) - bare.radius(s)).mm();
      CHECK(gain <= 0.6 + 1e-9);
      CHECK(gain >= 0.6 * std::cos(bare.lean(s).radians()) - 0.2);
    }
    CHECK(grown.area() > bare.area());
  }
}

TEST_CASE("between the stations of a smooth wall too a coat is as thick as it is, square to it") {
  // Bellies, waists and bells of any size; held to the bare wall's own radius and lean.
  const bool holds = rc::check([] {
    const auto girth = [] { return double(*rc::gen::inRange(180, 330)); };
    const auto along = *rc::gen::elementOf(std::vector{HeightAlong::wall, HeightAlong::plumb});
    const CheckedAll<Body> bare = Body::of(
        curved({{0, 250}, {60, girth()}, {130, girth()}, {200, girth()}}, Joined::smooth, along));
    RC_PRE(bare.has_value());
    const double coat = *rc::gen::inRange(1, 100) / 100.0;
    const Body grown = bare->grownBy(Length::mm(coat));
    for (int i = 0; i <= 200; ++i) {
      const Length s = bare->wall() * (i / 200.0);
      const double wanted = bare->radius(s).mm() + coat * std::cos(bare->lean(s).radians());
      RC_ASSERT(std::abs(grown.radius(s).mm() - wanted) < 0.02);
    }
  });
  CHECK(holds);
}

TEST_CASE("the side view is as high and wide as the body, with its rounding") {
  Blank blank = allCurved()[1].blank;
  const Body sharp = bodyOf(blank);
  blank.fillet = WrittenLength::mm(6);
  const Body rounded = bodyOf(blank);
  for (const Body& body : {sharp, rounded}) {
    const Path side = body.sideView();
    CHECK(side.closed());
    CHECK(boundsOf(side).height() == Approx(body.plumb().mm()));
    CHECK(boundsOf(side).width() == Approx(2 * body.widestRadius().mm()).epsilon(1e-3));
    CHECK(areaOf(side).mm2() > 0);
  }
  CHECK(areaOf(rounded.sideView()) < areaOf(sharp.sideView()));
  // On an upright wall the arc touches base and wall a radius from the corner.
  Blank straight = all()[0].blank;
  straight.fillet = WrittenLength::mm(5);
  CHECK(bodyOf(straight).filletReach().mm() == Approx(5));
}

TEST_CASE("stations out of order, doubled or off the tape are refused at their field") {
  Blank blank = curved({{0, 200}, {60, 230}, {40, 240}, {120, 260}});
  CHECK_THAT(faultAt(blank, Where(Member::stationAt, std::size_t{2})),
             Catch::Contains("from the base up"));
  blank.stations[2].at = WrittenLength::mm(60);
  CHECK_THAT(faultAt(blank, Where(Member::stationAt, std::size_t{2})),
             Catch::Contains("Two stations stand at 60 mm"));
  blank.stations[2].at = WrittenLength::mm(60.01);
  CHECK_THAT(faultAt(blank, Where(Member::stationAt, std::size_t{2})),
             Catch::Contains("at least 0.1 mm apart"));
  const Blank shoulder =
      curved({{0, 200}, {60, 200}, {61, 260}, {120, 260}}, Joined::straight, HeightAlong::wall);
  CHECK_THAT(faultAt(shoulder, Where(Member::stationAt, std::size_t{2})),
             Catch::Contains("has to be longer than"));
  const Blank steep =
      curved({{0, 200}, {60, 205}, {68, 250}, {120, 260}}, Joined::smooth, HeightAlong::wall);
  CHECK_THAT(faultAt(steep, Where(Member::stationAt, std::size_t{2})),
             Catch::Contains("too steep for a smooth line"));
  Blank many = curved({{0, 200}});
  CHECK_THAT(faultAt(many, Member::stations), Catch::Contains("1 stations"));
  for (int i = 1; i <= 1000; ++i)
    many.stations.push_back({WrittenLength::mm(i), std::nullopt, Girth::around, {}});
  CHECK_THAT(faultAt(many, Member::stations), Catch::Contains("to 1000 are wanted"));
}

TEST_CASE("a rounding or a feature that has no room is refused at its field") {
  Blank blank = all()[0].blank;
  blank.fillet = WrittenLength::mm(30);
  CHECK_THAT(faultAt(blank, Member::fillet), Catch::Contains("has no room"));
  blank.fillet = {};
  blank.features = {{FeatureKind::handle, CupAngle::degrees(90), Angle::degrees(30),
                     WrittenLength::mm(40), WrittenLength::mm(300)}};
  CHECK_THAT(faultAt(blank, Where(Member::featureHigh, std::size_t{0})),
             Catch::Contains("the wall ends at"));
  blank.features[0].high = WrittenLength::mm(30);
  CHECK_THAT(faultAt(blank, Where(Member::featureHigh, std::size_t{0})),
             Catch::Contains("above its lower"));
  blank.features[0].high = WrittenLength::mm(90);
  blank.features[0].wide = Angle();
  CHECK_THAT(faultAt(blank, Where(Member::featureWide, std::size_t{0})),
             Catch::Contains("more than 0°"));
}

TEST_CASE("any list of stations makes a body of sound measures or is refused at a station") {
  const bool holds = rc::check([] {
    Blank blank;
    blank.heightAlong = *rc::gen::element(HeightAlong::wall, HeightAlong::plumb);
    blank.joined = *rc::gen::element(Joined::straight, Joined::smooth);
    const int count = *rc::gen::inRange(0, 9);
    double height = 0;
    for (int i = 0; i < count; ++i) {
      blank.stations.push_back({WrittenLength::mm(height),
                                WrittenLength::mm(*rc::gen::inRange(0, 4000) / 10.0),
                                Girth::around,
                                {}});
      height += *rc::gen::inRange(-10, 900) / 10.0;
    }
    const CheckedAll<Body> body = Body::of(blank);
    if (!body) {
      RC_ASSERT(!body.error().empty());
      RC_ASSERT(body.error().front().where.member >= Member::stations &&
                body.error().front().where.member <= Member::stationGirth);
      return;
    }
    RC_ASSERT(body->wall() >= body->plumb() - Length::mm(1e-6));
    RC_ASSERT(body->narrowestRadius() > Length());
    RC_ASSERT(std::isfinite(body->area().mm2()));
    RC_ASSERT(body->area().mm2() > 0);
  });
  CHECK(holds);
}

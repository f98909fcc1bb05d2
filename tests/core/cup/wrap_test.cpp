// SPDX-License-Identifier: GPL-3.0-or-later
#include "cup/wrap.h"

#include <rapidcheck.h>

#include <catch2/catch.hpp>
#include <cmath>

#include "core/cups.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

std::string faultAt(const Development& body, const Wrap& wrap, const Where& where) {
  const CheckedAll<WrapLayout> layout = WrapLayout::of(body, wrap);
  REQUIRE_FALSE(layout.has_value());
  CHECK(layout.error().front().where == where);
  return inWords(layout.error().front().sentence, Unit::mm);
}

double apart(SpacePoint a, SpacePoint b) {
  return std::hypot(a.x - b.x, a.y - b.y, a.z - b.z);
}

}  // namespace

TEST_CASE("the two edges of a wrap are one line on the cup") {
  for (const Named& cup : all()) {
    INFO(cup.name);
    const Development body = developed(cup.blank);
    const WrapLayout layout = laidOut(body, wrapOf(Length(), Length(), Length()));
    const Path outline = layout.outline();
    // Low left, low right, high right, high left.
    const Point lowLeft = outline.start;
    const Point lowRight = outline.stretches[0].end;
    const Point highRight = outline.stretches[1].end;
    const Point highLeft = outline.stretches[2].end;
    for (const double share : {0.0, 0.3, 1.0}) {
      const Point left = lowLeft + (highLeft - lowLeft) * share;
      const Point right = lowRight + (highRight - lowRight) * share;
      CHECK(apart(body.toSpace(body.toWall(left)), body.toSpace(body.toWall(right))) < 1e-6);
    }
  }
}

TEST_CASE("the overlap is as wide as asked at every height, square to the seam") {
  for (const Named& cup : all()) {
    INFO(cup.name);
    const Development body = developed(cup.blank);
    const Length overlap = body.aroundNarrow() * 0.02;
    const CheckedAll<WrapLayout> layout = WrapLayout::of(body, wrapOf({}, {}, overlap));
    REQUIRE(layout.has_value());
    for (const double share : {0.0, 0.5, 1.0}) {
      const Length s = layout->low() + (layout->high() - layout->low()) * share;
      const Point edge = body.toFlat({layout->overlapEnd(s), s});
      CHECK(layout->beyondSeam(edge).mm() == Approx(overlap.mm()).epsilon(1e-9));
    }
    const Area added = areaOf(layout->outline()) - areaOf(body.wallOutline());
    CHECK(added.mm2() == Approx((overlap * (body.wall() / Length::mm(1))).mm()).epsilon(0.02));
  }
}

TEST_CASE("clearances leave bare wall at base and rim") {
  const Development body = developed(all()[1].blank);
  const WrapLayout layout =
      laidOut(body, wrapOf(Length::inches(0.25), Length::inches(0.125), Length()));
  CHECK(layout.low() == Length::inches(0.25));
  CHECK((body.wall() - layout.high()).mm() == Approx(0.125 * 25.4));
  const double share = (layout.high() - layout.low()) / body.wall();
  CHECK(areaOf(layout.outline()).mm2() < areaOf(body.wallOutline()).mm2() * (share + 0.01));
}

TEST_CASE("the outline runs counter-clockwise and closes") {
  for (const Named& cup : all()) {
    const WrapLayout layout = laidOut(developed(cup.blank), wrapOf({}, {}, {}));
    CHECK(layout.outline().closed());
    CHECK(areaOf(layout.outline()).mm2() > 0);
  }
}

TEST_CASE("wherever the seam stands, front and seam keep their distance") {
  const Development body = developed(all()[1].blank);
  const std::pair<double, double> seamToFront[] = {{180, 0}, {-180, 0}, {90, 90},  {-90, -90},
                                                   {0, 180}, {172, 8},  {45, 135}, {-135, -45}};
  for (const auto& [seam, front] : seamToFront) {
    INFO(seam);
    const WrapLayout layout = laidOut(body, wrapOf({}, {}, {}, CupAngle::degrees(seam)));
    CHECK(layout.inPiece(CupAngle::front()).degrees() == Approx(front).margin(1e-9));
    CHECK(std::abs(layout.inPiece(CupAngle::degrees(seam)).degrees()) == Approx(180));
  }
}

TEST_CASE("what cannot be a wrap is refused with what would be accepted") {
  const Development body = developed(all()[0].blank);
  const Length wall = body.wall();
  CHECK_THAT(faultAt(body, wrapOf(wall, {}, {}), Member::baseClearance),
             Catch::Contains("Take 0 to 202.2 mm"));
  CHECK_THAT(faultAt(body, wrapOf({}, wall * 2, {}), Member::rimClearance),
             Catch::Contains("leaves nothing"));
  CHECK_THAT(faultAt(body, wrapOf(wall * 0.6, wall * 0.6, {}), Member::rimClearance),
             Catch::Contains("at most at the rim"));
  CHECK_THAT(faultAt(body, wrapOf({}, {}, body.aroundBase()), Member::overlap),
             Catch::Contains("more than once round"));
  CHECK_THAT(faultAt(body, wrapOf(Length::mm(-1), {}, {}), Member::baseClearance),
             Catch::Contains("Take 0"));
}

TEST_CASE("on a steep taper the overlap must not lie over the sheet's other end") {
  const Development steep = developed(body(Length::mm(60), Length::mm(300), Length::mm(38.5)));
  CHECK_THAT(faultAt(steep, wrapOf({}, {}, Length::mm(9)), Member::overlap),
             Catch::Contains("Take less than"));
  CHECK(WrapLayout::of(steep, wrapOf({}, {}, Length::mm(0))).has_value());
  // What the sentence offers is true.
  const CheckedAll<WrapLayout> refused = WrapLayout::of(steep, wrapOf({}, {}, Length::mm(9)));
  const Length most = std::get<Length>(refused.error().front().sentence.parts[1]);
  CHECK(WrapLayout::of(steep, wrapOf({}, {}, most * 0.999)).has_value());
  CHECK_FALSE(WrapLayout::of(steep, wrapOf({}, {}, most * 1.001)).has_value());
}

TEST_CASE("any wrap is either laid out whole or refused at a field") {
  const bool holds = rc::check([] {
    const auto length = [](int most) { return Length::mm(*rc::gen::inRange(0, most * 10) / 10.0); };
    const Blank blank = body(length(400), length(400), length(300),
                             *rc::gen::element(HeightAlong::wall, HeightAlong::plumb));
    const CheckedAll<Body> made = Body::of(blank);
    if (!made) {
      RC_ASSERT(!made.error().empty());
      return;
    }
    const CheckedAll<WrapLayout> layout =
        WrapLayout::of(made->cone(), wrapOf(length(50), length(50), length(40)));
    if (!layout) {
      const Member member = layout.error().front().where.member;
      RC_ASSERT(member >= Member::rimClearance);
      RC_ASSERT(member <= Member::overlap);
      return;
    }
    const Path outline = layout->outline();
    const double area = areaOf(outline).mm2();
    RC_ASSERT(std::isfinite(area));
    RC_ASSERT(area > 0);
  });
  CHECK(holds);
}

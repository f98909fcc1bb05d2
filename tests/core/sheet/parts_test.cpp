// SPDX-License-Identifier: GPL-3.0-or-later
#include <catch2/catch.hpp>

#include "core/cups.h"
#include "sheet/round_marks.h"
#include "sheet/wrap_parts.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

int guidesOf(const Part& part, GuideKind kind) {
  int count = 0;
  for (const Guide& guide : part.guides) count += guide.kind == kind ? 1 : 0;
  return count;
}

}  // namespace

TEST_CASE("wrap and paper test piece have one outline") {
  for (const Named& cup : all()) {
    const WrapLayout layout = laidOut(developed(cup.blank), wrapOf({}, {}, {}));
    const Part wrap = conePiece(layout, Unit::inch, cup.name);
    const Part test = conePiece(layout, Unit::inch, cup.name, true);
    CHECK(wrap.outline == test.outline);
    CHECK(wrap.area() == test.area());
    CHECK(wrap.kind == PartKind::film);
    CHECK(test.kind == PartKind::paper);
  }
}

TEST_CASE("everything drawn on a wrap lies within its rectangle") {
  for (const Named& cup : all()) {
    INFO(cup.name);
    const Development body = developed(cup.blank);
    const WrapLayout layout = laidOut(body, wrapOf({}, {}, body.aroundNarrow() * 0.02));
    for (const Unit unit : {Unit::inch, Unit::mm}) {
      const Part part = conePiece(layout, unit, cup.name);
      const Box room = part.bounds().grownBy(1e-6);
      for (const Guide& guide : part.guides) {
        CHECK(room.contains(boundsOf(guide.path).low));
        CHECK(room.contains(boundsOf(guide.path).high));
      }
      for (const Lettering& lettering : part.letterings) CHECK(room.contains(lettering.at));
    }
  }
}

TEST_CASE("seam at the back: front and quarters are marked, the back is the seam") {
  const Development body = developed(all()[1].blank);
  const WrapLayout layout = laidOut(body, wrapOf({}, {}, Length::mm(3)));
  const Part part = conePiece(layout, Unit::inch, "Comet");
  CHECK(guidesOf(part, GuideKind::seam) == 1);
  CHECK(guidesOf(part, GuideKind::front) == 2);
  CHECK(guidesOf(part, GuideKind::quarter) == 4);
  const WrapLayout aside = laidOut(body, wrapOf({}, {}, {}, CupAngle::degrees(100)));
  const Part turned = conePiece(aside, Unit::inch, "Comet");
  CHECK(guidesOf(turned, GuideKind::seam) == 0);  // no overlap, the seam is the edge
  CHECK(guidesOf(turned, GuideKind::quarter) == 6);
}

TEST_CASE("the bar on a piece is two inches or fifty millimetres, and left off small ones") {
  const WrapLayout layout = laidOut(developed(all()[1].blank), wrapOf({}, {}, {}));
  const auto barOf = [](const Part& part) {
    for (const Guide& guide : part.guides) {
      if (guide.kind == GuideKind::scaleBar) return boundsOf(guide.path).width();
    }
    return 0.0;
  };
  CHECK(barOf(conePiece(layout, Unit::inch, "Comet")) == Approx(50.8));
  CHECK(barOf(conePiece(layout, Unit::mm, "Comet")) == Approx(50));
  const WrapLayout low = laidOut(developed(body(Length::mm(240), Length::mm(240), Length::mm(20))),
                                 wrapOf({}, {}, {}));
  CHECK(barOf(conePiece(low, Unit::mm, "low")) == 0.0);
}

TEST_CASE("holes count against a piece's area") {
  Part part;
  part.outline = {{0, 0}, {{{10, 0}, 0}, {{10, 10}, 0}, {{0, 10}, 0}, {{0, 0}, 0}}};
  part.holes = {{{2, 2}, {{{2, 4}, 0}, {{4, 4}, 0}, {{4, 2}, 0}, {{2, 2}, 0}}}};
  CHECK(part.area().mm2() == Approx(96));
}

TEST_CASE("letters shrink to the room they have, or are left out") {
  CHECK(letterHeight(10, Length::mm(1000), Length::mm(5)) == Length::mm(5));
  CHECK(letterHeight(10, Length::mm(10), Length::mm(5)) < Length::mm(2));
  CHECK(letterHeight(100, Length::mm(10), Length::mm(5)) == Length());
}

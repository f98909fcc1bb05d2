// SPDX-License-Identifier: GPL-3.0-or-later
#include "cup/base.h"

#include <catch2/catch.hpp>
#include <cmath>
#include <numbers>

#include "core/cups.h"
#include "measure/tape.h"

using namespace avrelt;
using namespace avrelt::cups;
using std::numbers::pi;

TEST_CASE("a 2 3/4 in disc covers the base of a straight 20 oz") {
  // Common practice, no published source: 9 1/4 in round, bare.
  const Checked<Length> radius = baseDiscRadius(bodyOf(all()[0].blank), Base());
  REQUIRE(radius.has_value());
  CHECK(readTape(*radius * 2, Graduation::sixteenth).text == "2 3/4 in");
}

TEST_CASE("the disc keeps off the rounding and its clearance, or is refused") {
  Blank blank = all()[0].blank;
  blank.fillet = WrittenLength::mm(4);
  Base base;
  base.discClearance = WrittenLength::mm(2);
  const Body body = bodyOf(blank);
  CHECK(baseDiscRadius(body, base)->mm() == Approx(9.25 * 25.4 / (2 * pi) - 6));
  base.discClearance = WrittenLength::mm(30);
  const Checked<Length> refused = baseDiscRadius(body, base);
  REQUIRE_FALSE(refused.has_value());
  CHECK(refused.error().where.member == Member::discClearance);
}

TEST_CASE("snips take out just what folding under has too much of") {
  for (const double taper : {0.0, 0.15, -0.1}) {
    const Length r = Length::mm(37);
    const Length h = Length::mm(10);
    const Snips snips = snipsFor(r, taper, h);
    // The film's free edge is 2π (r − taper·h) long; folded flat it lies on a ring of 2π (r − h).
    CHECK(snips.count * snips.each.mm() == Approx(2 * pi * ((37 - taper * 10) - (37 - 10))));
    CHECK(snips.depth == h);
    // The fold between two snips is a chord: no farther than half a millimetre inside the edge.
    CHECK(37 * (1 - std::cos(pi / snips.count)) <= 0.5);
  }
  CHECK(snipsFor(Length::mm(37), 0, Length()).count == 0);
}

TEST_CASE("an overhang asks for a wrap that reaches the base, and a base to lie on") {
  const Body body = bodyOf(all()[0].blank);
  Base base;
  CHECK_FALSE(overhangFault(body, base, Length::mm(5)).has_value());
  base.overhang = WrittenLength::mm(8);
  CHECK_FALSE(overhangFault(body, base, Length()).has_value());
  CHECK(overhangFault(body, base, Length::mm(5))->where.member == Member::overhang);
  base.overhang = WrittenLength::mm(36);
  CHECK_THAT(inWords(overhangFault(body, base, Length())->sentence, Unit::mm),
             Catch::Contains("does not lie on a base"));
}

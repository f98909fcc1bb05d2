// SPDX-License-Identifier: GPL-3.0-or-later
#include "pattern/line_tape.h"

#include <catch2/catch.hpp>
#include <cmath>

#include "core/cups.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

LineTape tapeOf(Family family, double size) {
  const Body body = bodyOf(all()[0].blank);  // straight
  const Development flat = body.cone();
  const Wall wall{body, flat, CupAngle::back()};
  Fill fill = usualFill("", Unit::mm);
  fill.pattern.family = family;
  fill.pattern.size = WrittenLength::mm(size);
  fill.cutting.lines = LineWork::tape;
  CheckedAll<std::vector<FillPlan>> plan = planFills({fill}, *divide(ZoneNode(), wall), wall);
  REQUIRE(plan.has_value());
  return plan->front().tape;
}

}  // namespace

TEST_CASE("the lines of a check are tape once round and from base to rim") {
  const Body body = bodyOf(all()[0].blank);
  const double around = body.radius(Length()).mm() * 2 * M_PI;
  const double wall = body.wall().mm();
  const LineTape tape = tapeOf(Family::check, 20);
  CHECK(tape.width == Length::mm(1));
  CHECK_FALSE(tape.bends);
  const int uprights = static_cast<int>(std::lround(around / 20));
  const int rings = static_cast<int>(std::ceil(wall / 20)) - 1;
  REQUIRE(tape.runs.size() == 2);
  for (const LineRun& run : tape.runs) {
    const bool ring = std::abs(run.length.mm() - around - 10) < 0.5;
    CHECK(run.length.mm() == Approx((ring ? around : wall) + 10).margin(0.5));
    CHECK(run.count == (ring ? rings : uprights));
  }
  CHECK(tape.total.mm() == Approx(rings * (around + 10) + uprights * (wall + 10)).epsilon(1e-3));
}

TEST_CASE("slanting lines run on over the seam, each as long as the others") {
  const double around = bodyOf(all()[0].blank).radius(Length()).mm() * 2 * M_PI;
  const double wall = bodyOf(all()[0].blank).wall().mm();
  for (const double size : {20.0, 26.0, 40.0}) {
    const LineTape tape = tapeOf(Family::slants, size);
    const double repeats = std::round(around / size);
    // A repeat over from base to rim (the family's usual lean): Pythagoras on the flat.
    REQUIRE(tape.runs.size() == 1);
    CHECK(tape.runs[0].count == static_cast<int>(repeats));
    CHECK(tape.runs[0].length.mm() == Approx(std::hypot(around / repeats, wall) + 10).margin(0.5));
  }
}

TEST_CASE("diamonds take long slanting tapes, hexagons short ones, scales none worth laying") {
  const LineTape diamonds = tapeOf(Family::diamonds, 25);
  CHECK_FALSE(diamonds.bends);
  // From base to rim at the slope of a diamond, 1.6 up for 1 across.
  const double wall = bodyOf(all()[0].blank).wall().mm();
  CHECK(diamonds.runs.front().length.mm() < wall * std::hypot(1, 1 / 1.6) * 1.1 + 10);
  CHECK(diamonds.runs.front().length.mm() > 100);
  const LineTape hexagons = tapeOf(Family::hexagons, 30);
  CHECK(hexagons.runs.front().length.mm() == Approx(30 / std::sqrt(3.0) + 10).epsilon(0.1));
  CHECK(tapeOf(Family::scales, 25).bends);
}

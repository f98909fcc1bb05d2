// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/marking_strip.h"

#include <catch2/catch.hpp>
#include <cmath>

#include "core/cups.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

MarkingStrip stripAt(Length at, Length width) {
  MarkingStrip strip;
  strip.at = WrittenLength{at, {}};
  strip.width = {width, {}};
  return strip;
}

Part made(const Development& body, const MarkingStrip& strip, Unit unit = Unit::inch,
          CupAngle seam = CupAngle::back()) {
  const CheckedAll<Part> part = markingStripPart(Body::of(body), strip, seam, unit, "Comet");
  REQUIRE(part.has_value());
  return *part;
}

int ticksOf(const Part& part) {
  int count = 0;
  for (const Guide& guide : part.guides) count += guide.kind == GuideKind::graduation ? 1 : 0;
  return count;
}

}  // namespace

TEST_CASE("the strip's upper edge is once round the body at its height") {
  for (const Named& cup : all()) {
    const Development body = developed(cup.blank);
    if (body.wall() < Length::mm(30)) continue;
    INFO(cup.name);
    const Length at = body.wall() * 0.6;
    const Part strip = made(body, stripAt(at, Length::mm(12)));
    // Walked along the upper edge, which runs from right to left, the tab beyond the seam left out.
    const Stretch& upper = strip.outline.stretches[2];
    const Point start = strip.outline.stretches[1].end;
    double walked = 0;
    constexpr int steps = 20000;
    for (int i = 0; i < steps; ++i) {
      const Point a = pointAlong(start, upper, static_cast<double>(i) / steps);
      const Point b = pointAlong(start, upper, static_cast<double>(i + 1) / steps);
      CHECK(abs(body.toWall(a).s - at) < Length::mm(1e-6));
      if (body.toWall(a).theta <= Angle::halfTurn()) walked += norm(b - a);
    }
    CHECK(walked == Approx(body.around(at).mm()).epsilon(1e-4));
  }
}

TEST_CASE("a strip ten inches round carries a tick every sixteenth and its inches numbered") {
  const Development body =
      developed(cups::body(Length::inches(10), Length::inches(10), Length::inches(8)));
  const Part strip = made(body, stripAt(Length::inches(4), Length::inches(0.5)));
  // From the front five inches either way, the front itself once.
  CHECK(ticksOf(strip) == 2 * 5 * 16 + 1);
  int numbers = 0;
  for (const Lettering& lettering : strip.letterings) {
    if (std::holds_alternative<long>(lettering.words.parts.empty() ? Sentence::Part(std::string())
                                                                   : lettering.words.parts[0])) {
      ++numbers;
    }
  }
  CHECK(numbers == 8);  // 1 to 4 both ways; 5 falls on the seam
}

TEST_CASE("in millimetres a tick stands every millimetre") {
  const Development body = developed(cups::body(Length::mm(240), Length::mm(240), Length::mm(200)));
  CHECK(ticksOf(made(body, stripAt(Length::mm(100), Length::mm(12)), Unit::mm)) == 241);
}

TEST_CASE("ticks count from the front wherever the seam is, and end at it") {
  const Development body = developed(cups::body(Length::mm(240), Length::mm(240), Length::mm(200)));
  for (const double seam : {180.0, 90.0, 30.0, -135.0, 0.0}) {
    const Part strip =
        made(body, stripAt(Length::mm(100), Length::mm(12)), Unit::mm, CupAngle::degrees(seam));
    INFO(seam);
    CHECK(std::abs(ticksOf(strip) - 241) <= 1);
    for (const Guide& guide : strip.guides) {
      CHECK(body.toWall(guide.path.start).theta <= Angle::halfTurn() + Angle::degrees(1e-6));
    }
  }
}

TEST_CASE("left to itself the strip goes half-way up, and still lies on a low cup") {
  const Development tall = developed(all()[0].blank);
  MarkingStrip strip;
  CHECK(stripHeight(Body::of(tall), strip) == tall.wall() / 2);
  const Development low = developed(body(Length::mm(240), Length::mm(240), Length::mm(10)));
  CHECK(markingStripPart(Body::of(low), strip, CupAngle::back(), Unit::mm, "low").has_value());
}

TEST_CASE("a strip off the wall, or too narrow to hold, is refused") {
  const Development body = developed(all()[0].blank);
  const auto fieldOf = [&](const MarkingStrip& strip) {
    const CheckedAll<Part> part =
        markingStripPart(Body::of(body), strip, CupAngle::back(), Unit::inch, "x");
    REQUIRE_FALSE(part.has_value());
    return part.error().front().where;
  };
  CHECK(fieldOf(stripAt(Length::inches(8.01), Length::mm(12))) == Where(Member::stripAt));
  CHECK(fieldOf(stripAt(Length::mm(11), Length::mm(12))) == Where(Member::stripAt));
  CHECK(fieldOf(stripAt(Length::mm(50), Length::mm(4))) == Where(Member::stripWidth));
  CHECK(fieldOf(stripAt(Length::mm(150), Length::mm(101))) == Where(Member::stripWidth));
}

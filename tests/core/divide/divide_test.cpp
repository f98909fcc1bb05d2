// SPDX-License-Identifier: GPL-3.0-or-later
#include "divide/divide.h"

#include <catch2/catch.hpp>
#include <cmath>
#include <numbers>

#include "core/divide/straight.h"

using namespace avrelt;
using namespace avrelt::cups;
using std::numbers::pi;

namespace {

ZoneNode cutInto(CutKind kind, int count, std::vector<ZoneNode> parts = {}) {
  ZoneNode node;
  node.cut.emplace();
  node.cut->kind = kind;
  node.cut->count = count;
  node.parts = std::move(parts);
  return node;
}

}  // namespace

TEST_CASE("an uncut body is one zone, and has all of it") {
  const Straight cup;
  const Divided divided = cup.made(ZoneNode());
  REQUIRE(divided.zones.size() == 1);
  CHECK(divided.zones[0].id == "A");
  CHECK(divided.zones[0].area.mm2() == Approx(cup.body.area().mm2()));
  CHECK(divided.lines.empty());
}

TEST_CASE("zones are lettered as the tree has them, and add to the body") {
  const Straight cup;
  ZoneNode middle = cutInto(CutKind::uprights, 3);
  middle.parts.resize(3);
  middle.parts[2].finish = {FinishKind::glitter, "gold", "#C9A227"};
  const Divided divided = cup.made(cutInto(CutKind::rings, 3, {ZoneNode(), middle, ZoneNode()}));
  REQUIRE(divided.zones.size() == 5);
  CHECK(divided.zones[3].id == "D");
  CHECK(divided.zones[3].path == ZonePath{1, 2});
  CHECK(divided.zones[3].finish.name == "gold");
  double sum = 0;
  for (const Zone& zone : divided.zones) sum += zone.area.mm2();
  CHECK(sum == Approx(cup.body.area().mm2()).epsilon(1e-8));
  // Two rings and three uprights.
  CHECK(divided.lines.size() == 5);
}

TEST_CASE("a line's marks say how far up, down and round, and the two heights make the wall") {
  const Straight cup;
  ZoneNode node = cutInto(CutKind::uprights, 4);
  node.cut->at = Angle::degrees(45);
  node.parts = {cutInto(CutKind::rings, 3)};
  const Divided divided = cup.made(node);
  for (const LineMark& mark : divided.marks) {
    CHECK((mark.fromBase + mark.fromRim).inches() == Approx(8));
    CHECK(std::abs(mark.fromFront.mm()) + mark.fromSeam.mm() == Approx(9 * 25.4 / 2));
  }
  CHECK(divided.marks[0].onCup.degrees() == Approx(45));
  CHECK(divided.marks[0].fromFront.inches() == Approx(9.0 / 8));
}

TEST_CASE("the tree keeps what it was made by: a third stays a third on another cup") {
  const ZoneNode node = cutInto(CutKind::rings, 3);
  for (const double tall : {5.0, 8.0, 11.0}) {
    const Body body =
        bodyOf(cups::body(Length::inches(9), Length::inches(9), Length::inches(tall)));
    const Development flat = body.cone();
    const CheckedAll<Divided> divided = divide(node, {body, flat, Angle::halfTurn()});
    CHECK(divided->lines[0].stretches[0].front().s.inches() == Approx(tall * 2 / 3));
  }
}

TEST_CASE("faults name the member from the root of the tree") {
  const Straight cup;
  ZoneNode node = cutInto(CutKind::rings, 2, {ZoneNode(), cutInto(CutKind::vee, 1)});
  node.parts[1].cut->wide = {Length::inches(12), {}};
  const CheckedAll<Divided> divided = divide(node, cup.wall);
  REQUIRE_FALSE(divided.has_value());
  CHECK(divided.error().front().field == "parts[1].cut.wide");
}

TEST_CASE("8 in in three on an eighth is 2 5/8, and what is over goes where it is sent") {
  // Common practice, no published source.
  const Length third = Length::inches(8.0 / 3);
  const std::vector<Length> thirds{third, third, third};
  const TapedBands base = tapedBands(thirds, Graduation::eighth, Absorb::base);
  CHECK(base.marks[0].inches() == Approx(2.625));
  CHECK(base.marks[1].inches() == Approx(5.25));
  CHECK(base.errors[2].inches() == Approx(8 - 5.25 - 8.0 / 3));
  const TapedBands rim = tapedBands(thirds, Graduation::eighth, Absorb::rim);
  CHECK(rim.marks[0].inches() == Approx(2.75));
  const TapedBands spread = tapedBands(thirds, Graduation::eighth, Absorb::spread);
  for (const TapedBands& taped : {base, rim, spread}) {
    double sum = 0;
    for (const Length error : taped.errors) sum += error.mm();
    CHECK(sum == Approx(0).margin(1e-9));
    for (const Length mark : taped.marks)
      CHECK(abs(nearestMark(mark, Graduation::eighth) - mark) < Length::mm(1e-9));
  }
  for (const Length error : spread.errors) CHECK(abs(error) <= Length::inches(1.0 / 8));
}

TEST_CASE("tape laid on a ring is strained as its edges are longer and shorter than its middle") {
  // Against the ring's own arcs in the flat: a band of width w about it, its edges' lengths.
  const Body body = bodyOf(all()[1].blank);
  const Development cone = body.cone();
  const Length s = body.wall() / 2;
  const Length w = Length::mm(6);
  const auto arc = [&](Length at) {
    return lengthOf(cone.ring(at, -Angle::halfTurn(), Angle::halfTurn())).mm();
  };
  const double strain = (arc(s + w / 2) - arc(s)) / arc(s);
  CHECK(tapeStrain(body, s, w) == Approx(strain).epsilon(1e-6));
  CHECK(tapeStrain(body, s, widestTape(body, s, 0.006)) == Approx(0.006));
  CHECK(tapeStrain(bodyOf(all()[0].blank), s, w) == 0);
}

TEST_CASE("black is darkest and white lightest, as WCAG has it") {
  // WCAG 2.1, relative luminance: white 1, black 0; #777777 gives 0.1845 (contrast 4.48 to white).
  CHECK(luminanceOf("#000000") == 0);
  CHECK(luminanceOf("#FFFFFF") == Approx(1));
  CHECK(1.05 / (luminanceOf("#777777") + 0.05) == Approx(4.48).epsilon(0.002));
  CHECK(luminanceOf("gold") == 0.5);
}

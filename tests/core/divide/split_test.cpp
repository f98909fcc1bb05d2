// SPDX-License-Identifier: GPL-3.0-or-later
#include "divide/split.h"

#include <rapidcheck.h>

#include <catch2/catch.hpp>
#include <cmath>
#include <numbers>

#include "core/cups.h"

using namespace avrelt;
using namespace avrelt::cups;
using std::numbers::pi;

namespace {

/// A body and all that cuts need to know of it.
struct SplitBench {
  explicit SplitBench(const Blank& blank, CupAngle seam = CupAngle::back())
      : body(bodyOf(blank)), flat(flatOf(body)), wall{body, flat, seam} {}

  static Development flatOf(const Body& body) {
    if (body.isCone()) return body.cone();
    const std::vector<WallSample> samples = body.samples(Length(), body.wall(), 80);
    return fitRing(samples, 0, samples.size() - 1).cone();
  }
  Region whole() const { return Region::band(Length(), body.wall()); }
  Split made(const Region& zone, const Cut& cut) const {
    Checked<Split> result = split(zone, cut, wall);
    if (!result) FAIL(inWords(result.error().sentence, Unit::mm));
    return std::move(*result);
  }
  Fault refused(const Region& zone, const Cut& cut) const {
    const Checked<Split> result = split(zone, cut, wall);
    REQUIRE_FALSE(result.has_value());
    return result.error();
  }

  Body body;
  Development flat;
  Wall wall;
};

RingCut bands(int count) {
  return RingCut{.count = count};
}

UprightCut uprights(int count) {
  return UprightCut{.count = count};
}

VeeCut vee(Length wide, std::optional<Length> deep = std::nullopt, int repeat = 1) {
  VeeCut cut{.repeat = repeat, .wide = {wide, {}}};
  if (deep) cut.deep = WrittenLength{*deep, {}};
  return cut;
}

double areaOfAll(const std::vector<Region>& parts, const Body& body) {
  double sum = 0;
  for (const Region& part : parts) sum += part.area(body).mm2();
  return sum;
}

}  // namespace

TEST_CASE("the parts of every cut add to the zone, on every shape") {
  for (const std::vector<Named>& shapes : {all(), allCurved()}) {
    for (const Named& cup : shapes) {
      const SplitBench bench(cup.blank, CupAngle::degrees(170));
      if (bench.body.wall() < Length::mm(30) || bench.body.wall() > Length::mm(400)) continue;
      const double whole = bench.body.area().mm2();
      const Length r = bench.body.radius(bench.body.wall());
      const WaveCut wave{.repeat = 6,
                         .low = {bench.body.wall() / 2, {}},
                         .fromRim = false,
                         .swing = WrittenLength::mm(8)};
      const RingCut spaced{.by = CutBy::spacers, .stripes = 2};
      const std::vector<std::pair<Cut, std::size_t>> cuts{{bands(3), 3},
                                                          {uprights(5), 5},
                                                          {vee(r, std::nullopt, 3), 4},
                                                          {vee(r * 2, bench.body.wall() * 0.6), 2},
                                                          {spaced, 4},
                                                          {wave, 2}};
      for (const auto& [cut, count] : cuts) {
        INFO(cup.name << ", kind " << static_cast<int>(cut.kind()));
        const Split parts = bench.made(bench.whole(), cut);
        CHECK(areaOfAll(parts.parts, bench.body) == Approx(whole).epsilon(1e-6));
        CHECK(parts.parts.size() == count);
      }
    }
  }
}

TEST_CASE("8 in in three is 2.667 in each; 4, 1 and the rest puts the line at 5 in") {
  // Common practice, no published source.
  const SplitBench bench(body(Length::inches(9.25), Length::inches(9.25), Length::inches(8)));
  const Split thirds = bench.made(bench.whole(), bands(3));
  REQUIRE(thirds.lines.size() == 2);
  CHECK(thirds.parts[0].lowest().inches() == Approx(8 - 8.0 / 3));
  CHECK(thirds.lines[1][0].front().s.inches() == Approx(8.0 / 3));
  RingCut widths{.by = CutBy::widths};
  widths.widths = {WrittenLength{Length::inches(4), {}}, WrittenLength{Length::inches(1), {}},
                   std::nullopt};
  const Split split = bench.made(bench.whole(), widths);
  CHECK(split.parts[1].lowest().inches() == Approx(8 - 5));
  CHECK((split.parts[2].highest() - split.parts[2].lowest()).inches() == Approx(3));
}

TEST_CASE("a V 5 in wide at the rim takes 2 1/2 in each side of the seam, straight in the flat") {
  // Common practice, no published source.
  const SplitBench bench(body(Length::inches(9.25), Length::inches(9.25), Length::inches(8)));
  const Split parts = bench.made(bench.whole(), vee(Length::inches(5)));
  REQUIRE(parts.parts.size() == 2);
  // A triangle of 5 by 8 in, in two halves at the seam.
  CHECK(parts.parts[0].outlines().size() == 2);
  CHECK(parts.parts[0].area(bench.body).mm2() == Approx(0.5 * 5 * 8 * 25.4 * 25.4));
  CHECK(parts.parts[0].joined().size() == 1);
  // Its sides by Pythagoras, the closed form of a straight line on a cylinder's flat (a helix:
  // MathWorld, "Helix", arc length √(r²θ² + h²)).
  Length side;
  for (const WallLine& stretch : parts.lines[0]) side += lengthOn(bench.body, stretch);
  CHECK(side.inches() == Approx(std::hypot(2.5, 8)));
}

TEST_CASE("on a cone a V's sides are straight lines of the sector") {
  const SplitBench bench(all()[1].blank);
  VeeCut cut = vee(Length::mm(80), Length::mm(90));
  cut.at = CupAngle::front();
  const Split parts = bench.made(bench.whole(), cut);
  const WallLine& left = parts.lines[0].front();
  const Point from = bench.flat.toFlat(left.front());
  const Point to = bench.flat.toFlat(left.back());
  for (const WallPoint& p : left) {
    const Point at = bench.flat.toFlat(p);
    CHECK(std::abs(cross(at - from, to - from)) / norm(to - from) < 1e-4);
  }
  CHECK(lengthOn(bench.body, left).mm() == Approx(norm(to - from)).epsilon(1e-4));
}

TEST_CASE("uprights begin where they are asked to and part the cup evenly, across the seam too") {
  const SplitBench bench(all()[0].blank, CupAngle::degrees(180));
  UprightCut cut = uprights(4);
  cut.at = CupAngle::degrees(45);
  const Split parts = bench.made(bench.whole(), cut);
  REQUIRE(parts.lines.size() == 4);
  CHECK(bench.wall.onCup(parts.lines[0][0].front().theta).degrees() == Approx(45));
  const double quarter = bench.body.area().mm2() / 4;
  for (const Region& part : parts.parts) CHECK(part.area(bench.body).mm2() == Approx(quarter));
  // The second quarter, 135° to 225°, lies across the seam, and is one part all the same.
  CHECK(parts.parts[1].outlines().size() == 2);
  CHECK(parts.parts[1].joined().size() == 1);
  const auto [from, to] = parts.parts[1].span();
  CHECK((to - from).degrees() == Approx(90));
}

TEST_CASE("a zone is cut again: the half of a half, and a slant across what is left") {
  const SplitBench bench(all()[1].blank);
  const Split halves = bench.made(bench.whole(), uprights(2));
  const Split again = bench.made(halves.parts[0], uprights(2));
  CHECK(again.parts[0].area(bench.body).mm2() == Approx(bench.body.area().mm2() / 4));
  SlantCut slant;
  const auto [from, to] = halves.parts[1].span();
  slant.at = bench.wall.onCup(from);
  slant.low = {bench.body.wall() * 0.2, {}};
  slant.to = bench.wall.onCup(to - Angle::radians(1e-9));
  slant.high = {bench.body.wall() * 0.8, {}};
  const Split cut = bench.made(halves.parts[1], slant);
  REQUIRE(cut.parts.size() == 2);
  CHECK(areaOfAll(cut.parts, bench.body) ==
        Approx(halves.parts[1].area(bench.body).mm2()).epsilon(1e-6));
  CHECK(cut.parts[0].highest().mm() == Approx(bench.body.wall().mm()));
  // Drawn from within, it runs on straight to both sides.
  slant.at = bench.wall.onCup(from + (to - from) * 0.3);
  slant.to = bench.wall.onCup(from + (to - from) * 0.6);
  const Split longer = bench.made(halves.parts[1], slant);
  CHECK(areaOfAll(longer.parts, bench.body) ==
        Approx(halves.parts[1].area(bench.body).mm2()).epsilon(1e-6));
}

TEST_CASE("what cannot be cut is refused at its member") {
  const SplitBench bench(body(Length::mm(240), Length::mm(240), Length::mm(200)));
  const Region whole = bench.whole();
  RingCut widths{.by = CutBy::widths};
  widths.widths = {WrittenLength::mm(150), WrittenLength::mm(80), std::nullopt};
  CHECK(bench.refused(whole, widths).where.member == Member::cutWidths);
  widths.widths = {WrittenLength::mm(150), WrittenLength::mm(20)};
  CHECK_THAT(inWords(bench.refused(whole, widths).sentence, Unit::mm),
             Catch::Contains("add to 170 mm"));
  widths.widths = {WrittenLength::mm(0), std::nullopt};
  CHECK(bench.refused(whole, widths).where == Where(Member::cutWidths, std::size_t{0}));
  RingCut places{.by = CutBy::places};
  places.places = {WrittenLength::mm(20), WrittenLength::mm(250)};
  CHECK(bench.refused(whole, places).where == Where(Member::cutPlaces, std::size_t{1}));
  places.places = {WrittenLength::mm(20), WrittenLength::mm(20)};
  CHECK(bench.refused(whole, places).where.member == Member::cutPlaces);
  CHECK(bench.refused(whole, bands(501)).where.member == Member::cutCount);
  CHECK(bench.refused(whole, vee(Length::mm(260))).where.member == Member::cutWide);
  CHECK(bench.refused(whole, vee(Length::mm(100), std::nullopt, 3)).where.member ==
        Member::cutWide);
  CHECK(bench.refused(whole, vee(Length())).where.member == Member::cutWide);
  CHECK(bench.refused(whole, vee(Length::mm(50), Length::mm(300))).where.member == Member::cutDeep);
  SlantCut slant;
  CHECK(bench.refused(whole, slant).where.member == Member::cutTo);
  const Region half = bench.made(whole, uprights(2)).parts[1];
  slant.at = CupAngle::degrees(20);
  slant.low = WrittenLength::mm(300);
  slant.to = CupAngle::degrees(90);
  CHECK(bench.refused(half, slant).where.member == Member::cutAt);
  WaveCut wave;
  wave.repeat = 4;
  wave.low = WrittenLength::mm(2);
  CHECK(bench.refused(whole, wave).where.member == Member::cutLow);
}

namespace {

/// A cut of any kind with numbers that often can not be.
Cut anyCut() {
  const CupAngle at = CupAngle::degrees(*rc::gen::inRange(-180, 180));
  const CupAngle to = CupAngle::degrees(*rc::gen::inRange(-180, 180));
  const auto length = [](int most) { return WrittenLength::mm(*rc::gen::inRange(0, most) / 10.0); };
  const int repeat = *rc::gen::inRange(1, 4);
  switch (*rc::gen::inRange(0, 5)) {
    case 0:
      return bands(*rc::gen::inRange(1, 6));
    case 1:
      return UprightCut{.count = *rc::gen::inRange(1, 6), .at = at};
    case 2:
      return VeeCut{.at = at, .repeat = repeat, .wide = length(1200)};
    case 3:
      return SlantCut{.at = at, .low = length(2000), .to = to, .high = length(2000)};
    default:
      return WaveCut{.at = at, .repeat = repeat, .low = length(2000)};
  }
}

}  // namespace

TEST_CASE("any cut of any zone adds up or is refused in words") {
  int made = 0;
  const bool holds = rc::check([&made] {
    const Named cup = *rc::gen::elementOf(allCurved());
    const SplitBench bench(cup.blank, CupAngle::degrees(*rc::gen::inRange(-180, 180)));
    Region zone = bench.whole();
    for (int depth = 0; depth < 3; ++depth) {
      const Cut cut = anyCut();
      const Checked<Split> parts = split(zone, cut, bench.wall);
      if (!parts) {
        RC_ASSERT(!inWords(parts.error().sentence, Unit::inch).empty());
        continue;
      }
      ++made;
      const double area = zone.area(bench.body).mm2();
      RC_ASSERT(std::abs(areaOfAll(parts->parts, bench.body) - area) < 1e-6 * area + 0.05);
      zone = parts->parts[static_cast<std::size_t>(
          *rc::gen::inRange(0, static_cast<int>(parts->parts.size())))];
      if (zone.empty()) return;
    }
  });
  CHECK(holds);
  // Were all refused, nothing would have been tried.
  CHECK(made > 60);
}

TEST_CASE("uprights stand apart round the seam of the count as well") {
  const SplitBench bench(body(Length::mm(240), Length::mm(240), Length::mm(200)));
  UprightCut cut{.by = CutBy::places};
  // 180° and 179.97° are 0.02 mm apart, the second before the first as one counts on from the seam.
  cut.angles = {CupAngle::degrees(180), CupAngle::degrees(179.97)};
  CHECK(bench.refused(bench.whole(), cut).where.member == Member::cutAngles);
  cut.angles = {CupAngle::degrees(180), CupAngle::degrees(179.9)};
  CHECK(bench.made(bench.whole(), cut).parts.size() == 2);
}

TEST_CASE("waves and lines straight in the flat stray nowhere by more than 0.005 mm") {
  const SplitBench straight(body(Length::mm(250), Length::mm(250), Length::mm(200)));
  WaveCut wave;
  wave.at = CupAngle::front();
  wave.fromRim = false;
  wave.low = WrittenLength::mm(100);
  wave.swing = WrittenLength::mm(120);
  for (const int repeat : {1, 3}) {
    wave.repeat = repeat;
    const Split parts = straight.made(straight.whole(), wave);
    const WallLine& line = parts.lines[0][0];
    for (std::size_t i = 1; i < line.size(); ++i) {
      // Half-way along a chord, against the sine.
      const double theta = straight.wall.onCup((line[i - 1].theta + line[i].theta) / 2).radians();
      const double s = ((line[i - 1].s + line[i].s) / 2).mm();
      CHECK(std::abs(s - (100 + 60 * std::sin(repeat * theta))) < 0.005);
    }
  }
  const SplitBench steep(body(Length::mm(140), Length::mm(300), Length::mm(120)));
  VeeCut cut = vee(Length::mm(200), Length::mm(110));
  cut.at = CupAngle::front();
  const Split parts = steep.made(steep.whole(), cut);
  const WallLine& left = parts.lines[0].front();
  const Point from = steep.flat.toFlat(left.front());
  const Point along = steep.flat.toFlat(left.back()) - from;
  for (std::size_t i = 1; i < left.size(); ++i) {
    const WallPoint middle{(left[i - 1].theta + left[i].theta) / 2,
                           (left[i - 1].s + left[i].s) / 2};
    CHECK(std::abs(cross(steep.flat.toFlat(middle) - from, along)) / norm(along) < 0.005);
  }
}

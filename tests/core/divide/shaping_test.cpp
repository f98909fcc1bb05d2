// SPDX-License-Identifier: GPL-3.0-or-later
#include "divide/shaping.h"

#include <catch2/catch.hpp>

#include "core/cups.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

struct ShapingBench {
  Body body = bodyOf(all()[1].blank);
  Development flat = body.cone();
  Wall wall{body, flat, CupAngle::back()};
  Region whole() const { return Region::band(Length(), body.wall()); }
  Region half() const {
    UprightCut cut;
    return split(whole(), cut, wall)->parts[0];
  }
};

}  // namespace

TEST_CASE("the usual cut of every kind can be made, on a whole body and on a half") {
  const ShapingBench bench;
  for (const CutKind kind : {CutKind::rings, CutKind::uprights, CutKind::vee, CutKind::wave}) {
    for (const Region& zone : {bench.whole(), bench.half()}) {
      const Cut cut = usualCut(kind, zone, bench.wall, Unit::inch);
      INFO(static_cast<int>(kind));
      CHECK(split(zone, cut, bench.wall).has_value());
    }
  }
  const Cut slant = usualCut(CutKind::slant, bench.half(), bench.wall, Unit::inch);
  CHECK(split(bench.half(), slant, bench.wall).has_value());
}

TEST_CASE("a ring pulled goes to a mark, and the others stay") {
  const ShapingBench bench;
  RingCut cut{.count = 3};
  const Split before = *split(bench.whole(), cut, bench.wall);
  const Length other = before.lines[1][0][0].s;
  const Cut pulled = withLineAt(cut, bench.whole(), bench.wall, 0, before.lines[0][0][0],
                                {Angle(), Length::inches(4.03)}, Unit::inch);
  const Split after = *split(bench.whole(), pulled, bench.wall);
  CHECK((bench.body.wall() - after.lines[0][0][0].s).inches() == Approx(0.75));
  CHECK(after.lines[1][0][0].s.mm() == Approx(other.mm()).margin(1e-4));
  // It stops before the next.
  const Cut far = withLineAt(cut, bench.whole(), bench.wall, 0, before.lines[0][0][0],
                             {Angle(), Length::mm(1)}, Unit::inch);
  CHECK(split(bench.whole(), far, bench.wall).has_value());
}

TEST_CASE("a V's corner and point are pulled, a wave is lifted, equal uprights turn") {
  const ShapingBench bench;
  auto vee = std::get<VeeCut>(usualCut(CutKind::vee, bench.whole(), bench.wall, Unit::inch).how);
  vee.at = CupAngle::front();
  const Length high = bench.body.wall();
  const Cut wider = withLineAt(vee, bench.whole(), bench.wall, 0, {Angle::degrees(-50), high},
                               {Angle::degrees(-45), high}, Unit::inch);
  CHECK(std::get<VeeCut>(wider.how).wide.length.inches() == Approx(10.5 / 4).margin(1.0 / 32));
  const Cut deeper = withLineAt(vee, bench.whole(), bench.wall, 1, {Angle(), Length()},
                                {Angle(), Length::inches(1)}, Unit::inch);
  CHECK(std::get<VeeCut>(deeper.how).deep->length.inches() == Approx(3.75));
  const Cut wave = usualCut(CutKind::wave, bench.whole(), bench.wall, Unit::inch);
  const Cut lifted = withLineAt(wave, bench.whole(), bench.wall, 0,
                                {Angle(), std::get<WaveCut>(wave.how).low.length},
                                {Angle(), Length::inches(3.01)}, Unit::inch);
  CHECK(std::get<WaveCut>(lifted.how).low.length == Length::inches(3));
  Cut uprights = usualCut(CutKind::uprights, bench.whole(), bench.wall, Unit::inch);
  uprights = withLineAt(uprights, bench.whole(), bench.wall, 1, {},
                        {bench.wall.inFrame(CupAngle::degrees(20.2)), high}, Unit::inch);
  CHECK(std::get<UprightCut>(uprights.how).by == CutBy::equal);
  CHECK(std::get<UprightCut>(uprights.how).at.degrees() == Approx(-160));
}

TEST_CASE("an upright pulled leaves the others where they are, to the last digit") {
  const Body body = bodyOf(cups::body(Length::inches(9), Length::inches(9), Length::inches(8)));
  for (const double seam : {180.0, 33.3}) {
    const Wall wall{body, body.cone(), CupAngle::degrees(seam)};
    const Region whole = Region::band(Length(), body.wall());
    UprightCut cut{
        .by = CutBy::places,
        .angles = {CupAngle::degrees(-120.27), CupAngle::degrees(10.4), CupAngle::degrees(88.88)}};
    const Checked<Split> now = split(whole, cut, wall);
    REQUIRE(now.has_value());
    std::vector<double> before;
    for (const auto& line : now->lines) {
      before.push_back(wall.onCup(line.front().front().theta).degrees());
    }
    const WallPoint to{wall.inFrame(CupAngle::degrees(before[1] + 4.4)), Length::inches(4)};
    const auto pulled =
        std::get<UprightCut>(withLineAt(cut, whole, wall, 1, {}, to, Unit::inch).how);
    REQUIRE(pulled.angles.size() == 3);
    CHECK(pulled.angles[0].degrees() == Approx(before[0]).margin(1e-5));
    CHECK(pulled.angles[1].degrees() == Approx(std::round(before[1] + 4.4)));
    CHECK(pulled.angles[2].degrees() == Approx(before[2]).margin(1e-5));
  }
}

TEST_CASE("equal bands are put onto the tape, and one of them takes what is over") {
  // 8 in in three, taped at 2 11/16 by sixteenths; common practice, no published source.
  const Body body = bodyOf(cups::body(Length::inches(9), Length::inches(9), Length::inches(8)));
  const Development flat = body.cone();
  const Wall wall{body, flat, CupAngle::back()};
  const Region whole = Region::band(Length(), body.wall());
  RingCut thirds{.count = 3};
  const auto base = std::get<RingCut>(ontoTape(thirds, whole, wall, Absorb::base, Unit::inch).how);
  REQUIRE(base.widths.size() == 3);
  CHECK(base.widths[0]->length == Length::inches(2.6875));
  CHECK_FALSE(base.widths[2].has_value());
  const auto rim = std::get<RingCut>(ontoTape(thirds, whole, wall, Absorb::rim, Unit::inch).how);
  CHECK_FALSE(rim.widths[0].has_value());
  for (const Cut& cut :
       {Cut(base), Cut(rim), ontoTape(thirds, whole, wall, Absorb::spread, Unit::inch)}) {
    const Checked<Split> made = split(whole, cut, wall);
    REQUIRE(made.has_value());
    for (const auto& line : made->lines) {
      const Length s = line[0][0].s;
      CHECK(abs(nearestMark(s, Graduation::sixteenth) - s) < Length::mm(1e-4));
    }
  }
}

TEST_CASE("lists of parts are read as they are typed and written out again") {
  const auto widths = parseWidths("4 in; 1; rest", Unit::inch);
  REQUIRE(widths.has_value());
  REQUIRE(widths->size() == 3);
  CHECK((*widths)[1]->length == Length::inches(1));
  CHECK_FALSE((*widths)[2].has_value());
  CHECK(widthsText(*widths, Unit::inch) == "4 in; 1 in; rest");
  CHECK(parseWidths("2,5 cm, 1,5 cm, rest", Unit::mm)->size() == 3);
  CHECK(parseWidths("4 + 1 + rest", Unit::inch)->size() == 3);
  CHECK_FALSE(parseWidths("", Unit::inch).has_value());
  CHECK_FALSE(parseWidths("4; wide", Unit::inch).has_value());
  CHECK(parsePlaces("2; 5 1/2", Unit::inch)->at(1).length == Length::inches(5.5));
  CHECK_FALSE(parsePlaces("rest", Unit::inch).has_value());
  CHECK(parseAngles("0; 90°; -45")->at(2).degrees() == Approx(-45));
  CHECK_FALSE(parseAngles("0; east").has_value());
  CHECK_FALSE(parseAngles("0; 400").has_value());
  CHECK(anglesText({CupAngle::degrees(90), CupAngle::degrees(-45)}) == "90°; -45°");
}

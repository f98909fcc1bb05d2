// SPDX-License-Identifier: GPL-3.0-or-later
#include "divide/divide.h"

#include <algorithm>
#include <catch2/catch.hpp>
#include <cmath>
#include <numbers>
#include <tuple>

#include "core/divide/straight.h"
#include "core/random_cups.h"
#include "measure/colour.h"

using namespace avrelt;
using namespace avrelt::cups;
using std::numbers::pi;

namespace {

ZoneNode cutBy(Cut cut, std::vector<ZoneNode> parts = {}) {
  ZoneNode node;
  node.cut = std::move(cut);
  node.parts = std::move(parts);
  return node;
}

}  // namespace

TEST_CASE("an uncut body is one zone, and has all of it") {
  const Straight cup;
  const Divided divided = cup.made(ZoneNode());
  REQUIRE(divided.zones.size() == 1);
  CHECK(divided.zones[0].letter == "A");
  CHECK(divided.zones[0].area.mm2() == Approx(cup.body.area().mm2()));
  CHECK(divided.lines.empty());
}

TEST_CASE("zones are lettered as the tree has them, and add to the body") {
  const Straight cup;
  ZoneNode middle = cutBy(UprightCut{.count = 3});
  middle.parts.resize(3);
  middle.parts[2].finish = {FinishKind::glitter, "gold", "#C9A227"};
  const Divided divided = cup.made(cutBy(RingCut{.count = 3}, {ZoneNode(), middle, ZoneNode()}));
  REQUIRE(divided.zones.size() == 5);
  CHECK(divided.zones[3].letter == "D");
  CHECK(divided.zones[3].path == ZonePath{1, 2});
  CHECK(divided.zones[3].finish.name == "gold");
  double sum = 0;
  for (const Zone& zone : divided.zones) sum += zone.area.mm2();
  CHECK(sum == Approx(cup.body.area().mm2()).epsilon(1e-8));
  // Two rings and three uprights.
  CHECK(divided.lines.size() == 5);
}

TEST_CASE("a line's marks say how far up, down and round, as a tape laid there would") {
  const Straight cup;
  const ZoneNode node =
      cutBy(UprightCut{.count = 4, .at = CupAngle::degrees(45)}, {cutBy(RingCut{.count = 3})});
  const Divided divided = cup.made(node);
  REQUIRE(divided.marks.size() == 6);
  // Uprights at 45°, 135°, 225°, 315° of 9 in: an eighth and three eighths from the front each way.
  for (const auto& [index, degrees, front, seam] :
       {std::tuple{0, 45.0, 1.125, 3.375}, std::tuple{1, 135.0, 3.375, 1.125},
        std::tuple{2, -135.0, -3.375, 1.125}, std::tuple{3, -45.0, -1.125, 3.375}}) {
    const LineMark& mark = divided.marks[static_cast<std::size_t>(index)];
    CHECK(mark.at == MarkAt::upright);
    CHECK(mark.onCup.degrees() == Approx(degrees));
    CHECK(mark.fromFront.inches() == Approx(front));
    CHECK(mark.fromSeam.inches() == Approx(seam));
    CHECK(mark.fromBase.inches() == Approx(8));
    CHECK(mark.fromRim.inches() == Approx(0).margin(1e-9));
  }
  // The first quarter's thirds, which do not pass the front: marked where they begin, at 45°.
  CHECK(divided.marks[4].at == MarkAt::ring);
  CHECK(divided.marks[4].fromRim.inches() == Approx(8.0 / 3));
  CHECK(divided.marks[4].fromBase.inches() == Approx(16.0 / 3));
  CHECK(divided.marks[5].fromRim.inches() == Approx(16.0 / 3));
  CHECK(divided.marks[4].fromFront.inches() == Approx(1.125));
}

namespace {

const LineMark& markOf(const Divided& divided, MarkAt at) {
  const auto found = std::find_if(divided.marks.begin(), divided.marks.end(),
                                  [at](const LineMark& mark) { return mark.at == at; });
  REQUIRE(found != divided.marks.end());
  return *found;
}

/// How far a mark lies from the nearest place of its line, on the body.
double offItsLine(const LineMark& mark, const Divided& divided, const Wall& wall) {
  double least = 1e9;
  const double r = wall.body.radius(mark.fromBase).mm();
  for (const DivideLine& line : divided.lines) {
    if (line.id != mark.line) continue;
    for (const WallLine& stretch : line.stretches) {
      for (std::size_t i = 1; i < stretch.size(); ++i) {
        // As if rolled out about the mark, a turn to either side too.
        const Angle off = wall.onCup(stretch[i - 1].theta) - mark.onCup;
        const double across = (stretch[i].theta - stretch[i - 1].theta).radians() * r;
        const Point along{across, (stretch[i].s - stretch[i - 1].s).mm()};
        for (const double turn : {-2 * pi, 0.0, 2 * pi}) {
          const Point a{(off.radians() + turn) * r, (stretch[i - 1].s - mark.fromBase).mm()};
          const double square = dot(along, along);
          const double share = square > 0 ? std::clamp(-dot(a, along) / square, 0.0, 1.0) : 0;
          least = std::min(least, norm(a + along * share));
        }
      }
    }
  }
  return least;
}

}  // namespace

TEST_CASE("a V, a slant and a wave over the seam are marked where they were typed") {
  const Body body = bodyOf(cups::body(Length::mm(250), Length::mm(250), Length::mm(150)));
  for (const double seam : {180.0, 100.0, -37.5, 160.0}) {
    INFO("seam at " << seam);
    const Wall wall{body, body.cone(), CupAngle::degrees(seam)};
    ZoneNode node;
    node.cut = VeeCut{
        .at = CupAngle::degrees(160), .wide = WrittenLength::mm(60), .deep = WrittenLength::mm(80)};
    Divided divided = *divide(node, wall);
    // 60 of 250 mm are 86.4° of the turn, half of them either side of 160°.
    CHECK(markOf(divided, MarkAt::leftCorner).onCup.degrees() == Approx(116.8).margin(1e-5));
    CHECK(markOf(divided, MarkAt::leftCorner).fromBase.mm() == Approx(150));
    CHECK(markOf(divided, MarkAt::rightCorner).onCup.degrees() == Approx(-156.8).margin(1e-5));
    CHECK(markOf(divided, MarkAt::rightCorner).fromBase.mm() == Approx(150));
    CHECK(markOf(divided, MarkAt::point).onCup.degrees() == Approx(160).margin(1e-5));
    CHECK(markOf(divided, MarkAt::point).fromBase.mm() == Approx(70));

    node = cutBy(UprightCut{.by = CutBy::places,
                            .angles = {CupAngle::degrees(120), CupAngle::degrees(-120)}},
                 {ZoneNode(), ZoneNode()});
    ZoneNode slant;
    slant.cut = SlantCut{.at = CupAngle::degrees(120),
                         .low = WrittenLength::mm(30),
                         .to = CupAngle::degrees(-120),
                         .high = WrittenLength::mm(120)};
    // The part from 120° over the back to −120° is the one that is 120° wide.
    const Divided parts = *divide(node, wall);
    const bool first = parts.zones[0].area < parts.zones[1].area;
    node.parts[first ? 0 : 1] = slant;
    divided = *divide(node, wall);
    CHECK(markOf(divided, MarkAt::leftEnd).onCup.degrees() == Approx(120).margin(1e-5));
    CHECK(markOf(divided, MarkAt::leftEnd).fromBase.mm() == Approx(30));
    CHECK(markOf(divided, MarkAt::rightEnd).onCup.degrees() == Approx(-120).margin(1e-5));
    CHECK(markOf(divided, MarkAt::rightEnd).fromBase.mm() == Approx(120));

    ZoneNode wave;
    wave.cut = WaveCut{.at = CupAngle::degrees(180),
                       .repeat = 2,
                       .low = WrittenLength::mm(75),
                       .fromRim = false,
                       .swing = WrittenLength::mm(40)};
    node.parts[first ? 0 : 1] = wave;
    divided = *divide(node, wall);
    // Two swings round: a crest an eighth of a turn after 180°, a trough an eighth before.
    CHECK(markOf(divided, MarkAt::crest).onCup.degrees() == Approx(-135).margin(1e-5));
    CHECK(markOf(divided, MarkAt::crest).fromBase.mm() == Approx(95));
    CHECK(markOf(divided, MarkAt::trough).onCup.degrees() == Approx(135).margin(1e-5));
    CHECK(markOf(divided, MarkAt::trough).fromBase.mm() == Approx(55));
  }
}

TEST_CASE("every mark lies on its line, on any cup, over any seam, in any zone") {
  int marks = 0;
  for (unsigned seed = 1; seed <= 300; ++seed) {
    Chance chance(seed);
    const Wall wall = chance.wall();
    Region zone = Region::band(Length(), wall.body.wall());
    ZoneNode node;
    ZoneNode* at = &node;
    for (int depth = 0; depth < 3; ++depth) {
      const Cut cut = chance.cut(wall, zone);
      const Checked<Split> parts = split(zone, cut, wall);
      if (!parts) continue;
      const int part = chance.whole(0, static_cast<int>(parts->parts.size()) - 1);
      if (parts->parts[static_cast<std::size_t>(part)].empty()) continue;
      zone = parts->parts[static_cast<std::size_t>(part)];
      at->cut = cut;
      at->parts.resize(parts->parts.size());
      at = &at->parts[static_cast<std::size_t>(part)];
    }
    const CheckedAll<Divided> divided = divide(node, wall);
    if (!divided) continue;
    for (const LineMark& mark : divided->marks) {
      INFO("seed " << seed << ": " << markName(mark.at) << " of line " << mark.line);
      CHECK(offItsLine(mark, *divided, wall) < 0.01);
      ++marks;
    }
  }
  CHECK(marks > 800);
}

TEST_CASE("a zone's letter stands within it on the flat, and beside the seam where that cuts it") {
  const Body body = bodyOf(cups::body(Length::mm(250), Length::mm(250), Length::mm(150)));
  for (const double at : {180.0, 170.0, -150.0, 0.0, 90.0}) {
    INFO(at);
    const Wall wall{body, body.cone(), CupAngle::degrees(180)};
    ZoneNode node;
    node.cut = VeeCut{
        .at = CupAngle::degrees(at), .wide = WrittenLength::mm(60), .deep = WrittenLength::mm(80)};
    const Divided divided = *divide(node, wall);
    for (const Zone& zone : divided.zones) {
      // A letter 6 mm wide, on 250 mm round.
      for (const double aside : {-4.3, 0.0, 4.3}) {
        const Angle theta = zone.namedAt.theta + Angle::degrees(aside);
        CHECK(std::abs(theta.degrees()) <= 180);
        CHECK(zone.region.contains({theta, zone.namedAt.s}));
      }
    }
  }
}

TEST_CASE("a V from rim to base parts its zone; uprights there begin where they are asked to") {
  const Body body = bodyOf(cups::body(Length::mm(250), Length::mm(250), Length::mm(150)));
  for (const double seam : {180.0, 0.0, 77.0}) {
    const Wall wall{body, body.cone(), CupAngle::degrees(seam)};
    ZoneNode node;
    node.cut = VeeCut{.at = CupAngle::degrees(20), .wide = WrittenLength::mm(60)};
    const Divided parted = *divide(node, wall);
    const Region& rest = parted.zones[1].region;
    CHECK_FALSE(rest.allRound());
    const auto [from, to] = rest.span();
    CHECK((to - from).degrees() == Approx(360).margin(1e-3));
    // One part from the V round to the V, which touches itself nowhere.
    REQUIRE(rest.joined().size() == 1);
    const std::vector<WallLine> edges = rest.joined();
    const WallLine& edge = edges.front();
    for (std::size_t i = 0; i < edge.size(); ++i) {
      for (std::size_t j = i + 1; j < edge.size(); ++j) {
        CHECK(std::abs((edge[i].theta - edge[j].theta).radians()) +
                  std::abs((edge[i].s - edge[j].s).mm()) >
              1e-6);
      }
    }
    node.parts.resize(2);
    node.parts[1] = cutBy(UprightCut{.count = 3, .at = CupAngle::degrees(140)});
    const Divided thirds = *divide(node, wall);
    std::vector<double> places;
    for (const LineMark& mark : thirds.marks) {
      if (mark.at == MarkAt::upright) places.push_back(mark.onCup.degrees());
    }
    // The third would lie in the V, which parts its two sides.
    REQUIRE(places.size() == 2);
    CHECK(places[0] == Approx(140).margin(1e-5));
    CHECK(thirds.lines.back().stretches.empty());
  }
}

TEST_CASE("the tree keeps what it was made by: a third stays a third on another cup") {
  const ZoneNode node = cutBy(RingCut{.count = 3});
  for (const double tall : {5.0, 8.0, 11.0}) {
    const Body body =
        bodyOf(cups::body(Length::inches(9), Length::inches(9), Length::inches(tall)));
    const Development flat = body.cone();
    const CheckedAll<Divided> divided = divide(node, {body, flat, CupAngle::back()});
    CHECK(divided->lines[0].stretches[0].front().s.inches() == Approx(tall * 2 / 3));
  }
}

TEST_CASE("faults name the member from the root of the tree") {
  const Straight cup;
  const VeeCut wide{.wide = {Length::inches(12), {}}};
  const ZoneNode node = cutBy(RingCut{.count = 2}, {ZoneNode(), cutBy(wide)});
  const CheckedAll<Divided> divided = divide(node, cup.wall);
  REQUIRE_FALSE(divided.has_value());
  CHECK(divided.error().front().where.member == Member::cutWide);
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

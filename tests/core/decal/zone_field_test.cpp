// SPDX-License-Identifier: GPL-3.0-or-later
// Sets that are cut apart along lines between zones: over random bodies, seams, zones and places.
#include "decal/zone_field.h"

#include <catch2/catch.hpp>
#include <cmath>
#include <set>

#include "core/decal_cups.h"
#include "core/random_cups.h"
#include "sheet/decal_parts.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

/// A cup of any cone and seam, divided once or twice in any way.
Cup dividedBy(Chance& chance) {
  Cup cup = newCup("by chance", Unit::mm);
  const double base = chance.between(200, 300);
  cup.blank.stations[0].girth = WrittenLength::mm(base);
  cup.blank.stations[1].girth =
      WrittenLength::mm(chance.one(3) ? base : base * chance.between(0.85, 1.25));
  cup.wrap.seamAt = chance.one(3) ? CupAngle::back() : CupAngle::degrees(chance.between(-180, 180));
  const CupPlan whole = planned(cup);
  const Region all = Region::band(Length(), whole.wall.body.wall());
  do {
    cup.division.body.cut = chance.cut(whole.wall, all);
  } while (!planCup(cup, Unit::mm));
  if (chance.one(2)) {
    const CupPlan once = planned(cup);
    const std::size_t into = once.divided.zones.size();
    cup.division.body.parts.assign(into, ZoneNode());
    const std::size_t which = static_cast<std::size_t>(chance.whole(0, static_cast<int>(into) - 1));
    cup.division.body.parts[which].cut = chance.cut(whole.wall, once.divided.zones[which].region);
    giveIds(cup);
    // What cannot be cut so stays whole.
    if (!planCup(cup, Unit::mm)) cup.division.body.parts[which].cut.reset();
  }
  return cup;
}

double areaOf(const Polygon& shape) {
  return signedArea(shape);
}

}  // namespace

TEST_CASE("what is cut at lines makes up the set, each piece as large as what lies in its zone") {
  Chance chance(77);
  int parted = 0;
  int overSeam = 0;
  for (int trial = 0; trial < 60; ++trial) {
    Cup cup = dividedBy(chance);
    const char* const shapes[] = {"star", "heart", "moon", "paw"};
    DecalSet set = setAt(named(shapes[chance.whole(0, 3)]), chance.between(15, 70), {},
                         {layerOf(LayerKind::decal), layerOf(LayerKind::backing, 2)});
    for (int k = 0; k < 3; ++k) {
      Place place = placeAt(chance.between(-180, 180), chance.between(60, 120));
      if (k == 0) place.at = cup.wrap.seamAt + Angle::degrees(chance.between(-5, 5));
      place.turn = Angle::degrees(chance.between(-180, 180));
      place.follows = chance.one(2);
      set.places.push_back(place);
    }
    set.parted = true;
    cup.sets = {set};
    INFO("trial " << trial);
    const CupPlan plan = planned(cup);
    CHECK_FALSE(told(plan, "set_over_line"));
    for (const PlacePlan& place : plan.sets[0].places) {
      const SetMake& make = plan.sets[0].makes[place.make];
      for (std::size_t i = 0; i < make.layers.size(); ++i) {
        const LayerPlan& layer = make.layers[i];
        const Region& laid = place.laid->layers[i].region;
        std::set<std::string> zones;
        for (const Zone& zone : plan.divided.zones) {
          const double there = (laid & zone.region).area(plan.wall.body).mm2();
          const auto piece =
              std::find_if(layer.pieces.begin(), layer.pieces.end(),
                           [&](const LayerPiece& one) { return one.zone == zone.id; });
          if (there > 1 && there < layer.area.mm2() - 1) {
            // The second way: booleans on the wall, areas on the cup.
            REQUIRE(piece != layer.pieces.end());
            CHECK(areaOf(piece->cut) == Approx(there).margin(0.8));
          }
          if (piece != layer.pieces.end()) CHECK(there > 0);
          if (there > 1) zones.insert(zone.id);
        }
        if (zones.size() < 2) continue;
        ++parted;
        if (place.laid->reach.from < -Angle::halfTurn() ||
            place.laid->reach.to > Angle::halfTurn()) {
          ++overSeam;
        }
        CHECK(make.places == std::vector<std::string>{place.id});
        double sum = 0;
        for (const LayerPiece& piece : layer.pieces) {
          sum += areaOf(piece.cut);
          CHECK(areaOf(piece.cut - offsetBy(layer.cut, Length::mm(0.002), Corners::sharp)) < 1e-3);
          for (const LayerPiece& other : layer.pieces) {
            if (&other != &piece) CHECK(areaOf(piece.cut & other.cut) < 0.1);
          }
        }
        CHECK(sum == Approx(areaOf(layer.cut)).margin(0.1));
      }
    }
  }
  CHECK(parted > 60);
  CHECK(overSeam > 5);
}

TEST_CASE("a bar across a ring of a straight cup is cut as geometry has it") {
  // A bar of 60 by 20 mm, its middle 5 mm above a ring: 15 mm of it lie above, 5 below.
  Artwork bar;
  bar.id = bar.name = "bar";
  bar.areas = {{"#000000", {{{0, 0}, {60, 0}, {60, 20}, {0, 20}}}}};
  Cup cup = straight();
  RingCut ring;
  ring.by = CutBy::places;
  ring.fromRim = false;
  ring.places = {WrittenLength::mm(100)};
  cup.division.body.cut = ring;
  cup.sets = {setAt(bar, 60, {placeAt(0, 105), placeAt(90, 130)})};
  CHECK(told(planned(cup), "set_over_line"));
  cup.sets[0].parted = true;
  const CupPlan plan = planned(cup);
  const std::vector<Part>& parts = plan.parts(purpose::layer);
  REQUIRE(parts.size() == 3);
  const std::string upper = plan.divided.zones[0].letter;
  for (const Part& part : parts) {
    const Box box = part.bounds();
    if (part.zones.empty()) {
      CHECK(box.height() == Approx(20));
      CHECK(part.copies == 1);
      continue;
    }
    CHECK(box.width() == Approx(60));
    CHECK(box.height() == Approx(part.zones.front() == upper ? 15 : 5).margin(0.01));
  }
  // Each of another name and id.
  CHECK(inWords(parts[0].name, Unit::mm) != inWords(parts[1].name, Unit::mm));
  std::set<std::string> ids;
  for (const Part& part : parts) ids.insert(part.id);
  CHECK(ids.size() == 3);
}

TEST_CASE("what reaches over the rim stays with the zone below it, stencils stay whole") {
  Cup cup = straight();
  UprightCut uprights{.count = 2, .at = CupAngle::front()};
  cup.division.body.cut = uprights;
  cup.sets = {setAt(named("star"), 40, {placeAt(0, 175)},
                    {layerOf(LayerKind::decal), layerOf(LayerKind::peekaboo)})};
  cup.sets[0].parted = true;
  const CupPlan plan = planned(cup);
  const SetMake& make = plan.sets[0].makes.front();
  REQUIRE(make.layers[0].pieces.size() == 2);
  CHECK(make.layers[1].pieces.empty());
  double sum = 0;
  for (const LayerPiece& piece : make.layers[0].pieces) sum += signedArea(piece.cut);
  CHECK(sum == Approx(make.layers[0].area.mm2()).epsilon(1e-4));
}

TEST_CASE("a hair's breadth over a line is not a piece of its own") {
  Cup cup = straight();
  RingCut ring;
  ring.by = CutBy::places;
  ring.fromRim = false;
  ring.places = {WrittenLength::mm(100)};
  cup.division.body.cut = ring;
  Artwork bar;
  bar.id = bar.name = "bar";
  bar.areas = {{"#000000", {{{0, 0}, {60, 0}, {60, 20}, {0, 20}}}}};
  cup.sets = {setAt(bar, 60, {placeAt(0, 109.96)})};
  cup.sets[0].parted = true;
  const CupPlan plan = planned(cup);
  CHECK(plan.sets[0].makes.front().layers[0].pieces.empty());
  CHECK(plan.parts(purpose::layer).size() == 1);
}

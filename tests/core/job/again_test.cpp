// SPDX-License-Identifier: GPL-3.0-or-later
// A cup made again: the same to the byte on the same blank, told what changes on another.
#include "job/again.h"

#include <algorithm>
#include <catch2/catch.hpp>

#include "core/decal_cups.h"
#include "core/random_cups.h"
#include "job/ids.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

Document orderMadeOf(Chance& chance, int cups) {
  Document order;
  order.id = "o-1";
  for (int i = 0; i < cups; ++i) {
    Cup cup = chance.one(2) ? tapered() : straight();
    cup.name = "Cup " + std::to_string(i);
    cup.wrap.seamAt = CupAngle::degrees(chance.between(-180, 180));
    Artwork artwork = named("art-" + std::to_string(i));
    order.artworks.emplace_back(artwork);
    cup.sets = {setAt(artwork, 30, {placeAt(chance.between(-180, 180), 60)})};
    cup.sets.front().artwork = artwork.id;
    cup.division.body.finish.kind = FinishKind::glitter;
    cup.bench.done = {{"clean", *parseCivil("2026-12-01T18:30"), Duration::minutes(12), {}}};
    StepChange late;
    late.step = "mark";
    late.notBefore = parseCivil("2026-12-02T18:00");
    StepChange noted;
    noted.step = "rim";
    noted.note = "twice";
    cup.bench.changes = {late, noted};
    cup.cuts.push_back({"wrap", {}, 0, {}, {}, {}, {}});
    giveIds(cup);
    order.cups.push_back(cup);
  }
  giveCupIds(order);
  order.bench.due = parseCivil("2026-12-05T20:00");
  referToAll(order);
  return order;
}

}  // namespace

TEST_CASE("A cup stands alone with what it uses, and plans as it did", "[again]") {
  Chance chance(5);
  for (int round = 0; round < 10; ++round) {
    const Document order = orderMadeOf(chance, 3);
    const auto index = static_cast<std::size_t>(chance.whole(0, 2));
    const Document single = alone(order, index);
    REQUIRE(single.cups.size() == 1);
    CHECK(single.cups.front() == order.cups[index]);
    REQUIRE(single.artworks.size() == 1);
    CHECK(single.artworks.front()->id == "art-" + std::to_string(index));
    CHECK(single.id == order.id);
  }
}

TEST_CASE("Of joined artworks, what they are joined from goes along", "[again]") {
  Chance chance(6);
  Document order = orderMadeOf(chance, 3);
  Artwork joined = named("both");
  joined.kind = ArtKind::joined;
  joined.joining.of = {{"art-1"}, {"art-2"}};
  order.artworks.emplace_back(joined);
  order.cups[0].sets.front().artwork = "both";
  const Document single = alone(order, 0);
  std::vector<std::string> ids;
  for (const SharedArt& artwork : single.artworks) ids.push_back(artwork->id);
  std::sort(ids.begin(), ids.end());
  CHECK(ids == std::vector<std::string>{"art-1", "art-2", "both"});
}

TEST_CASE("Again on the same blank is the same design with nothing done", "[again]") {
  Chance chance(7);
  for (int round = 0; round < 10; ++round) {
    const Document past = alone(orderMadeOf(chance, 1), 0);
    const Again again = againOf(past, std::nullopt);
    CHECK(again.changed.empty());
    CHECK(again.order.id.empty());
    const Cup& cup = again.order.cups.front();
    CHECK(cup.bench.done.empty());
    CHECK(cup.cuts.empty());
    CHECK_FALSE(again.order.bench.due);
    REQUIRE(cup.bench.changes.size() == 1);
    CHECK(cup.bench.changes.front().note == "twice");
    // All parts are of just the size they were.
    const auto was = planCup(past.cups.front(), past.units);
    const auto is = planCup(cup, again.order.units);
    REQUIRE(was);
    REQUIRE(is);
    for (const char* purpose : {purpose::wrap, purpose::markingStrip}) {
      REQUIRE(was->parts(purpose).size() == is->parts(purpose).size());
      for (std::size_t i = 0; i < was->parts(purpose).size(); ++i) {
        CHECK(was->parts(purpose)[i].bounds().width() == is->parts(purpose)[i].bounds().width());
        CHECK(was->parts(purpose)[i].area().mm2() == is->parts(purpose)[i].area().mm2());
      }
    }
  }
}

TEST_CASE("Again on another blank tells what comes out otherwise", "[again]") {
  Chance chance(8);
  Document past = alone(orderMadeOf(chance, 1), 0);
  Cup& cup = past.cups.front();
  cup.blank = body(Length::mm(243), Length::mm(243), Length::mm(195));
  cup.buildUp.coats = {{CoatKind::resin, GlitterCut::fine, Volume::ml(20), {}, "coat-a"}};
  Remeasure measured;
  measured.after = 1;
  measured.station.girth = WrittenLength{Length::mm(245), {}};
  cup.buildUp.measured = {measured};
  const Blank larger = body(Length::mm(281), Length::mm(281), Length::mm(228));
  const Again again = againOf(past, larger);
  CHECK(again.order.cups.front().blank == larger);
  CHECK(again.order.cups.front().buildUp.measured.empty());
  REQUIRE(again.changed.size() >= 3);
  CHECK(inWords(again.changed[0], Unit::mm) == "The girth at the base is 281 mm; it was 243 mm.");
  CHECK(inWords(again.changed[2], Unit::mm) == "The wall is 228 mm high; it was 195 mm.");
  // A measure that cannot be is told, and the order made all the same, to be put right.
  Blank wrong = larger;
  wrong.stations.back().at = WrittenLength{Length::mm(0), {}};
  const Again refused = againOf(past, wrong);
  CHECK_FALSE(refused.changed.empty());
  CHECK(refused.order.cups.front().blank == wrong);
  CHECK(againOf(Document(), std::nullopt).order.cups.empty());
}

TEST_CASE("Cups have ids of their own, also copied ones", "[again]") {
  Document order;
  order.cups.resize(4);
  order.cups[1].id = "cup-1";
  order.cups[3].id = "cup-1";
  giveCupIds(order);
  std::set<std::string> ids;
  for (const Cup& cup : order.cups) ids.insert(cup.id);
  CHECK(ids.size() == 4);
  CHECK(ids.count("") == 0);
  CHECK(order.cups[1].id == "cup-1");
  const Document once = order;
  giveCupIds(order);
  CHECK(order == once);
}

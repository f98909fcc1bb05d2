// SPDX-License-Identifier: GPL-3.0-or-later
// Stencils that are found again: which ring goes round which, which can be told apart, and whether
// rings cover what coats have widened.
#include <rapidcheck/catch.h>

#include <catch2/catch.hpp>
#include <set>

#include "core/decal_cups.h"
#include "decal/peekaboos.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

DecalSet hidden(const std::string& shape, double wide, std::vector<Place> places) {
  return setAt(named(shape), wide, std::move(places),
               {layerOf(LayerKind::ring, 2, 0.5), layerOf(LayerKind::peekaboo)});
}

}  // namespace

TEST_CASE("Each peekaboo names its stencil, its ring and the zone it lies in", "[peekaboo]") {
  Cup cup = straight();
  cup.sets = {hidden("star", 30, {placeAt(-90, 100), placeAt(40, 60)}),
              setAt(named("heart"), 30, {placeAt(120, 80)}, {layerOf(LayerKind::peekaboo)}),
              setAt(named("comet"), 30, {placeAt(0, 150)})};
  giveIds(cup);
  const CupPlan plan = planned(cup);
  const std::vector<Peekaboo> found = peekaboosOf(plan.sets);
  REQUIRE(found.size() == 3);
  for (std::size_t i = 0; i < found.size(); ++i) {
    CHECK(found[i].number == static_cast<int>(i) + 1);
    CHECK(found[i].zone == plan.divided.zones.front().id);
  }
  CHECK(found[0].stencil == cup.sets[0].layers[1].id);
  CHECK(found[0].ring == cup.sets[0].layers[0].id);
  CHECK(found[2].ring.empty());
}

// F15, F16: common practice, no published source.
TEST_CASE("What cannot be told apart under paint is lifted and ringed one by one", "[peekaboo]") {
  Cup cup = straight();
  // Two moons of nearly one size, each with its ring, and one far larger.
  cup.sets = {hidden("full_moon", 33, {placeAt(-90, 90)}),
              hidden("full_moon", 34, {placeAt(0, 90)}),
              hidden("full_moon", 51, {placeAt(90, 90)})};
  CupPlan plan = planned(cup);
  LiftOrder order = liftOrderOf(peekaboosOf(plan.sets));
  CHECK(order.oneByOne == std::vector<int>{1, 2});
  CHECK(order.atOnce == std::vector<int>{3});
  CHECK(peekaboosOf(plan.sets)[0].alike == std::vector<int>{2});
  CHECK(told(plan, "peekaboo_alike"));
  // Of one set, any ring goes round any of them.
  cup.sets = {hidden("full_moon", 33, {placeAt(-90, 90), placeAt(0, 90), placeAt(90, 90)})};
  plan = planned(cup);
  CHECK(liftOrderOf(peekaboosOf(plan.sets)).atOnce.size() == 3);
  CHECK_FALSE(told(plan, "peekaboo_alike"));
  // Without rings nothing can be mistaken.
  cup.sets = {setAt(named("full_moon"), 33, {placeAt(-90, 90)}, {layerOf(LayerKind::peekaboo)}),
              setAt(named("full_moon"), 34, {placeAt(0, 90)}, {layerOf(LayerKind::peekaboo)})};
  CHECK(liftOrderOf(peekaboosOf(planned(cup).sets)).oneByOne.empty());
}

TEST_CASE("Being alike goes both ways, and each is lifted once, wherever they stand",
          "[peekaboo]") {
  rc::prop("", [] {
    Cup cup = *rc::gen::inRange(0, 2) == 0 ? straight() : tapered();
    cup.wrap.seamAt = CupAngle::degrees(*rc::gen::inRange(-180, 181));
    for (const char* shape : {"star", "heart", "full_moon"}) {
      cup.sets.push_back(hidden(
          shape, *rc::gen::inRange(20, 26),
          {placeAt(*rc::gen::inRange(-180, 181), 60), placeAt(*rc::gen::inRange(-180, 181), 120)}));
    }
    const CupPlan plan = planned(cup);
    const std::vector<Peekaboo> all = peekaboosOf(plan.sets);
    RC_ASSERT(all.size() == 6U);
    for (const Peekaboo& one : all) {
      for (const int other : one.alike) {
        const std::vector<int>& back = all[static_cast<std::size_t>(other) - 1].alike;
        RC_ASSERT(std::find(back.begin(), back.end(), one.number) != back.end());
        RC_ASSERT(all[static_cast<std::size_t>(other) - 1].set != one.set);
      }
    }
    const LiftOrder order = liftOrderOf(all);
    std::set<int> lifted(order.atOnce.begin(), order.atOnce.end());
    lifted.insert(order.oneByOne.begin(), order.oneByOne.end());
    RC_ASSERT(lifted.size() == all.size());
    RC_ASSERT(order.atOnce.size() + order.oneByOne.size() == all.size());
  });
}

TEST_CASE("A ring covers what coats have widened, or it is told", "[peekaboo]") {
  Cup cup = straight();
  for (int i = 0; i < 6; ++i) cup.buildUp.coats.push_back(Coat());
  cup.buildUp.laidAfter = 0;
  cup.sets = {hidden("full_moon", 90, {placeAt(0, 90)})};
  giveIds(cup);
  cup.buildUp.laid = {{cup.sets[0].layers[0].id, 6}};
  // What is allowed for always fits.
  CHECK_FALSE(told(planned(cup), "ring_misses"));
  cup.sets[0].allowGrowth = false;
  const CupPlan plan = planned(cup);
  const Length stencil = plan.stageOf(cup.sets[0].layers[1].id).wall.body.radius(Length::mm(90));
  const Length ring = plan.stageOf(cup.sets[0].layers[0].id).wall.body.radius(Length::mm(90));
  // A disc's ends go with the girth: 45 mm to each side, by the girths' ratio.
  const double misses = 45 * (ring / stencil - 1);
  cup.sets[0].layers[0].lap = WrittenLength::mm(misses + 0.01);
  CHECK_FALSE(told(planned(cup), "ring_misses"));
  cup.sets[0].layers[0].lap = WrittenLength::mm(misses - 0.01);
  const CupPlan missing = planned(cup);
  const Watch* watch = watchOf(missing, "ring_misses");
  REQUIRE(watch != nullptr);
  CHECK(watch->where.member == Member::layerLap);
  CHECK(std::get<Length>(watch->sentence.parts[1]).mm() == Approx(misses).margin(1e-6));
}

TEST_CASE("Rings of one set that are bent alike go round each other's openings", "[peekaboo]") {
  Cup cup = tapered();
  DecalSet set = hidden("full_moon", 60, {placeAt(-60, 60), placeAt(60, 62)});
  for (Place& place : set.places) place.follows = true;
  cup.sets = {set};
  const CupPlan plan = planned(cup);
  REQUIRE(plan.sets[0].makes.size() == 2);
  CHECK(liftOrderOf(peekaboosOf(plan.sets)).oneByOne.empty());
}

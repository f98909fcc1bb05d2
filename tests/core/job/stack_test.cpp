// SPDX-License-Identifier: GPL-3.0-or-later
// What lies on what: the order of the stack, and what hides what, over random places.
#include <rapidcheck/catch.h>

#include <catch2/catch.hpp>
#include <cmath>

#include "core/cups.h"
#include "core/decal_cups.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

Finish glitter() {
  Finish finish;
  finish.kind = FinishKind::glitter;
  return finish;
}

/// Three coats, divided after two; a star and its backing, a stripe between glitter and film.
Cup layeredStack() {
  Cup cup = straight();
  cup.buildUp.coats = {Coat{CoatKind::paint}, Coat{}, Coat{}};
  cup.buildUp.laidAfter = 2;
  RingCut ring;
  ring.by = CutBy::places;
  ring.places = {WrittenLength::mm(90)};
  cup.division.body.cut = ring;
  ZoneNode upper;
  upper.finish = glitter();
  ZoneNode lower;
  lower.finish.kind = FinishKind::film;
  cup.division.body.parts = {upper, lower};
  cup.sets = {setAt(named("star"), 30, {placeAt(20, 140)},
                    {layerOf(LayerKind::decal), layerOf(LayerKind::backing, 2)})};
  giveIds(cup);
  return cup;
}

std::size_t placeOf(const CupPlan& plan, const std::string& id) {
  for (std::size_t i = 0; i < plan.stack.size(); ++i) {
    if (plan.stack[i].id == id) return i;
  }
  FAIL("not in the stack: " << id);
  return 0;
}

const StackItem& item(const CupPlan& plan, const std::string& id) {
  return plan.stack[placeOf(plan, id)];
}

}  // namespace

TEST_CASE("The stack goes from the metal through coats to what is laid last", "[stack]") {
  Cup cup = layeredStack();
  const std::string upper = cup.division.body.parts[0].id;
  const std::string lower = cup.division.body.parts[1].id;
  const std::string decal = cup.sets[0].layers[0].id;
  const std::string backing = cup.sets[0].layers[1].id;
  CupPlan plan = planned(cup);
  REQUIRE(plan.stack.front().kind == StackKind::metal);
  const std::vector<std::string> order{
      "metal", cup.buildUp.coats[0].id, cup.buildUp.coats[1].id, upper, lower, backing,
      decal,   cup.buildUp.coats[2].id};
  std::vector<std::string> found;
  for (const StackItem& one : plan.stack) found.push_back(one.id);
  CHECK(found == order);

  // Laid at a stage of its own, the backing goes below what it was laid over.
  cup.buildUp.laid = {{backing, 0}};
  plan = planned(cup);
  CHECK(placeOf(plan, backing) == 1);
  cup.buildUp.laid = {{backing, 3}};
  plan = planned(cup);
  CHECK(placeOf(plan, backing) + 1 == plan.stack.size());
  CHECK(placeOf(plan, decal) < placeOf(plan, backing));
}

TEST_CASE("Every coat and everything laid is in the stack once, below what is laid later",
          "[stack]") {
  rc::prop("", [] {
    Cup cup = layeredStack();
    for (const char* shape : {"comet", "full_moon"}) {
      cup.sets.push_back(setOf(named(shape), 24,
                               {layerOf(LayerKind::decal), layerOf(LayerKind::outline, 1),
                                layerOf(LayerKind::peekaboo)}));
    }
    giveIds(cup);
    for (const DecalSet& set : cup.sets) {
      for (const Layer& layer : set.layers) {
        const int after = *rc::gen::inRange(0, 4);
        layAfter(cup.buildUp, layer.id, after);
      }
    }
    const CupPlan plan = planned(cup);
    std::size_t things = 0;
    int before = 0;
    std::map<std::string, int> counted;
    for (const StackItem& one : plan.stack) {
      ++counted[one.id];
      if (one.kind == StackKind::laid) {
        ++things;
        RC_ASSERT(one.after == laidAfterOf(cup.buildUp, one.id));
        RC_ASSERT(one.after >= before);
        before = one.after;
      }
      if (one.kind == StackKind::coat) RC_ASSERT(one.after >= before);
    }
    RC_ASSERT(things == plan.things.size());
    for (const auto& [id, many] : counted) RC_ASSERT(many == 1);
  });
}

TEST_CASE("What a decal hides of glitter is its area on it, wherever it stands", "[stack]") {
  rc::prop("", [] {
    Cup cup = layeredStack();
    const double degrees = *rc::gen::inRange(-180, 181);
    cup.wrap.seamAt = CupAngle::degrees(*rc::gen::inRange(-180, 181));
    cup.sets = {setAt(named("full_moon"), 30, {placeAt(degrees, 140)})};
    giveIds(cup);
    const CupPlan plan = planned(cup);
    const StackItem& decal = item(plan, cup.sets[0].layers[0].id);
    const std::vector<Hidden> hidden = hiddenBelow(plan, decal);
    RC_ASSERT(hidden.size() == 1U);
    // A disc 30 mm across.
    RC_ASSERT(std::abs(hidden[0].area.mm2() - M_PI * 15 * 15) < 1.5);
    // Half-way over the line, half of it.
    cup.sets[0].places[0].up = WrittenLength::mm(90);
    const CupPlan half = planned(cup);
    const std::vector<Hidden> less = hiddenBelow(half, item(half, cup.sets[0].layers[0].id));
    RC_ASSERT(less.size() == 1U);
    RC_ASSERT(std::abs(less[0].area.mm2() - M_PI * 15 * 15 / 2) < 1.5);
  });
}

TEST_CASE("Two places of one set that lie on each other hide what they cover once", "[stack]") {
  Cup cup = layeredStack();
  cup.sets = {setAt(named("full_moon"), 30, {placeAt(0, 140), placeAt(0, 140)})};
  giveIds(cup);
  const CupPlan plan = planned(cup);
  const std::vector<Hidden> hidden = hiddenBelow(plan, item(plan, cup.sets[0].layers[0].id));
  REQUIRE(hidden.size() == 1);
  CHECK(hidden[0].area.mm2() == Approx(M_PI * 15 * 15).epsilon(0.003));
}

TEST_CASE("What comes off again and what is clear hides nothing", "[stack]") {
  for (const LayerKind kind : {LayerKind::peekaboo, LayerKind::knockOut}) {
    Cup cup = layeredStack();
    cup.sets = {setAt(named("star"), 40, {placeAt(0, 140)}, {layerOf(kind, 1)})};
    giveIds(cup);
    const CupPlan plan = planned(cup);
    CHECK(hiddenBelow(plan, item(plan, cup.sets[0].layers[0].id)).empty());
  }
  Cup cup = layeredStack();
  cup.sets[0].layers[0].material = PartMaterial::clear;
  const CupPlan plan = planned(cup);
  CHECK(item(plan, cup.sets[0].layers[0].id).clear);
  CHECK(hiddenBelow(plan, item(plan, cup.sets[0].layers[0].id)).empty());
}

// Common practice, no published source.
TEST_CASE("Glitter finished to be hidden is told, with how much of the zone", "[stack]") {
  Cup cup = layeredStack();
  CHECK_FALSE(told(planned(cup), "stack_hides_glitter"));
  // Two discs of 85 mm on a band 90 mm tall and 240 mm round: a half of it.
  cup.sets = {setAt(named("full_moon"), 85, {placeAt(0, 135), placeAt(180, 135)})};
  giveIds(cup);
  CupPlan plan = planned(cup);
  const Watch* watch = watchOf(plan, "stack_hides_glitter");
  REQUIRE(watch != nullptr);
  CHECK(watch->where.member == Member::layers);
  const double share = 2 * M_PI * 42.5 * 42.5 / plan.divided.zones[0].area.mm2();
  CHECK(std::get<long>(watch->sentence.parts[0]) == std::lround(share * 100));
  cup.sets.clear();
  cup.wrap.over = WrapOver::printed;
  plan = planned(cup);
  REQUIRE(told(plan, "stack_hides_glitter"));
  CHECK(watchOf(plan, "stack_hides_glitter")->level == WatchLevel::warn);
}

TEST_CASE("Clear film over everything wants a coat over edges of film", "[stack]") {
  Cup cup = layeredStack();
  cup.wrap.over = WrapOver::clear;
  const CupPlan straightOn = planned(cup);
  const Watch* watch = watchOf(straightOn, "stack_clear_over_edge");
  REQUIRE(watch != nullptr);
  CHECK(std::get<long>(watch->sentence.parts[0]) == 3);
  cup.buildUp.laid = {{wrapThing, 3}};
  CHECK_FALSE(told(planned(cup), "stack_clear_over_edge"));
}

TEST_CASE("A knock-out is taken out of films laid before it, wherever it stands", "[stack]") {
  rc::prop("", [] {
    Cup cup = *rc::gen::inRange(0, 2) == 0 ? straight() : tapered();
    cup.wrap.seamAt = CupAngle::degrees(*rc::gen::inRange(-180, 181));
    cup.wrap.overlap = {};
    RingCut ring;
    ring.by = CutBy::places;
    ring.fromRim = false;
    ring.places = {WrittenLength::mm(90)};
    cup.division.body.cut = ring;
    cup.division.body.parts.assign(2, ZoneNode());
    for (ZoneNode& part : cup.division.body.parts) part.finish.kind = FinishKind::film;
    cup.buildUp.coats = {Coat(), Coat()};
    const double at = *rc::gen::inRange(-180, 181);
    const auto filmArea = [](const Cup& of) {
      const CupPlan plan = planned(of);
      double area = 0;
      for (const Part& part : plan.parts(purpose::film)) area += part.area().mm2();
      return area;
    };
    giveIds(cup);
    const double whole = filmArea(cup);
    // A disc of 30 mm and 1 mm of gap round it: in one zone, and over the line between both.
    for (const double up : {130.0, 90.0}) {
      cup.sets = {
          setAt(named("full_moon"), 30, {placeAt(at, up)}, {layerOf(LayerKind::knockOut, 1)})};
      giveIds(cup);
      RC_ASSERT(std::abs(whole - filmArea(cup) - M_PI * 16 * 16) < 2.5);
    }
    // Laid before the film it takes nothing out of it.
    cup.buildUp.laidAfter = 2;
    giveIds(cup);
    const double later = filmArea(cup);
    cup.buildUp.laid = {{cup.sets[0].layers[0].id, 0}};
    RC_ASSERT(std::abs(filmArea(cup) - later - M_PI * 16 * 16) < 2.5);
  });
}

TEST_CASE("On a wall that curves both ways a knock-out comes out of its bands of film", "[stack]") {
  for (const double at : {0.0, 100.0, 180.0}) {
    Cup cup = straight();
    cup.blank = cups::allCurved()[1].blank;
    cup.film.kind = FilmKind::stretchy;
    cup.wrap.overlap = {};
    RingCut ring;
    ring.by = CutBy::places;
    ring.fromRim = false;
    ring.places = {WrittenLength::mm(40)};
    cup.division.body.cut = ring;
    cup.division.body.parts.assign(2, ZoneNode());
    for (ZoneNode& part : cup.division.body.parts) part.finish.kind = FinishKind::film;
    giveIds(cup);
    const auto filmArea = [](const Cup& of) {
      const CupPlan plan = planned(of);
      double area = 0;
      for (const Part& part : plan.parts(purpose::film)) area += part.area().mm2();
      return area;
    };
    const double whole = filmArea(cup);
    cup.sets = {
        setAt(named("full_moon"), 30, {placeAt(at, 120)}, {layerOf(LayerKind::knockOut, 1)})};
    giveIds(cup);
    // Film and decal are each developed their own way: to what the wall strains them.
    CHECK(whole - filmArea(cup) == Approx(M_PI * 16 * 16).epsilon(0.08));
  }
}

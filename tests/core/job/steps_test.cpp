// SPDX-License-Identifier: GPL-3.0-or-later
// What a cup takes at the bench: everything on it once and in its place, tape off in its moment,
// stencils lifted before resin, amounts as worked by hand. Figures F18 to F27 are common practice,
// no published source.
#include "job/steps.h"

#include <algorithm>
#include <catch2/catch.hpp>
#include <cmath>
#include <map>
#include <set>

#include "core/decal_cups.h"
#include "core/random_cups.h"
#include "decal/peekaboos.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

Coat coatOf(CoatKind kind, double ml = 20) {
  Coat coat;
  coat.kind = kind;
  coat.mixed = Volume::ml(ml);
  return coat;
}

Finish glitter(const std::string& colour, Stick stick) {
  Finish finish;
  finish.kind = FinishKind::glitter;
  finish.name = colour;
  finish.colour = colour;
  finish.stick = stick;
  return finish;
}

/// Three bands: two of glitter, one of film; stripes; a pattern; a peekaboo with its ring over a
/// coat of paint; resin first and last.
Cup full(Chance& chance) {
  Cup cup = tapered();
  cup.wrap.seamAt = CupAngle::degrees(chance.between(-180, 180));
  cup.division.body.cut = RingCut{.count = 3};
  cup.division.body.parts.assign(3, ZoneNode());
  const auto stick = [&] { return static_cast<Stick>(chance.whole(0, 5)); };
  cup.division.body.parts[0].finish = glitter("#F0E0B0", stick());
  cup.division.body.parts[1].finish = glitter("#202848", stick());
  cup.division.body.parts[2].finish.kind = FinishKind::film;
  cup.buildUp.coats = {coatOf(CoatKind::resin, 25), coatOf(CoatKind::paint),
                       coatOf(CoatKind::resin, 20)};
  cup.buildUp.laidAfter = 0;
  Layer stencil = layerOf(LayerKind::peekaboo);
  stencil.material = PartMaterial::stencil;
  Layer ring = layerOf(LayerKind::ring, 2, 0.5);
  cup.sets = {setAt(named("star"), 20, {placeAt(chance.between(-90, 90), 60)}, {ring, stencil})};
  giveIds(cup);
  layAfter(cup.buildUp, cup.sets[0].layers[0].id, 2);
  layAfter(cup.buildUp, cup.sets[0].layers[1].id, 1);
  Stripe stripe;
  stripe.of = cup.division.body.cut->id;
  stripe.line = 0;
  cup.division.stripes = {stripe};
  return cup;
}

std::size_t whereIs(const std::vector<Step>& steps, StepKind kind, const std::string& of) {
  for (std::size_t i = 0; i < steps.size(); ++i) {
    const auto& all = steps[i].of;
    if (steps[i].kind == kind && std::find(all.begin(), all.end(), of) != all.end()) return i;
  }
  FAIL("no step " << stepName(kind) << " of " << of);
  return 0;
}

}  // namespace

TEST_CASE("Steps come one after the other, each caution once, at the first it concerns",
          "[steps]") {
  Chance chance(41);
  for (int round = 0; round < 20; ++round) {
    const std::vector<Step> steps = stepsOf(planned(full(chance)));
    std::set<std::string> ids;
    std::map<Caution, int> told;
    for (std::size_t i = 0; i < steps.size(); ++i) {
      CHECK(ids.insert(steps[i].id).second);
      CHECK(steps[i].handsOn > Duration());
      if (steps[i].wait.most) CHECK(steps[i].wait.least <= *steps[i].wait.most);
      if (i == 0) {
        CHECK(steps[i].after.empty());
      } else {
        CHECK(steps[i].after == std::vector<std::string>{steps[i - 1].id});
      }
      for (const Caution caution : steps[i].cautions) ++told[caution];
    }
    for (const auto& [caution, count] : told) CHECK(count == 1);
    // Gloves before any resin, the lip at the rim.
    REQUIRE(told.contains(Caution::resin));
    for (const Step& step : steps) {
      const bool resin =
          std::any_of(step.mix.parts.begin(), step.mix.parts.end(), [](const MixPart& part) {
            return part.kind == MixKind::partA || part.kind == MixKind::resin;
          });
      if (!resin) continue;
      CHECK(std::find(step.cautions.begin(), step.cautions.end(), Caution::resin) !=
            step.cautions.end());
      break;
    }
    CHECK(steps.front().kind == StepKind::clean);
    CHECK(steps.back().kind == StepKind::cure);
  }
}

TEST_CASE("Everything that lies on a cup has its step, after as many coats as it lies on",
          "[steps]") {
  Chance chance(42);
  for (int round = 0; round < 30; ++round) {
    const CupPlan plan = planned(full(chance));
    const std::vector<Step> steps = stepsOf(plan);
    const std::vector<Coat>& coats = plan.of->buildUp.coats;
    // Counted anew from the steps: which coats lie below each.
    const auto coatsBefore = [&](std::size_t at) {
      int count = 0;
      for (const Coat& coat : coats) {
        if (whereIs(steps, StepKind::coat, coat.id) < at) ++count;
      }
      return count;
    };
    for (std::size_t i = 0; i + 1 < coats.size(); ++i) {
      CHECK(whereIs(steps, StepKind::coat, coats[i].id) <
            whereIs(steps, StepKind::coat, coats[i + 1].id));
    }
    for (const StackItem& item : plan.stack) {
      if (item.kind != StackKind::laid || item.thing == LaidKind::mask) continue;
      std::size_t first = steps.size();
      for (std::size_t i = steps.size(); i-- > 0;) {
        const bool its =
            std::find(steps[i].of.begin(), steps[i].of.end(), item.id) != steps[i].of.end();
        if (its && steps[i].kind != StepKind::peel) first = i;
      }
      INFO(item.id);
      REQUIRE(first < steps.size());
      CHECK(coatsBefore(first) == item.after);
    }
    // Measured again before the first that lies on a coat.
    bool laidOnCoats = plan.laidAfter > 0;
    for (const StackItem& item : plan.stack) {
      laidOnCoats = laidOnCoats || (item.kind == StackKind::laid && item.after > 0);
    }
    CHECK(laidOnCoats == std::any_of(steps.begin(), steps.end(), [](const Step& step) {
            return step.kind == StepKind::measure;
          }));
  }
}

TEST_CASE("Glitter is stuck, shaken, freed of its tape in its moment, and sealed, dark first",
          "[steps]") {
  Chance chance(43);
  const Methods methods;
  for (int round = 0; round < 30; ++round) {
    const CupPlan plan = planned(full(chance));
    const std::vector<Step> steps = stepsOf(plan);
    std::vector<std::size_t> shaken;
    for (const Zone& zone : plan.divided.zones) {
      if (zone.finish.kind != FinishKind::glitter) continue;
      const Method& method = methods.of(methodOf(zone.finish.stick));
      const std::size_t stuck = whereIs(steps, StepKind::stick, zone.id);
      const std::size_t glittered = whereIs(steps, StepKind::glitter, zone.id);
      const std::size_t pulled = whereIs(steps, StepKind::pull, zone.id);
      const std::size_t sealed = whereIs(steps, StepKind::seal, zone.id);
      CHECK(stuck < glittered);
      CHECK(glittered < pulled);
      CHECK(pulled < sealed);
      // Nothing between glitter and the pull but what the wait says.
      CHECK(pulled == glittered + 1);
      REQUIRE(steps[glittered].wait.most);
      CHECK(*steps[glittered].wait.most == *method.pull.most);
      if (zone.finish.stick == Stick::uvResin) {
        // Tape is off before the lamp, and that comes within the time it is open.
        CHECK(steps[pulled + 1].kind == StepKind::lamp);
        CHECK(steps[pulled + 1].spot == Spot::lamp);
        CHECK(*steps[pulled].wait.most <= *method.pull.most);
        CHECK(steps[pulled + 1].wait.least == method.next.least);
      } else {
        CHECK(steps[pulled].wait.least == method.next.least);
      }
      shaken.push_back(glittered);
    }
    // The second band is the darker.
    REQUIRE(shaken.size() == 2);
    CHECK(shaken[1] < shaken[0]);
  }
}

TEST_CASE("Stencils come off after the paint that hides them, before their ring and any resin",
          "[steps]") {
  Chance chance(44);
  for (int round = 0; round < 20; ++round) {
    Cup cup = full(chance);
    const std::string ring = cup.sets[0].layers[0].id;
    const std::string stencil = cup.sets[0].layers[1].id;
    const std::vector<Step> steps = stepsOf(planned(cup));
    const std::size_t laid = whereIs(steps, StepKind::stencil, stencil);
    const std::size_t peeled = whereIs(steps, StepKind::peel, stencil);
    const std::size_t ringed = whereIs(steps, StepKind::ring, ring);
    CHECK(laid < peeled);
    CHECK(peeled < ringed);
    bool painted = false;
    for (std::size_t i = laid; i < peeled; ++i) {
      if (steps[i].kind != StepKind::coat) continue;
      CHECK(steps[i].mix.parts.front().kind == MixKind::paint);
      painted = true;
    }
    CHECK(painted);
    // Without a ring it still comes off before the last resin.
    cup.sets[0].layers.erase(cup.sets[0].layers.begin());
    const std::vector<Step> bare = stepsOf(planned(cup));
    CHECK(whereIs(bare, StepKind::peel, stencil) <
          whereIs(bare, StepKind::coat, cup.buildUp.coats.back().id));
  }
}

TEST_CASE("Two coats more go over what lies on the order's last, the base disc below them",
          "[steps]") {
  Chance chance(46);
  Cup cup = full(chance);
  const auto count = [](const std::vector<Step>& steps, StepKind kind) {
    return std::count_if(steps.begin(), steps.end(),
                         [&](const Step& step) { return step.kind == kind; });
  };
  // The order's last resin lies over everything: it is the last. Paint goes on in two coats.
  const std::vector<Step> own = stepsOf(planned(cup));
  CHECK(count(own, StepKind::coat) == 4);
  CHECK(count(own, StepKind::base) == 1);
  const std::size_t last = whereIs(own, StepKind::coat, cup.buildUp.coats.back().id);
  CHECK(own[last - 1].kind == StepKind::base);
  CHECK(own[last + 1].kind == StepKind::warm);
  CHECK(own[last + 2].kind == StepKind::rim);
  // With a ring laid on it, it is not.
  layAfter(cup.buildUp, cup.sets[0].layers[0].id, 3);
  const std::vector<Step> more = stepsOf(planned(cup));
  CHECK(count(more, StepKind::coat) == 6);
  CHECK(count(more, StepKind::base) == 1);
  std::size_t ring = whereIs(more, StepKind::ring, cup.sets[0].layers[0].id);
  for (const StepKind kind : {StepKind::base, StepKind::coat, StepKind::warm, StepKind::sand,
                              StepKind::coat, StepKind::warm, StepKind::rim}) {
    CHECK(more[++ring].kind == kind);
  }
}

TEST_CASE("Printed film is sealed once it is laid, other film is not", "[steps]") {
  Chance chance(47);
  Cup cup = full(chance);
  const std::string zone = cup.division.body.parts[2].id;
  const auto seals = [&](const std::vector<Step>& steps) {
    return std::count_if(steps.begin(), steps.end(), [&](const Step& step) {
      return step.kind == StepKind::seal && step.of == std::vector<std::string>{zone};
    });
  };
  CHECK(seals(stepsOf(planned(cup))) == 0);
  cup.division.body.parts[2].finish.printed = true;
  const std::vector<Step> steps = stepsOf(planned(cup));
  CHECK(seals(steps) == 1);
  const std::size_t sealed = whereIs(steps, StepKind::seal, zone);
  CHECK(whereIs(steps, StepKind::film, zone) < sealed);
  // Before any resin comes over it.
  for (std::size_t i = whereIs(steps, StepKind::film, zone); i < sealed; ++i) {
    CHECK(steps[i].kind != StepKind::coat);
  }
}

TEST_CASE("A step keeps its id when something else is added to the cup", "[steps]") {
  Chance chance(45);
  Cup cup = full(chance);
  const std::vector<Step> before = stepsOf(planned(cup));
  cup.sets.push_back(setAt(named("comet"), 20, {placeAt(150, 60)}, {layerOf(LayerKind::decal)}));
  cup.division.stripes.clear();
  std::set<std::string> after;
  for (const Step& step : stepsOf(planned(cup))) after.insert(step.id);
  for (const Step& step : before) {
    if (step.kind == StepKind::stripe) continue;
    INFO(step.id);
    CHECK(after.contains(step.id));
  }
}

TEST_CASE("Mixes, worked by hand", "[steps]") {
  // 20 ml on the cup, a tenth lost, equal parts: 22.22 ml, 11.11 of each; 12.22 g and 11.11 g.
  const Mix mix = resinMix(Volume::ml(20));
  REQUIRE(mix.parts.size() == 2);
  CHECK(mix.parts[0].volume->ml() == Approx(11.111).margin(0.001));
  CHECK(mix.parts[1].volume->ml() == Approx(11.111).margin(0.001));
  CHECK(mix.parts[0].mass->grams() == Approx(12.222).margin(0.001));
  CHECK(mix.parts[1].mass->grams() == Approx(11.111).margin(0.001));
  // Two to one.
  const Mix other = resinMix(Volume::ml(30), {0.5, 1, 1, 0});
  CHECK(other.parts[0].volume->ml() == Approx(20));
  CHECK(other.parts[1].volume->ml() == Approx(10));
  // F18: 5 to 10 ml hold glitter on a whole cup of 235 by 203 mm, 10 to 15 chunky, 1 to 5 a
  // section.
  const Area cup = Area::mm2(235 * 203);
  CHECK(resinToHold(cup, GlitterCut::fine).ml() >= 5);
  CHECK(resinToHold(cup, GlitterCut::fine).ml() <= 10);
  CHECK(resinToHold(cup, GlitterCut::chunky).ml() >= 10);
  CHECK(resinToHold(cup, GlitterCut::chunky).ml() <= 15);
  CHECK(resinToHold(Area::mm2(235 * 40), GlitterCut::fine).ml() >= 1);
  CHECK(resinToHold(Area::mm2(235 * 40), GlitterCut::fine).ml() <= 5);
  CHECK(resinToHold(Area::mm2(100), GlitterCut::fine).ml() == Approx(1));
}

TEST_CASE("Waits are those of common practice until the shop knows better", "[steps]") {
  const Methods methods;
  const auto hours = [](const Duration duration) { return duration.minutes() / 60; };
  // F20: ordinary resin 4 to 6 h to the next coat, 8 h to handle, 8 to 12 h in all; fast about 2 h.
  CHECK(hours(methods.of(MethodKind::resin).next.least) >= 4);
  CHECK(hours(methods.of(MethodKind::resin).next.least) <= 6);
  CHECK(hours(methods.of(MethodKind::resin).handle) == 8);
  CHECK(hours(methods.of(MethodKind::resin).cure) <= 12);
  CHECK(hours(methods.of(MethodKind::fastResin).next.least) == 2);
  CHECK_FALSE(methods.of(MethodKind::fastResin).mayBeLast);
  // F22: sealer 30 to 60 min, 45 typical. F23: spray clear 15 to 30. F24: spray paint overnight.
  CHECK(methods.of(MethodKind::sealer).next.least.minutes() == 45);
  CHECK(methods.of(MethodKind::sprayClear).next.least.minutes() >= 15);
  CHECK(methods.of(MethodKind::sprayClear).next.least.minutes() <= 30);
  CHECK(hours(methods.of(MethodKind::sprayPaint).next.least) >= 8);
  // F25: brush-on glue 1 to 2 h. F26: tacky glue clear after 10 to 20 min. F27: UV up to 5 min.
  CHECK(hours(methods.of(MethodKind::brushGlue).next.least) >= 1);
  CHECK(hours(methods.of(MethodKind::brushGlue).next.least) <= 2);
  CHECK(methods.of(MethodKind::tackyGlue).open.least.minutes() <= 20);
  CHECK(methods.of(MethodKind::uvResin).next.least.minutes() <= 5);
  for (const Method& method : methods.all) {
    CHECK(&methods.of(method.kind) == &method);
    for (const Wait& wait : {method.open, method.pull, method.next}) {
      if (wait.most) CHECK(wait.least <= *wait.most);
    }
  }
}

TEST_CASE(
    "Half by half, what goes all round is filled twice by half, and tape still comes off in time",
    "[steps]") {
  Chance chance(48);
  int halved = 0;
  int whole = 0;
  for (int round = 0; round < 60; ++round) {
    Cup cup = full(chance);
    const CupPlan plan = planned(cup);
    const Methods methods;
    BenchChoices choices;
    choices.halfByHalf = true;
    // However fast work of a kind is here.
    Stock stock;
    for (double& pace : stock.paces.all) pace = chance.between(0.5, 2);
    const std::vector<Step> usual = stepsOf(plan, {}, stock);
    const std::vector<Step> steps = stepsOf(plan, choices, stock);
    // Whatever is done twice comes to what is done once.
    const auto sum = [](const std::vector<Step>& all) {
      double work = 0;
      double grams = 0;
      for (const Step& step : all) {
        work += step.handsOn.minutes();
        for (const MixPart& part : step.mix.parts) {
          if (part.kind == MixKind::glitter && part.mass) grams += part.mass->grams();
        }
      }
      return std::pair(work, grams);
    };
    CHECK(sum(steps).first == Approx(sum(usual).first));
    CHECK(sum(steps).second == Approx(sum(usual).second));
    for (std::size_t i = 0; i < steps.size(); ++i) {
      if (steps[i].kind != StepKind::stick) continue;
      const bool first = steps[i].id.ends_with("-back");
      const bool second = steps[i].id.ends_with("-front");
      CHECK(first == (i + 2 < steps.size() && steps[i + 2].id.ends_with("-front") &&
                      steps[i + 2].kind == StepKind::stick));
      if (!first && !second) {
        ++whole;
        // All of it: here each band goes round, so its tape would come off too late.
        REQUIRE(i + 2 < steps.size());
        CHECK(steps[i + 2].kind == StepKind::pull);
      }
      if (!first) continue;
      ++halved;
      REQUIRE(i + 4 < steps.size());
      CHECK(steps[i + 1].kind == StepKind::glitter);
      CHECK(steps[i + 3].kind == StepKind::glitter);
      if (steps[i + 4].kind != StepKind::pull) continue;
      // From the first half's glitter to the pull it is never longer than the method lets it be.
      const Zone* zone = nullptr;
      for (const Zone& one : plan.divided.zones) {
        if (one.id == steps[i].of.front()) zone = &one;
      }
      REQUIRE(zone != nullptr);
      const Method& method = methods.of(methodOf(zone->finish.stick));
      REQUIRE(steps[i + 1].wait.most);
      REQUIRE(steps[i + 3].wait.most);
      REQUIRE(steps[i + 2].wait.most);
      const Duration longest = *steps[i + 1].wait.most + steps[i + 2].handsOn +
                               *steps[i + 2].wait.most + steps[i + 3].handsOn +
                               *steps[i + 3].wait.most;
      CHECK(longest.minutes() <= method.pull.most->minutes() + 1e-9);
      CHECK(steps[i + 3].wait.least <= *steps[i + 3].wait.most);
    }
  }
  CHECK(halved > 10);
  CHECK(whole > 10);
}

TEST_CASE("Stencils that look alike are ringed one by one, others as the maker likes", "[steps]") {
  for (const bool alike : {false, true}) {
    for (const bool oneByOne : {false, true}) {
      Cup cup = tapered();
      const auto set = [&](const char* shape, double wide, double offset) {
        Layer stencil = layerOf(LayerKind::peekaboo);
        stencil.material = PartMaterial::stencil;
        return setAt(named(shape), wide, {placeAt(wide, 60)},
                     {layerOf(LayerKind::ring, offset, 0.5), stencil});
      };
      // The same star twice with rings that do not fit each other, or a star and a moon.
      cup.sets = {set("star", 20, 2), set(alike ? "star" : "crescent", alike ? 20.4 : 40, 3)};
      cup.buildUp.coats = {coatOf(CoatKind::paint), coatOf(CoatKind::resin)};
      giveIds(cup);
      for (const DecalSet& one : cup.sets) {
        layAfter(cup.buildUp, one.layers[0].id, 1);
        layAfter(cup.buildUp, one.layers[1].id, 0);
      }
      const CupPlan plan = planned(cup);
      const bool areAlike = !liftOrderOf(peekaboosOf(plan.sets)).oneByOne.empty();
      CHECK(areAlike == alike);
      BenchChoices choices;
      choices.ringOneByOne = oneByOne;
      const std::vector<Step> steps = stepsOf(plan, choices);
      const auto peels = std::count_if(
          steps.begin(), steps.end(), [](const Step& step) { return step.kind == StepKind::peel; });
      // All that comes off in one moment is one step.
      CHECK(peels == (alike || oneByOne ? 0 : 1));
      // Each stencil comes off once, by itself or with its ring.
      for (const DecalSet& one : cup.sets) {
        const StepKind by = alike || oneByOne ? StepKind::ring : StepKind::peel;
        CHECK(whereIs(steps, by, one.layers[1].id) <=
              whereIs(steps, StepKind::ring, one.layers[0].id));
      }
    }
  }
}

TEST_CASE("What is laid piece by piece for long is laid in goes, all of it once", "[steps]") {
  Chance chance(46);
  for (int i = 0; i < 30; ++i) {
    const int count = chance.whole(1, 90);
    Cup cup = tapered();
    std::vector<Place> places;
    for (int k = 0; k < count; ++k) {
      places.push_back(placeAt(chance.between(-180, 180), chance.between(30, 90)));
    }
    cup.sets = {setAt(named("star"), 8, places, {layerOf(LayerKind::decal)})};
    giveIds(cup);
    Stock stock;
    const double pace = chance.between(0.5, 2);
    stock.paces.all[static_cast<std::size_t>(StepKind::decal)] = pace;
    std::vector<Step> goes;
    for (const Step& step : stepsOf(planned(cup), {}, stock)) {
      if (step.kind == StepKind::decal) goes.push_back(step);
    }
    // Four minutes a piece, at the pace of work here.
    const double minutes = 4 * count * pace;
    INFO(count << " in " << minutes << " min");
    CHECK(goes.size() == std::min<std::size_t>(static_cast<std::size_t>(count),
                                               static_cast<std::size_t>(std::ceil(minutes / 90))));
    CHECK(goes.front().id == "decal-" + cup.sets[0].layers[0].id);
    long pieces = 0;
    for (const Step& go : goes) {
      CHECK(go.handsOn.minutes() == Approx(minutes * double(go.pieces) / count));
      // Evenly, but for a piece.
      CHECK(go.handsOn.minutes() <= 90 + 4 * pace);
      pieces += go.pieces;
      const std::string words = inWords(go.words, Unit::mm);
      const std::string told = std::to_string(go.pieces) + " of " + std::to_string(count) + ".";
      CHECK((words.find(told) != std::string::npos) == (goes.size() > 1));
    }
    CHECK(pieces == count);
  }
}

TEST_CASE("Film that heat makes stick is pressed, with its caution, and cools", "[steps]") {
  Cup cup = tapered();
  Layer layer = layerOf(LayerKind::decal);
  layer.material = PartMaterial::heatApplied;
  cup.sets = {setAt(named("star"), 20, {placeAt(10, 60)}, {layer})};
  giveIds(cup);
  const std::vector<Step> steps = stepsOf(planned(cup));
  const Step& step = steps[whereIs(steps, StepKind::decal, cup.sets[0].layers[0].id)];
  CHECK(std::count(step.cautions.begin(), step.cautions.end(), Caution::heat) == 1);
  CHECK(step.wait.least == Methods().of(MethodKind::heatFilm).next.least);
  CHECK(inWords(step.words, Unit::mm).find("Press it with heat") != std::string::npos);
}

// F26: tacky adhesive is clear when it is ready, after 10 to 20 minutes; common practice.
TEST_CASE("Tacky glue on cells clears before glitter goes into it", "[steps]") {
  Cup cup = tapered();
  giveIds(cup);
  Fill fill = usualFill(cup.division.body.id, Unit::mm);
  for (CellColour& colour : fill.colours) colour.finish.stick = Stick::tackyGlue;
  cup.fills = {fill};
  giveIds(cup);
  const std::vector<Step> steps = stepsOf(planned(cup));
  int shaken = 0;
  for (std::size_t i = 1; i < steps.size(); ++i) {
    if (steps[i].kind != StepKind::glitter) continue;
    ++shaken;
    CHECK(steps[i - 1].kind == StepKind::stick);
    CHECK(steps[i - 1].wait.least.minutes() >= 10);
  }
  // Four colours in two coats.
  CHECK(shaken == 8);
}

TEST_CASE("The lip is masked whenever something runs or flies, also after a flood", "[steps]") {
  Chance chance(49);
  for (int round = 0; round < 20; ++round) {
    bool masked = false;
    for (const Step& step : stepsOf(planned(full(chance)))) {
      const std::string words = inWords(step.words, Unit::mm);
      if (step.id.starts_with("lip-") || words.starts_with("Tape the lip")) masked = true;
      const bool runs = step.kind == StepKind::coat || step.kind == StepKind::paint ||
                        step.kind == StepKind::stick || step.kind == StepKind::glitter;
      INFO(step.id);
      if (runs) CHECK(masked);
      if (step.kind == StepKind::warm) masked = false;
    }
  }
}

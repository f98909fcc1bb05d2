// SPDX-License-Identifier: GPL-3.0-or-later
// No design whose steps a maker would shake the head at: whatever a stack is that does not hold is
// told with a remedy, and once the remedies are pressed a second pair of eyes finds nothing wrong.
#include <catch2/catch.hpp>
#include <cstdlib>

#include "core/decal_cups.h"
#include "core/job/second_eyes.h"
#include "core/random_cups.h"
#include "job/mending.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

Finish anyFinish(Chance& chance, bool bare = true) {
  constexpr std::array<FinishKind, 7> kinds{
      FinishKind::paint, FinishKind::glitter, FinishKind::glitter, FinishKind::ink,
      FinishKind::dip,   FinishKind::film,    FinishKind::bare};
  Finish finish;
  finish.kind = kinds[static_cast<std::size_t>(chance.whole(0, bare ? 6 : 4))];
  finish.stick = static_cast<Stick>(chance.whole(0, 5));
  finish.grain = static_cast<GlitterCut>(chance.whole(0, 2));
  finish.printed = chance.one(3);
  finish.sprayed = chance.one(3);
  constexpr std::array<const char*, 4> colours{"#202848", "#F0E0B0", "#B04050", "#40A090"};
  finish.colour = colours[static_cast<std::size_t>(chance.whole(0, 3))];
  return finish;
}

/// One cup or the other, divided or not, with coats, patterns, sets of all layers at all stages,
/// stripes, covers, film all round, liquid.
Cup anyDesign(Chance& chance) {
  Cup cup = chance.one(2) ? straight() : tapered();
  cup.wrap.seamAt = CupAngle::degrees(chance.between(-180, 180));
  for (int i = chance.whole(0, 4); i > 0; --i) {
    Coat coat;
    coat.kind = static_cast<CoatKind>(chance.whole(0, 2));
    coat.cut = static_cast<GlitterCut>(chance.whole(0, 2));
    coat.mixed = Volume::ml(chance.between(5, 40));
    coat.sprayed = chance.one(2);
    cup.buildUp.coats.push_back(coat);
  }
  const int coats = static_cast<int>(cup.buildUp.coats.size());
  cup.buildUp.laidAfter = chance.whole(0, coats);
  const int parts = chance.whole(1, 3);
  if (parts > 1) {
    cup.division.body.cut = RingCut{.count = parts};
    cup.division.body.parts.assign(static_cast<std::size_t>(parts), ZoneNode());
    for (ZoneNode& part : cup.division.body.parts) {
      if (!chance.one(5)) part.finish = anyFinish(chance);
    }
  } else if (chance.one(2)) {
    cup.division.body.finish = anyFinish(chance);
  }
  giveIds(cup);
  if (chance.one(3)) {
    ZoneNode& node = parts > 1 ? cup.division.body.parts.front() : cup.division.body;
    node.finish = Finish();
    Fill fill = usualFill(node.id, Unit::mm);
    fill.pattern.size = WrittenLength::mm(chance.between(25, 45));
    fill.coats = chance.whole(1, 3);
    for (CellColour& colour : fill.colours) {
      do {
        colour.finish = anyFinish(chance);
      } while (colour.finish.kind == FinishKind::bare);
    }
    fill.cutting.lines = static_cast<LineWork>(chance.whole(0, 2));
    fill.cutting.doubleSided = chance.one(4);
    cup.fills = {fill};
  }
  if (parts > 1 && chance.one(2)) {
    Stripe stripe;
    stripe.of = cup.division.body.cut->id;
    stripe.kind = chance.one(2) ? StripeKind::tape : StripeKind::film;
    cup.division.stripes = {stripe};
  }
  if (parts > 1 && chance.one(4)) {
    Mask mask;
    mask.kind = chance.one(2) ? MaskKind::cover : MaskKind::window;
    mask.zones = {cup.division.body.parts.back().id};
    cup.division.masks = {mask};
  }
  for (int i = chance.whole(0, 2); i > 0; --i) {
    std::vector<Layer> layers;
    if (chance.one(2)) {
      Layer stencil = layerOf(LayerKind::peekaboo);
      stencil.material = PartMaterial::stencil;
      if (chance.one(2)) layers.push_back(layerOf(LayerKind::ring, 2, 0.5));
      layers.push_back(stencil);
    } else {
      layers = {layerOf(LayerKind::decal), layerOf(LayerKind::backing, 2)};
      if (chance.one(4)) layers.push_back(layerOf(LayerKind::knockOut, 1));
      layers.front().material = static_cast<PartMaterial>(chance.whole(0, 7));
    }
    std::vector<Place> places;
    for (int k = chance.whole(1, 3); k > 0; --k) {
      places.push_back(placeAt(chance.between(-180, 180), chance.between(40, 140)));
    }
    cup.sets.push_back(
        setAt(named(chance.one(2) ? "star" : "crescent"), 20, places, std::move(layers)));
    if (chance.one(4)) cup.sets.back().over = anyFinish(chance, false);
  }
  giveIds(cup);
  for (const DecalSet& set : cup.sets) {
    for (const Layer& layer : set.layers) {
      if (chance.one(3)) layAfter(cup.buildUp, layer.id, chance.whole(0, coats));
    }
  }
  for (const Stripe& stripe : cup.division.stripes) {
    if (chance.one(3)) layAfter(cup.buildUp, stripe.id, chance.whole(0, coats));
  }
  if (chance.one(3)) cup.wrap.over = static_cast<WrapOver>(chance.whole(0, 4));
  if (chance.one(3)) layAfter(cup.buildUp, wrapThing, chance.whole(0, coats));
  if (chance.one(8)) {
    cup.liquid = usualLiquid(Length::mm(180), Unit::mm);
  }
  giveIds(cup);
  return cup;
}

/// What is told of a stack that does not hold.
std::vector<const Watch*> conflictsOf(const CupPlan& plan) {
  std::vector<const Watch*> conflicts;
  for (const Watch& watch : plan.watches) {
    if (watch.mend && watch.level != WatchLevel::note) conflicts.push_back(&watch);
  }
  return conflicts;
}

std::string joined(const std::vector<std::string>& lines) {
  std::string all;
  for (const std::string& line : lines) all += line + "\n";
  return all;
}

}  // namespace

TEST_CASE("Whatever is designed, remedies lead to steps a second pair of eyes passes", "[craft]") {
  const char* asked = std::getenv("AVRELT_DESIGNS");
  const int designs = asked != nullptr ? std::atoi(asked) : 150;
  std::map<Rule, int> seen;
  for (int design = 0; design < designs; ++design) {
    Chance chance(static_cast<unsigned>(4100 + design));
    Cup cup = anyDesign(chance);
    INFO("design " << design);
    int presses = 0;
    std::string pressed;
    for (; presses < 25; ++presses) {
      const CupPlan plan = planned(cup);
      const std::vector<const Watch*> conflicts = conflictsOf(plan);
      if (conflicts.empty()) break;
      ++seen[conflicts.front()->rule];
      pressed += std::string(idOf(conflicts.front()->rule)) + ": " +
                 inWords(conflicts.front()->sentence, Unit::mm) + " -> " +
                 inWords(mendWords(*conflicts.front()->mend), Unit::mm) + "\n";
      applyMend(cup, *conflicts.front()->mend);
      giveIds(cup);
    }
    INFO(pressed);
    CHECK(presses < 25);
    const CupPlan plan = planned(cup);
    std::string stack;
    for (const StackItem& item : plan.stack) {
      stack += item.id + " " + inWords(item.name, Unit::mm) + " after " +
               std::to_string(item.after) + "\n";
    }
    INFO(stack);
    const std::vector<Step> steps = stepsOf(plan);
    std::string all;
    for (const Step& step : steps) all += step.id + ": " + inWords(step.words, Unit::mm) + "\n";
    INFO(all);
    const std::vector<std::string> wrong = SecondEyes(plan, steps)();
    CHECK(joined(wrong) == "");
  }
  // Every kind of conflict was met.
  if (designs >= 150) {
    for (const Rule rule :
         {Rule::stencilUncovered, Rule::ringTooEarly, Rule::laidOnRough, Rule::stackHidesLaid,
          Rule::stackHidesLiquid, Rule::layerComesOff, Rule::patternHeldLong}) {
      INFO(idOf(rule));
      CHECK(seen[rule] > 0);
    }
  }
}

// SPDX-License-Identifier: GPL-3.0-or-later
#include "job/steps.h"

#include <algorithm>
#include <set>

#include "decal/peekaboos.h"
#include "job/step_list.h"
#include "sheet/fill_parts.h"

namespace avrelt {
namespace {

class Steps {
 public:
  Steps(const CupPlan& plan, const BenchChoices& choices, const Stock& stock)
      : plan_(plan), cup_(*plan.of), choices_(choices), list_(plan, choices, stock) {}

  std::vector<Step> operator()() {
    add("clean", StepKind::clean,
        {"Sand the cup with fine paper, wash it, dry it, and do not touch the wall again.", {}},
        min(12), {min(10)});
    add("mark", StepKind::mark,
        {"Mark the front at rim and base with a pencil, and the height of every line.", {}},
        min(4));
    if (cup_.liquid) fill(*cup_.liquid);
    const std::vector<Coat>& coats = cup_.buildUp.coats;
    const auto count = static_cast<int>(coats.size());
    bool measured = false;
    for (int after = 0; after <= count; ++after) {
      const bool any = anyLaid(after);
      if (any && after > 0 && !measured && cup_.buildUp.sizedFor == SizedFor::laid) {
        measured = true;
        add("measure-" + std::to_string(after), StepKind::measure,
            {"Measure the girth at base and rim again, before anything is cut: coats have made the "
             "cup larger.",
             {}},
            min(4));
      }
      if (any) lay(after);
      if (after == count) break;
      const Coat& next = coats[static_cast<std::size_t>(after)];
      const bool last = after + 1 == count && next.kind == CoatKind::resin && !anyLaid(count);
      // Resin would lock a stencil in that nothing hides any more.
      if (next.kind == CoatKind::resin && !hidesAfter(after)) peel();
      if (last) base();
      coat(next, last);
    }
    peel();
    if (!endsInResin(plan_.stack, coats)) {
      base();
      finish();
    }
    if (cup_.liquid) band(*cup_.liquid);
    add("rim", StepKind::rim,
        {"Clean the rim down to bare steel, and lift off whatever ran over it.", {}}, min(6));
    add("cure", StepKind::cure,
        {"Let it cure. Take its picture, write down what it took, and hand it over.", {}}, min(5),
        {list_.curing()});
    return list_.take();
  }

 private:
  Step& add(std::string id, StepKind kind, Sentence words, Duration handsOn, Wait wait = {}) {
    return list_.add(std::move(id), kind, std::move(words), handsOn, wait);
  }

  bool anyLaid(int after) const { return avrelt::anyLaid(plan_.stack, after); }

  /// Whether anything hides what is buried at a later stage than this, or is laid round it.
  bool hidesAfter(int after) const {
    const std::vector<Coat>& coats = cup_.buildUp.coats;
    for (std::size_t i = static_cast<std::size_t>(after) + 1; i < coats.size(); ++i) {
      if (coats[i].kind != CoatKind::resin) return true;
    }
    return std::any_of(plan_.stack.begin(), plan_.stack.end(), [&](const StackItem& item) {
      if (item.after <= after) return false;
      if (item.kind == StackKind::finish) return true;
      if (item.layer < 0) return false;
      const SetPlan& set = plan_.sets[static_cast<std::size_t>(item.set)];
      return cup_.sets[static_cast<std::size_t>(set.set)]
                 .layers[static_cast<std::size_t>(item.layer)]
                 .kind == LayerKind::ring;
    });
  }

  /// The last coats, which the order does not list: two thin ones.
  void finish() {
    for (const bool last : {false, true}) {
      const Method& resin = flood(last);
      Step& step = add(
          last ? "last-coat" : "finishing-coat", StepKind::coat,
          last
              ? Sentence{"The last coat: flood the cup on the turner with %1 of resin, once the "
                         "one "
                         "before is sanded where it is not smooth. Warm the bubbles out.",
                         {volumeText(finishingCoat)}}
              : Sentence{"Flood everything on the turner with %1 of resin. Warm the bubbles out at "
                         "once, and again after 15 to 20 minutes.",
                         {volumeText(finishingCoat)}},
          resin.handsOn, {last ? resin.handle : resin.next.least, {}});
      list_.ofResin(step, resin, finishingCoat);
      turn(step, resin);
      if (last) beLast(step, resin);
    }
  }

  /// One that is not meant to be the last is told at it.
  static void beLast(Step& step, const Method& resin) {
    if (resin.mayBeLast) return;
    step.words = {
        "%1 By your figures this resin is not meant to be last: it may yellow and scratch sooner.",
        {Phrase(step.words)}};
  }

  /// The resin a coat is flooded with, the last or one between.
  const Method& flood(bool last) const {
    const bool quick = last ? choices_.quickLast : choices_.quickCoats;
    return list_.of(quick ? MethodKind::fastResin : MethodKind::resin);
  }

  /// Wet resin turns until it bears the next coat.
  static void turn(Step& step, const Method& resin) {
    step.holds = step.handsOn + std::min(step.wait.least, resin.next.least);
  }

  void coat(const Coat& coat, bool last) {
    const std::string id = "coat-" + coat.id;
    const Area wall = wallArea();
    if (coat.kind == CoatKind::resin) {
      const Method& resin = flood(last);
      Step& step = add(id, StepKind::coat,
                       last ? Sentence{"Flood the cup on the turner with %1 of resin, the last "
                                       "coat. Warm the bubbles out at once, and again after 15 to "
                                       "20 minutes.",
                                       {volumeText(coat.mixed)}}
                            : Sentence{"Flood the cup on the turner with %1 of resin. Warm the "
                                       "bubbles out at once, and again after 15 to 20 minutes.",
                                       {volumeText(coat.mixed)}},
                       resin.handsOn, last ? Wait{resin.handle, std::nullopt} : resin.next);
      step.of = {coat.id};
      list_.ofResin(step, resin, coat.mixed);
      turn(step, resin);
      if (last) beLast(step, resin);
    } else if (coat.kind == CoatKind::paint) {
      const Method& paint = list_.of(MethodKind::paint);
      Step& step = add(id, StepKind::coat, {"Paint the whole wall, thinly, and let it dry.", {}},
                       paint.handsOn, paint.next);
      step.of = {coat.id};
      step.method = paint.kind;
      step.cautions = {Caution::solvent};
      step.mix.parts.push_back(
          {MixKind::paint, {}, list_.rates().paintPerCm2 * (wall.mm2() / mm2InCm2), std::nullopt});
      list_.put(paint);
    } else {
      const Method& resin = list_.of(MethodKind::resin);
      inHalves(choices_.halfByHalf, [&](const Half& half) {
        Step& stick = add(id + "-stick" + half.suffix, StepKind::stick,
                          half.of({"Brush resin over the wall, as thin as it goes.", {}}),
                          resin.handsOn * half.share, resin.open);
        stick.of = {coat.id};
        list_.ofResin(stick, resin, resinToHold(wall, coat.cut) * half.share);
        Step& step = add(id + half.suffix, StepKind::coat,
                         half.of({"Shake %1 over it until nothing wet shows; catch what falls.",
                                  {Phrase(coatName(coat))}}),
                         min(10) * half.share, half.isLast ? resin.next : Wait());
        step.of = {coat.id};
        step.mix.parts.push_back(
            {MixKind::glitter,
             {},
             std::nullopt,
             list_.rates().glitterPerCm2 * (wall.mm2() / mm2InCm2 * half.share)});
      });
      list_.put(resin);
    }
  }

  Area wallArea() const {
    Area sum;
    for (const Zone& zone : plan_.divided.zones) sum = sum + zone.area;
    return sum;
  }

  void lay(int after) {
    bool finished = false;
    for (const StackItem& item : plan_.stack) {
      if (item.after != after) continue;
      if (item.kind == StackKind::finish && !finished) {
        finished = true;
        addFinishes(list_);
      }
      if (item.kind != StackKind::laid) continue;
      switch (item.thing) {
        case LaidKind::mask:
          break;  // the tape program has them
        case LaidKind::pattern:
          pattern(item);
          break;
        case LaidKind::film: {
          Step& step = laid(item, StepKind::film,
                            {"Lay the %1: front to the front mark, from the middle out, its "
                             "wrinkles smoothed to the edges.",
                             {Phrase(item.name)}},
                            min(12));
          for (const Zone& zone : plan_.divided.zones) {
            if (zone.id == item.id) press(step, materialOf(zone.finish));
          }
          sealPrint(item);
          break;
        }
        case LaidKind::stripe:
          laid(item, StepKind::stripe,
               {"Lay the %1, pressed down along its middle first.", {Phrase(item.name)}}, min(4));
          break;
        case LaidKind::wrap:
          laid(item, StepKind::wrap,
               {"Lay the %1: its left edge on the seam line from rim to base, then round.",
                {Phrase(item.name)}},
               min(15));
          break;
        case LaidKind::layer:
          layer(item);
          break;
      }
    }
  }

  /// Film that heat makes stick.
  void press(Step& step, PartMaterial material) {
    if (material != PartMaterial::heatApplied) return;
    const Method& heat = list_.of(MethodKind::heatFilm);
    step.words = {"%1 Press it with heat as its maker says, let it cool, and lift the carrier.",
                  {Phrase(step.words)}};
    step.handsOn = step.handsOn + heat.handsOn;
    step.wait = heat.next;
    step.cautions.push_back(Caution::heat);
    list_.put(heat);
  }

  Step& laid(const StackItem& item, StepKind kind, Sentence words, Duration handsOn) {
    Step& step = add(std::string(stepName(kind)) + "-" + item.id, kind, std::move(words), handsOn);
    step.of = {item.id};
    return step;
  }

  /// Ink under resin bubbles and runs where nothing lies between: one school always seals, one
  /// never does.
  void sealPrint(const StackItem& item) {
    if (!choices_.sealPrints) return;
    for (const Zone& zone : plan_.divided.zones) {
      if (zone.id != item.id) continue;
      const PartMaterial film = materialOf(zone.finish);
      if (film != PartMaterial::printable && film != PartMaterial::printed) continue;
      const Method& sealer = list_.of(MethodKind::sealer);
      Step& step =
          add("seal-print-" + item.id, StepKind::seal,
              {"Seal the print of zone %1 until it is clear, so that resin does not make it "
               "bubble.",
               {zone.letter}},
              sealer.handsOn, sealer.next);
      step.of = {item.id};
      list_.put(sealer);
    }
  }

  /// A pattern's template, then colour by colour.
  void pattern(const StackItem& item) {
    for (const FillPlan& fill : plan_.fills) {
      if (fill.id != item.id) continue;
      const Fill& chosen = cup_.fills[static_cast<std::size_t>(fill.fill)];
      laid(item, StepKind::pattern,
           {"Lay the %1 whole, on transfer tape, its front on the front mark; press every line "
            "down.",
            {Phrase(item.name)}},
           min(15));
      for (const ColourNeed& need : fill.needs) {
        if (need.cells.empty()) continue;
        const auto index = static_cast<std::size_t>(need.colour);
        const Finish& finish = chosen.colours[index].finish;
        const std::string name = colourLetter(need.colour) + " " + finishWords(finish);
        const auto cells = static_cast<long>(need.cells.size());
        const std::string id = fill.id + "-" + std::to_string(need.colour);
        if (finish.kind == FinishKind::film) {
          Step& step =
              add("film-" + id, StepKind::film,
                  {"Lift the cells of colour %1 in zone %2 and lay their film: %3 of them, "
                   "each by its label.",
                   {name, fill.letter, cells}},
                  min(1.5 * static_cast<double>(cells)));
          step.of = {fill.id};
          step.pieces = cells;
          continue;
        }
        const bool glitter = finish.kind == FinishKind::glitter;
        const Method& method = list_.of(glitter ? methodOf(finish.stick) : MethodKind::paint);
        Step& step = add(
            std::string(glitter ? "glitter-" : "paint-") + id,
            glitter ? StepKind::glitter : StepKind::paint,
            glitter
                ? Sentence{"Lift the cells of colour %1 in zone %2, %3 of them; paint, stick "
                           "and glitter them, %4 coats.",
                           {name, fill.letter, cells, long{chosen.coats}}}
                : Sentence{"Lift the cells of colour %1 in zone %2, %3 of them, and paint them.",
                           {name, fill.letter, cells}},
            list_.rates().perColour, method.next);
        step.of = {fill.id};
        if (need.glitter > Mass()) {
          step.mix.parts.push_back(
              {MixKind::glitter, finishWords(finish), std::nullopt, need.glitter, finish.supply});
        }
        if (need.paint > Volume()) {
          step.mix.parts.push_back({MixKind::paint, finishWords(finish), need.paint, std::nullopt,
                                    glitter ? "" : finish.supply});
        }
        if (glitter && finish.stick == Stick::resin) step.cautions = {Caution::resin};
        list_.put(method);
      }
      if (chosen.cutting.lines != LineWork::tape) {
        Step& step =
            add("peel-" + fill.id, StepKind::peel,
                {"Lift the lines of the pattern in zone %1 while the last colour is nearly "
                 "dry.",
                 {fill.letter}},
                min(8));
        step.of = {fill.id};
      }
    }
  }

  void layer(const StackItem& item) {
    const DecalSet& set =
        cup_.sets[static_cast<std::size_t>(plan_.sets[static_cast<std::size_t>(item.set)].set)];
    const SetPlan& plan = plan_.sets[static_cast<std::size_t>(item.set)];
    const Layer& layer = set.layers[static_cast<std::size_t>(item.layer)];
    const auto places = static_cast<double>(plan.places.size());
    const auto pieces = static_cast<long>(plan.places.size());
    if (plan.places.empty()) return;
    switch (layer.kind) {
      case LayerKind::peekaboo:
        laid(item, StepKind::stencil,
             {"Lay the %1 on finished glitter, each on its mark, and press its edge down. A dot of "
              "glue finds it again.",
              {Phrase(item.name)}},
             min(3 * places))
            .pieces = pieces;
        buried_.push_back(&item);
        return;
      case LayerKind::ring:
        if (const StackItem* stencil = ringedOneByOne(item)) {
          Step& step = laid(
              item, StepKind::ring,
              {"One after the other, by their numbers: find one of the %1 by the paper map, lift "
               "it by its edge, clean what it left, and lay its ring before the next.",
               {Phrase(stencil->name)}},
              min(5 + 3 * places));
          step.of.push_back(stencil->id);
          step.pieces = pieces;
          buried_.erase(std::find(buried_.begin(), buried_.end(), stencil));
          return;
        }
        peel();
        laid(item, StepKind::ring,
             {isBuried(set) ? "Lay the %1 round what the stencil left, each by its number."
                            : "Lay the %1 on its marks.",
              {Phrase(item.name)}},
             min(3 * places))
            .pieces = pieces;
        return;
      case LayerKind::knockOut:
        return;  // paper, to cut what lies below by
      default: {
        long all = 0;
        for (const SetMake& make : plan.makes) {
          const std::size_t parts = std::max<std::size_t>(
              make.layers[static_cast<std::size_t>(item.layer)].pieces.size(), 1);
          all += static_cast<long>(make.places.size() * parts);
        }
        const char* pattern =
            all > pieces
                ? "Lay the %1 on its marks, what is for each zone by itself, edge to edge on "
                  "the line, from the middle out."
                : "Lay the %1 on its marks, from the middle out.";
        Step& step = laid(item, StepKind::decal, {pattern, {Phrase(item.name)}},
                          min(4 * static_cast<double>(all)));
        step.pieces = all;
        press(step, layer.material);
      }
    }
  }

  static bool isBuried(const DecalSet& set) {
    return std::any_of(set.layers.begin(), set.layers.end(),
                       [](const Layer& layer) { return layer.kind == LayerKind::peekaboo; });
  }

  /// The buried stencil of a ring's set, where each is ringed before the next is lifted: as the
  /// maker wants it, or as some look alike.
  const StackItem* ringedOneByOne(const StackItem& ring) const {
    const auto stencil = std::find_if(buried_.begin(), buried_.end(),
                                      [&](const StackItem* one) { return one->set == ring.set; });
    if (stencil == buried_.end()) return nullptr;
    const std::vector<Peekaboo> peekaboos = peekaboosOf(plan_.sets);
    const std::vector<int> alike = liftOrderOf(peekaboos).oneByOne;
    const bool any = std::any_of(peekaboos.begin(), peekaboos.end(), [&](const Peekaboo& one) {
      return static_cast<int>(one.set) == ring.set &&
             std::find(alike.begin(), alike.end(), one.number) != alike.end();
    });
    return choices_.ringOneByOne || any ? *stencil : nullptr;
  }

  /// Stencils that lie under something by now come off.
  void peel() {
    for (const StackItem* item : buried_) {
      Step& step = add("peel-" + item->id, StepKind::peel,
                       {"Find the %1 by the paper map, lift each by its edge, and clean what it "
                        "left.",
                        {Phrase(item->name)}},
                       min(5));
      step.of = {item->id};
    }
    buried_.clear();
  }

  /// Between the walls, and sealed, before the outside is begun.
  void fill(const Liquid& liquid) {
    const LiquidMix mix = mixOf(liquid);
    Step& poured = add("liquid", StepKind::fill,
                       {"Mix water and glycerin without bubbles and pour in %1, to about three "
                        "quarters. Add the glitter a little at a time, then top up with %2 and "
                        "leave %3 free: warm, the liquid grows.",
                        {volumeText(mix.first), volumeText(mix.rest), volumeText(mix.free)}},
                       min(20));
    // What is none of is not measured out.
    if (mix.water > Volume()) {
      poured.mix.parts.push_back({MixKind::water, {}, mix.water, mix.waterMass});
    }
    if (mix.glycerin > Volume()) {
      poured.mix.parts.push_back({MixKind::glycerin, {}, mix.glycerin, mix.glycerinMass});
    }
    add("liquid-seal", StepKind::fill,
        {"Dry the seam %1 up the wall, seal it with what the cup’s maker names, and when that is "
         "set stand the cup on its head on paper until tomorrow.",
         {liquid.sealAt.length}},
        min(15), {min(12 * 60)});
  }

  void band(const Liquid& liquid) {
    const Body body = plan_.finished();
    add("liquid-band", StepKind::stripe,
        {"Lay the cover band over the seal line %1 up the wall: %2 tall, %3 round with its ends "
         "lapped.",
         {liquid.sealAt.length, liquid.band.length,
          body.around(liquid.sealAt.length) + liquid.overlap.length}},
        min(4));
  }

  void base() {
    add("base", StepKind::base, {"Lay the base disc, its front to the front mark.", {}}, min(3));
  }

  const CupPlan& plan_;
  const Cup& cup_;
  const BenchChoices& choices_;
  StepList list_;
  std::vector<const StackItem*> buried_;
};

}  // namespace

std::vector<Step> stepsOf(const CupPlan& plan, const BenchChoices& choices, const Stock& stock) {
  return Steps(plan, choices, stock)();
}

}  // namespace avrelt

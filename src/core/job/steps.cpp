// SPDX-License-Identifier: GPL-3.0-or-later
#include "job/steps.h"

#include <algorithm>
#include <set>

#include "decal/peekaboos.h"
#include "sheet/fill_parts.h"

namespace avrelt {
namespace {

constexpr double mm2InCm2 = 100;

/// A thin coat over everything: common practice, no published source.
constexpr Volume finishing = Volume::ml(20);

Duration min(double minutes) {
  return Duration::minutes(minutes);
}

class Steps {
 public:
  Steps(const CupPlan& plan, const BenchChoices& choices, const Stock& stock)
      : plan_(plan),
        cup_(*plan.of),
        choices_(choices),
        methods_(methodsAt(stock.methods, choices.warmth)),
        rates_(stock.filling),
        paces_(stock.paces) {}

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
    const bool sealed = count > 0 && coats.back().kind == CoatKind::resin && !anyLaid(count);
    peel();
    if (!sealed) {
      base();
      finish();
    }
    if (cup_.liquid) band(*cup_.liquid);
    add("rim", StepKind::rim,
        {"Clean the rim down to bare steel, and lift off whatever ran over it.", {}}, min(6));
    const Duration cure = curing_;
    add("cure", StepKind::cure,
        {"Let it cure. Take its picture, write down what it took, and hand it over.", {}}, min(5),
        {cure});
    for (Step& step : steps_) atPace(step);
    putInOrder(steps_);
    return std::move(steps_);
  }

 private:
  /// As long as work of its kind takes here; what it turns or lies in meanwhile, so much longer.
  void atPace(Step& step) const {
    const Duration usual = step.handsOn;
    step.handsOn = usual * paces_.of(step.kind);
    if (step.holds > Duration()) step.holds = step.holds + step.handsOn - usual;
  }

  Step& add(std::string id, StepKind kind, Sentence words, Duration handsOn, Wait wait = {}) {
    Step step;
    step.id = std::move(id);
    step.kind = kind;
    step.words = std::move(words);
    step.handsOn = handsOn;
    step.wait = wait;
    steps_.push_back(std::move(step));
    return steps_.back();
  }

  /// What was put on last by a method, and how long it is from the end of all.
  void put(const Method& method) { curing_ = std::max(curing_, method.cure); }

  bool anyLaid(int after) const {
    return std::any_of(plan_.stack.begin(), plan_.stack.end(), [&](const StackItem& item) {
      return item.after == after &&
             (item.kind == StackKind::laid || item.kind == StackKind::finish);
    });
  }

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
                         {volumeText(finishing)}}
              : Sentence{"Flood everything on the turner with %1 of resin. Warm the bubbles out at "
                         "once, and again after 15 to 20 minutes.",
                         {volumeText(finishing)}},
          resin.handsOn, {last ? resin.handle : resin.next.least, {}});
      ofResin(step, resin, finishing);
      turn(step, resin);
    }
  }

  /// The resin a coat is flooded with, the last or one between.
  const Method& flood(bool last) const {
    const bool quick = last ? choices_.quickLast : choices_.quickCoats;
    return methods_.of(quick ? MethodKind::fastResin : MethodKind::resin);
  }

  /// It takes so much resin.
  void ofResin(Step& step, const Method& resin, Volume amount) {
    step.cautions = {Caution::resin};
    step.method = resin.kind;
    step.mix = resinMix(amount, resin.mixing);
    if (resin.working > Duration()) step.working = resin.working;
    put(resin);
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
      ofResin(step, resin, coat.mixed);
      turn(step, resin);
    } else if (coat.kind == CoatKind::paint) {
      const Method& paint = methods_.of(MethodKind::paint);
      Step& step = add(id, StepKind::coat, {"Paint the whole wall, thinly, and let it dry.", {}},
                       paint.handsOn, paint.next);
      step.of = {coat.id};
      step.method = paint.kind;
      step.cautions = {Caution::solvent};
      step.mix.parts.push_back(
          {"paint", {}, rates_.paintPerCm2 * (wall.mm2() / mm2InCm2), std::nullopt});
      put(paint);
    } else {
      const Method& resin = methods_.of(MethodKind::resin);
      Step& stick = add(id + "-stick", StepKind::stick,
                        {"Brush resin over the whole wall, as thin as it goes.", {}}, resin.handsOn,
                        resin.open);
      stick.of = {coat.id};
      ofResin(stick, resin, resinToHold(wall, coat.cut));
      Step& step = add(
          id, StepKind::coat,
          {"Shake %1 over it until nothing wet shows; catch what falls.", {Phrase(coatName(coat))}},
          min(10), resin.next);
      step.of = {coat.id};
      step.mix.parts.push_back(
          {"glitter", {}, std::nullopt, rates_.glitterPerCm2 * (wall.mm2() / mm2InCm2)});
      put(resin);
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
        finishes();
      }
      if (item.kind != StackKind::laid) continue;
      switch (item.thing) {
        case LaidKind::mask:
          break;  // the tape program has them
        case LaidKind::pattern:
          pattern(item);
          break;
        case LaidKind::film:
          laid(item, StepKind::film,
               {"Lay the %1: front to the front mark, from the middle out, its wrinkles smoothed "
                "to the edges.",
                {Phrase(item.name)}},
               min(12));
          sealPrint(item);
          break;
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
      const Method& sealer = methods_.of(MethodKind::sealer);
      Step& step =
          add("seal-print-" + item.id, StepKind::seal,
              {"Seal the print of zone %1 until it is clear, so that resin does not make it "
               "bubble.",
               {zone.letter}},
              sealer.handsOn, sealer.next);
      step.of = {item.id};
      put(sealer);
    }
  }

  const Zone* zoneOf(const std::string& letter) const {
    for (const Zone& zone : plan_.divided.zones) {
      if (zone.letter == letter) return &zone;
    }
    return nullptr;
  }

  /// Zones' finishes, by the moves that fill them.
  void finishes() {
    for (std::size_t i = 0; i < plan_.tapeMoves.size(); ++i) {
      const TapeMove& move = plan_.tapeMoves[i];
      // Where no tape is on, nothing hurries.
      const bool pulled = i + 1 < plan_.tapeMoves.size() &&
                          plan_.tapeMoves[i + 1].kind == MoveKind::pull &&
                          plan_.tapeMoves[i + 1].zones == move.zones;
      const Zone* first = move.zones.empty() ? nullptr : zoneOf(move.zones.front());
      if (first == nullptr || move.kind == MoveKind::film) continue;
      Area area;
      std::string ids;
      std::vector<std::string> of;
      for (const std::string& letter : move.zones) {
        const Zone* zone = zoneOf(letter);
        if (zone == nullptr) continue;
        area = area + zone->area;
        ids += "-" + zone->id;
        of.push_back(zone->id);
      }
      const Finish& finish = first->finish;
      const bool glitter = finish.kind == FinishKind::glitter;
      const Method& method = methods_.of(glitter                          ? methodOf(finish.stick)
                                         : finish.kind == FinishKind::ink ? MethodKind::ink
                                         : finish.kind == FinishKind::dip ? MethodKind::dip
                                                                          : MethodKind::paint);
      const double cm2 = area.mm2() / mm2InCm2;
      const std::string name = finishWords(finish);
      const auto put = [&](StepKind kind, Duration handsOn, Wait wait = {}) -> Step& {
        Step& step = add(std::string(stepName(kind)) + ids, kind, move.words, handsOn, wait);
        step.of = of;
        return step;
      };
      switch (move.kind) {
        case MoveKind::tape:
        case MoveKind::leave:
        case MoveKind::mask:
          put(StepKind::tape, move.kind == MoveKind::leave ? min(1) : min(4));
          break;
        case MoveKind::cover:
          put(StepKind::cover, min(3));
          break;
        case MoveKind::paint: {
          // Under glitter it has to dry; tape round paint alone comes off by its own moment.
          const Method& paint = glitter ? methods_.of(MethodKind::paint) : method;
          Step& step =
              put(StepKind::paint, paint.handsOn, !glitter && pulled ? paint.pull : paint.next);
          step.cautions = {Caution::solvent};
          step.mix.parts.push_back({"paint", name, rates_.paintPerCm2 * cm2, std::nullopt,
                                    glitter ? "" : finish.supply});
          this->put(paint);
          break;
        }
        case MoveKind::stick: {
          Step& step = put(StepKind::stick, method.handsOn, method.open);
          if (finish.stick == Stick::resin || finish.stick == Stick::uvResin) {
            ofResin(step, method, resinToHold(area, finish.grain));
          }
          if (finish.stick == Stick::sprayClear) {
            step.cautions = {Caution::spray};
            step.spot = Spot::sprayPlace;
            step.holds = step.handsOn;
          }
          this->put(method);
          break;
        }
        case MoveKind::glitter: {
          Step& step = put(StepKind::glitter, min(6), pulled ? method.pull : method.next);
          step.mix.parts.push_back(
              {"glitter", name, std::nullopt, rates_.glitterPerCm2 * cm2, finish.supply});
          break;
        }
        case MoveKind::pull: {
          Step& step = put(StepKind::pull, min(2), method.next);
          if (glitter && finish.stick == Stick::uvResin) {
            step.cautions = {Caution::lamp};
            step.spot = Spot::lamp;
            step.holds = step.handsOn + method.next.least;
          }
          break;
        }
        case MoveKind::seal: {
          const Method& sealer = methods_.of(MethodKind::sealer);
          put(StepKind::seal, sealer.handsOn, sealer.next);
          this->put(sealer);
          break;
        }
        case MoveKind::film:
          break;
      }
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
          continue;
        }
        const bool glitter = finish.kind == FinishKind::glitter;
        const Method& method = methods_.of(glitter ? methodOf(finish.stick) : MethodKind::paint);
        Step& step = add(
            std::string(glitter ? "glitter-" : "paint-") + id,
            glitter ? StepKind::glitter : StepKind::paint,
            glitter
                ? Sentence{"Lift the cells of colour %1 in zone %2, %3 of them; paint, stick "
                           "and glitter them, %4 coats.",
                           {name, fill.letter, cells, long{chosen.coats}}}
                : Sentence{"Lift the cells of colour %1 in zone %2, %3 of them, and paint them.",
                           {name, fill.letter, cells}},
            rates_.perColour, method.next);
        step.of = {fill.id};
        if (need.glitter > Mass()) {
          step.mix.parts.push_back(
              {"glitter", finishWords(finish), std::nullopt, need.glitter, finish.supply});
        }
        if (need.paint > Volume()) {
          step.mix.parts.push_back({"paint", finishWords(finish), need.paint, std::nullopt,
                                    glitter ? "" : finish.supply});
        }
        if (glitter && finish.stick == Stick::resin) step.cautions = {Caution::resin};
        put(method);
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
    if (plan.places.empty()) return;
    switch (layer.kind) {
      case LayerKind::peekaboo:
        laid(item, StepKind::stencil,
             {"Lay the %1 on finished glitter, each on its mark, and press its edge down. A dot of "
              "glue finds it again.",
              {Phrase(item.name)}},
             min(3 * places));
        buried_.push_back(&item);
        return;
      case LayerKind::ring:
        peel();
        laid(item, StepKind::ring,
             {"Lay the %1 round what the stencil left, each by its number.", {Phrase(item.name)}},
             min(3 * places));
        return;
      case LayerKind::knockOut:
        return;  // paper, to cut what lies below by
      default:
        laid(item, StepKind::decal,
             {"Lay the %1 on its marks, from the middle out.", {Phrase(item.name)}},
             min(4 * places));
    }
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
      poured.mix.parts.push_back({"water", "distilled water", mix.water, mix.waterMass});
    }
    if (mix.glycerin > Volume()) {
      poured.mix.parts.push_back({"glycerin", "glycerin", mix.glycerin, mix.glycerinMass});
    }
    add("liquid-seal", StepKind::fill,
        {"Dry the seam %1 up the wall, seal it with what the cup’s maker names, and when that is "
         "set stand the cup on its head on paper until tomorrow.",
         {liquid.sealAt.length}},
        min(15), {min(12 * 60)});
  }

  void band(const Liquid& liquid) {
    const Body body = plan_.bare.grownBy(plan_.stages.back().thickness);
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
  const Methods methods_;
  const FillRates& rates_;
  const Paces& paces_;
  std::vector<Step> steps_;
  std::vector<const StackItem*> buried_;
  Duration curing_ = min(60);
};

}  // namespace

std::vector<Step> stepsOf(const CupPlan& plan, const BenchChoices& choices, const Stock& stock) {
  return Steps(plan, choices, stock)();
}

}  // namespace avrelt

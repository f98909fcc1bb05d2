// SPDX-License-Identifier: GPL-3.0-or-later
#include "job/steps.h"

#include <algorithm>
#include <set>

#include "craft/flood.h"
#include "job/step_list.h"

namespace avrelt {
namespace {

/// Goes through the stack from the metal outwards, and does what it says.
class Steps {
 public:
  Steps(const CupPlan& plan, const BenchChoices& choices, const Stock& stock)
      : plan_(plan),
        cup_(*plan.of),
        choices_(choices),
        list_(plan, choices, stock),
        stencils_(list_) {}

  std::vector<Step> operator()() {
    clean();
    if (cup_.liquid) fill(*cup_.liquid);
    const std::vector<Coat>& coats = cup_.buildUp.coats;
    const bool ownLast = endsInResin(plan_.stack, coats);
    for (const StackItem& item : plan_.stack) {
      switch (item.kind) {
        case StackKind::metal:
          break;
        case StackKind::coat: {
          const Coat& next = coats[static_cast<std::size_t>(item.after)];
          const bool last = ownLast && item.after + 1 == static_cast<int>(coats.size());
          if (last) base();
          coat(next, last);
          break;
        }
        case StackKind::finish:
          finishes(item.after);
          break;
        case StackKind::over:
          over(item);
          break;
        case StackKind::laid:
          if (item.thing == LaidKind::mask) break;  // the tape program has them
          stage(item.after);
          lay(item);
          break;
      }
    }
    if (!ownLast) {
      base();
      finish();
    }
    if (cup_.liquid) band(*cup_.liquid);
    add("rim", StepKind::rim,
        {"Clean the rim down to bare steel, and lift off whatever ran over it.", {}}, min(6));
    list_.wants(Ripe::handled);
    add("cure", StepKind::cure,
        {"It has cured: take its picture, write down what it took, and hand it over.", {}}, min(5));
    list_.wants(Ripe::cured);
    return list_.take();
  }

 private:
  Step& add(std::string id, StepKind kind, Sentence words, Duration handsOn, Wait wait = {}) {
    return list_.add(std::move(id), kind, std::move(words), handsOn, wait);
  }

  void clean() {
    // What is seen through would be dull for good.
    const bool seenThrough = cup_.liquid.has_value();
    add("clean", StepKind::clean,
        seenThrough
            ? Sentence{"Wash the cup, dry it, and do not touch the wall again. Do not sand it: it "
                       "is seen through.",
                       {}}
            : Sentence{"Sand the cup with fine paper, wash it, dry it, and do not touch the wall "
                       "again.",
                       {}},
        min(12), {min(10)});
  }

  /// Before anything is laid after so many coats: what is glossy is sanded, the cup is measured
  /// again, and marked.
  void stage(int after) {
    if (glossy_) sand("sand-" + std::to_string(after));
    if (after > 0 && !measured_ && cup_.buildUp.sizedFor == SizedFor::laid) {
      measured_ = true;
      add("measure-" + std::to_string(after), StepKind::measure,
          {"Measure the girth at base and rim again, before anything is cut: coats have made the "
           "cup larger.",
           {}},
          min(4));
    }
    mark(after);
  }

  /// Marks go on over what would hide them.
  void mark(int after, bool onlyBase = false) {
    if (marks_ == Marks::seen) return;
    const bool first = marks_ == Marks::none;
    marks_ = Marks::seen;
    const bool lines = !plan_.divided.lines.empty();
    const std::string id = first ? "mark" : "mark-" + std::to_string(after) + suffixOf(after);
    add(id, StepKind::mark,
        first ? lines ? Sentence{"Mark the front at rim and base with a pencil, and the height of "
                                 "every line.",
                                 {}}
                      : Sentence{"Mark the front at rim and base with a pencil.", {}}
        : onlyBase
            ? Sentence{"Mark the front again at the base edge.", {}}
            : Sentence{"Mark the front again at rim and base, and what is laid next: what was "
                       "marked is hidden by now.",
                       {}},
        min(4));
  }

  /// Marks of one stage go on before and after what fills the zones.
  std::string suffixOf(int after) {
    return marked_.insert(after).second ? std::string() : std::string("-again");
  }

  void hideMarks() {
    if (marks_ == Marks::seen) marks_ = Marks::hidden;
  }

  void sand(const std::string& id) {
    glossy_ = false;
    add(id, StepKind::sand,
        {"Sand the resin level and dull, wet, then wipe it clean and let it dry.", {}}, min(10),
        {min(5)});
  }

  /// The lip is masked before anything runs; after each flood its tape is off again.
  void maskLip(const std::string& before) {
    if (lipMasked_) return;
    lipMasked_ = true;
    add("lip-" + before, StepKind::tape,
        {"Mask the lip with tape, and keep the inside closed: nothing that runs or flies may reach "
         "them.",
         {}},
        min(3))
        .cautions = {Caution::lip};
  }

  /// The resin a coat is flooded with, the last or one between.
  const Method& resinOf(bool last) const {
    const bool quick = last ? choices_.quickLast : choices_.quickCoats;
    return list_.of(quick ? MethodKind::fastResin : MethodKind::resin);
  }

  Sentence floodWords(Volume amount, bool last) const {
    const std::string ml = volumeText(amount);
    if (last) {
      return {lipMasked_
                  ? "Flood the cup on the turner with %1 of resin, the last coat, and warm the "
                    "bubbles out."
                  : "Tape the lip, flood the cup with %1 of resin, the last coat, and warm the "
                    "bubbles out.",
              {ml}};
    }
    return {lipMasked_ ? "Flood the cup on the turner with %1 of resin, and warm the bubbles out."
                       : "Tape the lip, flood the cup with %1 of resin, and warm the bubbles out.",
            {ml}};
  }

  /// A flood: prints sealed, what is below sanded; warmed at once and again while it still levels.
  void flood(const std::string& id, const Volume amount, bool last,
             const std::vector<std::string>& of) {
    sealPrints(id);
    if (glossy_) sand("sand-before-" + id);
    const Method& resin = resinOf(last);
    const Wait toWarm{min(15), min(20)};
    const Duration warming = min(3);
    Step& step = add(id, StepKind::coat, floodWords(amount, last), resin.handsOn, toWarm);
    step.of = of;
    list_.ofResin(step, resin, amount);
    if (last && !resin.mayBeLast) {
      step.words = {
          "%1 By your figures this resin is not meant to be last: it may yellow and scratch "
          "sooner.",
          {Phrase(step.words)}};
    }
    // Wet resin turns until it bears the next coat.
    const Duration sets = resin.next.least;
    step.holds = step.handsOn + std::max(sets, toWarm.least + warming);
    list_.wants(Ripe::gassedOff);
    Step& warm = add("warm-" + id, StepKind::warm,
                     {"Warm out the bubbles that have risen since, and pull the tape off the lip "
                      "while the resin is wet.",
                      {}},
                     warming, {std::max(Duration(), sets - toWarm.least - warming)});
    warm.of = of;
    glossy_ = true;
    lipMasked_ = false;
  }

  /// The last coats, which the order does not list: two.
  void finish() {
    const std::array<Volume, 2> amounts = finishingCoats(plan_);
    flood("finishing-coat", amounts[0], false, {});
    flood("last-coat", amounts[1], true, {});
  }

  void coat(const Coat& coat, bool last) {
    const std::string id = "coat-" + coat.id;
    switch (coat.kind) {
      case CoatKind::resin:
        flood(id, coat.mixed, last, {coat.id});
        break;
      case CoatKind::paint:
        prepare(id);
        paintCoat(coat, id);
        break;
      case CoatKind::glitter:
        prepare(id);
        glitterCoat(coat, id);
        break;
    }
  }

  void prepare(const std::string& id) {
    maskLip(id);
    sealPrints(id);
    if (glossy_) sand("sand-before-" + id);
    hideMarks();
  }

  void paintCoat(const Coat& coat, const std::string& id) {
    const Method& paint = list_.of(coat.sprayed ? MethodKind::sprayPaint : MethodKind::paint);
    const bool hides = !stencils_.empty();
    const Duration between = coat.sprayed ? paint.touch : paint.next.least;
    for (const bool second : {false, true}) {
      const Wait wait = !second ? Wait{between} : hides ? paint.pull : paint.next;
      Step& step = add(
          second ? id : id + "-first", StepKind::coat,
          second         ? coat.sprayed
                               ? Sentence{"Spray the whole wall again, thinly, where it shows through.", {}}
                               : Sentence{"Paint the whole wall again, thinly, where it shows through.", {}}
                  : coat.sprayed ? Sentence{"Spray the whole wall, thinly, and let it dry.", {}}
                         : Sentence{"Paint the whole wall, thinly, and let it dry.", {}},
          paint.handsOn, wait);
      step.of = {coat.id};
      step.method = paint.kind;
      step.cautions = {Caution::solvent};
      if (coat.sprayed) {
        step.cautions.push_back(Caution::spray);
        step.spot = Spot::sprayPlace;
        step.holds = step.handsOn;
      }
      step.mix.parts.push_back(
          {MixKind::paint, {}, list_.rates().paintPerCm2 * (wallCm2() / 2), std::nullopt});
      list_.put(paint);
    }
    stencils_.liftAll(coat.id, paint.kind, paint.next);
  }

  void glitterCoat(const Coat& coat, const std::string& id) {
    const Method& resin = list_.of(MethodKind::resin);
    const Area wall = wallArea();
    const bool hides = !stencils_.empty();
    inHalves(choices_.halfByHalf && !hides, [&](const Half& half) {
      Step& stick = add(id + "-stick" + half.suffix, StepKind::stick,
                        half.of({"Brush resin over the wall, as thin as it goes.", {}}),
                        resin.handsOn * half.share, resin.open);
      stick.of = {coat.id};
      list_.ofResin(stick, resin, resinToHold(wall, coat.cut) * half.share);
      Step& step = add(id + half.suffix, StepKind::coat,
                       half.of({"Shake %1 over it until nothing wet shows; catch what falls.",
                                {Phrase(coatName(coat))}}),
                       min(10) * half.share,
                       hides         ? resin.pull
                       : half.isLast ? resin.next
                                     : Wait());
      step.of = {coat.id};
      step.mix.parts.push_back(
          {MixKind::glitter,
           {},
           std::nullopt,
           list_.rates().glitterPerCm2 * (wall.mm2() / mm2InCm2 * half.share)});
      list_.put(resin);
    });
    stencils_.liftAll(coat.id, resin.kind, resin.next);
  }

  Area wallArea() const {
    Area sum;
    for (const Zone& zone : plan_.divided.zones) sum = sum + zone.area;
    return sum;
  }
  double wallCm2() const { return wallArea().mm2() / mm2InCm2; }

  /// What fills the zones, all by one tape program.
  void finishes(int after) {
    if (finished_) return;
    finished_ = true;
    stage(after);
    maskLip("zones");
    addFinishes(list_, plan_.divided, plan_.tapeMoves, stencils_);
    hideMarks();
  }

  /// What a set has put over its stencils: as if its zones were to be filled, and no others.
  void over(const StackItem& item) {
    const DecalSet& set =
        cup_.sets[static_cast<std::size_t>(plan_.sets[static_cast<std::size_t>(item.set)].set)];
    const std::set<std::string>& zones = item.zones;
    Divided divided = plan_.divided;
    for (Zone& zone : divided.zones) {
      zone.finish = Finish();
      zone.finish.kind = FinishKind::bare;
      if (zones.contains(zone.id)) zone.finish = *set.over;
    }
    maskLip("over-" + set.id);
    addFinishes(list_, divided,
                tapeProgram(divided, cup_.division.tapeWidth.length, usualGraduation(plan_.unit),
                            cup_.division.order),
                stencils_, "-over-" + set.id);
    hideMarks();
  }

  void lay(const StackItem& item) {
    switch (item.thing) {
      case LaidKind::mask:
        break;
      case LaidKind::pattern:
        maskLip(item.id);
        addPattern(list_, item);
        printedCells(item);
        hideMarks();
        break;
      case LaidKind::film:
        laid(item, StepKind::film,
             {"Lay the %1: front to the front mark, from the middle out, its "
              "wrinkles smoothed to the edges.",
              {Phrase(item.name)}},
             min(12));
        press(item);
        seal(item);
        break;
      case LaidKind::stripe:
        laid(item, StepKind::stripe,
             {"Lay the %1, pressed down along its middle first.", {Phrase(item.name)}}, min(4));
        for (const StripePlan& stripe : plan_.stripes) {
          if (stripe.id == item.id && stripe.kind == StripeKind::tape) tapes_.push_back(item.id);
        }
        break;
      case LaidKind::wrap:
        laid(item, StepKind::wrap,
             {"Lay the %1: its left edge on the seam line from rim to base, then round.",
              {Phrase(item.name)}},
             min(15));
        press(item);
        seal(item);
        hideMarks();
        break;
      case LaidKind::layer:
        layer(item);
        break;
    }
  }

  /// The step that was written down last, where heat makes its film stick.
  void press(const StackItem& item) {
    if (!craftOf(item.matter).wantsCured || last_ == nullptr) return;
    Step& step = *last_;
    const Method& heat = list_.of(MethodKind::heatFilm);
    step.words = {"%1 Press it with heat as its maker says, let it cool, and lift the carrier.",
                  {Phrase(step.words)}};
    step.handsOn = step.handsOn + heat.handsOn;
    step.wait = heat.next;
    step.cautions.push_back(Caution::heat);
    list_.put(heat);
    list_.wants(Ripe::cured);
  }

  Step& laid(const StackItem& item, StepKind kind, Sentence words, Duration handsOn) {
    Step& step = add(std::string(stepName(kind)) + "-" + item.id, kind, std::move(words), handsOn);
    step.of = {item.id};
    last_ = &step;
    return step;
  }

  /// What resin would spoil is sealed before the next flood.
  void seal(const StackItem& item) {
    if (craftOf(item.matter).wantsSealing) unsealed_.push_back(&item);
  }

  /// Ink under resin bubbles and runs where nothing lies between: one school always seals, one
  /// never does. Paper and metallic tape are always sealed.
  void sealPrints(const std::string& before) {
    std::vector<std::string> of;
    const StackItem* first = nullptr;
    Area area;
    if (choices_.sealPrints) {
      for (const StackItem* item : unsealed_) {
        if (first == nullptr) first = item;
        area = area + areaOf(*item);
        of.push_back(item->id);
      }
    }
    if (first != nullptr) {
      list_.seal("seal-prints-" + before,
                 of.size() == 1
                     ? Sentence{"Seal the print of the %1 until it is clear, so that "
                                "resin does not make it bubble.",
                                {Phrase(first->name)}}
                     : Sentence{"Seal all prints until they are clear, so that resin does "
                                "not make them bubble: the %1 and %2 more.",
                                {Phrase(first->name), static_cast<long>(of.size()) - 1}},
                 of, area);
    }
    if (!tapes_.empty()) {
      list_.seal("seal-tapes-" + before,
                 {"Burnish the stripes of tape flat, and seal their edges: resin creeps under "
                  "paper and metallic tape.",
                  {}},
                 tapes_, Area::mm2(wallArea().mm2() / 10));
    }
    unsealed_.clear();
    tapes_.clear();
  }

  /// How much of the wall a print covers.
  Area areaOf(const StackItem& item) const {
    if (item.thing == LaidKind::wrap) return wallArea();
    Area area;
    for (const FillPlan& fill : plan_.fills) {
      if (fill.id == item.id) area = fill.zoneArea;
    }
    for (const Zone& zone : plan_.divided.zones) {
      if (zone.id == item.id) area = zone.area;
    }
    if (item.layer < 0) return area;
    for (const SetMake& make : plan_.sets[static_cast<std::size_t>(item.set)].makes) {
      const Area one = make.layers[static_cast<std::size_t>(item.layer)].area;
      area = area + Area::mm2(one.mm2() * static_cast<double>(make.places.size()));
    }
    return area;
  }

  void printedCells(const StackItem& item) {
    for (const FillPlan& fill : plan_.fills) {
      if (fill.id != item.id) continue;
      const Fill& chosen = cup_.fills[static_cast<std::size_t>(fill.fill)];
      const bool printed =
          std::any_of(fill.needs.begin(), fill.needs.end(), [&](const ColourNeed& need) {
            return !need.cells.empty() &&
                   matterOf(chosen.colours[static_cast<std::size_t>(need.colour)].finish) ==
                       Matter::print;
          });
      if (printed) unsealed_.push_back(&item);
      if (chosen.cutting.lines == LineWork::tape) tapes_.push_back(item.id);
    }
  }

  void layer(const StackItem& item) {
    const SetPlan& plan = plan_.sets[static_cast<std::size_t>(item.set)];
    const DecalSet& set = cup_.sets[static_cast<std::size_t>(plan.set)];
    const Layer& layer = set.layers[static_cast<std::size_t>(item.layer)];
    const auto places = static_cast<double>(plan.places.size());
    const auto pieces = static_cast<long>(plan.places.size());
    if (plan.places.empty()) return;
    switch (layer.kind) {
      case LayerKind::peekaboo:
        laid(item, StepKind::stencil,
             {"Lay the %1, each on its mark, and press its edge down. A dot of "
              "glue finds it again.",
              {Phrase(item.name)}},
             min(3 * places))
            .pieces = pieces;
        stencils_.lay(item);
        return;
      case LayerKind::ring: {
        if (stencils_.isRinged(item.id)) return;
        laid(item, StepKind::ring,
             {isBuried(set) ? "Lay the %1 round what the stencil left, each by its number."
                            : "Lay the %1 on its marks.",
              {Phrase(item.name)}},
             min(3 * places))
            .pieces = pieces;
        break;
      }
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
        laid(item, StepKind::decal, {pattern, {Phrase(item.name)}},
             min(4 * static_cast<double>(all)))
            .pieces = all;
      }
    }
    press(item);
    seal(item);
  }

  static bool isBuried(const DecalSet& set) {
    return std::any_of(set.layers.begin(), set.layers.end(),
                       [](const Layer& layer) { return layer.kind == LayerKind::peekaboo; });
  }

  /// Between the walls, and sealed, before the outside is begun.
  void fill(const Liquid& liquid) {
    const LiquidMix mix = mixOf(liquid);
    add("liquid-cap", StepKind::fill,
        {"Try the cap dry: it sits level all round and closes without force. Then clean and dry "
         "the seam.",
         {}},
        min(4));
    Step& poured = add("liquid", StepKind::fill,
                       {"Mix distilled water and glycerin without bubbles and pour in %1, to about "
                        "three quarters. Add the glitter a little at a time, then top up with %2 "
                        "and leave %3 free: warm, the liquid grows.",
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
    list_.wants(Ripe::handled);
  }

  void base() {
    mark(static_cast<int>(cup_.buildUp.coats.size()), true);
    add("base", StepKind::base, {"Lay the base disc, its front to the front mark.", {}}, min(3));
  }

  enum class Marks { none, seen, hidden };

  const CupPlan& plan_;
  const Cup& cup_;
  const BenchChoices& choices_;
  StepList list_;
  StencilsDown stencils_;
  Marks marks_ = Marks::none;
  std::set<int> marked_;
  bool measured_ = false;
  bool lipMasked_ = false;
  bool finished_ = false;
  bool glossy_ = false;                     ///< resin that is not sanded lies on top
  Step* last_ = nullptr;                    ///< what was laid last, while it is the last of all
  std::vector<const StackItem*> unsealed_;  ///< prints
  std::vector<std::string> tapes_;          ///< ids of what is of tape that resin creeps under
};

}  // namespace

std::vector<Step> stepsOf(const CupPlan& plan, const BenchChoices& choices, const Stock& stock) {
  return Steps(plan, choices, stock)();
}

}  // namespace avrelt

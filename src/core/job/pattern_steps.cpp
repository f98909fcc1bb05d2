// SPDX-License-Identifier: GPL-3.0-or-later
#include "job/step_list.h"
#include "sheet/fill_parts.h"

namespace avrelt {
namespace {

/// A pattern's steps: its template laid whole, what lies beside it covered, then colour by colour
/// what is wet, the lines lifted while the last is nearly dry, the glitter sealed, film in its
/// cells, and last what is laid where the lines were.
class PatternSteps {
 public:
  PatternSteps(StepList& list, const FillPlan& fill, const StackItem& item)
      : list_(list),
        fill_(fill),
        chosen_(list.plan().of->fills[static_cast<std::size_t>(fill.fill)]),
        item_(item) {}

  void operator()() {
    if (chosen_.cutting.doubleSided) {
      add("sheet", StepKind::film,
          {"Lay the double-sided sheet of the pattern in zone %1 whole, its front on the front "
           "mark, "
           "and lift its upper liner.",
           {fill_.letter}},
          min(15));
    }
    list_
        .add("pattern-" + fill_.id, StepKind::pattern,
             {chosen_.cutting.doubleSided
                  ? "Lay the %1 on it whole, on transfer tape, cell on cell; press every line "
                    "down."
                  : "Lay the %1 whole, on transfer tape, its front on the front mark; press every "
                    "line down.",
              {Phrase(item_.name)}},
             min(15))
        .of = {fill_.id};
    const std::vector<const ColourNeed*> wet = needs(false);
    if (!wet.empty()) cover();
    for (std::size_t i = 0; i < wet.size(); ++i) {
      colour(*wet[i], i + 1 < wet.size() ? wet[i + 1] : nullptr);
    }
    const std::vector<const ColourNeed*> films = needs(true);
    if (!wet.empty()) {
      liftLines();
      seal(wet);
    }
    for (const ColourNeed* need : films) film(*need);
    if (wet.empty()) liftLines();
    layLines();
  }

 private:
  const CellColour& of(const ColourNeed& need) const {
    return chosen_.colours[static_cast<std::size_t>(need.colour)];
  }
  std::string nameOf(const ColourNeed& need) const {
    return colourLetter(need.colour) + " " + finishWords(of(need).finish);
  }
  static long cellsOf(const ColourNeed& need) { return static_cast<long>(need.cells.size()); }
  std::string idOf(const ColourNeed& need) const {
    return fill_.id + "-" + std::to_string(need.colour);
  }

  /// The colours with cells that are laid as film, or that are not.
  std::vector<const ColourNeed*> needs(bool film) const {
    std::vector<const ColourNeed*> some;
    for (const ColourNeed& need : fill_.needs) {
      const bool isFilm = of(need).finish.kind == FinishKind::film;
      if (!need.cells.empty() && isFilm == film) some.push_back(&need);
    }
    return some;
  }

  Step& add(const char* id, StepKind kind, Sentence words, Duration handsOn, Wait wait = {}) {
    Step& step = list_.add(std::string(id) + "-" + fill_.id, kind, std::move(words), handsOn, wait);
    step.of = {fill_.id};
    return step;
  }

  /// Glitter flies.
  void cover() {
    std::string beside;
    for (const Zone& zone : list_.plan().divided.zones) {
      if (zone.id == fill_.zone) continue;
      beside += (beside.empty() ? "" : ", ") + zone.letter;
    }
    if (beside.empty()) return;
    add("cover", StepKind::cover,
        {"Cover what lies beside zone %1, so %2, with film or paper, taped down on the edge of the "
         "template.",
         {fill_.letter, beside}},
        min(4));
    covered_ = true;
  }

  /// Whether a colour is painted before it glitters.
  bool isPainted(const ColourNeed& need) const {
    const Finish& finish = of(need).finish;
    return finish.kind != FinishKind::glitter ||
           (finish.stick != Stick::wetPaint && !chosen_.cutting.doubleSided);
  }

  /// Hands at one colour: what the shop says it takes in all, less what is waited within.
  Duration hands(const ColourNeed& need) const {
    const Duration all = list_.rates().perColour;
    if (of(need).finish.kind != FinishKind::glitter) return all;
    const Duration waits =
        list_.of(MethodKind::paint).touch + list_.of(of(need).finish).touch * (chosen_.coats - 1.0);
    return std::max(all * 0.5, all - waits);
  }

  /// How long a colour waits for the next: until something dry is shaken beside it.
  Wait beforeNext(const ColourNeed& need, const ColourNeed& next) const {
    const Duration touch = list_.of(of(need).finish).touch;
    // The next is painted and dries meanwhile.
    const Duration meanwhile =
        isPainted(next) ? hands(next) * paintShare + list_.of(MethodKind::paint).touch : Duration();
    return {std::max(Duration(), touch - meanwhile)};
  }

  void colour(const ColourNeed& need, const ColourNeed* next) {
    const Finish& finish = of(need).finish;
    const Method& method = list_.of(finish);
    const Wait last = next != nullptr ? beforeNext(need, *next) : linesWait(method);
    if (finish.kind == FinishKind::glitter) {
      glitter(need, last);
      return;
    }
    const bool ink = matterOf(finish) == Matter::ink;
    Step& step = list_.add(
        "paint-" + idOf(need), StepKind::paint,
        {ink ? "Lift the cells of colour %1 in zone %2, %3 of them, and ink them. Fresh air, no "
               "flame and no sparks near."
             : "Lift the cells of colour %1 in zone %2, %3 of them, and paint them.",
         {nameOf(need), fill_.letter, cellsOf(need)}},
        hands(need), last);
    step.of = {fill_.id};
    step.pieces = cellsOf(need);
    step.cautions = {Caution::solvent};
    if (ink) step.cautions.push_back(Caution::ink);
    const Volume amount =
        ink ? list_.rates().paintPerCm2 * (need.area.mm2() / mm2InCm2) : need.paint;
    if (amount > Volume()) {
      step.mix.parts.push_back({ink ? MixKind::ink : MixKind::paint, finishWords(finish), amount,
                                std::nullopt, finish.supply});
    }
    list_.put(method);
  }

  /// Lifted and painted, then coat by coat stuck and shaken.
  void glitter(const ColourNeed& need, const Wait& last) {
    const Finish& finish = of(need).finish;
    const Method& method = list_.of(finish);
    const bool painted = isPainted(need);
    const Duration all = hands(need);
    const Sentence which{"the cells of colour %1 in zone %2, %3 of them",
                         {nameOf(need), fill_.letter, cellsOf(need)}};
    if (painted) {
      const Method& paint = list_.of(MethodKind::paint);
      Step& step = list_.add("paint-" + idOf(need), StepKind::paint,
                             {"Lift %1, and paint them thinly in a colour near “%2”.",
                              {Phrase(which), finishWords(finish)}},
                             all * paintShare, {paint.touch});
      step.of = {fill_.id};
      step.cautions = {Caution::solvent};
      if (need.paint > Volume()) {
        step.mix.parts.push_back(
            {MixKind::paint, finishWords(finish), need.paint, std::nullopt, {}});
      }
      list_.put(paint);
    }
    const int coats = chosen_.cutting.doubleSided ? 1 : chosen_.coats;
    const Duration left = painted ? all * (1 - paintShare) : all;
    for (int coat = 1; coat <= coats; ++coat) {
      const bool isLast = coat == coats;
      const bool clears = !chosen_.cutting.doubleSided && method.open.least > Duration();
      if (clears) brushOn(need, coat, method);
      Step& step =
          list_.add("glitter-" + idOf(need) + (coat == 1 ? "" : "-" + std::to_string(coat)),
                    StepKind::glitter, glitterWords(need, which, painted || coat > 1, coat, coats),
                    left * (1.0 / coats), isLast ? afterCoat(finish, last) : Wait{method.touch});
      step.of = {fill_.id};
      hold(step, need, coats);
      list_.put(method);
      if (finish.stick == Stick::uvResin && (!isLast || !isLastWet(need))) lamp(need, coat);
    }
  }

  /// What is done to cells that are to glitter.
  Sentence actOf(const Finish& finish) const {
    const std::string name = finishWords(finish);
    if (chosen_.cutting.doubleSided) {
      return {"shake “%1” over them and burnish it in circles", {name}};
    }
    switch (finish.stick) {
      case Stick::resin:
      case Stick::uvResin:
        return {"brush a thin coat of resin on them, shake “%1” over it, and catch what falls",
                {name}};
      case Stick::brushGlue:
        return {"brush glue on them, shake “%1” over it, and catch what falls", {name}};
      case Stick::wetPaint:
        return {"paint them, and shake “%1” over them while they are wet", {name}};
      case Stick::sprayClear:
        return {"spray clear on them, in extraction, and shake “%1” over it at once", {name}};
      case Stick::tackyGlue:
        break;
    }
    return {"shake “%1” over the clear glue, and burnish it in circles", {name}};
  }

  Sentence glitterWords(const ColourNeed& need, const Sentence& which, bool lifted, int coat,
                        int coats) const {
    const Finish& finish = of(need).finish;
    const Sentence act = actOf(finish);
    Sentence words = lifted
                         ? Sentence{"On the cells of colour %1: %2.", {nameOf(need), Phrase(act)}}
                         : Sentence{"Lift %1; %2.", {Phrase(which), Phrase(act)}};
    if (coats > 1) words = {"%1 Coat %2 of %3.", {Phrase(words), long{coat}, long{coats}}};
    return words;
  }

  /// Glue that has to clear before glitter goes into it.
  void brushOn(const ColourNeed& need, int coat, const Method& method) {
    Step& step = list_.add(
        "stick-" + idOf(need) + (coat == 1 ? "" : "-" + std::to_string(coat)), StepKind::stick,
        {"Brush tacky glue on the cells of colour %1, and wait until it is clear.", {nameOf(need)}},
        min(2), method.open);
    step.of = {fill_.id};
    step.mix = thinnedGlue(need.area);
    list_.put(method);
  }

  /// What holds the glitter, and the glitter.
  void hold(Step& step, const ColourNeed& need, int coats) {
    const Finish& finish = of(need).finish;
    const double share = 1.0 / coats;
    if (!chosen_.cutting.doubleSided) {
      switch (finish.stick) {
        case Stick::resin:
        case Stick::uvResin:
          list_.ofResin(step, list_.of(finish), resinToHold(need.area, finish.grain));
          break;
        case Stick::brushGlue:
          step.mix.parts = {{MixKind::glue, {}, glueFor(need.area), std::nullopt}};
          break;
        case Stick::tackyGlue:
          break;  // it was brushed on before
        case Stick::wetPaint:
          step.mix.parts = {
              {MixKind::paint, finishWords(finish), need.paint * share, std::nullopt}};
          break;
        case Stick::sprayClear:
          step.cautions = {Caution::spray};
          break;
      }
    }
    if (need.glitter > Mass()) {
      step.mix.parts.push_back({MixKind::glitter, finishWords(finish), std::nullopt,
                                need.glitter * share, finish.supply});
    }
  }

  bool isLastWet(const ColourNeed& need) const { return needs(false).back() == &need; }

  /// Where the lamp comes between, it comes before what is open too long.
  Wait afterCoat(const Finish& finish, const Wait& wait) const {
    const Method& method = list_.of(finish);
    return finish.kind == FinishKind::glitter && finish.stick == Stick::uvResin
               ? Wait{{}, method.pull.most}
               : wait;
  }

  void lamp(const ColourNeed& need, int coat) {
    const Method& method = list_.of(of(need).finish);
    Step& step = list_.add(
        "lamp-" + idOf(need) + (coat == 1 ? "" : "-" + std::to_string(coat)), StepKind::lamp,
        {"Cure the cells of colour %1 under the lamp, eyes shielded, turning the "
         "cup.",
         {nameOf(need)}},
        min(2), method.next);
    step.of = {fill_.id};
    step.spot = Spot::lamp;
    step.holds = step.handsOn + method.next.least;
  }

  /// Lines come off nearly dry: within the moment tape round it would have.
  static Wait linesWait(const Method& method) { return method.pull; }

  void liftLines() {
    const std::vector<const ColourNeed*> wet = needs(false);
    const Finish* last = wet.empty() ? nullptr : &of(*wet.back()).finish;
    const bool lamp =
        last != nullptr && last->kind == FinishKind::glitter && last->stick == Stick::uvResin;
    Wait then;
    if (last != nullptr) then = lamp ? Wait{{}, list_.of(*last).pull.most} : list_.of(*last).next;
    add("peel", StepKind::peel,
        {last == nullptr ? "Lift the lines of the pattern in zone %1."
         : covered_      ? "Lift the lines of the pattern in zone %1 while the last colour is "
                           "nearly dry, and take the cover off."
                         : "Lift the lines of the pattern in zone %1 while the last colour is "
                           "nearly dry.",
         {fill_.letter}},
        min(8), then);
    if (lamp) this->lamp(*wet.back(), chosen_.coats);
  }

  void seal(const std::vector<const ColourNeed*>& wet) {
    const auto any = [&](Matter matter) {
      return std::any_of(wet.begin(), wet.end(), [&](const ColourNeed* need) {
        return matterOf(of(*need).finish) == matter;
      });
    };
    if (any(Matter::ink)) {
      list_.sprayClear("seal-" + fill_.id,
                       {"Seal the cells of zone %1 with spray clear before any resin: ink would "
                        "run.",
                        {fill_.letter}},
                       {fill_.id});
    } else if (any(Matter::glitter)) {
      list_.seal(
          "seal-" + fill_.id,
          {"Seal the glitter of zone %1 when it is dry, so that none comes loose.", {fill_.letter}},
          {fill_.id}, fill_.zoneArea);
    }
  }

  void film(const ColourNeed& need) {
    const long cells = cellsOf(need);
    Step& step = list_.add("film-" + idOf(need), StepKind::film,
                           {"Lift the cells of colour %1 in zone %2 and lay their film: %3 of "
                            "them, each by its label.",
                            {nameOf(need), fill_.letter, cells}},
                           min(1.5 * static_cast<double>(cells)));
    step.of = {fill_.id};
    step.pieces = cells;
  }

  void layLines() {
    if (chosen_.cutting.lines == LineWork::piece) {
      add("lines", StepKind::stripe,
          {"Lay the lines of the pattern in zone %1 as one piece, on transfer tape, into the gaps "
           "that the template left.",
           {fill_.letter}},
          min(15));
    } else if (chosen_.cutting.lines == LineWork::tape) {
      long runs = 0;
      for (const LineRun& run : fill_.tape.runs) runs += run.count;
      if (runs == 0) return;
      Step& step = add("lines", StepKind::stripe,
                       {"Lay tape %1 wide along the lines of the pattern in zone %2, the longest "
                        "first: %3 runs, %4 in all.",
                        {fill_.tape.width, fill_.letter, runs, fill_.tape.total}},
                       min(1.5 * static_cast<double>(runs)));
      step.pieces = runs;
    }
  }

  static constexpr double paintShare = 0.4;

  StepList& list_;
  const FillPlan& fill_;
  const Fill& chosen_;
  const StackItem& item_;
  bool covered_ = false;
};

}  // namespace

void addPattern(StepList& list, const StackItem& item) {
  for (const FillPlan& fill : list.plan().fills) {
    if (fill.id == item.id) PatternSteps(list, fill, item)();
  }
}

}  // namespace avrelt

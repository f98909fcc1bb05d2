// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>

#include "job/step_list.h"

namespace avrelt {
namespace {

class Finishes {
 public:
  Finishes(StepList& list, const Divided& divided, const std::vector<TapeMove>& moves,
           StencilsDown& stencils, const std::string& suffix)
      : divided_(divided), moves_(moves), list_(list), stencils_(stencils), suffix_(suffix) {}

  void operator()() {
    for (std::size_t i = 0; i < moves_.size();) i += finish(i);
  }

 private:
  const Zone* zoneOf(const std::string& letter) const {
    for (const Zone& zone : divided_.zones) {
      if (zone.letter == letter) return &zone;
    }
    return nullptr;
  }

  /// Zones that are filled together, and what with.
  struct Filling {
    const Finish& finish;
    const Method& method;
    std::string name;
    std::string ids{};
    std::vector<std::string> of{};
    Area area{};
    bool round = false;  ///< one of them goes all round

    bool glitters() const { return finish.kind == FinishKind::glitter; }
    double cm2() const { return area.mm2() / mm2InCm2; }
  };

  Filling fillingOf(const TapeMove& move, const Finish& finish) const {
    Filling filling{finish, list_.of(finish), finishWords(finish)};
    for (const std::string& letter : move.zones) {
      const Zone* zone = zoneOf(letter);
      if (zone == nullptr) continue;
      filling.area = filling.area + zone->area;
      filling.ids += "-" + zone->id;
      filling.of.push_back(zone->id);
      filling.round = filling.round || zone->region.allRound();
    }
    return filling;
  }

  Step& fillStep(const Filling& filling, StepKind kind, Sentence words, Duration handsOn,
                 Wait wait = {}, const char* suffix = "") {
    Step& step = list_.add(stepName(kind) + filling.ids + suffix_ + suffix, kind, std::move(words),
                           handsOn, wait);
    step.of = filling.of;
    return step;
  }

  void stick(const Filling& filling, const Sentence& words, const Wait& open,
             const Half& half = {}) {
    const Method& method = filling.method;
    Step& step = fillStep(filling, StepKind::stick, half.of(words), method.handsOn * half.share,
                          open, half.suffix);
    const Area area = Area::mm2(filling.area.mm2() * half.share);
    switch (filling.finish.stick) {
      case Stick::resin:
      case Stick::uvResin:
        list_.ofResin(step, method, resinToHold(filling.area, filling.finish.grain) * half.share);
        break;
      case Stick::brushGlue:
        step.mix.parts = {{MixKind::glue, {}, glueFor(area), std::nullopt}};
        break;
      case Stick::tackyGlue:
        step.mix = thinnedGlue(area);
        break;
      case Stick::wetPaint:
        step.mix.parts = {{MixKind::paint, filling.name,
                           list_.rates().paintPerCm2 * (area.mm2() / mm2InCm2), std::nullopt}};
        break;
      case Stick::sprayClear:
        step.cautions = {Caution::spray};
        step.spot = Spot::sprayPlace;
        step.holds = step.handsOn;
        break;
    }
    list_.put(method);
  }

  /// What is painted, inked or dipped; paint in two coats, under glitter in one.
  void paint(const Filling& filling, const Sentence& words, const Wait& last) {
    const bool glitter = filling.glitters();
    const Method& method = glitter ? list_.of(MethodKind::paint) : filling.method;
    const bool ink = matterOf(filling.finish) == Matter::ink;
    const bool twice = !glitter && !ink;
    for (const bool second : {false, true}) {
      if (second && !twice) break;
      const bool isLast = second || !twice;
      Step& step = fillStep(
          filling, StepKind::paint,
          second && filling.finish.sprayed
              ? Sentence{"Spray %1 again, thinly, where it shows through.", {letters(filling)}}
          : second ? Sentence{"Paint %1 again, across the first strokes, where it shows through.",
                              {letters(filling)}}
                   : words,
          method.handsOn,
          isLast ? last
                 : Wait{method.kind == MethodKind::sprayPaint ? method.touch : method.next.least},
          second ? "-2" : "");
      step.cautions = {Caution::solvent};
      if (ink) step.cautions.push_back(Caution::ink);
      if (method.kind == MethodKind::sprayPaint) {
        step.cautions.push_back(Caution::spray);
        step.spot = Spot::sprayPlace;
        step.holds = step.handsOn;
      }
      const Volume all = list_.rates().paintPerCm2 * filling.cm2();
      step.mix.parts.push_back({ink ? MixKind::ink : MixKind::paint, filling.name,
                                twice ? all / 2 : all, std::nullopt,
                                glitter ? "" : filling.finish.supply});
      list_.put(method);
    }
  }

  std::string letters(const Filling& filling) const {
    std::string all;
    for (const Zone& zone : divided_.zones) {
      if (std::find(filling.of.begin(), filling.of.end(), zone.id) == filling.of.end()) continue;
      all += (all.empty() ? "" : ", ") + zone.letter;
    }
    return all;
  }

  static constexpr Duration shaking = Duration::minutes(6);
  void shake(const Filling& filling, const Sentence& words, const Wait& wait,
             const Half& half = {}) {
    Step& step = fillStep(filling, StepKind::glitter, half.of(words), shaking * half.share, wait,
                          half.suffix);
    step.mix.parts.push_back({MixKind::glitter, filling.name, std::nullopt,
                              list_.rates().glitterPerCm2 * (filling.cm2() * half.share),
                              filling.finish.supply});
  }

  /// Sticks and shakes half by half: tape that is round both comes off in its moment after the
  /// first. False, with nothing done, where it would not.
  bool fillInHalves(const Filling& filling, const TapeMove& sticks, const TapeMove& shakes,
                    const Wait& after) {
    constexpr double least = 5;
    const Method& method = filling.method;
    const Duration second = method.handsOn * (0.5 * list_.paceOf(StepKind::stick)) +
                            method.open.least + shaking * (0.5 * list_.paceOf(StepKind::glitter));
    Wait last = after;
    if (after.most) {
      last.most = *after.most - second;
      last.least = std::max(Duration(), after.least - second);
      if (*last.most < std::max(last.least, min(least))) return false;
    }
    inHalves(true, [&](const Half& half) {
      // What hurries for the tape goes on at once.
      const bool hurries = after.most.has_value();
      const Wait open =
          hurries && half.isLast ? Wait{method.open.least, method.open.least} : method.open;
      stick(filling, sticks.words, open, half);
      const Wait between{{}, hurries ? std::optional(min(0)) : std::nullopt};
      shake(filling, shakes.words, half.isLast ? last : between, half);
    });
    return true;
  }

  /// The move so many behind one, where it is of the same zones.
  bool then(std::size_t at, std::size_t behind, MoveKind kind) const {
    return at + behind < moves_.size() && moves_[at + behind].kind == kind &&
           moves_[at + behind].zones == moves_[at].zones;
  }

  /// What a wet step waits for: tape and stencils, where there are any, or what goes over it.
  const Wait& afterWet(const Filling& filling, std::size_t at, std::size_t pull) const {
    const bool hurries = then(at, pull, MoveKind::pull) || stencils_.in(filling.of);
    return hurries ? filling.method.pull : filling.method.next;
  }

  /// What waits once nothing is on any more that has to come off: the lamp within the time what it
  /// cures stays open, else what goes over it.
  Wait afterAll(const Filling& filling, std::size_t at) const {
    const bool lamp = then(at, 1, MoveKind::lamp);
    return lamp ? Wait{{}, filling.method.pull.most} : filling.method.next;
  }

  /// Lifts the stencils that lie in what is filled.
  void lift(const Filling& filling, std::size_t at) {
    stencils_.lift(filling.ids.substr(1) + suffix_, filling.of, filling.method.kind,
                   afterAll(filling, at));
  }

  /// One move of them; how many were done with it.
  std::size_t finish(std::size_t at) {
    const TapeMove& move = moves_[at];
    const Zone* first = move.zones.empty() ? nullptr : zoneOf(move.zones.front());
    if (first == nullptr) return 1;
    const Filling filling = fillingOf(move, first->finish);
    const bool pulled = then(at, 1, MoveKind::pull);
    switch (move.kind) {
      case MoveKind::tape:
      case MoveKind::leave:
      case MoveKind::mask:
        fillStep(filling, StepKind::tape, move.words,
                 move.kind == MoveKind::leave ? min(1) : min(4));
        break;
      case MoveKind::cover:
        fillStep(filling, StepKind::cover, move.words, min(3));
        break;
      case MoveKind::paint:
        // Under glitter it has to dry; tape round paint alone comes off by its own moment.
        if (filling.glitters()) {
          paint(filling, move.words, list_.of(MethodKind::paint).next);
        } else {
          paint(filling, move.words, afterWet(filling, at, 1));
          if (!pulled) lift(filling, at);
        }
        break;
      case MoveKind::stick: {
        const Wait& after = afterWet(filling, at, 2);
        if (list_.choices().halfByHalf && filling.round && then(at, 1, MoveKind::glitter) &&
            fillInHalves(filling, move, moves_[at + 1], after)) {
          if (!then(at, 2, MoveKind::pull)) lift(filling, at + 1);
          return 2;
        }
        stick(filling, move.words, filling.method.open);
        break;
      }
      case MoveKind::glitter: {
        const bool hurries = pulled || stencils_.in(filling.of);
        shake(filling, move.words, hurries ? filling.method.pull : afterAll(filling, at));
        if (!pulled) lift(filling, at);
        break;
      }
      case MoveKind::pull: {
        const bool more = stencils_.in(filling.of);
        const Wait atOnce{{}, min(5)};
        fillStep(filling, StepKind::pull, move.words, min(2),
                 more ? atOnce : afterAll(filling, at));
        lift(filling, at);
        break;
      }
      case MoveKind::lamp: {
        Step& step = fillStep(filling, StepKind::lamp, move.words, min(2), filling.method.next);
        step.spot = Spot::lamp;
        step.holds = step.handsOn + filling.method.next.least;
        break;
      }
      case MoveKind::seal:
        if (matterOf(filling.finish) == Matter::ink) {
          list_.sprayClear("seal" + filling.ids + suffix_, move.words, filling.of);
        } else {
          list_.seal("seal" + filling.ids + suffix_, move.words, filling.of, filling.area);
        }
        break;
      case MoveKind::film:
        break;
    }
    return 1;
  }

  const Divided& divided_;
  const std::vector<TapeMove>& moves_;
  StepList& list_;
  StencilsDown& stencils_;
  const std::string suffix_;
};

}  // namespace

void addFinishes(StepList& list, const Divided& divided, const std::vector<TapeMove>& moves,
                 StencilsDown& stencils, const std::string& suffix) {
  Finishes{list, divided, moves, stencils, suffix}();
}

}  // namespace avrelt

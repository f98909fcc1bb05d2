// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>

#include "job/step_list.h"

namespace avrelt {
namespace {

class Finishes {
 public:
  explicit Finishes(StepList& list) : plan_(list.plan()), list_(list) {}

  void operator()() {
    for (std::size_t i = 0; i < plan_.tapeMoves.size();) i += finish(i);
  }

 private:
  const Zone* zoneOf(const std::string& letter) const {
    for (const Zone& zone : plan_.divided.zones) {
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

  const Method& methodFor(const Finish& finish) const {
    switch (finish.kind) {
      case FinishKind::glitter:
        return list_.of(methodOf(finish.stick));
      case FinishKind::ink:
        return list_.of(MethodKind::ink);
      case FinishKind::dip:
        return list_.of(MethodKind::dip);
      default:
        return list_.of(MethodKind::paint);
    }
  }

  Filling fillingOf(const TapeMove& move, const Finish& finish) const {
    Filling filling{finish, methodFor(finish), finishWords(finish)};
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
    Step& step =
        list_.add(stepName(kind) + filling.ids + suffix, kind, std::move(words), handsOn, wait);
    step.of = filling.of;
    return step;
  }

  void stick(const Filling& filling, const Sentence& words, const Wait& open,
             const Half& half = {}) {
    const Method& method = filling.method;
    Step& step = fillStep(filling, StepKind::stick, half.of(words), method.handsOn * half.share,
                          open, half.suffix);
    const Stick by = filling.finish.stick;
    if (by == Stick::resin || by == Stick::uvResin) {
      list_.ofResin(step, method, resinToHold(filling.area, filling.finish.grain) * half.share);
    }
    if (by == Stick::sprayClear) {
      step.cautions = {Caution::spray};
      step.spot = Spot::sprayPlace;
      step.holds = step.handsOn;
    }
    list_.put(method);
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

  /// One move of them; how many were done with it.
  std::size_t finish(std::size_t at) {
    const std::vector<TapeMove>& moves = plan_.tapeMoves;
    const TapeMove& move = moves[at];
    // The move so many behind it, where it is of the same zones.
    const auto then = [&](std::size_t behind, MoveKind kind) {
      return at + behind < moves.size() && moves[at + behind].kind == kind &&
             moves[at + behind].zones == move.zones;
    };
    // Where no tape is on, nothing hurries.
    const bool pulled = then(1, MoveKind::pull);
    const Zone* first = move.zones.empty() ? nullptr : zoneOf(move.zones.front());
    if (first == nullptr) return 1;
    const Filling filling = fillingOf(move, first->finish);
    const Method& method = filling.method;
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
      case MoveKind::paint: {
        // Under glitter it has to dry; tape round paint alone comes off by its own moment.
        const bool glitter = filling.glitters();
        const Method& paint = glitter ? list_.of(MethodKind::paint) : method;
        Step& step = fillStep(filling, StepKind::paint, move.words, paint.handsOn,
                              !glitter && pulled ? paint.pull : paint.next);
        step.cautions = {Caution::solvent};
        step.mix.parts.push_back({MixKind::paint, filling.name,
                                  list_.rates().paintPerCm2 * filling.cm2(), std::nullopt,
                                  glitter ? "" : filling.finish.supply});
        list_.put(paint);
        break;
      }
      case MoveKind::stick: {
        const Wait& after = then(2, MoveKind::pull) ? method.pull : method.next;
        if (list_.choices().halfByHalf && filling.round && then(1, MoveKind::glitter) &&
            fillInHalves(filling, move, moves[at + 1], after)) {
          return 2;
        }
        stick(filling, move.words, method.open);
        break;
      }
      case MoveKind::glitter:
        shake(filling, move.words, pulled ? method.pull : method.next);
        break;
      case MoveKind::pull: {
        Step& step = fillStep(filling, StepKind::pull, move.words, min(2), method.next);
        if (filling.glitters() && filling.finish.stick == Stick::uvResin) {
          step.cautions = {Caution::lamp};
          step.spot = Spot::lamp;
          step.holds = step.handsOn + method.next.least;
        }
        break;
      }
      case MoveKind::seal: {
        const Method& sealer = list_.of(MethodKind::sealer);
        fillStep(filling, StepKind::seal, move.words, sealer.handsOn, sealer.next);
        list_.put(sealer);
        break;
      }
      case MoveKind::film:
        break;
    }
    return 1;
  }

  const CupPlan& plan_;
  StepList& list_;
};

}  // namespace

void addFinishes(StepList& list) {
  Finishes{list}();
}

}  // namespace avrelt

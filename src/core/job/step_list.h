// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>

#include "job/steps.h"
#include "measure/minutes.h"

namespace avrelt {

inline constexpr double mm2InCm2 = 100;
/// Nobody lays piece after piece for longer without a break: common practice, no published source.
inline constexpr Duration inOneGo = Duration::minutes(90);

/// All of something, or one half of it after the other.
struct Half {
  const char* suffix = "";  ///< of the ids of its steps
  double share = 1;
  bool isFirst = true;
  bool isLast = true;

  Sentence of(const Sentence& words) const {
    if (isFirst && isLast) return words;
    return isFirst ? Sentence{"The back half first, so that the front is blended over its edge. "
                              "%1",
                              {Phrase(words)}}
                   : Sentence{"Then the front half. %1", {Phrase(words)}};
  }
};
template <typename Act>
void inHalves(bool halves, const Act& act) {
  if (!halves) return act(Half());
  act(Half{"-back", 0.5, true, false});
  act(Half{"-front", 0.5, false, true});
}

/// The steps of a cup while they are written down, one after the other.
class StepList {
 public:
  StepList(const CupPlan& plan, const BenchChoices& choices, const Stock& stock);

  const CupPlan& plan() const { return plan_; }
  const BenchChoices& choices() const { return choices_; }
  const FillRates& rates() const { return rates_; }
  /// As it behaves in a room as warm as it is.
  const Method& of(MethodKind kind) const { return methods_.of(kind); }
  /// How long work of a kind takes here, to one of what is usual.
  double paceOf(StepKind kind) const { return paces_.of(kind); }

  Step& add(std::string id, StepKind kind, Sentence words, Duration handsOn, Wait wait = {});
  /// Something is put on by a method: it cures until the end of all.
  void put(const Method& method) { curing_ = std::max(curing_, method.cure); }
  /// A step takes so much resin.
  void ofResin(Step& step, const Method& resin, Volume amount);
  Duration curing() const { return curing_; }

  /// All of them, at the pace of work here, in order; what is laid piece by piece for longer than
  /// anybody does in one go, in several.
  std::vector<Step> take();

 private:
  void atPace(Step& step) const;

  const CupPlan& plan_;
  const BenchChoices& choices_;
  const Methods methods_;
  const FillRates& rates_;
  const Paces& paces_;
  std::vector<Step> steps_;
  Duration curing_ = Duration::minutes(60);
};

/// What fills the zones with paint, glitter, ink and dips, by the moves of the tape program.
void addFinishes(StepList& list);

}  // namespace avrelt

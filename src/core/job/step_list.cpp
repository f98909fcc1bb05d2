// SPDX-License-Identifier: GPL-3.0-or-later
#include "job/step_list.h"

namespace avrelt {

StepList::StepList(const CupPlan& plan, const BenchChoices& choices, const Stock& stock)
    : plan_(plan),
      choices_(choices),
      methods_(methodsAt(stock.methods, choices.warmth)),
      rates_(stock.filling),
      paces_(stock.paces) {}

Step& StepList::add(std::string id, StepKind kind, Sentence words, Duration handsOn, Wait wait) {
  Step step;
  step.id = std::move(id);
  step.kind = kind;
  step.words = std::move(words);
  step.handsOn = handsOn;
  step.wait = wait;
  steps_.push_back(std::move(step));
  return steps_.back();
}

void StepList::ofResin(Step& step, const Method& resin, Volume amount) {
  step.cautions = {Caution::resin};
  step.method = resin.kind;
  step.mix = resinMix(amount, resin.mixing);
  if (resin.working > Duration()) step.working = resin.working;
  put(resin);
}

/// As long as work of its kind takes here; what it turns or lies in meanwhile, so much longer.
void StepList::atPace(Step& step) const {
  const Duration usual = step.handsOn;
  step.handsOn = usual * paces_.of(step.kind);
  if (step.holds > Duration()) step.holds = step.holds + step.handsOn - usual;
}

std::vector<Step> StepList::take() {
  for (Step& step : steps_) atPace(step);
  putInOrder(steps_);
  return std::move(steps_);
}

}  // namespace avrelt

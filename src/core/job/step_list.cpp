// SPDX-License-Identifier: GPL-3.0-or-later
#include "job/step_list.h"

#include <cmath>

namespace avrelt {
namespace {

/// A step in as many goes as it takes, its pieces shared out among them; the first keeps its id.
void addInGoes(std::vector<Step>& steps, Step step) {
  const long goes = std::min(
      step.pieces, static_cast<long>(std::ceil(step.handsOn.minutes() / inOneGo.minutes() - 1e-9)));
  if (goes <= 1) {
    steps.push_back(std::move(step));
    return;
  }
  for (long go = 0; go < goes; ++go) {
    const long pieces = step.pieces * (go + 1) / goes - step.pieces * go / goes;
    Step one = step;
    if (go > 0) one.id += "-go-" + std::to_string(go + 1);
    one.words = {go == 0          ? "%1 The first %2 of %3."
                 : go + 1 == goes ? "%1 The last %2 of %3."
                                  : "%1 The next %2 of %3.",
                 {Phrase(step.words), pieces, step.pieces}};
    one.handsOn = step.handsOn * (static_cast<double>(pieces) / static_cast<double>(step.pieces));
    one.pieces = pieces;
    steps.push_back(std::move(one));
  }
}

}  // namespace

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
  std::vector<Step> steps;
  for (Step& step : steps_) {
    atPace(step);
    addInGoes(steps, std::move(step));
  }
  putInOrder(steps);
  return steps;
}

}  // namespace avrelt

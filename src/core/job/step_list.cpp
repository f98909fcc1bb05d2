// SPDX-License-Identifier: GPL-3.0-or-later
#include "job/step_list.h"

#include <cmath>

namespace avrelt {
namespace {

/// How many goes a step takes, and its share in one of them; the first keeps its id.
long goesOf(const Step& step) {
  const double goes = std::ceil(step.handsOn.minutes() / inOneGo.minutes() - 1e-9);
  return std::max(1L, std::min(step.pieces, static_cast<long>(goes)));
}

Step goOf(const Step& step, long go, long goes) {
  const long pieces = step.pieces * (go + 1) / goes - step.pieces * go / goes;
  Step one = step;
  if (go > 0) one.id += "-go-" + std::to_string(go + 1);
  one.words = {go == 0          ? "%1 The first %2 of %3."
               : go + 1 == goes ? "%1 The last %2 of %3."
                                : "%1 The next %2 of %3.",
               {Phrase(step.words), pieces, step.pieces}};
  one.handsOn = step.handsOn * (static_cast<double>(pieces) / static_cast<double>(step.pieces));
  one.pieces = pieces;
  return one;
}

/// How long what a method puts on takes until it is so far.
Duration ripensIn(const Method& method, Ripe ripe) {
  switch (ripe) {
    case Ripe::asItIs:
      break;
    case Ripe::gassedOff:
      if (method.kind == MethodKind::paint || method.kind == MethodKind::wetPaint) {
        return method.cure;
      }
      return method.kind == MethodKind::sprayPaint || method.kind == MethodKind::sprayClear ||
                     method.kind == MethodKind::ink
                 ? method.next.least
                 : Duration();
    case Ripe::handled:
      return method.handle;
    case Ripe::cured:
      return method.cure;
  }
  return {};
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
  made_.push_back({std::move(step)});
  return made_.back().step;
}

const Method& StepList::of(const Finish& finish) const {
  switch (finish.kind) {
    case FinishKind::glitter:
      return of(methodOf(finish.stick));
    case FinishKind::ink:
      return of(MethodKind::ink);
    case FinishKind::dip:
      return of(MethodKind::dip);
    default:
      return of(finish.sprayed ? MethodKind::sprayPaint : MethodKind::paint);
  }
}

void StepList::put(const Method& method) {
  made_.back().puts = &method;
}

void StepList::wants(Ripe ripe) {
  made_.back().wants = ripe;
}

void StepList::ofResin(Step& step, const Method& resin, Volume amount) {
  step.cautions = {Caution::resin};
  step.method = resin.kind;
  step.mix = resinMix(amount, resin.mixing);
  if (resin.working > Duration()) step.working = resin.working;
  put(resin);
}

void StepList::sprayClear(const std::string& id, const Sentence& words,
                          const std::vector<std::string>& of) {
  const Method& clear = this->of(MethodKind::sprayClear);
  for (const bool second : {false, true}) {
    Step& step =
        add(second ? id + "-2" : id, StepKind::seal,
            second ? Sentence{"The second coat of spray clear, across the first.", {}} : words,
            clear.handsOn, {second ? clear.next.least : clear.touch});
    step.of = of;
    step.cautions = {Caution::spray};
    step.spot = Spot::sprayPlace;
    step.holds = step.handsOn;
    put(clear);
  }
}

void StepList::seal(const std::string& id, const Sentence& words,
                    const std::vector<std::string>& of, Area area) {
  const Method& sealer = this->of(MethodKind::sealer);
  Step& step = add(id, StepKind::seal, words, sealer.handsOn, sealer.next);
  step.of = of;
  step.mix.parts.push_back({MixKind::sealer, {}, sealerFor(area), std::nullopt});
  put(sealer);
}

/// As long as work of its kind takes here; what it turns or lies in meanwhile, so much longer.
void StepList::atPace(Step& step) const {
  const Duration usual = step.handsOn;
  step.handsOn = usual * paces_.of(step.kind);
  if (step.holds > Duration()) step.holds = step.holds + step.handsOn - usual;
}

/// Where a step would begin before something is as far as it wants it, what lies between waits
/// longer, as late as it may: never what has to go on in time.
void StepList::ripen(std::vector<Made>& made) {
  for (std::size_t at = 1; at < made.size(); ++at) {
    if (made[at].wants == Ripe::asItIs) continue;
    Duration passed;  // from the end of a step to this one
    for (std::size_t i = at; i-- > 0;) {
      passed = passed + made[i].step.wait.least;
      if (made[i].puts != nullptr) {
        const Duration lacking = ripensIn(*made[i].puts, made[at].wants) - passed;
        if (lacking > Duration()) {
          std::size_t waits = at - 1;
          while (waits > i && made[waits].step.wait.most) --waits;
          Wait& wait = made[waits].step.wait;
          wait.least = wait.least + lacking;
          if (wait.most) wait.most = std::max(*wait.most, wait.least);
          passed = passed + lacking;
        }
      }
      passed = passed + made[i].step.handsOn;
    }
  }
}

std::vector<Step> StepList::take() {
  std::vector<Made> all;
  for (Made& made : made_) {
    atPace(made.step);
    const long goes = goesOf(made.step);
    if (goes == 1) {
      all.push_back(std::move(made));
      continue;
    }
    for (long go = 0; go < goes; ++go) {
      all.push_back({goOf(made.step, go, goes), made.puts, go == 0 ? made.wants : Ripe::asItIs});
    }
  }
  ripen(all);
  std::vector<Step> steps;
  steps.reserve(all.size());
  for (Made& made : all) steps.push_back(std::move(made.step));
  putInOrder(steps);
  return steps;
}

}  // namespace avrelt

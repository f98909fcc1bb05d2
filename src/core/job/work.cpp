// SPDX-License-Identifier: GPL-3.0-or-later
#include "job/work.h"

#include <algorithm>
#include <cmath>

namespace avrelt {

namespace {

/// Whether a step waits for what goes over it as long as its method says: what turns while it is
/// warmed again waits from its own end. The last coat waits for hands.
bool waitsByMethod(const std::vector<Step>& steps, std::size_t at, const Method& method) {
  const Step& step = steps[at];
  const auto is = [&](Duration wait) {
    return std::abs((wait - method.next.least).minutes()) < 1e-6;
  };
  if (step.kind != StepKind::coat || step.holds == Duration()) return is(step.wait.least);
  const bool last = std::all_of(
      steps.begin() + static_cast<std::ptrdiff_t>(at) + 1, steps.end(), [](const Step& after) {
        return after.kind == StepKind::warm || after.kind == StepKind::rim ||
               after.kind == StepKind::cure;
      });
  return !last && is(step.holds - step.handsOn);
}

}  // namespace

std::vector<WorkDone> workDone(const BenchCup& bench, const Cup& cup, const Stock& stock,
                               const SupplyShelf& shelf, std::optional<Temperature> warmth) {
  std::vector<WorkDone> work;
  const Methods here = methodsAt(stock.methods, warmth);
  const Methods usual = methodsAt(Methods(), warmth);
  const UseReckoning useOf(shelf, stock.filling);
  for (std::size_t i = 0; i < bench.steps.size(); ++i) {
    if (!bench.done[i]) continue;
    const Step& step = bench.steps[i];
    const bool timed = step.own || std::any_of(cup.bench.changes.begin(), cup.bench.changes.end(),
                                               [&](const StepChange& change) {
                                                 return change.step == step.id && change.handsOn;
                                               });
    WorkDone done;
    done.step = step.id;
    done.kind = step.kind;
    done.words = step.words;
    done.at = bench.done[i]->at;
    done.took = bench.done[i]->took;
    if (!timed) done.usual = step.handsOn * (1 / stock.paces.of(step.kind));
    done.use = useOf(step, done.at);
    done.method = step.method;
    // Other waits, for what goes into it or to pull tape, are not those before what goes over it.
    if (step.method && !step.own && waitsByMethod(bench.steps, i, here.of(*step.method))) {
      done.usualWait = usual.of(*step.method).next.least;
    }
    done.faults = bench.done[i]->faults;
    work.push_back(std::move(done));
  }
  return work;
}

Duration tookUntil(const BenchPlan& plan, std::size_t cup, std::size_t step, CivilTime now) {
  const Duration reckoned = plan.cups[cup].steps[step].handsOn;
  constexpr double mostTimes = 4;
  const auto believed = [&](Duration took) {
    return took <= Duration() || took > reckoned * mostTimes ? reckoned : took;
  };
  const auto& atHand = plan.cups[cup].atHand;
  if (atHand && atHand->step == step) return believed(between(atHand->since, now));
  CivilTime begun = now;
  if (plan.schedule) {
    for (const ScheduledTask& task : plan.schedule->tasks) {
      if (task.chain == cup && plan.stepIndex(task) == step) {
        begun = std::min(now, plan.at(task.start));
      }
    }
  }
  for (const BenchCup& one : plan.cups) {
    for (const auto& done : one.done) {
      if (done && done->at <= now) begun = std::max(begun, done->at);
    }
  }
  return believed(between(begun, now));
}

std::map<std::string, Amount> reservedBy(const BenchPlan& plan, const SupplyShelf& shelf,
                                         const FillRates& rates) {
  std::map<std::string, Amount> reserved;
  const UseReckoning useOf(shelf, rates);
  for (const BenchCup& cup : plan.cups) {
    std::vector<std::size_t> left = cup.left;
    if (cup.atHand) left.push_back(cup.atHand->step);
    for (const std::size_t index : left) {
      const StepUse taken = useOf(cup.steps[index], {});
      for (const SupplyUse& use : taken.of) {
        const auto [at, isNew] = reserved.try_emplace(use.supply, use.amount);
        if (!isNew) at->second = at->second + use.amount;
      }
    }
  }
  return reserved;
}

std::vector<ShoppingLine> shoppingFor(const BenchPlan& plan, const SupplyShelf& shelf,
                                      const FillRates& rates) {
  std::vector<ShoppingLine> lines;
  const UseReckoning useOf(shelf, rates);
  std::map<std::tuple<MixKind, std::optional<MethodKind>, std::string>, std::size_t> unknown;
  std::map<std::string, std::size_t> known;
  const auto add = [&](const Step& step, CivilTime at) {
    const StepUse use = useOf(step, at);
    for (const SupplyUse& one : use.of) {
      const auto [place, isNew] = known.try_emplace(one.supply, lines.size());
      if (isNew) {
        const Supply& supply = *shelf.called(one.supply);
        const SupplyLevel level = levelOf(shelf, supply, {});
        ShoppingLine line;
        line.supply = supply.id;
        line.name = supply.name;
        line.needed = Amount::ofUnits(supply.by(), 0);
        line.there = level.there;
        line.toBuy = Amount::ofUnits(supply.by(), 0);
        line.counted = level.counted || level.there.units() != 0;
        lines.push_back(std::move(line));
      }
      ShoppingLine& line = lines[place->second];
      line.needed = line.needed + one.amount;
      if (!line.by && line.counted && line.needed.units() > line.there.units()) line.by = at;
    }
    for (const MixPart& part : use.unknown) {
      const std::optional<MethodKind> method = step.working ? step.method : std::nullopt;
      const auto [place, isNew] = unknown.try_emplace({part.kind, method, part.of}, lines.size());
      if (isNew) {
        ShoppingLine line;
        line.part = part;
        line.part.method = method;
        line.part.volume.reset();
        line.part.mass.reset();
        lines.push_back(std::move(line));
      }
      MixPart& sum = lines[place->second].part;
      if (part.volume) sum.volume = sum.volume.value_or(Volume()) + *part.volume;
      if (part.mass) sum.mass = sum.mass.value_or(Mass()) + *part.mass;
    }
  };
  for (const BenchCup& cup : plan.cups) {
    if (cup.atHand) add(cup.steps[cup.atHand->step], cup.atHand->since);
  }
  if (plan.schedule) {
    for (const ScheduledTask& task : plan.schedule->tasks) {
      add(plan.stepOf(task), plan.at(task.start));
    }
  } else {
    for (const BenchCup& cup : plan.cups) {
      for (const std::size_t index : cup.left) add(cup.steps[index], plan.zero);
    }
  }
  for (ShoppingLine& line : lines) {
    const Supply* supply = shelf.called(line.supply);
    if (supply == nullptr) continue;
    const double missing =
        line.needed.units() + supply->low.units() - std::max(0.0, line.there.units());
    line.toBuy = Amount::ofUnits(supply->by(), std::max(0.0, missing));
  }
  std::stable_sort(lines.begin(), lines.end(), [](const ShoppingLine& a, const ShoppingLine& b) {
    return std::pair(a.supply.empty(), a.name) < std::pair(b.supply.empty(), b.name);
  });
  return lines;
}

}  // namespace avrelt

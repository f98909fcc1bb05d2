// SPDX-License-Identifier: GPL-3.0-or-later
#include "job/bench_plan.h"

#include <algorithm>
#include <cmath>
#include <map>

#include "bench/slack.h"
#include "job/steps.h"

namespace avrelt {
namespace {

/// Far beyond any order.
constexpr int daysAhead = 120;

Sentence minutesWords(Duration duration) {
  const auto minutes = static_cast<long>(std::ceil(duration.minutes() - 1e-9));
  constexpr long hour = 60;
  if (minutes < 2 * hour) return {"%1 min", {minutes}};
  if (minutes % hour == 0) return {"%1 h", {minutes / hour}};
  return {"%1 h %2 min", {minutes / hour, minutes % hour}};
}

/// Tells whether it ends after it is due, anew.
void judge(BenchPlan& plan) {
  plan.troubles.erase(std::remove_if(plan.troubles.begin(), plan.troubles.end(),
                                     [](const BenchTrouble& trouble) { return trouble.ofDue; }),
                      plan.troubles.end());
  if (!plan.due || !plan.schedule || plan.schedule->tasks.empty()) return;
  if (*plan.due < plan.zero) {
    plan.troubles.push_back(
        {Rule::dueBeforeNow,
         0,
         {},
         {"The order was due before now. Set another day, or leave it out.", {}},
         true});
    return;
  }
  const CivilTime ends = plan.at(plan.schedule->ends);
  if (ends <= *plan.due) return;
  const ScheduledTask& last = *std::max_element(
      plan.schedule->tasks.begin(), plan.schedule->tasks.end(),
      [](const ScheduledTask& a, const ScheduledTask& b) { return a.end < b.end; });
  plan.troubles.push_back(
      {Rule::endsLate,
       last.chain,
       plan.stepOf(last).id,
       {"The last step, of %1, is done %2 after the order is due. Begin sooner, work longer, or "
        "take more turners.",
        {plan.cups[last.chain].name, Phrase(minutesWords(between(*plan.due, ends)))}},
       true});
}

class Bench {
 public:
  Bench(const std::vector<const CupPlan*>& cups, const BenchChoices& choices, const Stock& stock,
        CivilTime now, const BenchPlan* before)
      : cups_(cups), choices_(choices), stock_(stock), now_(now), before_(before) {}

  BenchPlan operator()() {
    bool begun = false;
    for (const CupPlan* plan : cups_) {
      begun = begun || !plan->of->bench.done.empty() || plan->of->bench.begun;
    }
    made_.zero = begun ? now_ : std::max(now_, choices_.from.value_or(now_));
    made_.problem.crews = {{{}, static_cast<std::size_t>(std::max(1, choices_.hands))}};
    made_.problem.of(Spot::turner) = static_cast<std::size_t>(choices_.turners);
    made_.problem.of(Spot::lamp) = static_cast<std::size_t>(choices_.lamps);
    made_.problem.of(Spot::sprayPlace) = static_cast<std::size_t>(choices_.sprayPlaces);
    made_.problem.of(Spot::shelf) = static_cast<std::size_t>(choices_.shelfPlaces);
    std::array<std::size_t, spots> held{};
    for (const CupPlan* plan : cups_) addCup(*plan, held);
    made_.problem.crews.front().hours = hours();
    made_.due = choices_.due;
    // No spans would mean that there is always somebody.
    if (made_.problem.crews.front().hours.empty() && made_.countLeft() > 0) {
      for (std::size_t i = 0; i < made_.cups.size(); ++i) {
        if (made_.cups[i].left.empty()) continue;
        trouble(Rule::noTimeFound, i, made_.cups[i].left.front(),
                {"Nobody works on any day of the next %1 days, so nothing can be planned. Give at "
                 "least one day of the week its hours.",
                 {long{daysAhead}}});
        break;
      }
      return std::move(made_);
    }
    plan();
    judge(made_);
    return std::move(made_);
  }

 private:
  /// When there is work: from the first hour on; before it, where something was done already, as
  /// long as what has to follow that takes at the most.
  std::vector<Span> hours() const {
    std::vector<Span> spans = spansOf(choices_.hours, made_.zero, daysAhead);
    const Duration first = between(made_.zero, choices_.from.value_or(made_.zero));
    if (first <= Duration()) return spans;
    std::erase_if(spans, [&](const Span& span) { return span.to <= first; });
    if (!spans.empty()) spans.front().from = std::max(spans.front().from, first);
    for (const TaskChain& chain : made_.problem.chains) {
      if (!chain.by || *chain.by >= first || chain.tasks.empty()) continue;
      Duration end = std::max(*chain.by, chain.from);
      for (const Task& task : chain.tasks) {
        end = end + task.takes;
        if (!task.wait.most) break;
        end = end + *task.wait.most;
      }
      addSpan(spans, {chain.from, end});
    }
    return spans;
  }

  /// Puts one more among spans in order and apart.
  static void addSpan(std::vector<Span>& spans, Span more) {
    std::vector<Span> joined;
    for (const Span& span : spans) {
      if (span.to < more.from || more.to < span.from) {
        joined.push_back(span);
      } else {
        more = {std::min(more.from, span.from), std::max(more.to, span.to)};
      }
    }
    joined.push_back(more);
    std::sort(joined.begin(), joined.end(),
              [](const Span& a, const Span& b) { return a.from < b.from; });
    spans = std::move(joined);
  }

  /// What was done last of a cup, or is being done: what is left follows it.
  struct Last {
    std::size_t step = 0;
    CivilTime end;
    Duration took;
  };

  /// Marks what was done.
  static std::optional<Last> noteDone(const CupBench& bench, BenchCup& cup) {
    std::optional<Last> last;
    for (const StepDone& done : bench.done) {
      const auto at = std::find_if(cup.steps.begin(), cup.steps.end(),
                                   [&](const Step& step) { return step.id == done.step; });
      if (at == cup.steps.end()) {
        cup.conflicts.push_back(
            {Rule::stepDoneOfNone,
             done.step,
             {"A step was done that the cup no longer takes (%1). It is kept as done.",
              {done.step}}});
        continue;
      }
      const auto index = static_cast<std::size_t>(at - cup.steps.begin());
      cup.done[index] = done;
      if (!last || done.at >= last->end) last = Last{index, done.at, done.took};
    }
    return last;
  }

  /// Marks what somebody is at.
  std::optional<Last> noteBegun(const CupBench& bench, BenchCup& cup, TaskChain& chain) const {
    if (!bench.begun) return std::nullopt;
    const StepBegun& begun = *bench.begun;
    const auto at = std::find_if(cup.steps.begin(), cup.steps.end(),
                                 [&](const Step& step) { return step.id == begun.step; });
    if (at == cup.steps.end()) {
      cup.conflicts.push_back(
          {Rule::stepBegunOfNone,
           begun.step,
           {"A step was begun that the cup no longer takes (%1). It is left out.", {begun.step}}});
      return std::nullopt;
    }
    const auto index = static_cast<std::size_t>(at - cup.steps.begin());
    if (cup.done[index]) return std::nullopt;
    const CivilTime since = std::min(begun.at, now_);
    const CivilTime ends = std::max(now_, after(since, at->handsOn));
    const auto pair = static_cast<std::size_t>(std::max(1, begun.pair));
    cup.atHand = StepAtHand{index, since, ends, pair};
    // Hands that there are fewer of by now keep nobody else waiting, nor does one pair twice.
    const bool taken =
        std::any_of(made_.problem.chains.begin(), made_.problem.chains.end(),
                    [&](const TaskChain& other) { return other.busy && other.busy->pair == pair; });
    const Duration until = between(made_.zero, ends);
    if (!taken && pair <= made_.problem.crew(0).pairs && until > Duration()) {
      chain.busy = AtWork{0, pair, until};
    }
    return Last{index, ends, at->handsOn};
  }

  void addCup(const CupPlan& plan, std::array<std::size_t, spots>& held) {
    BenchCup cup;
    cup.name = plan.name;
    ChangedSteps steps = benchSteps(plan, choices_, stock_);
    cup.steps = std::move(steps.steps);
    cup.conflicts = std::move(steps.conflicts);
    cup.dropped = std::move(steps.dropped);
    cup.done.resize(cup.steps.size());
    std::optional<Last> last = noteDone(plan.of->bench, cup);
    TaskChain begun;
    if (const auto atHand = noteBegun(plan.of->bench, cup, begun)) last = atHand;
    std::vector<Step> left;
    for (std::size_t i = 0; i < cup.steps.size(); ++i) {
      if (cup.done[i] || (cup.atHand && cup.atHand->step == i)) continue;
      if (last && i < last->step) {
        cup.conflicts.push_back({Rule::stepPassedOver,
                                 cup.steps[i].id,
                                 {"“%1” was not done, but a later step was. Do it, or drop it.",
                                  {Phrase(cup.steps[i].words)}}});
      }
      cup.left.push_back(i);
      left.push_back(cup.steps[i]);
    }
    TaskChain chain = chainOf(plan.name, left, made_.zero);
    chain.busy = begun.busy;
    if (last && !left.empty()) {
      const Step& before = cup.steps[last->step];
      cup.opens = after(last->end, before.wait.least);
      chain.from = std::max(Duration(), between(made_.zero, *cup.opens));
      // Out of turn there is no such wait.
      if (before.wait.most && cup.left.front() > last->step) {
        cup.closes = after(last->end, *before.wait.most);
        chain.by = between(made_.zero, *cup.closes);
      }
      holdOn(cup, *last, chain, held);
    }
    made_.problem.chains.push_back(std::move(chain));
    made_.cups.push_back(std::move(cup));
  }

  /// A cup turns, or lies under the lamp, for what was done before the last of its steps, too.
  void holdOn(const BenchCup& cup, const Last& last, TaskChain& chain,
              std::array<std::size_t, spots>& held) const {
    Duration longest;
    const Step* holding = nullptr;
    const auto see = [&](const Step& step, CivilTime end, Duration took) {
      const Duration until = between(made_.zero, end) - took + step.holds;
      if (step.holds == Duration() || until <= longest) return;
      longest = until;
      holding = &step;
    };
    see(cup.steps[last.step], last.end, last.took);
    for (std::size_t i = 0; i < cup.steps.size(); ++i) {
      if (cup.done[i]) see(cup.steps[i], cup.done[i]->at, cup.done[i]->took);
    }
    if (holding == nullptr) return;
    const auto spot = static_cast<std::size_t>(holding->spot);
    if (held[spot] < made_.problem.places[spot]) {
      chain.held = Held{holding->spot, ++held[spot], longest};
    }
  }

  void trouble(Rule rule, std::size_t cup, std::size_t step, Sentence words) {
    made_.troubles.push_back({rule, cup, made_.cups[cup].steps[step].id, std::move(words), false});
  }

  /// Lets go of what cannot be kept, one wait after the other, until the rest can be.
  void plan() {
    while (true) {
      const auto schedule = firstSchedule(made_.problem);
      if (schedule) {
        made_.schedule = *schedule;
        keepTurns();
        made_.bound = endsAtLeast(made_.problem);
        made_.proven = made_.schedule->ends <= made_.bound;
        return;
      }
      const WaitMissed& missed = schedule.error();
      TaskChain& chain = made_.problem.chains[missed.chain];
      const BenchCup& cup = made_.cups[missed.chain];
      const std::size_t step = cup.left[missed.task];
      const Phrase words(cup.steps[step].words);
      if (missed.itself) {
        trouble(Rule::hoursTooShort, missed.chain, step,
                {"%1: “%2” takes %3 in one go, and your hours are %4 too short for it. Set longer "
                 "hours, or less time for this step.",
                 {cup.name, words, Phrase(minutesWords(chain.tasks[missed.task].takes)),
                  Phrase(minutesWords(missed.by))}});
        return;
      }
      if (missed.task == 0 && chain.by && missed.by > Duration()) {
        trouble(
            Rule::stepTooLate, missed.chain, step,
            {"%1: “%2” comes too late by %3. It is done as soon as it can be; look whether what "
             "it follows has set.",
             {cup.name, words, Phrase(minutesWords(missed.by))}});
        chain.by = std::nullopt;
        continue;
      }
      if (missed.task > 0 && missed.by > Duration()) {
        trouble(Rule::cannotFollow, missed.chain, step,
                {"%1: “%2” has to follow soon after “%3”, and your hours are %4 too short for it. "
                 "Work longer in one go.",
                 {cup.name, words, Phrase(cup.steps[cup.left[missed.task - 1]].words),
                  Phrase(minutesWords(missed.by))}});
        chain.tasks[missed.task - 1].wait.most = std::nullopt;
        continue;
      }
      if (chain.by) {
        // Its hours are over for today.
        trouble(Rule::stepTooLate, missed.chain, step,
                {"%1: “%2” cannot be done in time any more.", {cup.name, words}});
        chain.by = std::nullopt;
        continue;
      }
      if (Wait* wait = nextMost(chain, missed.task)) {
        trouble(Rule::cannotFollow, missed.chain, step,
                {"%1: from “%2” on, what has to follow soon does not fit in one go. Work longer in "
                 "one go, or on more turners.",
                 {cup.name, words}});
        wait->most = std::nullopt;
        continue;
      }
      trouble(Rule::noTimeFound, missed.chain, step,
              {"%1: “%2” finds no time within %3 days. Set longer hours, or more of them.",
               {cup.name, words, long{daysAhead}}});
      return;
    }
  }

  /// Who works by a plan does not want it turned over at every tick.
  void keepTurns() {
    if (before_ == nullptr || !before_->schedule) return;
    std::map<std::pair<std::string, std::string>, Duration> starts;
    for (const ScheduledTask& task : before_->schedule->tasks) {
      starts[{before_->cups[task.chain].name, before_->stepOf(task).id}] =
          between(made_.zero, before_->at(task.start));
    }
    Favours favours;
    for (const BenchCup& cup : made_.cups) {
      favours.turns.emplace_back();
      for (const std::size_t step : cup.left) {
        const auto start = starts.find({cup.name, cup.steps[step].id});
        favours.turns.back().push_back(start == starts.end() ? std::nullopt
                                                             : std::optional(start->second));
      }
    }
    const auto kept = quickSchedule(made_.problem, favours);
    if (kept && kept->ends <= made_.schedule->ends) made_.schedule = *kept;
  }

  /// The first longest wait from a task on that is still to be kept.
  static Wait* nextMost(TaskChain& chain, std::size_t task) {
    for (std::size_t i = task; i < chain.tasks.size(); ++i) {
      if (!chain.tasks[i].wait.most) return nullptr;
      return &chain.tasks[i].wait;
    }
    return nullptr;
  }

  const std::vector<const CupPlan*>& cups_;
  const BenchChoices& choices_;
  const Stock& stock_;
  CivilTime now_;
  const BenchPlan* before_;
  BenchPlan made_;
};

}  // namespace

std::size_t BenchPlan::stepIndex(const ScheduledTask& task) const {
  return cups[task.chain].left[task.task];
}

const Step& BenchPlan::stepOf(const ScheduledTask& task) const {
  return cups[task.chain].steps[stepIndex(task)];
}

std::size_t BenchPlan::countLeft() const {
  std::size_t count = 0;
  for (const BenchCup& cup : cups) count += cup.left.size() + (cup.atHand ? 1 : 0);
  return count;
}

ChangedSteps benchSteps(const CupPlan& plan, const BenchChoices& choices, const Stock& stock) {
  ChangedSteps steps = withChanges(stepsOf(plan, choices, stock), plan.of->bench.changes);
  if (choices.shelfPlaces == 0) return steps;
  // What dries stands somewhere; what is done with stands anywhere.
  for (Step& step : steps.steps) {
    if (step.holds > Duration() || step.wait.least <= Duration() || step.kind == StepKind::cure) {
      continue;
    }
    step.spot = Spot::shelf;
    step.holds = step.handsOn + step.wait.least;
  }
  return steps;
}

BenchPlan benchPlan(const std::vector<const CupPlan*>& cups, const BenchChoices& choices,
                    const Stock& stock, CivilTime now, const BenchPlan* before) {
  return Bench(cups, choices, stock, now, before)();
}

BenchPlan benchPlan(const Plan& plan, CivilTime now) {
  std::vector<const CupPlan*> cups;
  for (const CupPlan& cup : plan.cups) cups.push_back(&cup);
  return benchPlan(cups, plan.bench, plan.stock, now);
}

std::vector<std::vector<Duration>> slackOf(const BenchPlan& plan) {
  if (!plan.schedule) return {};
  std::vector<std::vector<Duration>> slack;
  for (const BenchCup& cup : plan.cups) slack.emplace_back(cup.left.size());
  const std::vector<Duration> all = slackOf(plan.problem, *plan.schedule);
  for (std::size_t i = 0; i < all.size(); ++i) {
    const ScheduledTask& task = plan.schedule->tasks[i];
    slack[task.chain][task.task] = all[i];
  }
  return slack;
}

std::optional<Sentence> whyFirst(const BenchPlan& plan,
                                 const std::vector<std::vector<Duration>>& slack) {
  if (!plan.schedule) return std::nullopt;
  const auto turn = [&](const ScheduledTask& task) {
    return std::pair(task.start, plan.cups[task.chain].closes ? 0 : 1);
  };
  const ScheduledTask* first = nullptr;
  for (const ScheduledTask& task : plan.schedule->tasks) {
    if (task.task == 0 && (first == nullptr || turn(task) < turn(*first))) first = &task;
  }
  if (first == nullptr) return std::nullopt;
  std::optional<std::size_t> patient;
  for (std::size_t i = 0; i < slack.size(); ++i) {
    if (i == first->chain || slack[i].empty()) continue;
    if (!patient || slack[i].front() > slack[*patient].front()) patient = i;
  }
  if (!patient) return std::nullopt;
  const BenchCup& cup = plan.cups[first->chain];
  const Duration own = slack[first->chain].front();
  const Duration most = slack[*patient].front();
  Sentence why;
  if (cup.closes) {
    why = {"%1 goes first: what was done at it last sets by %2.",
           {cup.name, clockText(*cup.closes)}};
  } else if (own < Duration::minutes(1)) {
    why = {"%1 goes first: begun any later, all would be done later.", {cup.name}};
  } else {
    why = {
        "%1 goes first, as hands are free for it; begun up to %2 later, all would be done as "
        "soon.",
        {cup.name, Phrase(minutesWords(own))}};
  }
  if (most < Duration::minutes(1)) {
    return own < Duration::minutes(1) ? Sentence{"%1 No other cup can wait either.", {Phrase(why)}}
                                      : Sentence{"%1 No other cup can wait.", {Phrase(why)}};
  }
  return Sentence{"%1 Of the others %2 can wait longest, by %3.",
                  {Phrase(why), plan.cups[*patient].name, Phrase(minutesWords(most))}};
}

std::optional<StartWindow> startWindow(const BenchPlan& plan, std::size_t cup, std::size_t step) {
  const BenchCup& of = plan.cups[cup];
  const auto at = std::find(of.left.begin(), of.left.end(), step);
  if (at == of.left.end()) return std::nullopt;
  if (at == of.left.begin()) {
    return StartWindow{std::max(plan.zero, of.opens.value_or(plan.zero)), of.closes};
  }
  if (!plan.schedule) return std::nullopt;
  for (const ScheduledTask& task : plan.schedule->tasks) {
    if (task.chain != cup || plan.stepIndex(task) != *(at - 1)) continue;
    const Wait& wait = plan.stepOf(task).wait;
    StartWindow window{plan.at(task.end + wait.least)};
    if (wait.most) window.latest = plan.at(task.end + *wait.most);
    return window;
  }
  return std::nullopt;
}

void take(BenchPlan& plan, const FoundSchedule& found) {
  plan.schedule = found.schedule;
  plan.bound = found.bound;
  plan.proven = found.proven;
  judge(plan);
}

void improve(BenchPlan& plan, const SearchLimits& limits) {
  if (plan.schedule) take(plan, searchSchedule(plan.problem, *plan.schedule, limits));
}

std::vector<SharedMix> mixesOf(const BenchPlan& plan) {
  std::vector<SharedMix> mixes;
  if (!plan.schedule) return mixes;
  /// Of each method, the mix that may still be shared, and when it was begun.
  std::map<MethodKind, std::pair<std::size_t, Duration>> open;
  for (const ScheduledTask& task : plan.schedule->tasks) {
    const Step& step = plan.stepOf(task);
    if (step.mix.empty()) continue;
    const std::pair<std::size_t, std::size_t> place{task.chain, plan.stepIndex(task)};
    if (step.method && step.working) {
      const auto found = open.find(*step.method);
      if (found != open.end() &&
          task.end - found->second.second <= *mixes[found->second.first].working) {
        SharedMix& shared = mixes[found->second.first];
        shared.steps.push_back(place);
        for (std::size_t i = 0; i < shared.mix.parts.size(); ++i) {
          MixPart& part = shared.mix.parts[i];
          const MixPart& more = step.mix.parts[i];
          if (part.volume && more.volume) part.volume = *part.volume + *more.volume;
          if (part.mass && more.mass) part.mass = *part.mass + *more.mass;
        }
        continue;
      }
      open[*step.method] = {mixes.size(), task.start};
    }
    mixes.push_back({{place}, step.mix, step.working});
  }
  return mixes;
}

std::vector<LearntTime> learntTimes(const BenchPlan& plan) {
  constexpr std::size_t fewest = 3;
  std::map<StepKind, std::vector<double>> shares;
  for (const BenchCup& cup : plan.cups) {
    for (std::size_t i = 0; i < cup.steps.size(); ++i) {
      const double planned = cup.steps[i].handsOn.minutes();
      if (!cup.done[i] || planned <= 0 || cup.done[i]->took <= Duration()) continue;
      shares[cup.steps[i].kind].push_back(cup.done[i]->took.minutes() / planned);
    }
  }
  std::vector<LearntTime> learnt;
  for (auto& [kind, values] : shares) {
    if (values.size() < fewest) continue;
    std::sort(values.begin(), values.end());
    const std::size_t half = values.size() / 2;
    const double middle =
        values.size() % 2 == 1 ? values[half] : (values[half - 1] + values[half]) / 2;
    learnt.push_back({kind, middle, values.size()});
  }
  return learnt;
}

}  // namespace avrelt

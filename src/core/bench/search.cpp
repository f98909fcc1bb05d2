// SPDX-License-Identifier: GPL-3.0-or-later
#include "bench/search.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <gecode/int.hh>
#include <gecode/minimodel.hh>
#include <gecode/search.hh>
#include <memory>
#include <numeric>
#include <random>
#include <tuple>
#include <vector>

#include "bench/whole_minutes.h"

namespace avrelt {
namespace {

using Clock = std::chrono::steady_clock;

/// Gecode counts in int.
int intUp(Duration duration) {
  return static_cast<int>(up(duration));
}
int intDown(Duration duration) {
  return static_cast<int>(down(duration));
}

/// A task among all, by one number.
struct Known {
  std::size_t chain = 0;
  std::size_t task = 0;
  const Task* of = nullptr;
  int takes = 0;
};

std::vector<Known> allOf(const ScheduleProblem& problem) {
  std::vector<Known> all;
  for (std::size_t c = 0; c < problem.chains.size(); ++c) {
    const std::vector<Task>& tasks = problem.chains[c].tasks;
    for (std::size_t i = 0; i < tasks.size(); ++i)
      all.push_back({c, i, &tasks[i], intUp(tasks[i].takes)});
  }
  return all;
}

/// Starts in minutes by the number of the task.
std::vector<int> startsOf(const std::vector<Known>& all, const Schedule& schedule) {
  std::vector<int> starts(all.size(), 0);
  std::vector<std::vector<int>> at;
  for (const ScheduledTask& one : schedule.tasks) {
    if (at.size() <= one.chain) at.resize(one.chain + 1);
    if (at[one.chain].size() <= one.task) at[one.chain].resize(one.task + 1);
    at[one.chain][one.task] = intUp(one.start);
  }
  for (std::size_t i = 0; i < all.size(); ++i) starts[i] = at[all[i].chain][all[i].task];
  return starts;
}

/// Which of two goes first in the best schedule so far, by the number of the choice: tried first, a
/// search soon has another as good, and goes on from there.
struct Guide {
  std::vector<std::pair<std::size_t, std::size_t>> pairs;
  std::vector<int> starts;
  std::mt19937 random{1};

  int operator()(std::size_t choice) {
    constexpr unsigned otherwise = 33;
    const auto [a, b] = pairs[choice];
    const bool first = starts[a] < starts[b];
    return (random() % otherwise == 0) != first ? 1 : 0;
  }
};

/// The problem as Gecode sees it: when each task starts, and, of any two that want the same pair of
/// hands, which goes first.
class Model : public Gecode::IntMinimizeSpace {
 public:
  /// None of `kept` changes its turn among the others of them, as `starts` has it.
  /// With a guide each two are told apart first.
  Model(const ScheduleProblem& problem, const std::vector<Known>& all, int mostEnds,
        const std::vector<int>& starts, const std::vector<bool>& kept,
        const std::shared_ptr<Guide>& guide)
      : starts_(*this, static_cast<int>(all.size()), 0, mostEnds), ends_(*this, 0, mostEnds) {
    using namespace Gecode;
    const auto start = [&](std::size_t i) -> IntVar { return starts_[static_cast<int>(i)]; };
    for (std::size_t i = 0; i < all.size(); ++i) {
      const Known& one = all[i];
      const TaskChain& chain = problem.chains[one.chain];
      rel(*this, start(i) + one.takes <= ends_);
      rel(*this, start(i), IRT_GQ, intUp(one.of->notBefore));
      inHours(problem.crew(one.of->hand).hours, start(i), one.takes, mostEnds);
      if (one.task == 0) {
        rel(*this, start(i), IRT_GQ, intUp(chain.from));
        if (chain.by) rel(*this, start(i), IRT_LQ, intDown(*chain.by));
        continue;
      }
      const Known& before = all[i - 1];
      const Wait& wait = before.of->wait;
      rel(*this, start(i) >= start(i - 1) + before.takes + intUp(wait.least));
      if (wait.most) rel(*this, start(i) <= start(i - 1) + before.takes + intDown(*wait.most));
    }
    BoolVarArgs turns;
    for (std::size_t crew = 0; crew < problem.crewCount(); ++crew) {
      std::vector<std::size_t> mine;
      for (std::size_t i = 0; i < all.size(); ++i) {
        if (all[i].of->hand == crew && all[i].takes > 0) mine.push_back(i);
      }
      const std::size_t count = std::max<std::size_t>(1, problem.crew(crew).pairs);
      std::vector<int> busy;
      for (const TaskChain& chain : problem.chains) {
        if (!chain.busy || chain.busy->hand != crew) continue;
        if (const int until = intUp(chain.busy->until); until > 0) busy.push_back(until);
      }
      if (count >= mine.size() + busy.size()) continue;
      IntVarArgs when;
      IntArgs takes;
      IntArgs ones;
      for (const std::size_t i : mine) {
        when << starts_[static_cast<int>(i)];
        takes << all[i].takes;
        ones << 1;
      }
      for (const int until : busy) {
        when << IntVar(*this, 0, 0);
        takes << until;
        ones << 1;
      }
      if (count > 1) {
        cumulative(*this, static_cast<int>(count), when, takes, ones);
        continue;
      }
      unary(*this, when, takes, guide ? IPL_ADVANCED : IPL_BASIC);
      keepTurns(mine, all, starts, kept);
      if (!guide) continue;
      for (std::size_t a = 0; a < mine.size(); ++a) {
        for (std::size_t b = a + 1; b < mine.size(); ++b) {
          const std::size_t i = mine[a];
          const std::size_t k = mine[b];
          if (all[i].chain == all[k].chain) continue;
          BoolVar first(*this, 0, 1);
          rel(*this, first == (start(i) + all[i].takes <= start(k)));
          rel(*this, (!first) == (start(k) + all[k].takes <= start(i)));
          turns << first;
          guide->pairs.emplace_back(i, k);
        }
      }
    }
    for (std::size_t spot = 0; spot < spots; ++spot) {
      const std::size_t places = problem.places[spot];
      IntVarArgs when;
      IntArgs holds;
      IntArgs ones;
      for (std::size_t i = 0; i < all.size(); ++i) {
        const Task& task = *all[i].of;
        if (static_cast<std::size_t>(task.spot) != spot || intUp(task.holds) == 0) continue;
        when << starts_[static_cast<int>(i)];
        holds << intUp(task.holds);
        ones << 1;
      }
      for (const TaskChain& chain : problem.chains) {
        if (!chain.held || static_cast<std::size_t>(chain.held->spot) != spot) continue;
        when << IntVar(*this, 0, 0);
        holds << std::max(1, intUp(chain.held->until));
        ones << 1;
      }
      if (places == 0 || static_cast<std::size_t>(when.size()) <= places) continue;
      if (places == 1) {
        unary(*this, when, holds);
      } else {
        cumulative(*this, static_cast<int>(places), when, holds, ones);
      }
    }
    if (turns.size() > 0) {
      branch(*this, turns, BOOL_VAR_AFC_MAX(0.99),
             BOOL_VAL([guide](const Space&, const BoolVar&, int i) {
               return (*guide)(static_cast<std::size_t>(i));
             }));
    }
    branch(*this, starts_, INT_VAR_MIN_MIN(), INT_VAL_MIN());
    branch(*this, ends_, INT_VAL_MIN());
  }
  Model(Model& other) : Gecode::IntMinimizeSpace(other) {
    starts_.update(*this, other.starts_);
    ends_.update(*this, other.ends_);
  }
  Gecode::Space* copy() override { return new Model(*this); }
  Gecode::IntVar cost() const override { return ends_; }

  Schedule schedule(const std::vector<Known>& all) const {
    Schedule made;
    for (std::size_t i = 0; i < all.size(); ++i) {
      const int at = starts_[static_cast<int>(i)].val();
      made.tasks.push_back({all[i].chain, all[i].task, Duration::minutes(at),
                            Duration::minutes(at + all[i].takes), 0, 1});
      made.ends = std::max(made.ends, made.tasks.back().end);
    }
    std::stable_sort(
        made.tasks.begin(), made.tasks.end(), [](const ScheduledTask& a, const ScheduledTask& b) {
          return std::tuple(a.start, a.chain, a.task) < std::tuple(b.start, b.chain, b.task);
        });
    return made;
  }

 private:
  /// Work of so long begins where it ends within the hours too.
  void inHours(const std::vector<Span>& hours, const Gecode::IntVar& start, int takes, int most) {
    if (hours.empty()) return;
    std::vector<std::array<int, 2>> ranges;
    for (const Span& span : hours) {
      const int from = intUp(span.from);
      const int to = std::min(intDown(span.to) - takes, most);
      if (from <= to) ranges.push_back({from, to});
    }
    if (ranges.empty()) {
      fail();
      return;
    }
    const auto pairs = std::make_unique<int[][2]>(ranges.size());
    for (std::size_t i = 0; i < ranges.size(); ++i) {
      pairs[i][0] = ranges[i][0];
      pairs[i][1] = ranges[i][1];
    }
    Gecode::dom(*this, start, Gecode::IntSet(pairs.get(), static_cast<int>(ranges.size())));
  }

  void keepTurns(std::vector<std::size_t> mine, const std::vector<Known>& all,
                 const std::vector<int>& starts, const std::vector<bool>& kept) {
    mine.erase(std::remove_if(mine.begin(), mine.end(),
                              [&](std::size_t i) { return !kept[all[i].chain]; }),
               mine.end());
    std::stable_sort(mine.begin(), mine.end(),
                     [&](std::size_t a, std::size_t b) { return starts[a] < starts[b]; });
    for (std::size_t i = 1; i < mine.size(); ++i) {
      Gecode::rel(*this, starts_[static_cast<int>(mine[i])] >=
                             starts_[static_cast<int>(mine[i - 1])] + all[mine[i - 1]].takes);
    }
  }

  Gecode::IntVarArray starts_;
  Gecode::IntVar ends_;
};

/// Stops Gecode by the clock, from elsewhere, or after so many wrong ends.
class Until : public Gecode::Search::Stop {
 public:
  Until(Clock::time_point end, const std::atomic<bool>* stop, unsigned long long fails)
      : end_(end), stop_(stop), fails_(fails) {}
  bool stop(const Gecode::Search::Statistics& so, const Gecode::Search::Options&) override {
    return so.fail > fails_ || (stop_ != nullptr && *stop_) || Clock::now() > end_;
  }

 private:
  Clock::time_point end_;
  const std::atomic<bool>* stop_;
  unsigned long long fails_;
};

class Searching {
 public:
  Searching(const ScheduleProblem& problem, const Schedule& start, const SearchLimits& limits)
      : problem_(problem),
        limits_(limits),
        all_(allOf(problem)),
        end_(Clock::now() + limits.time),
        begun_(Clock::now()) {
    found_.schedule = start;
    found_.bound = endsAtLeast(problem);
  }

  FoundSchedule operator()() {
    if (!isBest()) otherTurns();
    if (!isBest() && !over()) {
      if (pairsOfTasks() <= mostPairs) {
        everyOrder();
      } else {
        changeAFew();
      }
    }
    found_.proven = isBest();
    return std::move(found_);
  }

 private:
  /// Two tasks of one pair of hands that may change their turn.
  static constexpr std::size_t mostPairs = 1500;

  bool over() const { return Clock::now() > end_ || (limits_.stop != nullptr && *limits_.stop); }
  bool isBest() const { return found_.schedule.ends <= found_.bound; }

  void take(const Schedule& schedule) {
    if (schedule.ends >= found_.schedule.ends) return;
    found_.schedule = schedule;
    if (limits_.better) limits_.better(schedule);
  }

  std::size_t pairsOfTasks() const {
    std::vector<std::size_t> counts(problem_.crewCount(), 0);
    for (const Known& one : all_) ++counts[one.of->hand];
    std::size_t sum = 0;
    for (const std::size_t count : counts) sum += count * (count - 1) / 2;
    return sum;
  }

  /// The sum of when each chain ends: of two schedules that end together the better one.
  double sumOfEnds(const Schedule& schedule) const {
    std::vector<double> ends(problem_.chains.size(), 0);
    for (const ScheduledTask& task : schedule.tasks) {
      ends[task.chain] = std::max(ends[task.chain], task.end.minutes());
    }
    return std::accumulate(ends.begin(), ends.end(), 0.0);
  }

  /// The quick rule with other favours: cheap, and often most of what there is to win.
  void otherTurns() {
    const auto part = begun_ + limits_.time * (pairsOfTasks() <= mostPairs ? 2 : 6) / 10;
    Favours best;
    double bestSum = sumOfEnds(found_.schedule);
    Duration bestEnds = found_.schedule.ends;
    const auto isBetter = [&](const Favours& favours) {
      const auto tried = quickSchedule(problem_, favours);
      if (!tried) return false;
      const double sum = sumOfEnds(*tried);
      if (std::pair(tried->ends.minutes(), sum) > std::pair(bestEnds.minutes(), bestSum)) {
        return false;
      }
      const bool better = tried->ends < bestEnds || sum < bestSum;
      best = favours;
      bestSum = sum;
      bestEnds = tried->ends;
      take(*tried);
      return better;
    };
    for (const double share : sharesOfLeft) {
      isBetter({{}, share, {}});
    }
    best.of.resize(problem_.chains.size());
    for (std::size_t i = 0; i < best.of.size(); ++i) {
      best.of[i].resize(problem_.chains[i].tasks.size());
    }
    std::mt19937 random(1);
    const double widest = std::max(2.0, found_.schedule.ends.minutes() / 8);
    constexpr int mostInVain = 3000;
    for (int vain = 0; vain < mostInVain && !isBest() && !over() && Clock::now() < part; ++vain) {
      Favours favours = best;
      const std::size_t changed = 1 + random() % 4;
      for (std::size_t i = 0; i < changed; ++i) {
        const Known& one = all_[random() % all_.size()];
        std::vector<Duration>& of = favours.of[one.chain];
        const Duration favour =
            Duration::minutes(std::floor(static_cast<double>(random() % 1000) / 1000 * widest));
        // One task, or all that are left of its chain.
        const std::size_t last = random() % 3 == 0 ? of.size() : one.task + 1;
        for (std::size_t k = one.task; k < last; ++k) of[k] = favour;
      }
      if (isBetter(favours)) vain = 0;
    }
  }

  int mostEnds() const { return intUp(found_.schedule.ends) - 1; }

  /// Takes what Gecode found, where hands and spots can be given out as it has it.
  bool takeFrom(const Model& model) {
    Schedule made = model.schedule(all_);
    if (!number(problem_, made)) return false;
    take(made);
    return true;
  }

  /// Branch and bound over all of them, begun anew whenever it is stuck.
  void everyOrder() {
    const std::vector<int> starts = startsOf(all_, found_.schedule);
    const std::vector<bool> kept(problem_.chains.size(), false);
    const auto guide = std::make_shared<Guide>();
    guide->starts = starts;
    const auto model = std::make_unique<Model>(problem_, all_, mostEnds(), starts, kept, guide);
    // Nothing ends sooner, which needs no search; one begun on such a model would lose its cutoff.
    if (model->status() == Gecode::SS_FAILED) {
      found_.bound = found_.schedule.ends;
      return;
    }
    Until until(end_, limits_.stop, ~0ULL);
    Gecode::Search::Options options;
    options.threads = 1;
    options.stop = &until;
    options.cutoff = Gecode::Search::Cutoff::geometric(200, 1.3);
    options.nogoods_limit = 128;
    Gecode::RBS<Model, Gecode::BAB> search(model.get(), options);
    while (const std::unique_ptr<Model> next{search.next()}) {
      takeFrom(*next);
      guide->starts = startsOf(all_, found_.schedule);
    }
    if (!search.stopped()) found_.bound = found_.schedule.ends;
  }

  /// A few chains change their turn among the others, which keep theirs.
  void changeAFew() {
    std::mt19937 random(2);
    const std::size_t chains = problem_.chains.size();
    std::vector<std::size_t> order(chains);
    for (std::size_t i = 0; i < chains; ++i) order[i] = i;
    while (!over() && !isBest()) {
      for (std::size_t i = chains; i > 1; --i) std::swap(order[i - 1], order[random() % i]);
      std::vector<bool> kept(chains, true);
      const std::size_t freed = std::min(chains, std::size_t{2} + random() % 2);
      for (std::size_t i = 0; i < freed; ++i) kept[order[i]] = false;
      const std::vector<int> starts = startsOf(all_, found_.schedule);
      Model model(problem_, all_, mostEnds(), starts, kept, nullptr);
      constexpr unsigned long long mostFails = 300;
      Until until(end_, limits_.stop, mostFails);
      Gecode::Search::Options options;
      options.threads = 1;
      options.stop = &until;
      Gecode::BAB<Model> search(&model, options);
      while (const std::unique_ptr<Model> next{search.next()}) takeFrom(*next);
    }
  }

  const ScheduleProblem& problem_;
  const SearchLimits& limits_;
  std::vector<Known> all_;
  Clock::time_point end_;
  Clock::time_point begun_;
  FoundSchedule found_;
};

}  // namespace

FoundSchedule searchSchedule(const ScheduleProblem& problem, const Schedule& start,
                             const SearchLimits& limits) {
  return Searching(problem, start, limits)();
}

}  // namespace avrelt

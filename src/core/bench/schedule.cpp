// SPDX-License-Identifier: GPL-3.0-or-later
#include "bench/schedule.h"

#include <algorithm>
#include <tuple>
#include <utility>

#include "bench/whole_minutes.h"

namespace avrelt {
namespace {

/// What is done or stands somewhere by now, by its start; no two at once.
class Line {
 public:
  /// The first time not before `from` at which so long is free.
  Minutes firstFor(Minutes from, Minutes takes) const {
    const Minutes needs = std::max<Minutes>(takes, 1);
    auto next = std::partition_point(busy_.begin(), busy_.end(),
                                     [&](const Busy& one) { return one.to <= from; });
    Minutes at = from;
    for (; next != busy_.end() && next->from < at + needs; ++next) at = std::max(at, next->to);
    return at;
  }
  bool isFree(Minutes from, Minutes takes) const { return firstFor(from, takes) == from; }
  void take(Minutes from, Minutes takes) {
    if (takes <= 0) return;
    busy_.insert(std::partition_point(busy_.begin(), busy_.end(),
                                      [&](const Busy& one) { return one.from < from; }),
                 {from, from + takes});
  }
  void drop(Minutes from, Minutes takes) {
    if (takes <= 0) return;
    busy_.erase(std::partition_point(busy_.begin(), busy_.end(),
                                     [&](const Busy& one) { return one.from < from; }));
  }

 private:
  std::vector<Busy> busy_;
};

/// Some of a kind, each busy by itself; none stand for as many as it takes.
class Lines {
 public:
  Lines() = default;
  explicit Lines(std::size_t count) : lines_(count) {}

  Minutes firstFor(Minutes from, Minutes takes) const {
    if (lines_.empty() || takes == 0) return from;
    Minutes best = never;
    for (const Line& line : lines_) best = std::min(best, line.firstFor(from, takes));
    return best;
  }
  /// Which is free then, from 1; 0 where none is, or none is needed.
  std::size_t take(Minutes from, Minutes takes) {
    if (takes == 0) return 0;
    for (std::size_t i = 0; i < lines_.size(); ++i) {
      if (!lines_[i].isFree(from, takes)) continue;
      lines_[i].take(from, takes);
      return i + 1;
    }
    return 0;
  }
  void hold(std::size_t number, Minutes until) {
    if (number >= 1 && number <= lines_.size()) lines_[number - 1].take(0, until);
  }
  void drop(std::size_t number, Minutes from, Minutes takes) {
    if (number > 0) lines_[number - 1].drop(from, takes);
  }

 private:
  std::vector<Line> lines_;
};

class Quick {
 public:
  Quick(const ScheduleProblem& problem, const Favours& favours)
      : problem_(problem),
        favours_(favours),
        next_(problem.chains.size(), 0),
        found_(problem.chains.size()),
        seen_(problem.chains.size(), 0) {
    for (std::size_t i = 0; i < problem.crewCount(); ++i) {
      hours_.emplace_back(problem.crew(i).hours);
      hands_.emplace_back(std::max<std::size_t>(1, problem.crew(i).pairs));
    }
    for (std::size_t i = 0; i < spots; ++i) spots_[i] = Lines(problem.places[i]);
    for (const TaskChain& chain : problem.chains) {
      from_.push_back(up(chain.from));
      if (chain.held) spotsOf(chain.held->spot).hold(chain.held->number, up(chain.held->until));
      if (chain.busy && chain.busy->hand < hands_.size()) {
        hands_[chain.busy->hand].hold(chain.busy->pair, up(chain.busy->until));
      }
      std::vector<Minutes> left(chain.tasks.size() + 1, 0);
      for (std::size_t k = chain.tasks.size(); k-- > 0;) {
        left[k] = left[k + 1] + up(chain.tasks[k].takes) + up(chain.tasks[k].wait.least);
      }
      left_.push_back(std::move(left));
    }
  }

  tl::expected<Schedule, WaitMissed> operator()() {
    // What has to begin by some time goes first, the most pressing at the front.
    std::vector<std::size_t> pressing;
    for (std::size_t i = 0; i < problem_.chains.size(); ++i) {
      if (problem_.chains[i].by && !problem_.chains[i].tasks.empty()) pressing.push_back(i);
    }
    std::stable_sort(pressing.begin(), pressing.end(), [&](std::size_t a, std::size_t b) {
      return *problem_.chains[a].by < *problem_.chains[b].by;
    });
    for (const std::size_t chain : pressing) {
      if (!find(chain)) return tl::unexpected(missed(chain));
      const Minutes late = found_[chain].front() - down(*problem_.chains[chain].by);
      if (late > 0) return tl::unexpected(WaitMissed{chain, 0, minutes(late)});
      put(chain);
    }
    while (true) {
      std::optional<std::size_t> best;
      for (std::size_t chain = 0; chain < problem_.chains.size(); ++chain) {
        if (next_[chain] == problem_.chains[chain].tasks.size()) continue;
        if (!find(chain)) return tl::unexpected(missed(chain));
        if (!best || isSooner(chain, *best)) best = chain;
      }
      if (!best) break;
      put(*best);
    }
    std::stable_sort(
        made_.tasks.begin(), made_.tasks.end(), [](const ScheduledTask& a, const ScheduledTask& b) {
          return std::tuple(a.start, a.chain, a.task) < std::tuple(b.start, b.chain, b.task);
        });
    return std::move(made_);
  }

 private:
  Lines& spotsOf(Spot spot) { return spots_[static_cast<std::size_t>(spot)]; }

  bool isSooner(std::size_t a, std::size_t b) const {
    const auto key = [&](std::size_t chain) {
      const Minutes left = left_[chain][next_[chain]];
      if (const auto turn = turnOf(chain)) return std::pair(*turn, -left);
      auto favour = static_cast<Minutes>(favours_.ofLeft * static_cast<double>(left));
      if (chain < favours_.of.size() && next_[chain] < favours_.of[chain].size()) {
        favour += up(favours_.of[chain][next_[chain]]);
      }
      return std::pair(found_[chain].front() - favour, -left);
    };
    return key(a) < key(b);
  }

  std::optional<Minutes> turnOf(std::size_t chain) const {
    if (chain >= favours_.turns.size()) return std::nullopt;
    for (std::size_t i = next_[chain]; i < favours_.turns[chain].size(); ++i) {
      if (favours_.turns[chain][i]) return up(*favours_.turns[chain][i]);
    }
    return std::nullopt;
  }

  /// How many tasks from the next on have to follow each other within longest waits.
  std::size_t blockOf(std::size_t chain) const {
    const std::vector<Task>& tasks = problem_.chains[chain].tasks;
    std::size_t end = next_[chain];
    while (end + 1 < tasks.size() && tasks[end].wait.most) ++end;
    return end - next_[chain] + 1;
  }

  Minutes firstFor(const Task& task, Minutes from) {
    const Minutes takes = up(task.takes);
    Minutes at = std::max(from, up(task.notBefore));
    while (true) {
      const Minutes open = hours_[task.hand].firstFor(at, takes);
      if (open == never) return never;
      const Minutes byHand = hands_[task.hand].firstFor(open, takes);
      const Minutes bySpot = spotsOf(task.spot).firstFor(byHand, up(task.holds));
      if (bySpot == open) return open;
      at = bySpot;
    }
  }

  /// What one task takes while it is tried or done.
  struct Taken {
    std::size_t pair = 0;
    std::size_t number = 0;
  };
  Taken take(const Task& task, Minutes start) {
    return {hands_[task.hand].take(start, up(task.takes)),
            spotsOf(task.spot).take(start, up(task.holds))};
  }
  void drop(const Task& task, Minutes start, const Taken& taken) {
    hands_[task.hand].drop(taken.pair, start, up(task.takes));
    spotsOf(task.spot).drop(taken.number, start, up(task.holds));
  }

  /// Whether others took of what the block of a chain was found to take, since that was looked.
  bool isTouched(std::size_t chain) const {
    const std::vector<Task>& tasks = problem_.chains[chain].tasks;
    const std::vector<Minutes>& starts = found_[chain];
    for (std::size_t k = seen_[chain]; k < done_.size(); ++k) {
      const Done& other = done_[k];
      for (std::size_t i = 0; i < starts.size(); ++i) {
        const Task& task = tasks[next_[chain] + i];
        const auto meets = [&](Minutes takes, Minutes otherTakes) {
          return starts[i] < other.start + std::max<Minutes>(otherTakes, 1) &&
                 other.start < starts[i] + std::max<Minutes>(takes, 1);
        };
        if (task.hand == other.task->hand && meets(up(task.takes), up(other.task->takes))) {
          return true;
        }
        if (task.spot == other.task->spot && meets(up(task.holds), up(other.task->holds))) {
          return true;
        }
      }
    }
    return false;
  }

  /// Whether the next block of a chain could still start as it was found: what others took since
  /// can only have made it later.
  bool stillFits(std::size_t chain) {
    const bool touched = isTouched(chain);
    seen_[chain] = done_.size();
    if (!touched) return true;
    const std::vector<Task>& tasks = problem_.chains[chain].tasks;
    const std::vector<Minutes>& starts = found_[chain];
    std::vector<Taken> taken;
    bool holds = true;
    for (std::size_t i = 0; i < starts.size() && holds; ++i) {
      const Task& task = tasks[next_[chain] + i];
      holds = firstFor(task, starts[i]) == starts[i];
      if (holds) taken.push_back(take(task, starts[i]));
    }
    for (std::size_t i = taken.size(); i-- > 0;) {
      drop(tasks[next_[chain] + i], starts[i], taken[i]);
    }
    return holds;
  }

  /// When each task of the next block may start; false where that cannot be.
  bool find(std::size_t chain) {
    if (!found_[chain].empty() && stillFits(chain)) return true;
    // Never sooner than it was before.
    const Minutes from = found_[chain].empty() ? from_[chain] : found_[chain].front();
    found_[chain] = blockFor(chain, from);
    seen_[chain] = done_.size();
    return !found_[chain].empty();
  }

  std::vector<Minutes> blockFor(std::size_t chain, Minutes from) {
    const std::vector<Task>& tasks = problem_.chains[chain].tasks;
    const std::size_t first = next_[chain];
    const std::size_t count = blockOf(chain);
    constexpr int mostTries = 20000;
    for (int tries = 0; tries < mostTries; ++tries) {
      std::vector<Minutes> starts;
      // The block's own tasks keep hands and spots from each other.
      std::vector<Taken> taken;
      Minutes later = never;
      for (std::size_t i = 0; i < count; ++i) {
        const Task& task = tasks[first + i];
        Minutes soonest = from;
        Minutes latest = never;
        if (i > 0) {
          const Task& before = tasks[first + i - 1];
          const Minutes end = starts.back() + up(before.takes);
          soonest = end + up(before.wait.least);
          latest = end + down(*before.wait.most);
        }
        const Minutes found = firstFor(task, soonest);
        if (found == never) {
          if (i == 0) return {};
          break;
        }
        if (found > latest) {
          // Begun so much later, it would have followed in time.
          later = found - latest;
          break;
        }
        starts.push_back(found);
        taken.push_back(take(task, found));
      }
      for (std::size_t i = taken.size(); i-- > 0;) drop(tasks[first + i], starts[i], taken[i]);
      if (starts.size() == count) return starts;
      if (later == never) return {};
      from = starts.front() + std::max<Minutes>(later, 1);
    }
    return {};
  }

  void put(std::size_t chain) {
    const std::vector<Task>& tasks = problem_.chains[chain].tasks;
    for (const Minutes start : found_[chain]) {
      const std::size_t index = next_[chain]++;
      const Task& task = tasks[index];
      const Minutes end = start + up(task.takes);
      const Taken taken = take(task, start);
      done_.push_back({&task, start});
      made_.tasks.push_back({chain, index, minutes(start), minutes(end), taken.number,
                             std::max<std::size_t>(1, taken.pair)});
      made_.ends = std::max(made_.ends, minutes(end));
      from_[chain] = end + up(task.wait.least);
    }
    found_[chain].clear();
  }

  /// Why the next block has no place: the wait its hours are too short for, or hours that run out.
  WaitMissed missed(std::size_t chain) const {
    const std::vector<Task>& tasks = problem_.chains[chain].tasks;
    const std::size_t first = next_[chain];
    const std::size_t count = blockOf(chain);
    Minutes work = up(tasks[first].takes);
    const Minutes room = hours_[tasks[first].hand].longest();
    for (std::size_t i = first; i < first + count; ++i) {
      const Minutes over = up(tasks[i].takes) - hours_[tasks[i].hand].longest();
      if (over > 0) return {chain, i, minutes(over), true};
    }
    for (std::size_t i = 1; i < count; ++i) {
      // What has to follow soon takes one stretch with what it follows; a night between would be
      // longer than any such wait.
      work += up(tasks[first + i - 1].wait.least) + up(tasks[first + i].takes);
      if (work > room) return {chain, first + i, minutes(work - room)};
    }
    return {chain, first, Duration()};
  }

  const ScheduleProblem& problem_;
  const Favours& favours_;
  std::vector<Hours> hours_;
  std::vector<Lines> hands_;
  std::array<Lines, spots> spots_;
  std::vector<std::size_t> next_;
  std::vector<std::vector<Minutes>> found_;
  /// What was put so far, in turn, and up to where each chain's block was held against it.
  struct Done {
    const Task* task;
    Minutes start;
  };
  std::vector<Done> done_;
  std::vector<std::size_t> seen_;
  std::vector<Minutes> from_;
  std::vector<std::vector<Minutes>> left_;
  Schedule made_;
};

}  // namespace

std::size_t ScheduleProblem::crewCount() const {
  std::size_t count = crews.size();
  for (const TaskChain& chain : chains) {
    for (const Task& task : chain.tasks) count = std::max(count, task.hand + 1);
  }
  return count;
}

const Crew& ScheduleProblem::crew(std::size_t hand) const {
  static const Crew always;
  return hand < crews.size() ? crews[hand] : always;
}

tl::expected<Schedule, WaitMissed> quickSchedule(const ScheduleProblem& problem,
                                                 const Favours& favours) {
  return Quick(problem, favours)();
}

tl::expected<Schedule, WaitMissed> firstSchedule(const ScheduleProblem& problem) {
  auto best = quickSchedule(problem);
  if (!best) return best;
  for (const double share : sharesOfLeft) {
    auto other = quickSchedule(problem, {{}, share, {}});
    if (other && other->ends < best->ends) best = std::move(other);
  }
  return best;
}

}  // namespace avrelt

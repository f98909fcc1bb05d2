// SPDX-License-Identifier: GPL-3.0-or-later
#include "bench/schedule.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace avrelt {
namespace {

using Minutes = long;
constexpr Minutes never = std::numeric_limits<Minutes>::max() / 4;

/// Whole minutes, up: work is never planned shorter than it is.
Minutes up(Duration duration) {
  return static_cast<Minutes>(std::ceil(duration.minutes() - 1e-9));
}
Minutes down(Duration duration) {
  return static_cast<Minutes>(std::floor(duration.minutes() + 1e-9));
}
Duration minutes(Minutes count) {
  return Duration::minutes(static_cast<double>(count));
}

struct Busy {
  Minutes from = 0;
  Minutes to = 0;
};

/// One pair of hands: when it works, and what it does by now.
class Hand {
 public:
  Hand() = default;
  explicit Hand(const std::vector<Span>& hours) {
    for (const Span& span : hours) hours_.push_back({up(span.from), down(span.to)});
  }

  /// The first start not before `from` at which so long a task fits; `never` where none is.
  Minutes firstFor(Minutes from, Minutes takes) const {
    Minutes at = from;
    while (true) {
      const Minutes open = inHours(at, takes);
      if (open == never) return never;
      at = open;
      const auto clash = std::find_if(busy_.begin(), busy_.end(), [&](const Busy& one) {
        return one.from < at + std::max<Minutes>(takes, 1) && at < one.to;
      });
      if (clash == busy_.end()) return at;
      at = clash->to;
    }
  }
  void take(Minutes from, Minutes takes) { busy_.push_back({from, from + takes}); }
  void dropLast() { busy_.pop_back(); }
  /// The longest stretch it works in one go.
  Minutes longest() const {
    if (hours_.empty()) return never;
    Minutes most = 0;
    for (const Busy& one : hours_) most = std::max(most, one.to - one.from);
    return most;
  }
  /// The end of so much work begun not before `from`, parted at will: no schedule does it sooner.
  Minutes endOf(Minutes work, Minutes from) const {
    if (hours_.empty()) return from + work;
    for (const Busy& one : hours_) {
      const Minutes begin = std::max(one.from, from);
      if (begin >= one.to) continue;
      if (work <= one.to - begin) return begin + work;
      work -= one.to - begin;
    }
    return never;
  }

 private:
  Minutes inHours(Minutes from, Minutes takes) const {
    if (hours_.empty()) return from;
    for (const Busy& one : hours_) {
      const Minutes at = std::max(one.from, from);
      if (at + takes <= one.to) return at;
    }
    return never;
  }

  std::vector<Busy> hours_;
  std::vector<Busy> busy_;
};

/// The turners, and what stands on each.
class Turners {
 public:
  explicit Turners(std::size_t count) : busy_(count) {}

  /// The first time not before `from` at which one is free for so long.
  Minutes firstFor(Minutes from, Minutes takes) const {
    if (busy_.empty() || takes == 0) return from;
    Minutes best = never;
    for (const std::vector<Busy>& one : busy_) {
      Minutes at = from;
      bool moved = true;
      while (moved) {
        moved = false;
        for (const Busy& busy : one) {
          if (busy.from < at + takes && at < busy.to) {
            at = busy.to;
            moved = true;
          }
        }
      }
      best = std::min(best, at);
    }
    return best;
  }
  /// Which is free then, from 1.
  std::size_t take(Minutes from, Minutes takes) {
    if (takes == 0 || busy_.empty()) return 0;
    for (std::size_t i = 0; i < busy_.size(); ++i) {
      const bool free = std::none_of(busy_[i].begin(), busy_[i].end(), [&](const Busy& busy) {
        return busy.from < from + takes && from < busy.to;
      });
      if (!free) continue;
      busy_[i].push_back({from, from + takes});
      return i + 1;
    }
    return 0;
  }
  /// Takes back the last that was put on it.
  void dropLast(std::size_t turner) {
    if (turner > 0) busy_[turner - 1].pop_back();
  }

 private:
  std::vector<std::vector<Busy>> busy_;
};

class Quick {
 public:
  explicit Quick(const ScheduleProblem& problem)
      : problem_(problem),
        turners_(problem.turners),
        next_(problem.chains.size(), 0),
        from_(problem.chains.size(), 0) {
    std::size_t hands = problem.hours.size();
    for (const TaskChain& chain : problem.chains) {
      for (const Task& task : chain.tasks) hands = std::max(hands, task.hand + 1);
    }
    hands_.resize(hands);
    for (std::size_t i = 0; i < problem.hours.size(); ++i) {
      if (!problem.hours[i].empty()) hands_[i] = Hand(problem.hours[i]);
    }
    for (const TaskChain& chain : problem.chains) {
      std::vector<Minutes> left(chain.tasks.size() + 1, 0);
      for (std::size_t i = chain.tasks.size(); i-- > 0;) {
        left[i] = left[i + 1] + up(chain.tasks[i].takes) + up(chain.tasks[i].wait.least);
      }
      left_.push_back(std::move(left));
    }
  }

  tl::expected<Schedule, WaitMissed> operator()() {
    while (true) {
      std::optional<std::size_t> best;
      std::vector<Minutes> starts;
      for (std::size_t chain = 0; chain < problem_.chains.size(); ++chain) {
        if (next_[chain] == problem_.chains[chain].tasks.size()) continue;
        std::vector<Minutes> found = blockFor(chain);
        if (found.empty()) return tl::unexpected(missed(chain));
        const bool sooner = !best || found.front() < starts.front() ||
                            (found.front() == starts.front() &&
                             left_[chain][next_[chain]] > left_[*best][next_[*best]]);
        if (!sooner) continue;
        best = chain;
        starts = std::move(found);
      }
      if (!best) break;
      put(*best, starts);
    }
    std::stable_sort(
        made_.tasks.begin(), made_.tasks.end(), [](const ScheduledTask& a, const ScheduledTask& b) {
          return std::tuple(a.start, a.chain, a.task) < std::tuple(b.start, b.chain, b.task);
        });
    return std::move(made_);
  }

 private:
  /// How many tasks from the next on have to follow each other within longest waits.
  std::size_t blockOf(std::size_t chain) const {
    const std::vector<Task>& tasks = problem_.chains[chain].tasks;
    std::size_t end = next_[chain];
    while (end + 1 < tasks.size() && tasks[end].wait.most) ++end;
    return end - next_[chain] + 1;
  }

  Minutes firstFor(const Task& task, Minutes from) const {
    const Minutes takes = up(task.takes);
    Minutes at = from;
    while (true) {
      const Minutes byHand = hands_[task.hand].firstFor(at, takes);
      if (byHand == never) return never;
      const Minutes byTurner = turners_.firstFor(byHand, up(task.onTurner));
      if (byTurner == byHand) return byHand;
      at = byTurner;
    }
  }

  /// When each task of the next block may start; empty where that cannot be.
  std::vector<Minutes> blockFor(std::size_t chain) {
    const std::vector<Task>& tasks = problem_.chains[chain].tasks;
    const std::size_t first = next_[chain];
    const std::size_t count = blockOf(chain);
    Minutes from = from_[chain];
    constexpr int mostTries = 20000;
    for (int tries = 0; tries < mostTries; ++tries) {
      std::vector<Minutes> starts;
      Minutes at = firstFor(tasks[first], from);
      if (at == never) return {};
      starts.push_back(at);
      // The block's own tasks keep hands and turners from each other.
      std::vector<std::size_t> turners;
      const auto hold = [&](const Task& task, Minutes start) {
        hands_[task.hand].take(start, up(task.takes));
        turners.push_back(turners_.take(start, up(task.onTurner)));
      };
      hold(tasks[first], at);
      Minutes later = never;
      for (std::size_t i = 1; i < count; ++i) {
        const Task& before = tasks[first + i - 1];
        const Minutes end = starts.back() + up(before.takes);
        const Minutes found = firstFor(tasks[first + i], end + up(before.wait.least));
        if (found == never || found > end + down(*before.wait.most)) {
          // Begun so much later, it would have followed in time.
          later = found == never ? never : found - down(*before.wait.most) - end;
          break;
        }
        starts.push_back(found);
        hold(tasks[first + i], found);
      }
      for (std::size_t i = turners.size(); i-- > 0;) {
        hands_[tasks[first + i].hand].dropLast();
        turners_.dropLast(turners[i]);
      }
      if (starts.size() == count) return starts;
      if (later == never) return {};
      from = at + std::max<Minutes>(later, 1);
    }
    return {};
  }

  void put(std::size_t chain, const std::vector<Minutes>& starts) {
    const std::vector<Task>& tasks = problem_.chains[chain].tasks;
    for (const Minutes start : starts) {
      const std::size_t index = next_[chain]++;
      const Task& task = tasks[index];
      const Minutes end = start + up(task.takes);
      hands_[task.hand].take(start, up(task.takes));
      const std::size_t turner = turners_.take(start, up(task.onTurner));
      made_.tasks.push_back({chain, index, minutes(start), minutes(end), turner});
      made_.ends = std::max(made_.ends, minutes(end));
      from_[chain] = end + up(task.wait.least);
    }
  }

  /// Why the next block has no place: the wait its hours are too short for, or hours that run out.
  WaitMissed missed(std::size_t chain) const {
    const std::vector<Task>& tasks = problem_.chains[chain].tasks;
    const std::size_t first = next_[chain];
    const std::size_t count = blockOf(chain);
    Minutes work = up(tasks[first].takes);
    const Minutes room = hands_[tasks[first].hand].longest();
    for (std::size_t i = 1; i < count; ++i) {
      // What has to follow soon takes one stretch with what it follows; a night between would be
      // longer than any such wait.
      work += up(tasks[first + i - 1].wait.least) + up(tasks[first + i].takes);
      if (work > room) return {chain, first + i, minutes(work - room)};
    }
    return {chain, first, work > room ? minutes(work - room) : Duration()};
  }

  const ScheduleProblem& problem_;
  std::vector<Hand> hands_;
  Turners turners_;
  std::vector<std::size_t> next_;
  std::vector<Minutes> from_;
  std::vector<std::vector<Minutes>> left_;
  Schedule made_;
};

}  // namespace

tl::expected<Schedule, WaitMissed> quickSchedule(const ScheduleProblem& problem) {
  return Quick(problem)();
}

Duration endsAtLeast(const ScheduleProblem& problem) {
  Minutes most = 0;
  std::size_t hands = problem.hours.size();
  for (const TaskChain& chain : problem.chains) {
    for (const Task& task : chain.tasks) hands = std::max(hands, task.hand + 1);
  }
  const auto handOf = [&](std::size_t i) {
    return i < problem.hours.size() && !problem.hours[i].empty() ? Hand(problem.hours[i]) : Hand();
  };
  for (const TaskChain& chain : problem.chains) {
    // By itself, each task as early as its own hands' hours let it.
    Minutes at = 0;
    for (const Task& task : chain.tasks) {
      const Minutes start = handOf(task.hand).firstFor(at, up(task.takes));
      if (start == never) return minutes(never);
      at = start + up(task.takes);
      most = std::max(most, at);
      at += up(task.wait.least);
    }
  }
  for (std::size_t hand = 0; hand < hands; ++hand) {
    Minutes work = 0;
    Minutes head = never;
    Minutes tail = never;
    for (const TaskChain& chain : problem.chains) {
      Minutes before = 0;
      Minutes all = 0;
      for (const Task& task : chain.tasks) all += up(task.takes) + up(task.wait.least);
      for (const Task& task : chain.tasks) {
        const Minutes own = up(task.takes);
        if (task.hand == hand && own > 0) {
          work += own;
          head = std::min(head, before);
          const Minutes last = chain.tasks.empty() ? 0 : up(chain.tasks.back().wait.least);
          tail = std::min(tail, std::max<Minutes>(0, all - before - own - last));
        }
        before += own + up(task.wait.least);
      }
    }
    if (work == 0) continue;
    const Minutes end = handOf(hand).endOf(work, head);
    if (end == never) return minutes(never);
    most = std::max(most, end + tail);
  }
  return minutes(most);
}

std::optional<std::string> brokenBy(const ScheduleProblem& problem, const Schedule& schedule) {
  std::vector<std::vector<const ScheduledTask*>> byChain(problem.chains.size());
  for (const ScheduledTask& task : schedule.tasks) byChain[task.chain].push_back(&task);
  for (std::size_t c = 0; c < problem.chains.size(); ++c) {
    const std::vector<Task>& tasks = problem.chains[c].tasks;
    std::sort(byChain[c].begin(), byChain[c].end(),
              [](const ScheduledTask* a, const ScheduledTask* b) { return a->task < b->task; });
    if (byChain[c].size() != tasks.size()) return "a task is missing";
    for (std::size_t i = 0; i < tasks.size(); ++i) {
      const ScheduledTask& one = *byChain[c][i];
      if (one.task != i) return "a task is there twice";
      if (one.end.minutes() - one.start.minutes() < tasks[i].takes.minutes() - 1e-9) {
        return "a task is too short";
      }
      const std::size_t hand = tasks[i].hand;
      if (hand < problem.hours.size() && !problem.hours[hand].empty()) {
        const bool within = std::any_of(
            problem.hours[hand].begin(), problem.hours[hand].end(),
            [&](const Span& span) { return span.from <= one.start && one.end <= span.to; });
        if (!within) return "work out of hours";
      }
      if (i == 0) continue;
      const double waited = one.start.minutes() - byChain[c][i - 1]->end.minutes();
      const Wait& wait = tasks[i - 1].wait;
      if (waited < wait.least.minutes() - 1e-9) return "a wait is too short";
      if (wait.most && waited > wait.most->minutes() + 1e-9) return "a wait is too long";
    }
  }
  const auto taskOf = [&](const ScheduledTask& one) -> const Task& {
    return problem.chains[one.chain].tasks[one.task];
  };
  for (std::size_t i = 0; i < schedule.tasks.size(); ++i) {
    const ScheduledTask& a = schedule.tasks[i];
    if (taskOf(a).onTurner > Duration() && problem.turners > 0 &&
        (a.turner == 0 || a.turner > problem.turners)) {
      return "a task has no turner";
    }
    for (std::size_t k = 0; k < i; ++k) {
      const ScheduledTask& b = schedule.tasks[k];
      if (taskOf(a).hand == taskOf(b).hand && a.start < b.end && b.start < a.end) {
        return "hands do two things at once";
      }
      if (a.turner == 0 || a.turner != b.turner) continue;
      if (a.start < b.start + taskOf(b).onTurner && b.start < a.start + taskOf(a).onTurner) {
        return "two cups are on one turner";
      }
    }
  }
  return std::nullopt;
}

}  // namespace avrelt

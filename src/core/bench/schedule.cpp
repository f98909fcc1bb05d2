// SPDX-License-Identifier: GPL-3.0-or-later
#include "bench/schedule.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <tuple>
#include <utility>

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

/// What is done or spots somewhere by now, by its start; no two at once.
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
    busy_.erase(std::find_if(busy_.begin(), busy_.end(), [&](const Busy& one) {
      return one.from == from && one.to == from + takes;
    }));
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

/// When a crew works.
class Hours {
 public:
  Hours() = default;
  explicit Hours(const std::vector<Span>& hours) {
    for (const Span& span : hours) hours_.push_back({up(span.from), down(span.to)});
  }

  /// The first start not before `from` from which so long is worked in one go; `never` where none.
  Minutes firstFor(Minutes from, Minutes takes) const {
    if (hours_.empty()) return from;
    auto one = std::partition_point(hours_.begin(), hours_.end(),
                                    [&](const Busy& span) { return span.to < from + takes; });
    for (; one != hours_.end(); ++one) {
      const Minutes at = std::max(one->from, from);
      if (at + takes <= one->to) return at;
    }
    return never;
  }
  /// The longest stretch worked in one go.
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
  std::vector<Busy> hours_;
};

class Quick {
 public:
  Quick(const ScheduleProblem& problem, const Favours& favours)
      : problem_(problem),
        favours_(favours),
        next_(problem.chains.size(), 0),
        found_(problem.chains.size()) {
    for (std::size_t i = 0; i < problem.crewCount(); ++i) {
      hours_.emplace_back(problem.crew(i).hours);
      hands_.emplace_back(std::max<std::size_t>(1, problem.crew(i).pairs));
    }
    for (std::size_t i = 0; i < spots; ++i) spots_[i] = Lines(problem.places[i]);
    for (std::size_t i = 0; i < problem.chains.size(); ++i) {
      const TaskChain& chain = problem.chains[i];
      from_.push_back(up(chain.from));
      if (chain.held) spotsOf(chain.held->spot).hold(chain.held->number, up(chain.held->until));
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

  /// Whether the next block of a chain could still start as it was found: what others took since
  /// can only have made it later.
  bool stillFits(std::size_t chain) {
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
    found_[chain] = blockFor(chain);
    return !found_[chain].empty();
  }

  std::vector<Minutes> blockFor(std::size_t chain) {
    const std::vector<Task>& tasks = problem_.chains[chain].tasks;
    const std::size_t first = next_[chain];
    const std::size_t count = blockOf(chain);
    Minutes from = from_[chain];
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
    for (std::size_t i = 1; i < count; ++i) {
      // What has to follow soon takes one stretch with what it follows; a night between would be
      // longer than any such wait.
      work += up(tasks[first + i - 1].wait.least) + up(tasks[first + i].takes);
      if (work > room) return {chain, first + i, minutes(work - room)};
    }
    return {chain, first, work > room ? minutes(work - room) : Duration()};
  }

  const ScheduleProblem& problem_;
  const Favours& favours_;
  std::vector<Hours> hours_;
  std::vector<Lines> hands_;
  std::array<Lines, spots> spots_;
  std::vector<std::size_t> next_;
  std::vector<std::vector<Minutes>> found_;
  std::vector<Minutes> from_;
  std::vector<std::vector<Minutes>> left_;
  Schedule made_;
};

/// Whether so many at the most are wanted at any time.
bool fits(std::vector<Busy> wanted, std::size_t places, std::vector<std::size_t*>& numbers,
          const std::vector<std::pair<std::size_t, Minutes>>& held) {
  std::vector<std::size_t> order(wanted.size());
  for (std::size_t i = 0; i < order.size(); ++i) order[i] = i;
  std::stable_sort(order.begin(), order.end(),
                   [&](std::size_t a, std::size_t b) { return wanted[a].from < wanted[b].from; });
  std::vector<Minutes> free(places, 0);
  for (const auto& [number, until] : held) {
    if (number >= 1 && number <= places) free[number - 1] = std::max(free[number - 1], until);
  }
  for (const std::size_t i : order) {
    const auto one = std::find_if(free.begin(), free.end(),
                                  [&](Minutes until) { return until <= wanted[i].from; });
    if (one == free.end()) return false;
    *one = wanted[i].to;
    *numbers[i] = static_cast<std::size_t>(one - free.begin()) + 1;
  }
  return true;
}

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
  for (const double share : {0.02, 0.05, 0.1, 0.2, 0.5, 1.0, 3.0}) {
    auto other = quickSchedule(problem, {{}, share, {}});
    if (other && other->ends < best->ends) best = std::move(other);
  }
  return best;
}

bool number(const ScheduleProblem& problem, Schedule& schedule) {
  const auto taskOf = [&](const ScheduledTask& one) -> const Task& {
    return problem.chains[one.chain].tasks[one.task];
  };
  for (std::size_t crew = 0; crew < problem.crewCount(); ++crew) {
    std::vector<Busy> wanted;
    std::vector<std::size_t*> numbers;
    for (ScheduledTask& one : schedule.tasks) {
      if (taskOf(one).hand != crew || taskOf(one).takes == Duration()) continue;
      wanted.push_back({up(one.start), up(one.end)});
      numbers.push_back(&one.pair);
    }
    if (!fits(wanted, std::max<std::size_t>(1, problem.crew(crew).pairs), numbers, {})) {
      return false;
    }
  }
  for (std::size_t spot = 0; spot < spots; ++spot) {
    if (problem.places[spot] == 0) continue;
    std::vector<Busy> wanted;
    std::vector<std::size_t*> numbers;
    for (ScheduledTask& one : schedule.tasks) {
      const Task& task = taskOf(one);
      if (static_cast<std::size_t>(task.spot) != spot || task.holds == Duration()) continue;
      wanted.push_back({up(one.start), up(one.start) + up(task.holds)});
      numbers.push_back(&one.number);
    }
    std::vector<std::pair<std::size_t, Minutes>> held;
    for (const TaskChain& chain : problem.chains) {
      if (chain.held && static_cast<std::size_t>(chain.held->spot) == spot) {
        held.emplace_back(chain.held->number, up(chain.held->until));
      }
    }
    if (!fits(wanted, problem.places[spot], numbers, held)) return false;
  }
  return true;
}

namespace {

/// No schedule ends before this as a spot has only so many places: were each of its tasks as short
/// as the shortest, the last of them could not start sooner.
Minutes lastOn(const ScheduleProblem& problem, std::size_t spot, const std::vector<Hours>& hours,
               const std::vector<std::vector<Minutes>>& heads) {
  const std::size_t places = problem.places[spot];
  if (places == 0) return 0;
  std::size_t count = 0;
  Minutes head = never;
  Minutes tail = never;
  Minutes takes = never;
  Minutes holds = never;
  std::optional<std::size_t> crew;
  for (std::size_t c = 0; c < problem.chains.size(); ++c) {
    const std::vector<Task>& tasks = problem.chains[c].tasks;
    Minutes rest = 0;
    for (std::size_t i = tasks.size(); i-- > 0;) {
      const Task& task = tasks[i];
      const Minutes own = up(task.takes);
      if (static_cast<std::size_t>(task.spot) == spot && task.holds > Duration()) {
        // Told only where one crew does all of it.
        if (crew && *crew != task.hand) return 0;
        crew = task.hand;
        ++count;
        head = std::min(head, heads[c][i]);
        tail = std::min(tail, rest);
        takes = std::min(takes, own);
        holds = std::min(holds, up(task.holds));
      }
      rest += own + (i > 0 ? up(tasks[i - 1].wait.least) : 0);
    }
  }
  if (!crew) return 0;
  Minutes at = head;
  for (std::size_t round = 0; round < (count + places - 1) / places; ++round) {
    at = hours[*crew].firstFor(round == 0 ? head : at + holds, takes);
    if (at == never) return never;
  }
  return at + takes + tail;
}

}  // namespace

Duration endsAtLeast(const ScheduleProblem& problem) {
  Minutes most = 0;
  std::vector<Hours> hours;
  for (std::size_t i = 0; i < problem.crewCount(); ++i) {
    hours.emplace_back(problem.crew(i).hours);
  }
  // By itself, each task as early as its own crew's hours let it, and what is left after it starts.
  std::vector<std::vector<Minutes>> heads;
  for (const TaskChain& chain : problem.chains) {
    std::vector<Minutes> starts;
    Minutes at = up(chain.from);
    for (const Task& task : chain.tasks) {
      const Minutes takes = up(task.takes);
      const Minutes start = hours[task.hand].firstFor(std::max(at, up(task.notBefore)), takes);
      if (start == never) return minutes(never);
      starts.push_back(start);
      most = std::max(most, start + takes);
      at = start + takes + up(task.wait.least);
    }
    heads.push_back(std::move(starts));
  }
  for (std::size_t crew = 0; crew < problem.crewCount(); ++crew) {
    Minutes work = 0;
    Minutes head = never;
    Minutes tail = never;
    for (std::size_t c = 0; c < problem.chains.size(); ++c) {
      const std::vector<Task>& tasks = problem.chains[c].tasks;
      Minutes rest = 0;
      for (std::size_t i = tasks.size(); i-- > 0;) {
        const Minutes own = up(tasks[i].takes);
        if (tasks[i].hand == crew && own > 0) {
          work += own;
          head = std::min(head, heads[c][i]);
          tail = std::min(tail, rest);
        }
        rest += own + (i > 0 ? up(tasks[i - 1].wait.least) : 0);
      }
    }
    if (work == 0) continue;
    const auto pairs = static_cast<Minutes>(std::max<std::size_t>(1, problem.crew(crew).pairs));
    const Minutes end = hours[crew].endOf((work + pairs - 1) / pairs, head);
    if (end == never) return minutes(never);
    most = std::max(most, end + tail);
  }
  for (std::size_t spot = 0; spot < spots; ++spot) {
    const Minutes soonest = lastOn(problem, spot, hours, heads);
    if (soonest == never) return minutes(never);
    most = std::max(most, soonest);
  }
  return minutes(most);
}

std::optional<std::string> brokenBy(const ScheduleProblem& problem, const Schedule& schedule) {
  constexpr double near = 1e-9;
  std::vector<std::vector<const ScheduledTask*>> byChain(problem.chains.size());
  for (const ScheduledTask& task : schedule.tasks) byChain[task.chain].push_back(&task);
  for (std::size_t c = 0; c < problem.chains.size(); ++c) {
    const TaskChain& chain = problem.chains[c];
    const std::vector<Task>& tasks = chain.tasks;
    std::sort(byChain[c].begin(), byChain[c].end(),
              [](const ScheduledTask* a, const ScheduledTask* b) { return a->task < b->task; });
    if (byChain[c].size() != tasks.size()) return "a task is missing";
    for (std::size_t i = 0; i < tasks.size(); ++i) {
      const ScheduledTask& one = *byChain[c][i];
      if (one.task != i) return "a task is there twice";
      if ((one.end - one.start).minutes() < tasks[i].takes.minutes() - near) {
        return "a task is too short";
      }
      if (one.start < tasks[i].notBefore) return "a task is too soon";
      const std::vector<Span>& hours = problem.crew(tasks[i].hand).hours;
      const bool within =
          hours.empty() || std::any_of(hours.begin(), hours.end(), [&](const Span& span) {
            return span.from <= one.start && one.end <= span.to;
          });
      if (!within) return "work out of hours";
      if (i == 0) {
        if (one.start < chain.from) return "a chain begins too soon";
        if (chain.by && one.start > *chain.by) return "a chain begins too late";
        continue;
      }
      const double waited = (one.start - byChain[c][i - 1]->end).minutes();
      const Wait& wait = tasks[i - 1].wait;
      if (waited < wait.least.minutes() - near) return "a wait is too short";
      if (wait.most && waited > wait.most->minutes() + near) return "a wait is too long";
    }
  }
  const auto taskOf = [&](const ScheduledTask& one) -> const Task& {
    return problem.chains[one.chain].tasks[one.task];
  };
  for (std::size_t i = 0; i < schedule.tasks.size(); ++i) {
    const ScheduledTask& a = schedule.tasks[i];
    const Task& task = taskOf(a);
    const bool stood = task.holds > Duration() && problem.of(task.spot) > 0;
    if (stood && (a.number == 0 || a.number > problem.of(task.spot))) {
      return "a task has no spot";
    }
    if (a.pair == 0 || a.pair > std::max<std::size_t>(1, problem.crew(task.hand).pairs)) {
      return "a task has no hands";
    }
    for (const TaskChain& chain : problem.chains) {
      if (stood && chain.held && chain.held->spot == task.spot && chain.held->number == a.number &&
          a.start < chain.held->until) {
        return "two cups are on one spot";
      }
    }
    for (std::size_t k = 0; k < i; ++k) {
      const ScheduledTask& b = schedule.tasks[k];
      const Task& other = taskOf(b);
      if (task.hand == other.hand && a.pair == b.pair && a.start < b.end && b.start < a.end) {
        return "hands do two things at once";
      }
      if (!stood || other.holds == Duration() || task.spot != other.spot || a.number != b.number) {
        continue;
      }
      if (a.start < b.start + other.holds && b.start < a.start + task.holds) {
        return "two cups are on one spot";
      }
    }
  }
  return std::nullopt;
}

}  // namespace avrelt

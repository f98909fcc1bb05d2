// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <utility>

#include "bench/schedule.h"
#include "bench/whole_minutes.h"

// What no schedule beats, and what one breaks: each by a way of its own.

namespace avrelt {
namespace {

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
    std::vector<std::pair<std::size_t, Minutes>> busy;
    for (const TaskChain& chain : problem.chains) {
      if (chain.busy && chain.busy->hand == crew) {
        busy.emplace_back(chain.busy->pair, up(chain.busy->until));
      }
    }
    if (!fits(wanted, std::max<std::size_t>(1, problem.crew(crew).pairs), numbers, busy)) {
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
      if (chain.busy && chain.busy->hand == task.hand && chain.busy->pair == a.pair &&
          task.takes > Duration() && a.start < chain.busy->until) {
        return "hands do two things at once";
      }
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

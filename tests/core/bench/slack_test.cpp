// SPDX-License-Identifier: GPL-3.0-or-later
// How much later work could begin: a textbook's network, and by chance over schedules with hours,
// hands, turners and longest waits, against pushing each task by hand.
#include "bench/slack.h"

#include <algorithm>
#include <catch2/catch.hpp>
#include <map>
#include <random>
#include <string>

#include "bench/search.h"
#include "core/chance_shops.h"
#include "measure/minutes.h"

using namespace avrelt;
using namespace avrelt::shops;

namespace {

/// A schedule with one task later by so much, and all others only as much later as that asks for,
/// in the order they are in: by pushing along until nothing moves any more. When the last ends.
Duration endPushed(const ScheduleProblem& problem, const Schedule& schedule, std::size_t moved,
                   Duration by) {
  std::vector<Duration> starts;
  for (const ScheduledTask& one : schedule.tasks) starts.push_back(one.start);
  starts[moved] = starts[moved] + by;
  const auto taskOf = [&](std::size_t i) -> const Task& {
    const ScheduledTask& one = schedule.tasks[i];
    return problem.chains[one.chain].tasks[one.task];
  };
  const auto open = [&](std::size_t i) {
    const std::vector<Span>& hours = problem.crew(taskOf(i).hand).hours;
    if (hours.empty()) return starts[i];
    for (const Span& span : hours) {
      const Duration at = std::max(starts[i], span.from);
      if (at + taskOf(i).takes <= span.to) return at;
    }
    return min(1e9);
  };
  const std::size_t count = starts.size();
  for (bool changed = true; changed;) {
    changed = false;
    const auto raise = [&](std::size_t i, Duration to) {
      if (to <= starts[i]) return;
      starts[i] = to;
      changed = true;
    };
    for (std::size_t i = 0; i < count; ++i) {
      if (starts[i] > min(1e8)) return min(1e9);
      raise(i, open(i));
      const ScheduledTask& a = schedule.tasks[i];
      const TaskChain& chain = problem.chains[a.chain];
      if (a.task == 0 && chain.by && starts[i] > *chain.by) return min(1e9);
      for (std::size_t k = 0; k < count; ++k) {
        const ScheduledTask& b = schedule.tasks[k];
        if (i == k) continue;
        if (b.chain == a.chain && b.task == a.task + 1) {
          const Wait& wait = taskOf(i).wait;
          raise(k, starts[i] + taskOf(i).takes + wait.least);
          if (wait.most) raise(i, starts[k] - *wait.most - taskOf(i).takes);
        }
        if (k < i) continue;
        if (taskOf(i).hand == taskOf(k).hand && a.pair == b.pair && taskOf(i).takes > Duration() &&
            taskOf(k).takes > Duration()) {
          raise(k, starts[i] + taskOf(i).takes);
        }
        if (taskOf(i).holds > Duration() && taskOf(k).holds > Duration() && a.number > 0 &&
            taskOf(i).spot == taskOf(k).spot && a.number == b.number) {
          raise(k, starts[i] + taskOf(i).holds);
        }
      }
    }
  }
  Duration ends;
  for (std::size_t i = 0; i < count; ++i) ends = std::max(ends, starts[i] + taskOf(i).takes);
  return ends;
}

}  // namespace

TEST_CASE("The critical path and the slack of a textbook’s network", "[slack]") {
  // Hillier and Lieberman, Introduction to Operations Research, the Reliable Construction project:
  // its activities, durations in weeks, predecessors, 44 weeks in all, and the slack of each; from
  // memory.
  struct Row {
    char name;
    double weeks;
    std::string after;
    double slack;
  };
  const std::vector<Row> rows{
      {'A', 2, "", 0},  {'B', 4, "A", 0}, {'C', 10, "B", 0}, {'D', 6, "C", 4}, {'E', 4, "C", 0},
      {'F', 5, "E", 0}, {'G', 7, "D", 4}, {'H', 9, "EG", 4}, {'I', 7, "C", 2}, {'J', 8, "FI", 0},
      {'K', 4, "J", 1}, {'L', 5, "J", 0}, {'M', 2, "H", 4},  {'N', 6, "KL", 0}};
  std::vector<Activity> work;
  std::vector<Follows> links;
  std::map<char, std::size_t> places;
  for (const Row& row : rows) {
    places[row.name] = work.size();
    work.push_back({min(row.weeks)});
    for (const char before : row.after) links.push_back({places.at(before), places[row.name]});
  }
  // The soonest, by the longest way to each.
  std::vector<double> soonest(rows.size(), 0);
  double ends = 0;
  for (std::size_t i = 0; i < rows.size(); ++i) {
    for (const char before : rows[i].after) {
      const std::size_t k = places.at(before);
      soonest[i] = std::max(soonest[i], soonest[k] + rows[k].weeks);
    }
    ends = std::max(ends, soonest[i] + rows[i].weeks);
  }
  CHECK(ends == 44);
  std::string critical;
  // Whatever order the links are told in.
  std::mt19937 random(3);
  for (int round = 0; round < 5; ++round) {
    std::shuffle(links.begin(), links.end(), random);
    const std::vector<Duration> latest = latestStarts(work, links, min(44));
    critical.clear();
    for (std::size_t i = 0; i < rows.size(); ++i) {
      INFO(rows[i].name);
      CHECK(latest[i].minutes() - soonest[i] == rows[i].slack);
      if (latest[i].minutes() == soonest[i]) critical += rows[i].name;
    }
    CHECK(critical == "ABCEFJLN");
  }
  // A week less is not enough for what is critical.
  CHECK(latestStarts(work, links, min(43))[0] < Duration());
}

TEST_CASE("By its slack each task may begin later, and by no more", "[slack]") {
  std::mt19937 random(52);
  int critical = 0;
  int patient = 0;
  for (int round = 0; round < 120; ++round) {
    ScheduleProblem problem = byChance(random, round % 2 == 0);
    if (round % 3 == 0) {
      problem.crews.resize(1);
      problem.crews[0].pairs = 2;
    }
    const auto schedule = quickSchedule(problem);
    if (!schedule) continue;
    const std::vector<Duration> slack = slackOf(problem, *schedule);
    REQUIRE(slack.size() == schedule->tasks.size());
    // All of them at their latest are one schedule that holds, and ends no later.
    Schedule latest = *schedule;
    for (std::size_t i = 0; i < slack.size(); ++i) {
      latest.tasks[i].start = latest.tasks[i].start + slack[i];
      latest.tasks[i].end = latest.tasks[i].end + slack[i];
      CHECK(latest.tasks[i].end <= schedule->ends);
    }
    const auto broken = brokenBy(problem, latest);
    INFO(broken.value_or(""));
    CHECK_FALSE(broken);
    for (std::size_t i = 0; i < slack.size(); i += 1 + random() % 3) {
      CHECK(endPushed(problem, *schedule, i, slack[i]) <= schedule->ends);
      CHECK(endPushed(problem, *schedule, i, slack[i] + min(1)) > schedule->ends);
      (slack[i] == Duration() ? critical : patient)++;
    }
  }
  CHECK(critical > 100);
  CHECK(patient > 100);
}

TEST_CASE("Hands that are at something when it begins do nothing else till then", "[schedule]") {
  std::mt19937 random(53);
  for (int round = 0; round < 150; ++round) {
    ScheduleProblem problem = byChance(random, round % 2 == 0);
    problem.crews.resize(1);
    problem.crews[0].pairs = 1 + random() % 3;
    const std::size_t pair = 1 + random() % problem.crews[0].pairs;
    TaskChain& begun = problem.chains[random() % problem.chains.size()];
    const Duration until = min(static_cast<double>(1 + random() % 40));
    begun.busy = AtWork{0, pair, until};
    begun.from = until;
    const auto schedule = quickSchedule(problem);
    if (!schedule) continue;
    CHECK_FALSE(brokenBy(problem, *schedule));
    Schedule numbered = *schedule;
    CHECK(number(problem, numbered));
    for (const ScheduledTask& task : numbered.tasks) {
      CHECK((task.pair != pair || task.start >= until));
    }
    // One that gives them something is found out.
    Schedule wrong = *schedule;
    ScheduledTask& first = wrong.tasks.front();
    const Duration takes = first.end - first.start;
    first.pair = pair;
    first.start = Duration();
    first.end = takes;
    if (first.chain != static_cast<std::size_t>(&begun - problem.chains.data())) {
      CHECK(brokenBy(problem, wrong));
    }
    if (round % 10 != 0) continue;
    SearchLimits limits;
    limits.time = std::chrono::milliseconds(60);
    const FoundSchedule found = searchSchedule(problem, *schedule, limits);
    CHECK_FALSE(brokenBy(problem, found.schedule));
    CHECK(found.schedule.ends <= schedule->ends);
  }
}

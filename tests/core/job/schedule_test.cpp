// SPDX-License-Identifier: GPL-3.0-or-later
// When to do what: nothing broken, by a check of its own, over problems by chance; small ones
// against every order of work; a published job shop; hours, nights and days away.
#include "bench/schedule.h"

#include <algorithm>
#include <catch2/catch.hpp>
#include <cmath>
#include <numeric>
#include <random>

#include "bench/civil_time.h"
#include "core/chance_shops.h"
#include "core/job_shops.h"
#include "measure/minutes.h"

using namespace avrelt;
using namespace avrelt::shops;

namespace {

/// The best there is without hours and longest waits, by every order in which tasks may begin.
double bestOf(const ScheduleProblem& problem, std::vector<std::size_t>& next,
              std::vector<double>& ready, double hand, double ends, double best) {
  bool any = false;
  for (std::size_t c = 0; c < problem.chains.size(); ++c) {
    const std::vector<Task>& tasks = problem.chains[c].tasks;
    if (next[c] == tasks.size()) continue;
    any = true;
    const Task& task = tasks[next[c]];
    const double start = std::max(ready[c], hand);
    const double end = start + task.takes.minutes();
    if (end >= best) continue;
    const double before = ready[c];
    ready[c] = end + task.wait.least.minutes();
    ++next[c];
    best = bestOf(problem, next, ready, end, std::max(ends, end), best);
    --next[c];
    ready[c] = before;
  }
  return any ? best : std::min(best, ends);
}

}  // namespace

TEST_CASE("A schedule keeps waits, hours, hands and turners, the same every time", "[schedule]") {
  std::mt19937 random(51);
  int made = 0;
  for (int round = 0; round < 400; ++round) {
    const ScheduleProblem problem = byChance(random, round % 2 == 0);
    const auto schedule = quickSchedule(problem);
    if (!schedule) {
      // Only a stretch too long for one evening has no place.
      CHECK(round % 2 == 0);
      CHECK(schedule.error().by > Duration());
      continue;
    }
    ++made;
    const auto broken = brokenBy(problem, *schedule);
    INFO(broken.value_or(""));
    CHECK_FALSE(broken);
    CHECK(schedule->ends >= endsAtLeast(problem));
    CHECK(quickSchedule(problem)->tasks == schedule->tasks);
  }
  CHECK(made > 350);
}

TEST_CASE("What is broken in a schedule is found", "[schedule]") {
  ScheduleProblem problem;
  problem.chains = {{"a", {{"1", min(10), {min(5), min(8)}, 0, {}}, {"2", min(10), {}, 0, {}}}}};
  problem.crews = {{{{min(0), min(60)}}}};
  const Schedule good = *quickSchedule(problem);
  CHECK_FALSE(brokenBy(problem, good));
  const auto with = [&](double first, double second, double end) {
    Schedule wrong = good;
    wrong.tasks[0].start = min(first);
    wrong.tasks[0].end = min(first + 10);
    wrong.tasks[1].start = min(second);
    wrong.tasks[1].end = min(end);
    return brokenBy(problem, wrong).value_or("");
  };
  CHECK(with(0, 12, 22) == "a wait is too short");
  CHECK(with(0, 30, 40) == "a wait is too long");
  CHECK(with(0, 15, 20) == "a task is too short");
  CHECK(with(40, 55, 65) == "work out of hours");
  Schedule missing = good;
  missing.tasks.pop_back();
  CHECK(brokenBy(problem, missing) == "a task is missing");
  ScheduleProblem two = problem;
  two.chains.push_back({"b", {{"1", min(10), {}, 0, min(30)}}});
  two.of(Spot::turner) = 1;
  Schedule both = *quickSchedule(two);
  CHECK_FALSE(brokenBy(two, both));
  for (ScheduledTask& task : both.tasks) {
    if (task.chain == 1) task.start = min(2), task.end = min(12);
  }
  CHECK(brokenBy(two, both) == "hands do two things at once");
}

TEST_CASE("Small problems come out near the best there is, and never under the bound",
          "[schedule]") {
  std::mt19937 random(52);
  double worst = 1;
  double sum = 0;
  int count = 0;
  for (int round = 0; round < 120; ++round) {
    ScheduleProblem problem;
    const std::size_t cups = 2 + random() % 2;
    for (std::size_t c = 0; c < cups; ++c) {
      TaskChain chain;
      for (int i = 0; i < 4; ++i) {
        chain.tasks.push_back({std::to_string(i),
                               min(1 + static_cast<double>(random() % 20)),
                               {min(static_cast<double>(random() % 60))},
                               0,
                               {}});
      }
      problem.chains.push_back(chain);
    }
    std::vector<std::size_t> next(cups, 0);
    std::vector<double> ready(cups, 0);
    const double best = bestOf(problem, next, ready, 0, 0, 1e9);
    const double quick = quickSchedule(problem)->ends.minutes();
    CHECK(quick >= best - 1e-9);
    CHECK(endsAtLeast(problem).minutes() <= best + 1e-9);
    worst = std::max(worst, quick / best);
    sum += quick / best;
    ++count;
  }
  CHECK(worst < 1.5);
  CHECK(sum / count < 1.06);
}

TEST_CASE("A published job shop: a lawful schedule not far from its optimum", "[schedule]") {
  const ScheduleProblem problem = jobShop(six);
  const auto schedule = quickSchedule(problem);
  REQUIRE(schedule);
  CHECK_FALSE(brokenBy(problem, *schedule));
  CHECK(schedule->ends.minutes() >= 55);
  CHECK(schedule->ends.minutes() <= 80);
  // 47 is the work of the busiest chain; no bound is above the optimum.
  CHECK(endsAtLeast(problem).minutes() >= 47);
  CHECK(endsAtLeast(problem).minutes() <= 55);
}

TEST_CASE("Waits cross the night, work does not, and what cannot follow in time is told",
          "[schedule]") {
  ScheduleProblem problem;
  problem.crews = {{{{min(0), min(60)}, {min(1440), min(1500)}}}};
  problem.chains = {{"a", {{"coat", min(30), {min(300)}, 0, {}}, {"next", min(30), {}, 0, {}}}}};
  const auto schedule = quickSchedule(problem);
  REQUIRE(schedule);
  CHECK(schedule->tasks[1].start.minutes() == 1440);
  // Glue and what goes into it, 70 minutes in one go, within hours of 60.
  problem.chains = {
      {"a", {{"glue", min(30), {min(10), min(20)}, 0, {}}, {"shake", min(30), {}, 0, {}}}}};
  const auto missed = quickSchedule(problem);
  REQUIRE_FALSE(missed);
  CHECK(missed.error().task == 1);
  CHECK(missed.error().by.minutes() == 10);
  // No hours at all.
  problem.crews = {{{{min(0), min(5)}}}};
  CHECK_FALSE(quickSchedule(problem));
}

TEST_CASE("Times and hours are read as they are written, and days away are left out",
          "[schedule]") {
  const auto time = parseCivil("2026-12-01T18:05");
  REQUIRE(time);
  CHECK(civilText(*time) == "2026-12-01T18:05");
  // A Tuesday (by any calendar).
  CHECK(dayText(*time) == "Tue 1 Dec");
  CHECK(civilText(*parseCivil("2028-02-29")) == "2028-02-29T00:00");
  for (const char* wrong :
       {"", "2026", "2026-13-01", "2026-02-29", "2026-12-01 18:05", "2026-12-01T25:00",
        "2026-12-01T18:60", "2026-12-01T1805", "x026-12-01"}) {
    INFO(wrong);
    CHECK_FALSE(parseCivil(wrong));
  }
  const auto daily = parseHours("18:00-22:00");
  REQUIRE(daily);
  CHECK(hoursText(*daily) == "18:00-22:00");
  CHECK(hoursText(*parseHours("")).empty());
  for (const char* wrong : {" ", "18-22", "22:00-18:00", "18:00-18:00", "18:00-25:00"}) {
    CHECK_FALSE(parseHours(wrong));
  }
  WorkingHours hours;
  hours.days.fill(*daily);
  hours.away = {*parseCivil("2026-12-02")};
  hours.days[6] = *parseHours("");  // no Saturdays
  const std::vector<Span> spans = spansOf(hours, *parseCivil("2026-12-01T19:00"), 7);
  // Tue from 19, not Wed, Thu, Fri, not Sat, Sun, Mon.
  REQUIRE(spans.size() == 5);
  CHECK(spans[0] == Span{min(0), min(180)});
  CHECK(spans[1].from.minutes() == 2 * 1440 - 60);
  CHECK(spans[3].from.minutes() == 5 * 1440 - 60);
}

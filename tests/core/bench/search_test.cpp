// SPDX-License-Identifier: GPL-3.0-or-later
// The search for the soonest end: published job shops, flow shops without waits against every
// order, small benches with longest waits against every start there is, and nothing broken.
#include "bench/search.h"

#include <algorithm>
#include <catch2/catch.hpp>
#include <numeric>
#include <random>

#include "core/job_shops.h"
#include "measure/minutes.h"

using namespace avrelt;
using namespace avrelt::shops;

namespace {

FoundSchedule search(const ScheduleProblem& problem, int seconds) {
  const auto start = quickSchedule(problem);
  REQUIRE(start);
  const FoundSchedule found =
      searchSchedule(problem, *start, {std::chrono::seconds(seconds), nullptr, {}});
  const auto broken = brokenBy(problem, found.schedule);
  INFO(broken.value_or(""));
  CHECK_FALSE(broken);
  CHECK(found.schedule.ends <= start->ends);
  CHECK(found.bound <= found.schedule.ends);
  return found;
}

/// Every start of every task up to a bound: the soonest end of one pair of hands.
struct EveryStart {
  const ScheduleProblem& problem;
  std::vector<std::pair<std::size_t, std::size_t>> order{};  ///< chain, task
  std::vector<int> starts{};
  int best = 0;

  explicit EveryStart(const ScheduleProblem& of, int most) : problem(of), best(most) {
    for (std::size_t c = 0; c < of.chains.size(); ++c) {
      for (std::size_t i = 0; i < of.chains[c].tasks.size(); ++i) order.emplace_back(c, i);
    }
    starts.resize(order.size());
    go(0, 0);
  }

  const Task& task(std::size_t i) const {
    return problem.chains[order[i].first].tasks[order[i].second];
  }
  static int whole(Duration duration) { return static_cast<int>(duration.minutes()); }

  void go(std::size_t at, int ends) {
    if (ends >= best) return;
    if (at == order.size()) {
      best = ends;
      return;
    }
    const Task& one = task(at);
    const int takes = whole(one.takes);
    int from = 0;
    int to = best - takes;
    if (order[at].second > 0) {
      const int end = starts[at - 1] + whole(task(at - 1).takes);
      from = end + whole(task(at - 1).wait.least);
      if (task(at - 1).wait.most) to = std::min(to, end + whole(*task(at - 1).wait.most));
    }
    for (int start = from; start <= to; ++start) {
      bool free = true;
      for (std::size_t i = 0; i < at && free; ++i) {
        free = starts[i] >= start + takes || start >= starts[i] + whole(task(i).takes);
      }
      const auto& hours = problem.crew(0).hours;
      free = free && (hours.empty() || std::any_of(hours.begin(), hours.end(), [&](const Span& s) {
                        return whole(s.from) <= start && start + takes <= whole(s.to);
                      }));
      if (!free) continue;
      starts[at] = start;
      go(at + 1, std::max(ends, start + takes));
    }
  }
};

}  // namespace

TEST_CASE("The 6 by 6 job shop is solved, and proven", "[search]") {
  const FoundSchedule found = search(jobShop(six), 60);
  CHECK(found.schedule.ends.minutes() == 55);
  CHECK(found.proven);
  CHECK(found.bound.minutes() == 55);
}

TEST_CASE("The 10 by 10 job shop gets better, never below its optimum", "[search]") {
  const ScheduleProblem problem = jobShop(ten);
  const FoundSchedule found = search(problem, 2);
  CHECK(found.schedule.ends.minutes() >= 930);
  CHECK(found.schedule.ends < quickSchedule(problem)->ends);
  CHECK(found.bound.minutes() <= 930);
}

TEST_CASE("Jobs that may not wait between machines end as soon as the best of every order",
          "[search]") {
  std::mt19937 random(61);
  for (int round = 0; round < 8; ++round) {
    constexpr int jobs = 5;
    constexpr int machines = 3;
    std::vector<std::vector<int>> times(jobs, std::vector<int>(machines));
    ScheduleProblem problem;
    for (auto& job : times) {
      TaskChain chain;
      for (int m = 0; m < machines; ++m) {
        job[static_cast<std::size_t>(m)] = 1 + static_cast<int>(random() % 12);
        chain.tasks.push_back({std::to_string(m),
                               min(job[static_cast<std::size_t>(m)]),
                               {min(0), min(0)},
                               static_cast<std::size_t>(m)});
      }
      chain.tasks.back().wait = {};
      problem.chains.push_back(chain);
    }
    // The least delay between starts of two jobs in a row: the most that any machine asks for.
    const auto delay = [&](const std::vector<int>& a, const std::vector<int>& b) {
      int most = 0;
      int endA = 0;
      int startB = 0;
      for (std::size_t m = 0; m < machines; ++m) {
        endA += a[m];
        most = std::max(most, endA - startB);
        startB += b[m];
      }
      return most;
    };
    std::vector<std::size_t> order(jobs);
    std::iota(order.begin(), order.end(), 0U);
    int best = 1 << 20;
    do {
      int start = 0;
      for (std::size_t i = 1; i < order.size(); ++i) {
        start += delay(times[order[i - 1]], times[order[i]]);
      }
      const auto& last = times[order.back()];
      best = std::min(best, start + std::accumulate(last.begin(), last.end(), 0));
    } while (std::next_permutation(order.begin(), order.end()));
    const FoundSchedule found = search(problem, 60);
    CHECK(found.proven);
    // Machines may see the jobs in other orders than each other, where none may wait they do not
    // gain by it in a flow shop.
    CHECK(found.schedule.ends.minutes() == best);
  }
}

TEST_CASE("Small benches with longest waits and hours end as soon as any start lets them",
          "[search]") {
  std::mt19937 random(62);
  const auto whole = [&](int low, int high) {
    return low + static_cast<int>(random() % static_cast<unsigned>(high - low + 1));
  };
  int compared = 0;
  for (int round = 0; round < 60; ++round) {
    ScheduleProblem problem;
    const int cups = whole(2, 3);
    for (int c = 0; c < cups; ++c) {
      TaskChain chain;
      for (int i = 0; i < (cups == 2 ? 3 : 2); ++i) {
        Task task{std::to_string(i), min(whole(1, 4))};
        task.wait.least = min(whole(0, 5));
        if (whole(0, 1) == 0) task.wait.most = task.wait.least + min(whole(0, 3));
        chain.tasks.push_back(task);
      }
      problem.chains.push_back(chain);
    }
    if (round % 2 == 0) {
      problem.crews = {{{{min(0), min(9)}, {min(14), min(26)}, {min(30), min(90)}}}};
    }
    if (!quickSchedule(problem)) continue;
    ++compared;
    const FoundSchedule found = search(problem, 60);
    CHECK(found.proven);
    const int most = static_cast<int>(found.schedule.ends.minutes()) + 1;
    CHECK(EveryStart(problem, most).best == most - 1);
  }
  CHECK(compared > 40);
}

TEST_CASE("A search over many cups keeps hands, turners and what is held, and can be stopped",
          "[search]") {
  std::mt19937 random(63);
  const auto whole = [&](int low, int high) {
    return low + static_cast<int>(random() % static_cast<unsigned>(high - low + 1));
  };
  for (int round = 0; round < 6; ++round) {
    ScheduleProblem problem;
    for (int c = 0; c < 8; ++c) {
      TaskChain chain;
      for (int i = 0; i < 12; ++i) {
        Task task{std::to_string(i), min(whole(2, 12))};
        switch (whole(0, 4)) {
          case 0:
            task.wait = {min(0), min(whole(3, 15))};
            break;
          case 1:
            task.wait.least = min(whole(20, 60));
            break;
          case 2:
            task.wait.least = min(300);
            task.holds = task.takes + task.wait.least;
            break;
          default:
            break;
        }
        chain.tasks.push_back(task);
      }
      if (c == 0) chain.held = Held{Spot::turner, 1, min(200)};
      if (c == 1) chain.from = min(50);
      if (c == 2) chain.by = min(30);
      problem.chains.push_back(chain);
    }
    Crew crew;
    for (int day = 0; day < 40; ++day)
      crew.hours.push_back({min(day * 1440.0), min(day * 1440.0 + 240)});
    crew.pairs = static_cast<std::size_t>(whole(1, 2));
    problem.crews = {crew};
    problem.of(Spot::turner) = static_cast<std::size_t>(whole(2, 4));
    if (!quickSchedule(problem)) continue;
    search(problem, 1);
    std::atomic<bool> stop{true};
    const auto start = quickSchedule(problem);
    const FoundSchedule stopped =
        searchSchedule(problem, *start, {std::chrono::hours(1), &stop, {}});
    CHECK(stopped.schedule.ends <= start->ends);
  }
}

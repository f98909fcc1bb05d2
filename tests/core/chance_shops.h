// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <random>
#include <string>
#include <vector>

#include "bench/schedule.h"

namespace avrelt::shops {

/// Up to six cups of up to nine tasks with waits, some of them longest ones, and turners; with
/// hours four of them a day.
inline ScheduleProblem byChance(std::mt19937& random, bool hours) {
  const auto min = [](double minutes) { return Duration::minutes(minutes); };
  const auto whole = [&](int low, int high) {
    return low + static_cast<int>(random() % static_cast<unsigned>(high - low + 1));
  };
  ScheduleProblem problem;
  const int cups = whole(1, 6);
  for (int c = 0; c < cups; ++c) {
    TaskChain chain;
    const int count = whole(1, 9);
    for (int i = 0; i < count; ++i) {
      Task task{std::to_string(i), min(whole(1, 20)), {}, 0, {}};
      task.wait.least = min(whole(0, 2) == 0 ? whole(20, 300) : 0);
      if (whole(0, 2) == 0) {
        task.wait.least = min(whole(0, 5));
        task.wait.most = task.wait.least + min(whole(0, 15));
      }
      if (whole(0, 3) == 0) task.holds = task.takes + task.wait.least;
      chain.tasks.push_back(task);
    }
    problem.chains.push_back(chain);
  }
  problem.of(Spot::turner) = static_cast<std::size_t>(whole(0, 3));
  if (hours) {
    std::vector<Span> spans;
    for (int day = 0; day < 200; ++day) {
      spans.push_back({min(day * 1440.0), min(day * 1440.0 + 240)});
    }
    problem.crews = {{spans}};
  }
  return problem;
}

}  // namespace avrelt::shops

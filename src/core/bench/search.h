// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <atomic>
#include <chrono>
#include <functional>

#include "bench/schedule.h"

namespace avrelt {

/// How long to search, and who wants to know.
struct SearchLimits {
  std::chrono::milliseconds time{1000};
  /// Set from elsewhere: the search ends soon, with the best so far.
  const std::atomic<bool>* stop = nullptr;
  /// Told of every schedule that ends sooner than the one before, on the searching thread.
  std::function<void(const Schedule&)> better{};
};

struct FoundSchedule {
  Schedule schedule;
  Duration bound;       ///< no schedule ends sooner
  bool proven = false;  ///< that none does than this
};

/// Looks for a schedule that ends sooner than one that holds. First other turns by the rule of
/// `quickSchedule`; then Gecode (unary and cumulative resources, time lags, branch and bound with
/// restarts): over every order of work where these are few enough to be told apart one by one,
/// which ends with a proof; over those in which a few chains change their turn, again and again,
/// where they are many. Never gives one that ends later.
FoundSchedule searchSchedule(const ScheduleProblem& problem, const Schedule& start,
                             const SearchLimits& limits = {});

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <tl/expected.hpp>
#include <vector>

#include "bench/method.h"
#include "measure/duration.h"

namespace avrelt {

/// From a time up to another, counted from a start that is who asks's own.
struct Span {
  Duration from;
  Duration to;

  friend bool operator==(const Span&, const Span&) = default;
};

/// One thing to do, by one pair of hands.
struct Task {
  std::string id;
  Duration takes;
  Wait wait{};           ///< from its end to the start of the next of its chain
  std::size_t hand = 0;  ///< whose, or at which machine
  /// From its start so long on a turner, 0 for none: no longer than till the next of its chain may
  /// start.
  Duration onTurner{};
};

/// What is done one after the other at one cup.
struct TaskChain {
  std::string name;
  std::vector<Task> tasks;
};

/// Chains that share hands and turners.
struct ScheduleProblem {
  std::vector<TaskChain> chains;
  /// When each pair of hands works, in order and apart; one without hours works always.
  std::vector<std::vector<Span>> hours;
  std::size_t turners = 0;  ///< 0 where there are as many as it takes
};

struct ScheduledTask {
  std::size_t chain = 0;
  std::size_t task = 0;
  Duration start;
  Duration end;
  std::size_t turner = 0;  ///< from 1; 0 for none

  friend bool operator==(const ScheduledTask&, const ScheduledTask&) = default;
};

struct Schedule {
  std::vector<ScheduledTask> tasks;  ///< by their start
  Duration ends;                     ///< of the last
};

/// A wait that no schedule keeps: this task cannot follow the one before it in time.
struct WaitMissed {
  std::size_t chain = 0;
  std::size_t task = 0;
  Duration by;  ///< so much longer a stretch of work would have to be; 0 where hours run out
};

/// A schedule at once, by a simple rule: of what may come next of each chain, with all that has to
/// follow it within its longest waits, what can begin first; of those that begin together, what has
/// most left after it. Hands do other things while something sets. Waits may cross the night, work
/// may not be parted. The same problem gives the same schedule.
tl::expected<Schedule, WaitMissed> quickSchedule(const ScheduleProblem& problem);

/// No schedule ends before this: the longest chain by itself, and the work of any pair of hands
/// with the least that comes before and after, within their hours.
Duration endsAtLeast(const ScheduleProblem& problem);

/// What a schedule breaks of its problem, in a word a test or a log can show; nothing where it
/// holds.
std::optional<std::string> brokenBy(const ScheduleProblem& problem, const Schedule& schedule);

}  // namespace avrelt

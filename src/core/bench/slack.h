// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "bench/schedule.h"

namespace avrelt {

/// One piece of work of a network.
struct Activity {
  Duration takes;
  std::optional<Duration> by{};  ///< it starts no later
  const Crew* crew = nullptr;    ///< in whose hours it is done; at any time where none
};

/// Something that follows something else: from the end of the one to the start of the other no
/// shorter than `least`, which may be below 0, nor longer than `most`.
struct Follows {
  std::size_t before = 0;
  std::size_t after = 0;
  Duration least{};
  std::optional<Duration> most{};
};

/// The latest each may start with all of it done by `ends`: the backward pass of the critical path
/// method (Kelley and Walker 1959), with longest waits and hours of work, in whole minutes. What
/// cannot be done by then starts below 0.
std::vector<Duration> latestStarts(const std::vector<Activity>& work,
                                   const std::vector<Follows>& links, Duration ends);

/// How much later each task of a schedule could start, in its order, and the schedule still end
/// when it does, with everyone's turns and places as they are in it: its slack. What has none is
/// critical.
std::vector<Duration> slackOf(const ScheduleProblem& problem, const Schedule& schedule);

}  // namespace avrelt

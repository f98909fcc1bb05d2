// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <optional>
#include <string>
#include <tl/expected.hpp>
#include <vector>

#include "bench/wait.h"

namespace avrelt {

/// What stands on, lies under or hangs in something there are only so many of.
enum class Spot { turner, lamp, sprayPlace, shelf };
inline constexpr std::size_t spots = 4;

/// One thing to do, by one pair of hands.
struct Task {
  std::string id;
  Duration takes;
  Wait wait{};           ///< from its end to the start of the next of its chain
  std::size_t hand = 0;  ///< by which crew, or at which machine
  /// From its start so long on a spot, 0 for none: no longer than till the next of its chain that
  /// takes such a spot may start.
  Duration holds{};
  Spot spot = Spot::turner;
  Duration notBefore{};
};

/// A spot that is taken when planning begins, by its number, up to then.
struct Held {
  Spot spot = Spot::turner;
  std::size_t number = 1;
  Duration until;
};

/// A pair of hands of a crew that is at something when planning begins, by its number, up to then.
struct AtWork {
  std::size_t hand = 0;
  std::size_t pair = 1;
  Duration until;
};

/// What is done one after the other at one cup.
struct TaskChain {
  std::string name;
  std::vector<Task> tasks;
  Duration from{};               ///< its first task starts no sooner
  std::optional<Duration> by{};  ///< and no later
  std::optional<Held> held{};    ///< while what was done before it sets
  std::optional<AtWork> busy{};  ///< with what is done before it
};

/// Pairs of hands that do the same work in the same hours.
struct Crew {
  std::vector<Span> hours{};  ///< in order and apart; always where there are none
  std::size_t pairs = 1;
};

/// Chains that share hands and spots.
struct ScheduleProblem {
  std::vector<TaskChain> chains;
  std::vector<Crew> crews{};
  std::array<std::size_t, spots> places{};  ///< of each spot; 0 where there are as many as it takes

  std::size_t& of(Spot spot) { return places[static_cast<std::size_t>(spot)]; }
  std::size_t of(Spot spot) const { return places[static_cast<std::size_t>(spot)]; }
  /// As many crews as its tasks name, where fewer are given.
  std::size_t crewCount() const;
  const Crew& crew(std::size_t hand) const;
};

struct ScheduledTask {
  std::size_t chain = 0;
  std::size_t task = 0;
  Duration start;
  Duration end;
  std::size_t number = 0;  ///< of its spot, from 1; 0 for none
  std::size_t pair = 1;    ///< of hands in its crew, from 1

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
  bool itself = false;  ///< it is longer than any stretch of work by itself
};

/// What else decides whose turn it is: a task goes before one that could begin so much sooner.
struct Favours {
  std::vector<std::vector<Duration>> of{};  ///< by chain and task; none where they are missing
  double ofLeft = 0;                        ///< and by this share of what is left after it
  /// Where it is given, tasks take their turns as they started in another schedule, by chain and
  /// task; one that was not in it, with what follows it.
  std::vector<std::vector<std::optional<Duration>>> turns{};
};

/// A schedule at once, by a simple rule: of what may come next of each chain, with all that has to
/// follow it within its longest waits, what can begin first; of those that begin together, what has
/// most left after it. Chains that have to begin by some time go first. Hands do other things while
/// something sets. Waits may cross the night, work may not be parted. The same problem gives the
/// same schedule, and so do the same favours.
tl::expected<Schedule, WaitMissed> quickSchedule(const ScheduleProblem& problem,
                                                 const Favours& favours = {});

/// Shares of what is left worth trying.
inline constexpr std::array<double, 7> sharesOfLeft{0.02, 0.05, 0.1, 0.2, 0.5, 1.0, 3.0};

/// The best of a few by that rule, with more and less weight on what is left: at once as well, and
/// the same every time.
tl::expected<Schedule, WaitMissed> firstSchedule(const ScheduleProblem& problem);

/// No schedule ends before this: the longest chain by itself, and the work of any crew with the
/// least that comes before and after, within their hours.
Duration endsAtLeast(const ScheduleProblem& problem);

/// What a schedule breaks of its problem, in a word a test or a log can show; nothing where it
/// holds.
std::optional<std::string> brokenBy(const ScheduleProblem& problem, const Schedule& schedule);

/// Gives each task its pair of hands and the number of its spot, by their starts; false where
/// there are too few of either.
bool number(const ScheduleProblem& problem, Schedule& schedule);

}  // namespace avrelt

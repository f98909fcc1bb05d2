// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "bench/search.h"
#include "bench/step_changes.h"
#include "job/plan.h"

namespace avrelt {

/// The step of a cup that somebody is at.
struct StepAtHand {
  std::size_t step = 0;
  CivilTime since;
  CivilTime ends;  ///< as reckoned; now, where that is over
  std::size_t pair = 1;
};

/// The work of one cup: all of its steps, and which of them are done.
struct BenchCup {
  std::string name;
  std::vector<Step> steps;
  std::vector<std::optional<StepDone>> done;  ///< by step
  std::vector<StepConflict> conflicts;
  std::vector<std::size_t> left;  ///< the steps nobody did, or is at: the tasks of its chain
  std::optional<StepAtHand> atHand{};
  std::vector<Step> dropped;  ///< by the maker
  /// When what is left may go on, after what was done last, or will be done then.
  std::optional<CivilTime> opens{};
  std::optional<CivilTime> closes{};
};

/// Something that cannot be kept, at a step of a cup.
struct BenchTrouble {
  Rule rule;
  std::size_t cup = 0;
  std::string step;
  Sentence words;
  bool ofDue = false;  ///< that the order ends after it is due
};

/// One thing to mix for steps of several cups that follow each other closely.
struct SharedMix {
  std::vector<std::pair<std::size_t, std::size_t>> steps;  ///< cup, step
  Mix mix;
  std::optional<Duration> working{};
};

/// The bench of an order as it stands at some time: what is left of every cup, and when to do it.
struct BenchPlan {
  CivilTime zero;  ///< times of problem and schedule are counted from it
  std::vector<BenchCup> cups;
  ScheduleProblem problem;
  std::optional<Schedule> schedule;  ///< none where no hours are left for it
  Duration bound;                    ///< it cannot end sooner
  bool proven = false;               ///< that it cannot end sooner than it does
  std::optional<CivilTime> due{};
  std::vector<BenchTrouble> troubles;

  const Step& stepOf(const ScheduledTask& task) const;
  std::size_t stepIndex(const ScheduledTask& task) const;
  CivilTime at(Duration time) const { return after(zero, time); }
  std::size_t countLeft() const;
};

/// The steps of a cup with what its maker changed.
ChangedSteps benchSteps(const CupPlan& plan, const BenchChoices& choices, const Stock& stock);

/// The bench at `now`: what was done is kept as it was done, the rest planned from then on, or from
/// the first hour of work where that is later, by the quick rule; before that hour only what has to
/// follow what was done already. A longest wait that cannot be
/// kept, as hours are too short or it is over, is told with the fewest minutes it is missed by, and
/// let go. With a plan from `before`, turns are kept as they were in it where that ends no later. A
/// pure function of its arguments.
BenchPlan benchPlan(const std::vector<const CupPlan*>& cups, const BenchChoices& choices,
                    const Stock& stock, CivilTime now, const BenchPlan* before = nullptr);
BenchPlan benchPlan(const Plan& plan, CivilTime now);

/// How much later each step that is left could begin, by cup and the place in what is left of it,
/// and the order still end when it does. Empty where there is no schedule.
std::vector<std::vector<Duration>> slackOf(const BenchPlan& plan);

/// Which cup is begun with, and why: what it follows sets, or nothing could be later, or it could,
/// and by how much; and which other one can wait longest. Nothing where fewer than two are left.
std::optional<Sentence> whyFirst(const BenchPlan& plan,
                                 const std::vector<std::vector<Duration>>& slack);

/// When a step may start as the one before it is done, or planned; the latest nothing where it may
/// wait.
struct StartWindow {
  CivilTime earliest;
  std::optional<CivilTime> latest{};
};
/// Nothing for a step that is done, and where the one before it is not planned.
std::optional<StartWindow> startWindow(const BenchPlan& plan, std::size_t cup, std::size_t step);

/// A better schedule than it has, searched for.
void improve(BenchPlan& plan, const SearchLimits& limits);
/// Takes a schedule that was found for the same problem.
void take(BenchPlan& plan, const FoundSchedule& found);

/// What is mixed for the steps of a schedule: resin of one kind, put on one after the other within
/// the time it can be worked, is mixed once.
std::vector<SharedMix> mixesOf(const BenchPlan& plan);

/// How long steps of a kind took, of what was reckoned: the middle of what was done, where that is
/// three or more.
struct LearntTime {
  StepKind kind = StepKind::clean;
  double ofPlanned = 1;
  std::size_t count = 0;
};
std::vector<LearntTime> learntTimes(const BenchPlan& plan);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "bench/choices.h"
#include "bench/step.h"
#include "rules/catalogue.h"

namespace avrelt {

/// Something of a maker's changes that does not go with the plan, at a step, by its id.
struct StepConflict {
  Rule rule;
  std::string step;
  Sentence words;
};

struct ChangedSteps {
  std::vector<Step> steps;
  std::vector<StepConflict> conflicts;
  std::vector<Step> dropped;  ///< as the plan has them
};

/// The steps of a plan with what the maker changed: own ones put in, others moved, dropped, timed
/// and noted; moves one after the other, so that of two that contradict each other the later holds.
/// Changes of steps there are none of, now, and a step that is to stand behind itself, are told and
/// do nothing; what stands before
/// what it needs, tape that is put on and never pulled, and waits shorter than the method's are
/// done as they were asked for, and told. The least wait of a dropped step goes to the one before
/// it.
ChangedSteps withChanges(std::vector<Step> steps, const std::vector<StepChange>& changes);

/// The change of a step, made where there is none.
StepChange& changeOf(std::vector<StepChange>& changes, const std::string& step);
/// Takes away what changes nothing.
void tidy(std::vector<StepChange>& changes);

}  // namespace avrelt

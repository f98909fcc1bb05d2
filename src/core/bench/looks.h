// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "bench/step.h"

namespace avrelt {

/// A step that puts something right.
struct MendingStep {
  Sentence words;
  Duration handsOn;
  Wait wait{};
};

/// What can be wrong, and what is done about it.
struct Remedy {
  const char* fault;  ///< "bubbles": as files and the shop know it
  Sentence wrong;     ///< "Bubbles"
  Sentence advice;    ///< what to do, and what never to
  std::vector<MendingStep> steps;
};

/// What a maker looks for once a step is done.
struct Look {
  Sentence question;
  std::vector<Remedy> remedies;
};

/// What to look for after a step, and what is done where it is not right, by the methods of the
/// shop; common practice, no published source. Nothing where nothing is looked at.
std::optional<Look> lookAfter(const Step& step, const Methods& methods);

/// Every fault there is a remedy for, by the name files know it by, in words; none for others.
std::optional<Sentence> faultWords(const std::string& fault);

/// What happens where what comes after a step is done so long after its end: too soon, in time, or
/// too late, and what then. By the step's own wait.
Sentence ifDoneAfter(const Step& before, Duration waited);

}  // namespace avrelt

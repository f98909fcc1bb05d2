// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>
#include <optional>
#include <string>
#include <vector>

#include "job/bench_plan.h"
#include "log/learning.h"
#include "log/supply.h"

namespace avrelt {

/// One step that was done, as the shop's log keeps it.
struct WorkDone {
  std::string step;  ///< its id
  StepKind kind = StepKind::clean;
  Sentence words;
  CivilTime at;
  Duration took;
  Duration usual;  ///< what work of the kind usually takes; 0 where its maker had set it
  StepUse use;
  std::optional<MethodKind> method{};
  Duration usualWait{};  ///< what is usual before the next; 0 where its maker had set it, or none
  std::vector<std::string> faults{};

  friend bool operator==(const WorkDone& a, const WorkDone& b) {
    return a.step == b.step && a.at == b.at && a.took == b.took;
  }
};

/// What was done at a cup, in the order of its steps, in a room so warm.
std::vector<WorkDone> workDone(const BenchCup& bench, const Cup& cup, const Stock& stock,
                               const SupplyShelf& shelf,
                               std::optional<Temperature> warmth = std::nullopt);

/// How long a step took that is done `now`: since it was begun; where nobody said so, since it
/// should have begun, or since anything was done
/// last, whichever was later; what was reckoned, where that cannot be, or is four times as much:
/// then it was not ticked off at once.
Duration tookUntil(const BenchPlan& plan, std::size_t cup, std::size_t step, CivilTime now);

/// What is left to do takes of each supply, by its id.
std::map<std::string, Amount> reservedBy(const BenchPlan& plan, const SupplyShelf& shelf,
                                         const FillRates& rates);

/// Something all that is left takes, and what the shop has of it.
struct ShoppingLine {
  std::string supply;  ///< its id; empty where no supply of the shop's is meant
  std::string name;    ///< its
  MixPart part;        ///< where none of the shop's is meant
  Amount needed;
  Amount there;
  Amount toBuy;          ///< what is missing of it, and then of what its maker wants to have left
  bool counted = false;  ///< that it is known what is there
  std::optional<CivilTime> by{};  ///< when the first step takes it that there is too little for
};
std::vector<ShoppingLine> shoppingFor(const BenchPlan& plan, const SupplyShelf& shelf,
                                      const FillRates& rates);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/order/planned_cups.h"

#include <algorithm>

namespace avrelt {

bool PlannedCups::Planned::takeBy(std::optional<Time> by) {
  std::optional<CheckedAll<CupPlan>> made = planning->take(by);
  if (!made) return false;
  working = false;
  holds = made->has_value();
  if (holds) {
    plan = std::make_shared<const CupPlan>(std::move(**made));
  } else {
    faults = std::move(made->error());
  }
  return true;
}

void PlannedCups::setStock(const Stock& stock) {
  stock_ = stock;
  planned_.clear();
}

const CupPlan* PlannedCups::newest(int index) const {
  return has(index) && at(index).plan ? &*at(index).plan : nullptr;
}

void PlannedCups::await(int index) {
  if (working(index)) planned_[static_cast<std::size_t>(index)].takeBy(std::nullopt);
}

PlannedCups::Planned PlannedCups::planOf(const std::shared_ptr<const Cup>& cup, Unit unit,
                                         const std::vector<Planned>& others) {
  const auto same = std::find_if(planned_.begin(), planned_.end(), [&](const Planned& known) {
    return known.unit == unit && known.cup == cup;
  });
  if (same != planned_.end()) return *same;
  Planned fresh{cup, unit, {}, {}, false, false, false, {}};
  // Whichever cup a planning had before, it gives the same; that of this one is the quickest.
  const auto before = std::find_if(planned_.begin(), planned_.end(), [&](const Planned& known) {
    return known.cup->name == cup->name;
  });
  if (before != planned_.end()) {
    fresh.plan = before->plan;
    const bool taken = std::any_of(others.begin(), others.end(), [&](const Planned& other) {
      return other.planning == before->planning;
    });
    if (!taken) fresh.planning = before->planning;
    if (fresh.plan && fresh.plan->unit == fresh.unit && *fresh.plan->of == *cup) {
      // A change taken back: what stands in sight is its plan.
      fresh.holds = true;
      if (!fresh.planning) fresh.planning = std::make_shared<Planning>(planners_);
      return fresh;
    }
  }
  if (!fresh.planning) fresh.planning = std::make_shared<Planning>(planners_);
  fresh.planning->want(cup, fresh.unit, stock_);
  fresh.working = true;
  return fresh;
}

bool PlannedCups::plan(const std::vector<std::shared_ptr<const Cup>>& cups, Unit unit, int inHand,
                       bool goesOn) {
  bool follow = false;
  if (goesOn && patience_ && has(inHand)) {
    Planned& before = planned_[static_cast<std::size_t>(inHand)];
    // One that does not come in time has kept the window waiting.
    if (before.working && !before.takeBy(std::chrono::steady_clock::now() + *patience_)) {
      before.follows = false;
    }
    follow = before.holds && before.planning && before.planning->took() > quick_;
  }
  // Where one plan keeps the window waiting already, the next does not wait again.
  const bool busy = std::any_of(planned_.begin(), planned_.end(), [](const Planned& planned) {
    return planned.working && !planned.follows;
  });
  std::vector<Planned> next;
  next.reserve(cups.size());
  for (const std::shared_ptr<const Cup>& cup : cups) next.push_back(planOf(cup, unit, next));
  planned_ = std::move(next);
  std::optional<Time> by;
  if (patience_) {
    const bool waits = !busy && !follow;
    by = std::chrono::steady_clock::now() + (waits ? *patience_ : std::chrono::milliseconds(0));
  }
  if (working(inHand)) planned_[static_cast<std::size_t>(inHand)].follows = follow;
  bool all = true;
  if (working(inHand)) all = planned_[static_cast<std::size_t>(inHand)].takeBy(by);
  for (Planned& planned : planned_) {
    if (planned.working) all = planned.takeBy(by) && all;
  }
  return all;
}

PlannedCups::Arrived PlannedCups::takeArrived() {
  Arrived arrived;
  for (Planned& planned : planned_) {
    if (!planned.working) continue;
    const bool here = planned.takeBy(std::chrono::steady_clock::now());
    arrived.any = arrived.any || here;
    arrived.all = arrived.all && here;
  }
  return arrived;
}

}  // namespace avrelt

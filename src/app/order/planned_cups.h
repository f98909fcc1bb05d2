// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <chrono>
#include <memory>
#include <optional>
#include <QThreadPool>
#include <vector>

#include "app/order/planning.h"

namespace avrelt {

/// The plans of an order's cups, each made beside the window and kept while its cup stays the same.
class PlannedCups {
 public:
  using Time = std::chrono::steady_clock::time_point;

  /// How long a change waits for its plan; with none, for as long as it takes. A step of a change
  /// that goes on, whose plans take longer than `quick`, does not wait: see `plan`.
  void setPatience(std::optional<std::chrono::milliseconds> patience,
                   std::chrono::milliseconds quick = std::chrono::milliseconds(8)) {
    patience_ = patience;
    quick_ = quick;
  }
  const Stock& stock() const { return stock_; }
  /// Forgets all plans, which were made of what the shop knew before.
  void setStock(const Stock& stock);
  void clear() { planned_.clear(); }

  /// Plans the cups that changed, the one in hand first, and waits for that as long as patience
  /// goes; whether all of them are there. Where a change goes on, as in a drag, and its plans take
  /// long, it waits for the plan of the step before only, so that one is drawn while the next is
  /// made: every step is seen, one behind the hand.
  bool plan(const std::vector<std::shared_ptr<const Cup>>& cups, Unit unit, int inHand,
            bool goesOn = false);
  /// Takes in what has come since.
  struct Arrived {
    bool any = false;
    bool all = true;
  };
  Arrived takeArrived();
  /// Waits for the plan of one cup.
  void await(int index);

  /// The newest plan that could be made of a cup; none before the first.
  const CupPlan* newest(int index) const;
  /// Whether that is of the cup as it stands now.
  bool holds(int index) const { return has(index) && at(index).holds; }
  bool working(int index) const { return has(index) && at(index).working; }
  /// Whether it holds, or is that of the step before in a change that goes on.
  bool keepsUp(int index) const { return holds(index) || (working(index) && at(index).follows); }
  /// What keeps a cup from being planned.
  Faults faults(int index) const { return has(index) ? at(index).faults : Faults(); }

 private:
  struct Planned {
    std::shared_ptr<const Cup> cup;
    Unit unit;
    std::shared_ptr<Planning> planning;   ///< with what stays the same from change to change
    std::shared_ptr<const CupPlan> plan;  ///< shared: cups not touched keep theirs
    bool holds = false;
    bool working = false;
    bool follows = false;  ///< the plan is of the step before, and there was one for each till now
    Faults faults;

    /// Takes the plan in where it is there by then; whether it was.
    bool takeBy(std::optional<Time> by);
  };
  bool has(int index) const { return index >= 0 && index < static_cast<int>(planned_.size()); }
  const Planned& at(int index) const { return planned_[static_cast<std::size_t>(index)]; }
  Planned planOf(const std::shared_ptr<const Cup>& cup, Unit unit,
                 const std::vector<Planned>& others);

  QThreadPool planners_;  ///< outlasts what is planned on it
  std::vector<Planned> planned_;
  Stock stock_;
  std::optional<std::chrono::milliseconds> patience_;
  std::chrono::milliseconds quick_{};
};

}  // namespace avrelt

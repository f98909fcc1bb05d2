// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <chrono>
#include <memory>
#include <optional>
#include <QThreadPool>

#include "job/cup_planner.h"

namespace avrelt {

/// Plans a cup beside the window, one plan at a time. What is wanted last counts: it is begun when
/// the plan being made is done, and what was wanted between is never made. Outlives the window's
/// interest in it: where it is let go in the middle, the plan being made is made to its end and
/// dropped.
class Planning {
 public:
  /// Threads of `pool` do the work; it is to outlast this.
  explicit Planning(QThreadPool& pool);
  Planning(const Planning&) = delete;
  Planning& operator=(const Planning&) = delete;
  ~Planning();

  void want(const std::shared_ptr<const Cup>& cup, Unit unit, const Stock& stock);
  /// The plan of what was wanted last, or why there is none, once; nothing where it is not there
  /// by then. With no time given it is waited for.
  std::optional<CheckedAll<CupPlan>> take(
      std::optional<std::chrono::steady_clock::time_point> by = std::nullopt);
  /// How long the last plan took to make.
  std::chrono::steady_clock::duration took() const;

 private:
  struct Desk;
  QThreadPool& pool_;
  std::shared_ptr<Desk> desk_;
};

}  // namespace avrelt

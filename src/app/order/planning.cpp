// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/order/planning.h"

#include <sys/resource.h>

#include <condition_variable>
#include <exception>
#include <mutex>
#include <utility>

namespace avrelt {

/// What the window and the thread beside it both see.
struct Planning::Desk {
  struct Wanted {
    std::shared_ptr<const Cup> cup;
    Unit unit;
    Stock stock;
  };

  std::mutex held;
  std::condition_variable made;
  std::optional<Wanted> next;
  std::optional<CheckedAll<CupPlan>> plan;  ///< of what was wanted last
  bool working = false;
  std::chrono::steady_clock::duration took{};  ///< of the last that was made
  CupPlanner planner;                          ///< touched by the thread that works only

  static void work(const std::shared_ptr<Desk>& desk) {
    // The window paints the step before meanwhile, and goes first. Of this thread only, as Linux
    // counts; it cannot be taken back, and the pool has no other work.
    constexpr int behind = 5;
    setpriority(PRIO_PROCESS, 0, behind);
    std::unique_lock lock(desk->held);
    while (desk->next) {
      const Wanted wanted = *std::exchange(desk->next, std::nullopt);
      lock.unlock();
      const auto begun = std::chrono::steady_clock::now();
      std::optional<CheckedAll<CupPlan>> plan;
      try {
        plan = desk->planner(*wanted.cup, wanted.unit, wanted.stock);
      } catch (const std::exception& fallen) {
        // What was kept may be half made.
        desk->planner = CupPlanner();
        plan = tl::unexpected(
            Faults{{{},
                    {"This cup could not be worked out (%1). Take the last change back.",
                     {std::string(fallen.what())}}}});
      }
      lock.lock();
      desk->took = std::chrono::steady_clock::now() - begun;
      if (!desk->next) desk->plan = std::move(plan);
    }
    desk->working = false;
    desk->made.notify_all();
  }
};

Planning::Planning(QThreadPool& pool) : pool_(pool), desk_(std::make_shared<Desk>()) {}

Planning::~Planning() {
  const std::lock_guard lock(desk_->held);
  desk_->next.reset();
}

void Planning::want(const std::shared_ptr<const Cup>& cup, Unit unit, const Stock& stock) {
  const std::lock_guard lock(desk_->held);
  desk_->next = Desk::Wanted{cup, unit, stock};
  desk_->plan.reset();
  if (std::exchange(desk_->working, true)) return;
  pool_.start([desk = desk_] { Desk::work(desk); });
}

std::chrono::steady_clock::duration Planning::took() const {
  const std::lock_guard lock(desk_->held);
  return desk_->took;
}

std::optional<CheckedAll<CupPlan>> Planning::take(
    std::optional<std::chrono::steady_clock::time_point> by) {
  std::unique_lock lock(desk_->held);
  const auto there = [this] { return !desk_->working; };
  if (!by) {
    desk_->made.wait(lock, there);
  } else if (!desk_->made.wait_until(lock, *by, there)) {
    return std::nullopt;
  }
  return std::exchange(desk_->plan, std::nullopt);
}

}  // namespace avrelt

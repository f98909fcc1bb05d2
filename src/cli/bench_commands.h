// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "cli/order_plan.h"

namespace CLI {
class App;
}

namespace avrelt {

/// `avrelt steps`: what each cup of an order takes at the bench.
using StepOptions = PlanOptions;
CLI::App* addSteps(CLI::App& app, StepOptions& options);
int runSteps(const StepOptions& options);

/// `avrelt schedule`: when to do what over all of them.
struct ScheduleOptions {
  PlanOptions plan;
  std::string from;
  std::string hours;
  std::vector<std::string> away;
  int turners = 0;  ///< as many as the order has, as hands
  int hands = 0;
  int seconds = 0;
  std::string out;
  std::string calendar;
  std::string pages;
};

CLI::App* addSchedule(CLI::App& app, ScheduleOptions& options);
int runSchedule(const ScheduleOptions& options);

}  // namespace avrelt

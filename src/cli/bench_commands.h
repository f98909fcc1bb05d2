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
  std::string hours = "18:00-22:00";
  std::vector<std::string> away;
  int turners = 1;
  std::string out;
};

CLI::App* addSchedule(CLI::App& app, ScheduleOptions& options);
int runSchedule(const ScheduleOptions& options);

}  // namespace avrelt

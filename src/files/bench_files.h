// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <string>

#include "job/bench_plan.h"
#include "sheet/paper.h"

namespace avrelt {

/// Words of the core in the language of who reads the file.
using InWords = std::function<std::string(const Sentence&)>;

/// The work that is left as a calendar (iCalendar, RFC 5545) other programs read: an event for each
/// step, named by cup and step, with what it takes, and an alarm as it begins. Times are those of
/// the wall clock wherever it is read. Empty where there is no schedule.
std::string benchCalendar(const BenchPlan& plan, const std::string& order, const InWords& words);

/// The same as pages to hang over the bench, day by day, each step with a box to tick. Empty where
/// there is no schedule.
std::string benchPdf(const BenchPlan& plan, const std::string& order, Paper paper,
                     const InWords& words);

}  // namespace avrelt

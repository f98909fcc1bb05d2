// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <string>

#include "files/json_reader.h"
#include "job/bench_plan.h"

namespace avrelt {

/// Words of the core in the language of who reads the file.
using InWords = std::function<std::string(const Sentence&)>;

/// "12 min", "5 h", "5 h 30 min".
std::string timeText(Duration duration);
/// "part A 11 ml, 12.2 g; part B 11 ml, 11.1 g".
std::string mixText(const Mix& mix);
/// The same of one thing in it.
std::string mixPartText(const MixPart& part);

/// When to do what: which step of which cup, from when to when, whose hands, on which turner, lamp
/// or spray place, by its number.
Json scheduleList(const BenchPlan& plan);
/// The same as a file, with before when no order of work ends.
std::string scheduleJson(const BenchPlan& plan);

/// The work that is left as a calendar (iCalendar, RFC 5545) other programs read: an event for each
/// step, named by cup and step, with what it takes, and an alarm as it begins. Times are those of
/// the wall clock wherever it is read. Empty where there is no schedule.
std::string benchCalendar(const BenchPlan& plan, const std::string& order, const InWords& words);

/// The same as pages to hang over the bench, day by day, each step with a box to tick. Empty where
/// there is no schedule.
std::string benchPdf(const BenchPlan& plan, const std::string& order, Paper paper,
                     const InWords& words);

}  // namespace avrelt

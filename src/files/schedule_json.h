// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "files/json_reader.h"
#include "job/bench_plan.h"

namespace avrelt {

/// When to do what: which step of which cup, from when to when, whose hands, on which turner, lamp
/// or spray place, by its number.
Json scheduleList(const BenchPlan& plan);
/// The same as a file, with before when no order of work ends.
std::string scheduleJson(const BenchPlan& plan);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "pattern/fill.h"
#include "watch/watch.h"

namespace avrelt {

/// What patterns risk, by the rules under “Patterns”.
std::vector<Watch> watchFills(const std::vector<Fill>& fills, const std::vector<FillPlan>& plans,
                              const Body& body);

}  // namespace avrelt

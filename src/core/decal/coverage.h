// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>
#include <string>

#include "decal/set_plan.h"

namespace avrelt {

/// How much of each zone sets lie on, by its id: what several lie on counts once, and what reaches
/// into another zone, or off the wall, counts where it lies. Zones that nothing lies on are left
/// out.
std::map<std::string, Area> coverageOf(const std::vector<SetPlan>& sets, const Divided& divided,
                                       const Body& body);

}  // namespace avrelt

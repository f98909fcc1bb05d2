// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "divide/division.h"
#include "watch/watch.h"

namespace avrelt {

/// What a division risks, by the rules under “Lines, tape and stripes”.
std::vector<Watch> watchDivision(const Division& division, const Divided& divided,
                                 const std::vector<StripePlan>& stripes, const Body& body);

}  // namespace avrelt

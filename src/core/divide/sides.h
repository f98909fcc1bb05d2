// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "divide/divide.h"

namespace avrelt {

/// What lies along each of the lines; found once for all of them.
std::vector<Sides> sidesOf(const std::vector<DivideLine>& lines, const std::vector<Zone>& zones);

}  // namespace avrelt

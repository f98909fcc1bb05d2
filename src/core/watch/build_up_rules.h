// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "cup/build_up.h"
#include "watch/watch.h"

namespace avrelt {

/// What the coats under a wrap risk, by the rules under “The build-up”.
std::vector<Watch> watchBuildUp(const Body& bare, const BuildUp& buildUp,
                                const std::vector<Stage>& stages);

}  // namespace avrelt

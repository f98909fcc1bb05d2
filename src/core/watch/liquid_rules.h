// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "cup/liquid.h"
#include "watch/watch.h"

namespace avrelt {

/// What to watch where a cup is filled between its walls.
std::vector<Watch> watchLiquid(const Liquid& liquid);

}  // namespace avrelt

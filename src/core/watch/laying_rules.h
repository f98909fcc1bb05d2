// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "cup/laying.h"
#include "cup/wrap.h"
#include "watch/watch.h"

namespace avrelt {

/// What the way of laying a wrap risks, by the rules under “How the wrap is laid”.
std::vector<Watch> watchLaying(const Body& body, const Layings& layings, const Wrap& wrap,
                               LayingKind made, const Film& film);

}  // namespace avrelt

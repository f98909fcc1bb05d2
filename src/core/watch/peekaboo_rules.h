// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>

#include "cup/body.h"
#include "decal/peekaboos.h"
#include "watch/watch.h"

namespace avrelt {

/// What to watch about stencils that are painted over, by the rules under “Peekaboos”. `bodyOf`
/// gives the cup as it is when the layer of this id is laid.
std::vector<Watch> watchPeekaboos(const std::vector<DecalSet>& sets,
                                  const std::vector<SetPlan>& plans,
                                  const std::function<const Body&(const std::string& id)>& bodyOf);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "cup/laying.h"
#include "cup/wrap.h"
#include "watch/watch.h"

namespace avrelt {

/// What the way of laying a wrap risks, all arithmetic of the surface and the film's own limit:
///
/// - `film_overtaxed`: the film has to stretch or lie full by more than it bears.
/// - `no_laying`: no way of laying stays within it; the least bad is said.
/// - `laying_impossible`: the chosen way cannot be cut for this wall.
/// - `not_recommended`: another way than the recommended one was chosen, and the film bears it.
/// - `runs_off`: a straight sheet on a taper, and how far it runs off.
std::vector<Watch> watchLaying(const Body& body, const Layings& layings, const Wrap& wrap,
                               LayingKind made, const Film& film);

}  // namespace avrelt

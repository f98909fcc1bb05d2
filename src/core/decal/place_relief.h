// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "decal/set_plan.h"

namespace avrelt {

/// How each layer of a set is cut in where it stands, in the plane it is made in, so that no film
/// is strained by more than `bears`: up the wall, between two angles round the cup no wider apart
/// than it bears. Each without cuts or tongue where all of it is borne as it is.
std::vector<Relief> reliefsOf(const SetShape& made, const LaidSet& laid, const Stand& stand,
                              Point anchor, const Wall& wall, double bears);

/// How a layer of a place is cut in, in the flat: on either side of the seam where it lies across
/// that.
std::vector<ReliefCut> reliefOnFlat(const PlacePlan& place, const LayerPlan& layer,
                                    const Development& flat);

}  // namespace avrelt

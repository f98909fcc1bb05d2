// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "bench/step.h"
#include "job/plan.h"

namespace avrelt {

/// What a cup takes at the bench, in order, from the bare blank to the day it may be handed over:
/// cleaned and marked; its coats, and after each what is laid at that stage, the lowest first:
/// covers, finishes by the tape program, patterns colour by colour, films, stripes, layers and the
/// wrap; stencils lifted before they are ringed, or before resin locks them in; measured again
/// before the first part that is cut for a coated cup; the base disc and, where the order's own
/// last coat is not over everything, two coats more; the rim cleaned. How long each takes, and each
/// wait, is what the shop's methods say, in a room as warm as the choices have it. What the maker
/// changed is not in it: `withChanges` puts it in.
std::vector<Step> stepsOf(const CupPlan& plan, const BenchChoices& choices = {},
                          const Stock& stock = {});

}  // namespace avrelt

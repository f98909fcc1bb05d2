// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "files/json_reader.h"
#include "job/plan.h"

namespace avrelt {

/// An artwork in a plan.
Json artworkJson(const Artwork& artwork);

/// What a cup's plan says of sets: `sets`, `places`, `rows`, `pairs`, `lift`, `stack`, `coverage`.
void addSets(Json& json, const CupPlan& cup, Unit unit);

}  // namespace avrelt

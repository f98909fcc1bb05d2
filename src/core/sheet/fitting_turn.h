// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "measure/angle.h"
#include "shape/polygon.h"

namespace avrelt {

/// By how much a shape that may be turned freely is turned to the left so that its box lies within
/// sides of these lengths, with as much to spare as there is; nothing where it does at no turn. The
/// sides of its box change by whole sines from corner to corner of its hull, so that turns half a
/// degree apart find every valley, and the foot of each is found to 1e-6°.
std::optional<Angle> fittingTurn(const Polygon& shape, Length wide, Length tall);

}  // namespace avrelt

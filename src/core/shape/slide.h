// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "shape/point.h"

namespace avrelt {

/// Where the origin of `moving` may stand so that it touches `fixed` from outside, all round: the
/// edge of the Minkowski sum of `fixed` and `moving` turned by half (Clipper). Inside of it they
/// lie on each other. Pockets that `moving` cannot be slid into from outside are left out. Both are
/// simple outlines, counter-clockwise, mm, true to 1/10 000 mm.
std::vector<Point> slideRound(const std::vector<Point>& fixed, const std::vector<Point>& moving);

}  // namespace avrelt

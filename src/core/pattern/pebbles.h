// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "shape/point.h"

namespace avrelt {

/// Rounded stones of about one size: the Voronoi cells of places on a jittered grid that repeats
/// after `columns` across and is `rows` up, moved to their cells' middles a few times (Lloyd 1982,
/// "Least squares quantization in PCM"). One cell each, convex, counter-clockwise, in units of a
/// stone; those that reach over the repeat run on past it. The same seed gives the same stones.
std::vector<std::vector<Point>> pebbles(int columns, int rows, int seed);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <vector>

#include "shape/point.h"

namespace avrelt {

/// So many places all round an outline, evenly, from its first corner.
std::vector<Point> evenlyAlong(const std::vector<Point>& outline, std::size_t count);

}  // namespace avrelt

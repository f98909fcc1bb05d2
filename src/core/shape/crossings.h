// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <vector>

#include "shape/polyline.h"

namespace avrelt {

/// Whether lines cross themselves and each other more than so many times, or so nearly everywhere
/// that it cannot be counted while one waits. Ends that touch do not count.
bool crossMoreOftenThan(std::size_t most, const std::vector<Polyline>& lines);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <vector>

namespace avrelt {

/// Two of a number of cells, and how much line runs between them, in mm.
struct Between {
  std::size_t a;
  std::size_t b;
  double line;
};

/// Parts so many cells in two so that as little line as can be runs between both sides: true for
/// those beyond. `held` is below 0 for cells that stay on this side, above 0 for those beyond, 0
/// for those that may be on either. A cell that no line leads to from beyond is on this side.
///
/// A least cut is a largest flow (Ford and Fulkerson 1956), found as Boykov and Kolmogorov 2004 do.
std::vector<bool> leastCut(const std::vector<int>& held, const std::vector<Between>& between);

}  // namespace avrelt

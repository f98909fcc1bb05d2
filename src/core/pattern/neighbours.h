// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <utility>
#include <vector>

#include "divide/region.h"

namespace avrelt {

/// Two regions side by side.
struct SharedEdge {
  std::size_t first = 0;  ///< the lower of the two
  std::size_t second = 0;
  Length length;  ///< of edge they share; 0 where they meet at a corner alone
};

/// Who lies beside whom: regions that share at least half a millimetre of edge, over the seam too;
/// with `corners`, also those that only meet in a point. Lengths are taken on a wall of this
/// radius. In order of the numbers.
std::vector<SharedEdge> neighboursOf(const std::vector<const Region*>& regions, Length radius,
                                     bool corners);

/// The same where regions lie apart with lines between: those are neighbours that face each other
/// across a line along at least half a millimetre, the nearest to each place of an edge, no farther
/// than two and a half times the middle line. In order of the numbers.
std::vector<SharedEdge> facingNeighbours(const std::vector<const Region*>& regions, Length radius);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <utility>
#include <vector>

#include "divide/patch.h"

namespace avrelt {

/// Two patches side by side.
struct SharedEdge {
  std::size_t first = 0;  ///< the lower of the two
  std::size_t second = 0;
  Length length;  ///< of edge they share; 0 where they meet at a corner alone
  int turns = 0;  ///< the second, carried on by so many, lies at the first, with most of that edge
};

/// Who lies beside whom: patches that share at least so much edge, over the seam too, and however
/// often they wind round; with `corners`, also those that only meet in a point. In order of the
/// numbers.
std::vector<SharedEdge> neighboursOf(const std::vector<const Patch*>& patches, const Body& body,
                                     bool corners, Length least = Length::mm(0.5));

/// The same where patches lie apart with lines between: those are neighbours that face each other
/// across a line along at least half a millimetre, the nearest to each place of an edge, no farther
/// than two and a half times the middle line. Lengths are taken on a wall of this radius. In order
/// of the numbers.
std::vector<SharedEdge> facingNeighbours(const std::vector<const Patch*>& patches, Length radius);

}  // namespace avrelt

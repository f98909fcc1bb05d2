// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "pattern/colouring.h"

namespace avrelt {

/// Colours found by search, all said by hand and all bars held.
struct SearchedColours {
  std::vector<int> colours;         ///< with the fewest clashes found
  std::optional<Impossible> proof;  ///< that some are needed
  bool searchedOut = true;          ///< whether it is known that they are, or none is left
};

/// In Brélaz's order, the free colour of which its share lacks most; where that fails it is first
/// looked for what proves that it must, a clique or an odd ring; then by the same order with
/// backtracking, which gives up after a while; at last by moving the worst.
SearchedColours searchedColours(const ColourTask& task);

}  // namespace avrelt

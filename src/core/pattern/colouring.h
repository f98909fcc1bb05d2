// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <utility>
#include <vector>

namespace avrelt {

/// Things to be coloured so that no two neighbours are alike.
struct ColourTask {
  std::vector<std::vector<int>> neighbours;  ///< of each, both ways
  std::vector<double> sizes;                 ///< what each counts for the shares; left out, 1 each
  std::vector<double> shares;                ///< wanted of each colour; they need not add to 1
  std::vector<int> pinned;  ///< a colour each must have, −1 for none; may be empty
  /// Colours each may not have, a bit for each of the first 32 (1 for the first); may be empty.
  std::vector<std::uint32_t> barred;
  /// How much each is drawn to each colour, 0 to 1, by the style; may be empty.
  std::vector<std::vector<double>> leaning;
  unsigned seed = 1;
};

/// Why it cannot be done: neighbours that all need different colours, or an odd ring with two.
struct Impossible {
  enum class Why { pins, clique, oddRing } why = Why::clique;  ///< bars count as pins
  std::vector<int> members;
};

struct Colouring {
  std::vector<int> colours;
  std::vector<std::pair<int, int>> clashes;  ///< neighbours left alike, the lower first
  std::vector<int> misplaced;                ///< those left with a colour barred there
  std::optional<Impossible> proof;           ///< where clashes are proved to be needed
  /// Whether the search ran to its end: without it clashes may be needed or not.
  bool searchedOut = true;
};

/// Colours every thing. First without pins, quickly where that goes (see `quicklyColoured`); then
/// each pinned thing takes its colour with as few changes round it as can be, so that a pin leaves
/// the rest as it was. Where that does not go, all anew: in the order of most distinct neighbours'
/// colours (Brélaz 1979, "New methods to color the vertices of a graph"), each the colour its share
/// lacks most that its neighbours leave free; where that fails, the same order with backtracking;
/// where that fails, the fewest clashes found by moving the worst (min-conflicts with a tabu list).
/// Then colours are traded until no trade brings shares nearer. The same task gives the same
/// colours.
Colouring coloured(const ColourTask& task);

/// The fewest colours that suffice, by Brélaz's exact search; nothing where it gives up.
std::optional<int> chromaticNumber(const std::vector<std::vector<int>>& neighbours);

}  // namespace avrelt

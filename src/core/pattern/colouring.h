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
  std::vector<int> pinned;  ///< by hand: a colour each must have, −1 for none; may be empty
  /// Colours each may not have, a bit for each of the first 32 (1 for the first); may be empty.
  /// Bars are there from the start; what is said by hand, `notHere`, changes as little round it as
  /// a pin.
  std::vector<std::uint32_t> barred;
  std::vector<std::uint32_t> notHere;
  /// By the style: what each colour costs at each thing, `straying` and more where it is against
  /// it; may be empty. It outranks the shares.
  std::vector<std::vector<float>> cost;
  /// By the style: a thing each is to be alike, itself for none; may be empty.
  std::vector<int> tied;
  /// Whether alike things are to be kept from sharing a neighbour.
  bool spread = true;
  std::vector<int> rows;  ///< that each lies in, in order; may be empty
  unsigned seed = 1;
};

/// What costs at least so much at a thing is against its style.
inline constexpr float straying = 10;

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

/// Colours every thing. First without what is said by hand, quickly where that goes (see
/// `quicklyColoured`), things tied together as one; then towards what the style asks
/// (`bringNearer`). Then each pinned thing takes its colour, and each that has one not wanted there
/// loses it, with as few changes round it as can be, so that the rest stays as it was. Where that
/// does not go, all anew by search: with backtracking in the order of most distinct neighbours'
/// colours (Brélaz 1979, "New methods to color the vertices of a graph"), and where that fails, the
/// fewest clashes found by moving the worst (min-conflicts with a tabu list). The same task gives
/// the same colours.
Colouring coloured(const ColourTask& task);

/// The fewest colours that suffice, by Brélaz's exact search; nothing where it gives up.
std::optional<int> chromaticNumber(const std::vector<std::vector<int>>& neighbours);

}  // namespace avrelt

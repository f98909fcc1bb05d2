// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "pattern/colouring.h"

namespace avrelt {

/// Lawful colours, quickly found.
struct QuickColours {
  std::vector<int> colours;
  bool sharesKept = false;  ///< within one thing, or 2 % of all
};

/// Colours every thing of a task, without what is said by hand, one after the other in their own
/// order: each the free colour that costs least, lies least often two steps away where that is
/// wished, and of which its share lacks most. Where none is free one is freed by recolouring a
/// neighbour, or by trading two colours along a chain (Kempe 1879). Then single changes keep alike
/// things from sharing neighbours and bring shares nearer. Nothing where somewhere no colour could
/// be freed so: that takes a search.
///
/// Patterns are numbered row by row, so few neighbours are coloured before their turn, and this
/// nearly always succeeds; it takes time in proportion to the neighbours.
std::optional<QuickColours> quicklyColoured(const ColourTask& task);

/// Brings a lawful colouring nearer to what its task asks by trading colours, single ones and along
/// chains, first with chance and then less and less (Kirkpatrick, Gelatt, Vecchi 1983,
/// "Optimization by simulated annealing"): costs before shares, shares before spread. It stays
/// lawful.
void bringNearer(const ColourTask& task, std::vector<int>& colours);

}  // namespace avrelt

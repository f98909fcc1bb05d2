// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "pattern/colouring.h"

namespace avrelt {

/// Colours every thing of a task without pins and leanings one after the other, in their own order:
/// each the free colour its share lacks most, and where none is free one is freed by recolouring a
/// neighbour, or by trading two colours along a chain (Kempe 1879). Then single changes bring
/// shares nearer. Nothing where somewhere no colour could be freed so: that takes a search.
///
/// Patterns are numbered row by row, so few neighbours are coloured before their turn, and this
/// nearly always succeeds; it takes time in proportion to the neighbours.
std::optional<std::vector<int>> quicklyColoured(const ColourTask& task);

/// Gives one thing a colour and changes few others: neighbours that have it take another, and
/// theirs again, three steps out at most; else all along a chain of the two colours trade (Kempe
/// 1879). What is `held` stays. False, with nothing changed, where that cannot be.
bool recolour(const ColourTask& task, const std::vector<bool>& held, int thing, int colour,
              std::vector<int>& colours);

}  // namespace avrelt

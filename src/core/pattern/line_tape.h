// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "pattern/fill.h"

namespace avrelt {

/// What a run of tape is longer than its line at each end, to be lifted by.
inline constexpr Length lineTab = Length::mm(5);

/// The tape that rebuilds the lines between cells: straight runs from end to end, across as many
/// cells as they go, with `lineTab` more at each end. Edges that only the zone's own edge has are
/// no lines.
LineTape lineTape(const std::vector<Cell>& cells, Length width, const Body& body);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "pattern/fill.h"

namespace avrelt {

/// The tape that rebuilds the lines between cells: straight runs from end to end, across as many
/// cells as they go, with 5 mm more at each end to lift them by. Edges that only the zone's own
/// edge has are no lines.
LineTape lineTape(const std::vector<Cell>& cells, Length width, const Body& body);

}  // namespace avrelt

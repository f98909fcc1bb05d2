// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "sheet/part_set.h"

namespace avrelt {

/// Parts as DXF, release 12 (AC1009), in mm, y up: layer CUT holds edges, openings and slits as
/// polylines, arcs as bulges; DRAW the guides; TEXT the words. What of the words is not ASCII is
/// written as \U+XXXX.
std::string dxfOf(const PartSet& set, Unit unit);

}  // namespace avrelt

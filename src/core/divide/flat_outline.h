// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "divide/region.h"

namespace avrelt {

/// How far a curve may lie from the straight sides that stand for it, in every part, line and mark.
inline constexpr Length curveTolerance = Length::mm(0.005);

/// A line of the wall in the flat, as points no farther than `tolerance` from the true curve; a
/// closed one does not repeat its first point.
std::vector<Point> inFlat(const WallLine& line, bool closed, const Development& flat,
                          Length tolerance);

}  // namespace avrelt

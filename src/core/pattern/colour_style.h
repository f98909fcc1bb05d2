// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <utility>
#include <vector>

#include "measure/angle.h"
#include "measure/length.h"
#include "pattern/colouring.h"

namespace avrelt {

/// What colours lean to, besides no two neighbours being alike. A style outranks exact shares.
enum class ColourStyle {
  scatter,    ///< the fewest alike cells that share a neighbour
  rows,       ///< the fewest cells out of turn along their row
  gradient,   ///< the fewest cells more than one step from the colour of their height, from the top
  symmetric,  ///< the fewest cells unlike their mirror image to the left or right of the front
  random,     ///< none: by seed alone
};

/// Where a cell stands.
struct CellSite {
  CupAngle onCup;
  Length s;
  int row = 0;  ///< from the top down; cells come row by row, in each from the seam to the right
  double area = 0;  ///< in mm²
};

/// Puts into a task what a style asks, in a zone between two heights and of this radius half-way.
void applyStyle(ColourStyle style, const std::vector<CellSite>& sites, Length low, Length high,
                Length radius, ColourTask& task);

/// Cells that are each other's mirror image at the front: alike in place, within a fifth of their
/// size, and in area. Those on the mirror's line are no pair.
std::vector<std::pair<std::size_t, std::size_t>> mirrorPairs(const std::vector<CellSite>& sites,
                                                             Length radius);

}  // namespace avrelt

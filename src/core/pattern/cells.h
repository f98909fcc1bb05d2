// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "cup/wall.h"
#include "divide/patch.h"
#include "pattern/pattern.h"

namespace avrelt {

/// One shape of a pattern as it lies in a zone, lines and all: together the cells of a zone cover
/// it once. What the zone's edge parts is several of them.
struct RawCell {
  Patch patch;
  int row = 0;  ///< counted up the wall
};

/// Repeats round the cup that close at the seam, and what each costs.
struct RepeatChoice {
  int count = 0;
  double stretch = 0;  ///< in width against `size`: 0.02 for 2 % wider
};
/// The whole numbers of repeats nearest to a pattern's size, the nearest first.
std::vector<RepeatChoice> repeatChoices(const Pattern& pattern, const Body& body);

/// How a pattern is fitted to a zone, and what that costs. Shares are against the size asked for:
/// 0.02 is 2 % more.
struct PatternFit {
  int around = 0;          ///< repeats round the cup, those cut by the seam not counted
  double stretchWide = 0;  ///< half-way up the wall, to close at the seam
  double stretchTall = 0;
  Length wideBy;  ///< the same for one repeat
  Length tallBy;
  double narrowing = 0;  ///< the most by which the taper changes widths within the zone
  Length seamRest;       ///< of the repeat the seam cuts, where cells keep their size

  /// How much wider than tall it has become, the taper left out.
  double squash() const { return (1 + stretchWide) / (1 + stretchTall) - 1; }
};
/// Of a pattern `cellsOf` does not refuse.
PatternFit fitOf(const Pattern& pattern, const Region& zone, const Body& body);

/// The cells of a pattern in a zone. Those that narrow with the cup are laid out in wall
/// coordinates, a whole number of repeats round it, so that the seam closes exactly; those that
/// keep their size in the flat, cut off at the seam.
///
/// Refused, naming the member: a size under 2 mm or over 600 mm, a line as wide as a cell, a ratio
/// out of its family's range, more than 500 repeats or 6000 cells, cells that keep their size on a
/// wall that is no cone, a family of artwork without one, a picture that would be squashed.
Checked<std::vector<RawCell>> cellsOf(const Pattern& pattern, const Region& zone, const Wall& wall);

}  // namespace avrelt

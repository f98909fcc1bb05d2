// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <utility>
#include <vector>

#include "pattern/cells.h"

namespace avrelt {

/// A cell that can be cut and lifted: in one part, wide enough to be weeded.
struct LaidCell {
  Patch whole;  ///< with half of the lines round it
  Patch drawn;  ///< without
  int row = 0;
  PatchMeasure measure{};  ///< of what is drawn
};

/// What is made of the shapes of a pattern in a zone.
struct LaidCells {
  std::vector<LaidCell> cells;
  std::vector<std::pair<std::size_t, std::size_t>> neighbours;  ///< the lower first, in order
  int merged = 0;   ///< slivers that went to the neighbour they share most edge with
  int dropped = 0;  ///< those without one, and bits that lines cut off
  Area droppedArea;
  /// What their lines take off all cells; with `droppedArea` and the cells it makes up the shapes.
  Area lineArea;
};

/// Draws every shape in by half the line, and gives what is left under 1 mm wide on average (the
/// rectangle with its area and edge) to a neighbour. A shape that its lines part in several becomes
/// as many cells; bits of it too narrow to weed are dropped. Shapes that lie apart, with lines
/// between, are neighbours by facing each other.
LaidCells laidCells(const std::vector<RawCell>& shapes, Length line, bool apart, bool corners,
                    Length radius, const Body& body);

/// Narrower than this on average is a sliver.
inline constexpr Length sliver = Length::mm(1);

}  // namespace avrelt

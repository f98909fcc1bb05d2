// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <vector>

#include "shape/point.h"

namespace avrelt {

/// A rectangle to be laid with its sides along those of a sheet, mm.
struct Rectangle {
  double wide = 0;
  double tall = 0;
  bool turns = false;  ///< by a quarter, too
};

/// What rectangles may take of film, mm: sheets alike, or a roll.
struct RectangleSheet {
  double wide = 0;
  double tall = 0;
  std::size_t count = 1;
};

/// Where one lies: its lower left, the sheet's lower left at 0.
struct RectanglePlace {
  std::size_t rectangle = 0;
  std::size_t sheet = 0;  ///< of those that are used
  bool turned = false;
  Point at;
};

struct RectanglesLaid {
  std::vector<RectanglePlace> places;
  std::vector<std::size_t> sheets;  ///< which of the films each one used is of
  double takes = 0;                 ///< mm², full sheets as such, the last as far as it is filled
  std::size_t left = 0;             ///< so many lie nowhere
};

/// The order in which they are asked for.
using RectangleOrder = std::vector<std::size_t>;

/// Lays rectangles edge to edge, as many as there is film for, sheet after sheet: into the lowest
/// gap of the skyline, at its higher side, goes what fills it best, and of what does so equally the
/// first in order. Without a raster: what fits exactly is laid exactly, and no two lie on each
/// other, not even by rounding; for that the last of a row may end a nanometre outside. The same
/// gives the same.
///
/// After S. C. H. Leung, D. Zhang and K. M. Sim, "A two-stage intelligent search algorithm for the
/// two-dimensional strip packing problem", European Journal of Operational Research 215 (2011).
RectanglesLaid layRectangles(const std::vector<Rectangle>& all,
                             const std::vector<RectangleSheet>& films, const RectangleOrder& order,
                             std::size_t mostSheets);

/// A better order: two change places, or one goes elsewhere, over and over, and what is no worse,
/// or a little less and less, is gone on from; first from `order`, then from orders by size, as
/// long as `effort` goes, which says how many rectangles may be looked at. It stops where no film
/// is wasted. Never worse than `order`.
RectangleOrder betterOrder(const std::vector<Rectangle>& all,
                           const std::vector<RectangleSheet>& films, const RectangleOrder& order,
                           std::size_t mostSheets, long seed, long effort);

}  // namespace avrelt

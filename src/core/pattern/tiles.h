// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <vector>

#include "measure/sentence.h"
#include "pattern/repeat.h"
#include "shape/point.h"

namespace avrelt {

/// Patterns that fill a plane with cells and repeat.
enum class Family {
  bricks,
  check,
  diamonds,
  hexagons,
  triangles,
  herringbone,
  chevrons,
  weave,
  scales,
  crosses,
  pentagons,
  uprights,
  slants,
  pebbles,
  artwork,  ///< drawn elsewhere
};
/// Those that need no drawing.
inline constexpr std::array<Family, 14> families{
    Family::bricks,      Family::check,    Family::diamonds, Family::hexagons, Family::triangles,
    Family::herringbone, Family::chevrons, Family::weave,    Family::scales,   Family::crosses,
    Family::pentagons,   Family::uprights, Family::slants,   Family::pebbles};

/// "bricks", "hexagons" …: as files write it.
const char* familyName(Family family);
/// The same as a person says it.
Sentence familyTitle(Family family);

/// What a family's ratio says, and how far it goes; `usual` where it is left out. Families without
/// one have from = to.
struct RatioRange {
  double from = 1;
  double usual = 1;
  double to = 1;
  const char* says = "";  ///< "height of a brick to its width"
  bool whole = false;     ///< only whole numbers of it make a pattern
};
RatioRange ratioOf(Family family);

/// The part of a pattern that repeats, `wide` across and `tall` up: its cells once each, counter-
/// clockwise, some reaching over into the next repeat. Together with all repeats they cover the
/// plane once.
struct Tile {
  double wide = 1;
  double tall = 1;
  int rows = 1;  ///< of cells, one above the other
  std::vector<std::vector<Point>> cells;
  /// Of each cell, clockwise; empty where no cell has any.
  std::vector<std::vector<std::vector<Point>>> holes{};
};

/// Whether a family repeats up the wall: stripes run all of it, and pebbles never repeat.
bool repeatsUp(Family family);

/// A family's tile, its curves followed to within `fine`, in the tile's units. Upright and slanted
/// stripes are 1 tall and run on from tile to tile; pebbles and artwork have none by rule and give
/// an empty one.
Tile tileOf(Family family, double ratio, double fine = 1e-4);
/// The same with every corner of a cell on the edges of those beside it too, over all repeats, so
/// that two cells share whole sides, end to end.
Tile sideBySide(Tile tile);
/// An artwork's, in mm. Its cells leave the lines between them free.
Tile tileOf(const Repeat& artwork);

}  // namespace avrelt

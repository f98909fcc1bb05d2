// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>

#include "measure/length_text.h"
#include "pattern/tiles.h"

namespace avrelt {

/// What becomes of cells on a taper. Both schools exist.
enum class TaperFit {
  narrow,  ///< whole columns all the way up: cells narrow with the cup and close at the seam
  keep,    ///< cells keep their size and meet at the seam as they come
};

/// What becomes of the height of a repeat.
enum class HeightFit {
  sized,       ///< as `size` and the family's shape have it, whatever closing costs in width
  proportion,  ///< in proportion to the width, when that is stretched to close
  whole,       ///< stretched so that a whole number of repeats fills the zone's height
};

/// How a zone is filled with cells.
struct Pattern {
  Family family = Family::hexagons;
  /// One repeat, round the cup half-way up its wall.
  WrittenLength size{Length::inches(1), "1 in"};
  int repeats = 0;  ///< round the cup; 0 for the whole number nearest to `size`
  WrittenLength line{Length::mm(1), "1 mm"};  ///< between cells; 0 for none
  std::optional<double> ratio;                ///< the family's; left out, its usual one
  double along = 0;     ///< where a repeat begins, as a share of it, to the right of the seam
  double up = 0;        ///< the same up the wall
  bool mirror = false;  ///< left to right
  bool turned = false;  ///< by a quarter
  TaperFit taperFit = TaperFit::narrow;
  HeightFit heightFit = HeightFit::sized;
  int seed = 1;            ///< of pebbles
  SharedRepeat artwork{};  ///< of the family of that name
  std::string kept{};

  friend bool operator==(const Pattern&, const Pattern&) = default;
};

}  // namespace avrelt

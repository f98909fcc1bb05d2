// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "shape/polygon.h"
#include "sheet/part.h"

namespace avrelt {

/// A shape to be laid on sheets, so many times. Its openings may hold others.
struct Piece {
  Polygon shape;  ///< mm
  int copies = 1;
  MayTurn mayTurn = MayTurn::any;
};

/// Sheets of one size.
struct SheetSize {
  Length wide;
  Length tall;
  Length margin;  ///< all round, where nothing lies
};

struct ArrangeRules {
  Length gap = Length::mm(1.5);     ///< the least between any two
  Length raster = Length::mm(0.5);  ///< places are tried so finely
  int turns = 8;                    ///< of those that may turn freely
  std::size_t mostSheets = 200;
};

/// Where one lies: turned to the left about its origin, then moved, the sheet's lower left at 0.
struct Laid {
  std::size_t piece = 0;
  int copy = 0;  ///< from 0
  std::size_t sheet = 0;
  Angle turn;
  Point at;
};

/// One that lies nowhere.
struct NotLaid {
  enum class Why { tooLarge, tooMany } why = Why::tooLarge;
  std::size_t piece = 0;
  int copies = 1;
};

struct Arrangement {
  std::vector<Laid> laid;  ///< the largest first
  std::vector<NotLaid> notLaid;
  std::size_t sheets = 0;
};

/// Lays pieces on as few sheets as it finds room on, the largest first, each as low and then as far
/// left as it goes, in whichever of its turns that is lowest.
///
/// Room is kept on a raster: a piece drawn out by half the gap takes every cell it touches, so no
/// two come nearer than the gap, whatever the raster. The same pieces give the same arrangement.
Arrangement arrange(const std::vector<Piece>& pieces, const SheetSize& sheet,
                    const ArrangeRules& rules = {});

/// A piece's shape where it lies.
Polygon shapeAt(const Piece& piece, const Laid& laid);

/// The least between any two on one sheet, by their true sides: what a proof before saving asks
/// for; 10 km where no sheet has two.
Length leastBetween(const std::vector<Piece>& pieces, const Arrangement& arrangement);

/// A part turned to the left about its origin, then moved: with all that is drawn on it.
Part laidOut(const Part& part, Angle turn, Point at);

}  // namespace avrelt

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
  Angle turnedFirst{};  ///< the turns that are tried begin here, where it may turn freely
  /// Pieces of one number lie on one sheet, where one has room for them all; 0 of what may lie
  /// anywhere.
  std::size_t together = 0;
  Polygon clear{};  ///< mm, what nothing else of its film lies in besides: where another's is to be
};

/// Sheets of one size.
struct SheetSize {
  Length wide;
  Length tall;
  Length margin;  ///< all round, where nothing lies

  friend bool operator==(const SheetSize&, const SheetSize&) = default;
};

/// Film that pieces may be laid on: sheets alike, a roll, or an offcut.
struct FilmPiece {
  static constexpr std::size_t many = 1'000'000;

  SheetSize size;  ///< of an offcut, what it lies in
  std::size_t count = many;
  bool roll = false;  ///< it costs only the length that is used
  Polygon outline;    ///< of an offcut that is no rectangle, its lower left at 0
  /// Where pieces may lie, where that is not all of it less its margin: what can be printed.
  Polygon room{};
  Length above{};  ///< of a roll, what is cut off beyond what lies highest, besides the margin
};

/// What of it parts may take, by its sides.
Box roomOf(const FilmPiece& piece);

struct ArrangeRules {
  Length gap = Length::mm(1.5);     ///< the least between any two
  Length raster = Length::mm(0.5);  ///< places are tried so finely
  int turns = 8;                    ///< of those that may turn freely
  std::size_t mostSheets = 200;
  bool lattices = true;  ///< many of one shape are laid in rows where these are denser
};

/// Where one lies: turned to the left about its origin, then moved, the sheet's lower left at 0.
struct Laid {
  std::size_t piece = 0;
  int copy = 0;  ///< from 0
  std::size_t sheet = 0;
  Angle turn;
  Point at;

  friend bool operator==(const Laid&, const Laid&) = default;
};

/// One that lies nowhere.
struct NotLaid {
  enum class Why { tooLarge, tooMany } why = Why::tooLarge;
  std::size_t piece = 0;
  int copies = 1;
};

/// A sheet that something lies on.
struct UsedSheet {
  std::size_t film = 0;  ///< which of the film pieces
  Length reaches;        ///< up to here, by what lies highest on it
};

/// How an arrangement was gone about.
struct ArrangeOrder {
  struct Group {
    std::size_t piece = 0;
    int copies = 0;
  };
  std::vector<Group> groups;  ///< laid one after the other
  Angle turnedBy;             ///< the turns that are tried begin here
  bool byLowest = false;      ///< as low as it goes, not ending as low as it may
  std::size_t rows = 0;       ///< which of the lattices is taken
  bool fine = false;          ///< on a raster half as wide, in three times as many turns
  bool rectangles = false;    ///< these are laid first, edge to edge
  bool boxes = false;         ///< and with them what fills most of its box, discs for one
  /// Sheets full of one shape that hold one more, squeezed, by the seed that found room for it.
  struct Squeezed {
    std::size_t piece = 0;
    std::size_t film = 0;
    std::size_t count = 0;
    long seed = 0;
  };
  std::vector<Squeezed> squeezed{};
  long attempt = 0;
  bool fills = false;    ///< there are sheets full of one shape
  bool squeeze = false;  ///< these are tried to hold one more
};

struct Arrangement {
  std::vector<Laid> laid;
  std::vector<NotLaid> notLaid;
  std::vector<UsedSheet> sheets;
  std::vector<std::size_t> apart{};  ///< what was to lie together and lies on several sheets
  ArrangeOrder order;
};

/// The numbers of those that were to lie together and lie on several sheets, in order.
std::vector<std::size_t> apartOn(const std::vector<Piece>& pieces, const std::vector<Laid>& laid);

/// Which is the better: lays more, keeps more together, then takes less film, a roll's by its
/// length, offcuts for nothing, then ends lower on its last sheet.
bool isDenser(const Arrangement& a, const Arrangement& b, const std::vector<FilmPiece>& films);
/// The film an arrangement takes, as `isDenser` counts it.
Area filmTaken(const Arrangement& arrangement, const std::vector<FilmPiece>& films);

/// A piece's shape where it lies.
Polygon shapeAt(const Piece& piece, const Laid& laid);

/// The least between any two on one sheet, by their true sides: what a proof before saving asks
/// for; 10 km where no sheet has two.
Length leastBetween(const std::vector<Piece>& pieces, const Arrangement& arrangement);

}  // namespace avrelt

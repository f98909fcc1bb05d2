// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <optional>
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
};

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
};

struct Arrangement {
  std::vector<Laid> laid;
  std::vector<NotLaid> notLaid;
  std::vector<UsedSheet> sheets;
  ArrangeOrder order;
};

/// Lays pieces on as little film as it finds room on.
///
/// The largest first, each as low and then as far left as it goes, in whichever of its turns that
/// is lowest, on the first film with room for it; many of one shape in rows, where more of them go
/// on a sheet so. Room is kept on a raster: a piece drawn out by half the gap takes every cell it
/// touches, so no two come nearer than the gap, whatever the raster. Further attempts go about it
/// in another order, a little off that of the best so far. The same pieces, films, attempt and best
/// give the same arrangement.
class Arranger {
 public:
  /// `films` are used in their order.
  Arranger(std::vector<Piece> pieces, std::vector<FilmPiece> films, const ArrangeRules& rules);
  Arranger(Arranger&&) noexcept;
  Arranger& operator=(Arranger&&) noexcept;
  ~Arranger();

  /// The plain attempt. What lies in `kept` stays on its sheets, which come first; the others are
  /// laid round it.
  Arrangement operator()(const Arrangement& kept = {});
  /// Another, from the order of the best so far; attempts are numbered from 1.
  Arrangement operator()(long attempt, const ArrangeOrder& best, const Arrangement& kept = {});

  /// Where one that is laid finds room on another sheet, as low as it goes; nothing where it finds
  /// none.
  std::optional<Laid> roomOn(const Arrangement& arrangement, const Laid& laid, std::size_t sheet);

  const std::vector<Piece>& pieces() const;
  const std::vector<FilmPiece>& films() const;

 private:
  class Work;
  std::unique_ptr<Work> work_;
};

/// The plain attempt, on as many sheets of one size as it takes.
Arrangement arrange(const std::vector<Piece>& pieces, const SheetSize& sheet,
                    const ArrangeRules& rules = {});

/// Which is the better: lays more, then takes less film, a roll's by its length, offcuts for
/// nothing, then ends lower on its last sheet.
bool isDenser(const Arrangement& a, const Arrangement& b, const std::vector<FilmPiece>& films);
/// The film an arrangement takes, as `isDenser` counts it.
Area filmTaken(const Arrangement& arrangement, const std::vector<FilmPiece>& films);

/// A piece's shape where it lies.
Polygon shapeAt(const Piece& piece, const Laid& laid);

/// The least between any two on one sheet, by their true sides: what a proof before saving asks
/// for; 10 km where no sheet has two.
Length leastBetween(const std::vector<Piece>& pieces, const Arrangement& arrangement);

/// A part turned to the left about its origin, then moved: with all that is drawn on it.
Part laidOut(const Part& part, Angle turn, Point at);

}  // namespace avrelt

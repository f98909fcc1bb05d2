// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>
#include <memory>
#include <optional>
#include <tuple>
#include <vector>

#include "sheet/arrangement.h"
#include "sheet/lattice.h"
#include "sheet/rectangles.h"
#include "sheet/room.h"

namespace avrelt {

/// Which pieces are laid as rectangles, edge to edge.
enum class Rectangles { none, some, all };

/// A piece that may be laid as a rectangle: what it takes with half the gap all round, turned first
/// so that its sides lie along the sheet's.
struct Squared {
  Rectangle size;
  Angle turn;
  bool isRectangle = true;  ///< or else it just fills most of its box
};

/// Pieces and films as attempts at laying them need them, kept from one to the next.
class Arranging {
 public:
  Arranging(std::vector<Piece> pieces, std::vector<FilmPiece> films, const ArrangeRules& rules);

  const std::vector<Piece>& pieces() const { return pieces_; }
  const std::vector<FilmPiece>& films() const { return films_; }
  const ArrangeRules& rules() const { return rules_; }

  /// The largest first.
  ArrangeOrder plainOrder() const;
  Rectangles rectangles() const;
  /// Of a piece that an order lays as a rectangle; none of another.
  const Squared* squared(std::size_t piece, const ArrangeOrder& order) const {
    const std::optional<Squared>& one = squared_[piece];
    return one && (one->isRectangle || order.boxes) ? &*one : nullptr;
  }
  /// A piece drawn out by half the gap, and a little.
  const Polygon& grown(std::size_t piece) const { return grown_[piece]; }

  /// What is looked at is as fine as an order wants it.
  void beginFor(const ArrangeOrder& order);
  double cell() const { return cell_; }
  int turns() const { return turns_; }
  /// Pieces drawn out by half the gap may reach that far into the margin.
  double inset(std::size_t film) const { return (films_[film].size.margin - rules_.gap / 2).mm(); }
  double free(std::size_t film, Length side) const {
    return (side - films_[film].size.margin * 2 + rules_.gap).mm();
  }
  int cells(std::size_t film, Length side) const;
  /// Whether all of a film but its margin is free.
  bool isPlain(std::size_t film) const {
    return films_[film].outline.empty() && films_[film].room.empty();
  }

  const Room& emptyRoom(std::size_t film);
  /// Takes what a piece covers anywhere on a sheet.
  void takeAt(Room& room, std::size_t film, std::size_t piece, Angle turn, Point at) const;
  /// A turn at which a piece that may turn freely has room on an empty sheet, for where it has none
  /// at the usual turns.
  std::optional<Angle> slantOn(std::size_t piece, std::size_t film);
  /// Where a piece lies on an empty sheet that it fits so closely that the raster finds no room.
  std::optional<Laid> closelyOn(std::size_t piece, std::size_t film);
  /// Places of lattices on an empty sheet, as `Laid` has them, the fullest first.
  const std::vector<std::vector<LatticePlace>>& rowsOn(std::size_t piece, std::size_t film,
                                                       std::size_t wanted);
  /// So many of a piece on an empty sheet, squeezed, with the gap between any two; none where they
  /// find no room.
  const std::vector<LatticePlace>& squeezed(const ArrangeOrder::Squeezed& what);
  /// Pushes what is arranged together; what lies in `kept` stays.
  void push(Arrangement& arrangement, const Arrangement& kept) const;

 private:
  /// What of a film parts may lie on.
  Polygon usableOf(std::size_t film) const;
  const std::vector<Point>& outerOf(std::size_t piece) const;
  const std::vector<Lattice>& latticesOf(std::size_t piece);

  std::vector<Piece> pieces_;
  std::vector<FilmPiece> films_;
  ArrangeRules rules_;
  double cell_ = 1;  ///< of the attempt that is made
  int turns_ = 1;
  std::vector<Polygon> grown_;
  std::vector<double> areas_;
  std::vector<std::optional<Squared>> squared_;
  std::map<std::pair<std::size_t, std::size_t>, std::optional<Angle>> slants_;  ///< piece, film
  std::map<std::pair<std::size_t, std::size_t>, std::optional<Laid>> closely_;  ///< the same
  std::map<std::pair<std::size_t, double>, Room> emptyRooms_;  ///< by film and raster
  std::vector<std::unique_ptr<std::vector<Lattice>>> lattices_;
  std::map<std::tuple<std::size_t, std::size_t, std::size_t>,
           std::vector<std::vector<LatticePlace>>>
      rows_;
  std::map<std::tuple<std::size_t, std::size_t, std::size_t, long>, std::vector<LatticePlace>>
      squeezedOn_;
};

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <optional>
#include <vector>

#include "sheet/arrangement.h"

namespace avrelt {

class Arranging;

/// Lays pieces on as little film as it finds room on.
///
/// The largest first, each as low and then as far left as it goes, in whichever of its turns that
/// is lowest, on the first film with room for it; many of one shape in rows, where more of them go
/// on a sheet so. Room is kept on a raster: a piece drawn out by half the gap takes every cell it
/// touches, so no two come nearer than the gap, whatever the raster. Where there are rectangles, an
/// attempt may lay these, or all that fills most of its box, first, edge to edge and without a
/// raster, and the others round them; the densest of the ways is taken. Further attempts go about
/// it in another order, a little off that of the best so far, or squeeze one more onto sheets full
/// of one shape. What is to lie together is laid at once, on the first film with room for all of
/// it; where none has, as if it might lie anywhere. The same pieces, films, attempt and best give
/// the same arrangement.
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

  /// The same, pushed together down and to the left where raster and rows left a little between;
  /// what lies in `kept` stays. Offcuts, and sheets that are printed first, are left as they are.
  Arrangement pushed(Arrangement arrangement, const Arrangement& kept = {}) const;

  /// Where one that is laid finds room on another sheet, as low as it goes; nothing where it finds
  /// none.
  std::optional<Laid> roomOn(const Arrangement& arrangement, const Laid& laid, std::size_t sheet);

  const std::vector<Piece>& pieces() const;
  const std::vector<FilmPiece>& films() const;

 private:
  std::unique_ptr<Arranging> work_;
};

/// The plain attempt, on as many sheets of one size as it takes.
Arrangement arrange(const std::vector<Piece>& pieces, const SheetSize& sheet,
                    const ArrangeRules& rules = {});

}  // namespace avrelt

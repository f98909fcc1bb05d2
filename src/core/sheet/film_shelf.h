// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <string>
#include <vector>

#include "cup/part_material.h"
#include "measure/fault.h"
#include "measure/length.h"
#include "shape/polygon.h"

namespace avrelt {

/// The kinds of film a shop has: all that parts are cut from but paper.
inline constexpr std::array filmKinds{PartMaterial::permanent,   PartMaterial::printed,
                                      PartMaterial::clear,       PartMaterial::printable,
                                      PartMaterial::heatApplied, PartMaterial::stencil,
                                      PartMaterial::removable,   PartMaterial::doubleSided};

/// A film the shop has, or had.
struct ShelfFilm {
  long long key = 0;  ///< the shop's
  std::string name;
  PartMaterial kind = PartMaterial::permanent;
  std::string colour;           ///< #RRGGBB; empty where it has none, or it is of no matter
  bool keepsDirection = false;  ///< its parts are not turned
  bool faceDown = false;        ///< the blade sees its back
  double pricePerM2 = 0;        ///< in the shop's own money; 0 where it is not known
  std::string notes;

  friend bool operator==(const ShelfFilm&, const ShelfFilm&) = default;
};

enum class StockShape { sheet, roll, offcut };
/// "sheet", "roll", "offcut": as files and the shop write it.
const char* shapeName(StockShape shape);

/// Some of a film as it lies on the shelf.
struct FilmStock {
  long long key = 0;   ///< the shop's
  long long film = 0;  ///< its key
  StockShape shape = StockShape::sheet;
  Length wide;
  Length tall;      ///< of a roll, what is left of it
  long count = 1;   ///< of sheets alike
  Polygon outline;  ///< of an offcut that is no rectangle, its lower left at 0
  std::string name;
  std::string place;  ///< where it is kept

  friend bool operator==(const FilmStock&, const FilmStock&) = default;
};

/// Of all of it: every sheet, what is left of a roll, an offcut's outline.
Area areaOf(const FilmStock& stock);

/// The films of the shop and what there is of them.
struct FilmShelf {
  std::vector<ShelfFilm> films;
  std::vector<FilmStock> stock;

  const ShelfFilm* filmOf(long long key) const;
  /// The film for parts of a kind and a colour: of those of the kind the one that looks most like
  /// it, within what is told apart only side by side; any where the colour is of no matter.
  const ShelfFilm* likeliest(PartMaterial kind, const std::string& colour) const;

  friend bool operator==(const FilmShelf&, const FilmShelf&) = default;
};

/// Why a piece of film cannot be, by its field: "stock.wide", "stock.tall", "stock.count",
/// "stock.outline".
Faults faultsOf(const FilmStock& stock);

}  // namespace avrelt

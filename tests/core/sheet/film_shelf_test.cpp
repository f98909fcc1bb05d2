// SPDX-License-Identifier: GPL-3.0-or-later
// Which film of the shelf parts are cut from, and what is no piece of film.
#include "sheet/film_shelf.h"

#include <catch2/catch.hpp>

using namespace avrelt;

namespace {

ShelfFilm film(long long key, PartMaterial kind, const std::string& colour) {
  ShelfFilm made;
  made.key = key;
  made.name = "film " + std::to_string(key);
  made.kind = kind;
  made.colour = colour;
  return made;
}

}  // namespace

TEST_CASE("The film taken is of the kind and looks most like what is wanted", "[film-shelf]") {
  const FilmShelf shelf{
      {film(1, PartMaterial::permanent, "#E8B64A"), film(2, PartMaterial::permanent, "#E9C46A"),
       film(3, PartMaterial::stencil, ""), film(4, PartMaterial::printed, "#E9C46A"),
       film(5, PartMaterial::permanent, "")},
      {}};
  const auto keyOf = [&](PartMaterial kind, const std::string& colour) {
    const ShelfFilm* found = shelf.likeliest(kind, colour);
    return found == nullptr ? 0 : found->key;
  };
  CHECK(keyOf(PartMaterial::permanent, "#E9C46B") == 2);
  CHECK(keyOf(PartMaterial::permanent, "#E8B54A") == 1);
  CHECK(keyOf(PartMaterial::printed, "#E9C46A") == 4);
  // Another colour is no film for it, and none of unknown colour is taken for one.
  CHECK(keyOf(PartMaterial::permanent, "#1E3A5C") == 0);
  CHECK(keyOf(PartMaterial::stencil, "") == 3);
  CHECK(keyOf(PartMaterial::clear, "") == 0);
  CHECK(shelf.filmOf(4) == &shelf.films[3]);
  CHECK(shelf.filmOf(9) == nullptr);
}

TEST_CASE("Film of no size and offcuts that cross themselves are refused by their field",
          "[film-shelf]") {
  FilmStock stock;
  stock.wide = Length::mm(300);
  stock.tall = Length::mm(200);
  CHECK(faultsOf(stock).empty());
  const auto fieldOf = [](const FilmStock& one) {
    const Faults faults = faultsOf(one);
    return faults.empty() ? Where() : faults.front().where;
  };
  FilmStock wrong = stock;
  wrong.wide = {};
  CHECK(fieldOf(wrong) == Where(Member::stockWide));
  wrong = stock;
  wrong.tall = Length::mm(1e9);
  CHECK(fieldOf(wrong) == Where(Member::stockTall));
  wrong = stock;
  wrong.count = -1;
  CHECK(fieldOf(wrong) == Where(Member::stockCount));
  // A bow tie; and one that goes twice round.
  wrong = stock;
  wrong.outline = {{{0, 0}, {100, 100}, {100, 0}, {0, 100}}};
  CHECK(fieldOf(wrong) == Where(Member::stockOutline));
  wrong.outline = {{{0, 0}, {100, 0}, {100, 90}, {10, 90}, {10, 10}, {50, 10}, {50, 95}, {0, 95}}};
  CHECK(fieldOf(wrong) == Where(Member::stockOutline));
  wrong.outline = {{{0, 0}, {300, 0}, {300, 50}, {100, 50}, {100, 200}, {0, 200}}};
  CHECK(faultsOf(wrong).empty());
}

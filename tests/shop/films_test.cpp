// SPDX-License-Identifier: GPL-3.0-or-later
// Films and the cutter on the shelf: kept, refused, used up, and what a hand spoils in the file.
#include "shop/shop_folder.h"

using namespace avrelt;

namespace {

FilmShelf shelfOf(Shop& shop) {
  tl::expected<FilmShelf, Sentence> shelf = shop.films();
  REQUIRE(shelf);
  return std::move(*shelf);
}

ShelfFilm gold() {
  ShelfFilm film;
  film.name = "Gold";
  film.kind = PartMaterial::permanent;
  film.colour = "#E8B64A";
  film.keepsDirection = true;
  film.pricePerM2 = 9.5;
  film.notes = "to 60 °C";
  return film;
}

FilmStock some(long long film, StockShape shape, double wide, double tall, long count = 1) {
  FilmStock stock;
  stock.film = film;
  stock.shape = shape;
  stock.wide = Length::mm(wide);
  stock.tall = Length::mm(tall);
  stock.count = count;
  return stock;
}

}  // namespace

TEST_CASE("films and what there is of them are kept as they were put", "[films]") {
  const ShopFolder folder;
  ShelfFilm film = gold();
  FilmStock offcut;
  {
    Shop shop = folder.open();
    CHECK(shelfOf(shop).films.empty());
    const auto key = shop.put(film);
    REQUIRE(key);
    film.key = *key;
    offcut = some(*key, StockShape::offcut, 120, 90);
    offcut.outline = {{{0, 0}, {120, 0}, {120, 40.5}, {60, 90}, {0, 90}}};
    offcut.name = "corner";
    offcut.place = "drawer 2";
    const auto stock = shop.put(offcut);
    REQUIRE(stock);
    offcut.key = *stock;
  }
  Shop shop = folder.open();
  CHECK(shelfOf(shop).films == std::vector<ShelfFilm>{film});
  CHECK(shelfOf(shop).stock == std::vector<FilmStock>{offcut});
  // Changed in place, not twice.
  film.name = "Gold gloss";
  CHECK(*shop.put(film) == film.key);
  CHECK(shelfOf(shop).films == std::vector<ShelfFilm>{film});
  // Refused, and nothing changed.
  ShelfFilm wrong = gold();
  wrong.name = " ";
  CHECK_FALSE(shop.put(wrong));
  wrong.name = "gold GLOSS";
  CHECK_FALSE(shop.put(wrong));
  wrong = gold();
  wrong.colour = "gold";
  CHECK_FALSE(shop.put(wrong));
  wrong = gold();
  wrong.pricePerM2 = -1;
  CHECK_FALSE(shop.put(wrong));
  CHECK_FALSE(shop.put(some(film.key, StockShape::roll, 0, 100)));
  CHECK_FALSE(shop.put(some(999, StockShape::roll, 100, 100)));
  wrong = film;
  wrong.key = 77;
  wrong.name = "Other";
  CHECK_FALSE(shop.put(wrong));
  CHECK(shelfOf(shop).films == std::vector<ShelfFilm>{film});
  CHECK(shelfOf(shop).stock.size() == 1);
  CHECK_FALSE(shop.removeStock(offcut.key));
  CHECK(shelfOf(shop).stock.empty());
  REQUIRE(shop.put(some(film.key, StockShape::sheet, 300, 300, 4)));
  CHECK_FALSE(shop.removeFilm(film.key));
  CHECK(shelfOf(shop).films.empty());
  CHECK(shelfOf(shop).stock.empty());
}

TEST_CASE("what a cut sheet took is off the shelf, and its offcut on it, or neither", "[films]") {
  const ShopFolder folder;
  Shop shop = folder.open();
  const long long film = *shop.put(gold());
  const long long sheets = *shop.put(some(film, StockShape::sheet, 300, 300, 2));
  const long long roll = *shop.put(some(film, StockShape::roll, 300, 1000));
  const long long offcut = *shop.put(some(film, StockShape::offcut, 80, 80));
  const auto stockOf = [&](long long key) -> std::optional<FilmStock> {
    const FilmShelf shelf = shelfOf(shop);
    for (const FilmStock& stock : shelf.stock) {
      if (stock.key == key) return stock;
    }
    return std::nullopt;
  };
  const FilmTaken taken{0, "Blue, open night", *parseCivil("2026-11-06T19:00"), Area::mm2(30000),
                        Area::mm2(42000.5)};
  CHECK_FALSE(shop.use(sheets, Length::mm(300), std::nullopt, taken));
  CHECK(stockOf(sheets)->count == 1);
  CHECK_FALSE(shop.use(sheets, Length::mm(300), some(film, StockShape::offcut, 100, 60)));
  CHECK_FALSE(stockOf(sheets));
  CHECK(shelfOf(shop).stock.back().wide == Length::mm(100));
  CHECK_FALSE(shop.use(roll, Length::mm(400), std::nullopt));
  CHECK(stockOf(roll)->tall == Length::mm(600));
  // A stump is no roll.
  CHECK_FALSE(shop.use(roll, Length::mm(580), std::nullopt));
  CHECK_FALSE(stockOf(roll));
  CHECK_FALSE(shop.use(offcut, Length::mm(80), std::nullopt));
  CHECK_FALSE(stockOf(offcut));
  // What is gone cannot be used, and then nothing is kept of it either.
  const std::size_t before = shelfOf(shop).stock.size();
  CHECK(shop.use(offcut, {}, some(film, StockShape::offcut, 70, 70), taken));
  CHECK(shop.use(sheets, {}, some(film, StockShape::offcut, 0, 70)));
  CHECK(shelfOf(shop).stock.size() == before);
  // A plain sheet was never on the shelf; its offcut may be.
  CHECK_FALSE(shop.use(0, {}, some(film, StockShape::offcut, 70, 70), taken));
  CHECK(shelfOf(shop).stock.size() == before + 1);
  // What came of it is kept for both that were taken, and for nothing that was refused.
  const auto all = shop.filmsTaken();
  REQUIRE(all);
  REQUIRE(all->size() == 2);
  CHECK(all->front().key != all->back().key);
  for (FilmTaken one : *all) {
    one.key = 0;
    CHECK(one == taken);
  }
}

TEST_CASE("the cutter is the usual one till another is put, and no impossible one is", "[films]") {
  const ShopFolder folder;
  Shop shop = folder.open();
  CHECK(*shop.cutter() == Cutter());
  Cutter mine;
  mine.widest = Length::mm(610);
  mine.bladeOffset = Length::mm(0.25);
  mine.passes = 2;
  mine.mirrored = true;
  CHECK_FALSE(shop.put(mine));
  CHECK(*shop.cutter() == mine);
  Cutter wrong = mine;
  wrong.passes = 0;
  CHECK(shop.put(wrong));
  wrong = mine;
  wrong.widest = Length::mm(std::numeric_limits<double>::quiet_NaN());
  CHECK(shop.put(wrong));
  CHECK(*shop.cutter() == mine);
  folder.sql("UPDATE cutter SET value = 1e9 WHERE name = 'passes'");
  CHECK(shop.cutter()->passes == 1);
}

TEST_CASE("films that a hand has spoilt in the file are left out, the others found", "[films]") {
  const ShopFolder folder;
  Shop shop = folder.open();
  const long long film = *shop.put(gold());
  REQUIRE(shop.put(some(film, StockShape::sheet, 300, 300)));
  folder.sql(
      "INSERT INTO films (name, kind, colour, keeps_direction, face_down, price_per_m2, notes)"
      " VALUES ('odd', 'cheese', '', 0, 0, 0, ''), ('red', 'stencil_film', 'red', 0, 0, -5, '');"
      "INSERT INTO film_stock (film, shape, wide_mm, tall_mm, count, outline, name, place) VALUES"
      " (1, 'sheet', -5, 100, 1, '', '', ''), (1, 'heap', 100, 100, 1, '', '', ''),"
      " (1, 'offcut', 100, 100, 1, 'M0 0 10', '', ''),"
      " (1, 'offcut', 100, 100, 1, 'nonsense', '', '');");
  const FilmShelf shelf = shelfOf(shop);
  REQUIRE(shelf.films.size() == 2);
  CHECK(shelf.films[1].colour.empty());
  CHECK(shelf.films[1].pricePerM2 == 0);
  CHECK(shelf.stock.size() == 1);
}

// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <array>
#include <cmath>

#include "files/polygon_json.h"
#include "measure/colour.h"
#include "shape/path_text.h"
#include "shop/database.h"
#include "shop/shop.h"

namespace avrelt {
namespace {

const PartMaterial* materialCalled(const std::string& name) {
  const auto* const found =
      std::find_if(filmKinds.begin(), filmKinds.end(),
                   [&](PartMaterial kind) { return name == materialName(kind); });
  return found == filmKinds.end() ? nullptr : found;
}

std::optional<StockShape> shapeCalled(const std::string& name) {
  for (const StockShape shape : {StockShape::sheet, StockShape::roll, StockShape::offcut}) {
    if (name == shapeName(shape)) return shape;
  }
  return std::nullopt;
}

/// Outlines as the shop keeps them; nothing where a hand has spoilt them.
std::optional<Polygon> outlineFrom(const std::string& text) {
  Pen pen(Transform(), Length::mm(0.01));
  if (!text.empty() && !drawPath(text, pen)) return std::nullopt;
  Polygon outline;
  for (Polyline& line : pen.take()) {
    if (!line.closed) return std::nullopt;
    outline.push_back(std::move(line.points));
  }
  return outline;
}

std::optional<FilmStock> stockFrom(const Statement& row) {
  FilmStock stock;
  stock.key = row.whole(0);
  stock.film = row.whole(1);
  const std::optional<StockShape> shape = shapeCalled(row.text(2));
  std::optional<Polygon> outline = outlineFrom(row.text(6));
  if (!shape || !outline) return std::nullopt;
  stock.shape = *shape;
  stock.wide = Length::mm(row.number(3));
  stock.tall = Length::mm(row.number(4));
  stock.count = static_cast<long>(row.whole(5));
  stock.outline = std::move(*outline);
  stock.name = row.text(7);
  stock.place = row.text(8);
  if (!faultsOf(stock).empty()) return std::nullopt;
  return stock;
}

/// Within a chain of changes; the key of what was put.
long long putStock(Database& database, const FilmStock& stock) {
  const char* const sql =
      stock.key == 0
          ? "INSERT INTO film_stock (film, shape, wide_mm, tall_mm, count, outline, name, place)"
            " VALUES (?, ?, ?, ?, ?, ?, ?, ?) RETURNING id"
          : "UPDATE film_stock SET film = ?, shape = ?, wide_mm = ?, tall_mm = ?, count = ?,"
            " outline = ?, name = ?, place = ? WHERE id = ? RETURNING id";
  Statement put(database, sql);
  put.bind(stock.film).bind(shapeName(stock.shape)).bind(stock.wide.mm()).bind(stock.tall.mm());
  put.bind(static_cast<long long>(stock.count));
  put.bind(stock.outline.empty() ? std::string() : pathText(stock.outline));
  put.bind(stock.name).bind(stock.place);
  if (stock.key != 0) put.bind(stock.key);
  const long long key = put.step() ? put.whole(0) : 0;
  if (key != 0) put.step();
  return key;
}

}  // namespace

tl::expected<FilmShelf, Sentence> Shop::films() {
  FilmShelf shelf;
  {
    Statement rows(*database_,
                   "SELECT id, name, kind, colour, keeps_direction, face_down, price_per_m2, notes"
                   " FROM films ORDER BY name COLLATE NOCASE");
    while (rows.step()) {
      const PartMaterial* kind = materialCalled(rows.text(2));
      if (kind == nullptr) continue;
      ShelfFilm film;
      film.key = rows.whole(0);
      film.name = rows.text(1);
      film.kind = *kind;
      film.colour = isColour(rows.text(3)) ? rows.text(3) : std::string();
      film.keepsDirection = rows.whole(4) != 0;
      film.faceDown = rows.whole(5) != 0;
      film.pricePerM2 = std::isfinite(rows.number(6)) ? std::max(rows.number(6), 0.0) : 0;
      film.notes = rows.text(7);
      shelf.films.push_back(std::move(film));
    }
    Statement stock(*database_,
                    "SELECT id, film, shape, wide_mm, tall_mm, count, outline, name, place"
                    " FROM film_stock ORDER BY id");
    while (stock.step()) {
      std::optional<FilmStock> one = stockFrom(stock);
      if (one && shelf.filmOf(one->film) != nullptr) shelf.stock.push_back(std::move(*one));
    }
  }
  if (std::optional<Sentence> trouble = database_->trouble()) return tl::unexpected(*trouble);
  return shelf;
}

tl::expected<long long, Sentence> Shop::put(const ShelfFilm& film) {
  if (film.name.find_first_not_of(" \t\n") == std::string::npos) {
    return tl::unexpected(Sentence{"A film needs a name to lie on the shelf. Give it one.", {}});
  }
  if (!film.colour.empty() && !isColour(film.colour)) {
    return tl::unexpected(Sentence{"A film's colour is written #RRGGBB.", {}});
  }
  if (!(film.pricePerM2 >= 0 && film.pricePerM2 <= 1e6)) {
    return tl::unexpected(Sentence{"Give a price from 0 to a million for a square metre.", {}});
  }
  database_->begin();
  long long key = 0;
  bool taken = false;
  {
    Statement other(*database_, "SELECT id FROM films WHERE name = ? AND id <> ?");
    other.bind(film.name).bind(film.key);
    taken = other.step();
  }
  if (!taken) {
    Statement put(*database_,
                  film.key == 0
                      ? "INSERT INTO films (name, kind, colour, keeps_direction, face_down,"
                        " price_per_m2, notes) VALUES (?, ?, ?, ?, ?, ?, ?) RETURNING id"
                      : "UPDATE films SET name = ?, kind = ?, colour = ?, keeps_direction = ?,"
                        " face_down = ?, price_per_m2 = ?, notes = ? WHERE id = ? RETURNING id");
    put.bind(film.name).bind(materialName(film.kind)).bind(film.colour);
    put.bind(static_cast<long long>(film.keepsDirection));
    put.bind(static_cast<long long>(film.faceDown)).bind(film.pricePerM2).bind(film.notes);
    if (film.key != 0) put.bind(film.key);
    if (put.step()) {
      key = put.whole(0);
      put.step();
    }
  }
  if (std::optional<Sentence> trouble = database_->end()) return tl::unexpected(*trouble);
  if (taken) {
    return tl::unexpected(
        Sentence{"There is a film called “%1” already. Give this one another name.", {film.name}});
  }
  if (key == 0) {
    return tl::unexpected(Sentence{"“%1” is not on the shelf any more.", {film.name}});
  }
  return key;
}

tl::expected<long long, Sentence> Shop::put(const FilmStock& stock) {
  const Faults faults = faultsOf(stock);
  if (!faults.empty()) return tl::unexpected(faults.front().sentence);
  database_->begin();
  const long long key = putStock(*database_, stock);
  if (std::optional<Sentence> trouble = database_->end()) return tl::unexpected(*trouble);
  if (key == 0) return tl::unexpected(Sentence{"This is not on the shelf any more.", {}});
  return key;
}

std::optional<Sentence> Shop::removeFilm(long long key) {
  database_->begin();
  {
    Statement stock(*database_, "DELETE FROM film_stock WHERE film = ?");
    stock.bind(key).step();
    Statement film(*database_, "DELETE FROM films WHERE id = ?");
    film.bind(key).step();
  }
  return database_->end();
}

std::optional<Sentence> Shop::removeStock(long long key) {
  database_->begin();
  {
    Statement stock(*database_, "DELETE FROM film_stock WHERE id = ?");
    stock.bind(key).step();
  }
  return database_->end();
}

std::optional<Sentence> Shop::use(long long stock, Length ofRoll,
                                  const std::optional<FilmStock>& offcut,
                                  const std::optional<FilmTaken>& taken) {
  if (offcut) {
    const Faults faults = faultsOf(*offcut);
    if (!faults.empty()) return faults.front().sentence;
  }
  database_->begin();
  bool there = stock == 0;
  if (!there) {
    Statement row(*database_, "SELECT shape, tall_mm, count FROM film_stock WHERE id = ?");
    row.bind(stock);
    if (row.step()) {
      const std::string shape = row.text(0);
      const double left = row.number(1) - ofRoll.mm();
      // What is shorter than a hand is wide is no roll any more.
      constexpr double shortest = 30;
      const long long count = row.whole(2) - 1;
      there = true;
      const bool gone = shape == shapeName(StockShape::roll) ? left < shortest : count < 1;
      if (gone) {
        Statement remove(*database_, "DELETE FROM film_stock WHERE id = ?");
        remove.bind(stock).step();
      } else if (shape == shapeName(StockShape::roll)) {
        Statement shorter(*database_, "UPDATE film_stock SET tall_mm = ? WHERE id = ?");
        shorter.bind(left).bind(stock).step();
      } else {
        Statement less(*database_, "UPDATE film_stock SET count = ? WHERE id = ?");
        less.bind(count).bind(stock).step();
      }
    }
  }
  if (there && offcut) putStock(*database_, *offcut);
  if (there && taken) {
    Statement put(*database_,
                  "INSERT INTO films_taken (words, at, parts_mm2, taken_mm2) VALUES (?, ?, ?, ?)");
    put.bind(taken->words).bind(civilText(taken->at));
    put.bind(taken->parts.mm2()).bind(taken->taken.mm2()).step();
  }
  if (std::optional<Sentence> trouble = database_->end()) return trouble;
  if (!there) {
    return Sentence{"What was cut is not on the shelf any more. Arrange the sheets again.", {}};
  }
  return std::nullopt;
}

tl::expected<std::vector<FilmTaken>, Sentence> Shop::filmsTaken() {
  std::vector<FilmTaken> all;
  {
    Statement rows(*database_,
                   "SELECT id, words, at, parts_mm2, taken_mm2 FROM films_taken ORDER BY id");
    while (rows.step()) {
      const std::optional<CivilTime> at = parseCivil(rows.text(2));
      const double parts = rows.number(3);
      const double taken = rows.number(4);
      if (!at || !std::isfinite(parts) || !std::isfinite(taken)) continue;
      all.push_back({rows.whole(0), rows.text(1), *at, Area::mm2(parts), Area::mm2(taken)});
    }
  }
  if (std::optional<Sentence> trouble = database_->trouble()) return tl::unexpected(*trouble);
  return all;
}

namespace {

/// A number that is kept of a machine, by its name.
template <typename Machine>
struct Figure {
  const char* name;
  double least;
  double most;
  double (*get)(const Machine&);
  void (*set)(Machine&, double);
};

constexpr std::array cutterFigures{
    Figure<Cutter>{"widest_mm", 50, 3000, [](const Cutter& c) { return c.widest.mm(); },
                   [](Cutter& c, double v) { c.widest = Length::mm(v); }},
    Figure<Cutter>{"longest_mm", 50, 100000, [](const Cutter& c) { return c.longest.mm(); },
                   [](Cutter& c, double v) { c.longest = Length::mm(v); }},
    Figure<Cutter>{"blade_offset_mm", 0, 2, [](const Cutter& c) { return c.bladeOffset.mm(); },
                   [](Cutter& c, double v) { c.bladeOffset = Length::mm(v); }},
    Figure<Cutter>{"overcut_mm", 0, 5, [](const Cutter& c) { return c.overcut.mm(); },
                   [](Cutter& c, double v) { c.overcut = Length::mm(v); }},
    Figure<Cutter>{"mm_per_second", 1, 1000, [](const Cutter& c) { return c.perSecond.mm(); },
                   [](Cutter& c, double v) { c.perSecond = Length::mm(v); }},
    Figure<Cutter>{"passes", 1, 9, [](const Cutter& c) { return static_cast<double>(c.passes); },
                   [](Cutter& c, double v) { c.passes = static_cast<int>(std::lround(v)); }},
    Figure<Cutter>{"mirrored", 0, 1, [](const Cutter& c) { return c.mirrored ? 1.0 : 0.0; },
                   [](Cutter& c, double v) { c.mirrored = v > 0.5; }},
    Figure<Cutter>{"pen", 0, 1, [](const Cutter& c) { return c.pen ? 1.0 : 0.0; },
                   [](Cutter& c, double v) { c.pen = v > 0.5; }}};

constexpr std::array printerFigures{
    Figure<Printer>{"wide_mm", 50, 1200, [](const Printer& p) { return p.wide.mm(); },
                    [](Printer& p, double v) { p.wide = Length::mm(v); }},
    Figure<Printer>{"tall_mm", 50, 1200, [](const Printer& p) { return p.tall.mm(); },
                    [](Printer& p, double v) { p.tall = Length::mm(v); }},
    Figure<Printer>{"left_mm", 0, 600, [](const Printer& p) { return p.left.mm(); },
                    [](Printer& p, double v) { p.left = Length::mm(v); }},
    Figure<Printer>{"right_mm", 0, 600, [](const Printer& p) { return p.right.mm(); },
                    [](Printer& p, double v) { p.right = Length::mm(v); }},
    Figure<Printer>{"top_mm", 0, 600, [](const Printer& p) { return p.top.mm(); },
                    [](Printer& p, double v) { p.top = Length::mm(v); }},
    Figure<Printer>{"bottom_mm", 0, 600, [](const Printer& p) { return p.bottom.mm(); },
                    [](Printer& p, double v) { p.bottom = Length::mm(v); }},
    Figure<Printer>{"dots_per_inch", 72, 600, [](const Printer& p) { return p.dotsPerInch; },
                    [](Printer& p, double v) { p.dotsPerInch = v; }},
    Figure<Printer>{"bleed_mm", 0, 5, [](const Printer& p) { return p.bleed.mm(); },
                    [](Printer& p, double v) { p.bleed = Length::mm(v); }},
    Figure<Printer>{"marks", 0, 1, [](const Printer& p) { return p.marks ? 1.0 : 0.0; },
                    [](Printer& p, double v) { p.marks = v > 0.5; }},
    Figure<Printer>{"rolls", 0, 1, [](const Printer& p) { return p.rolls ? 1.0 : 0.0; },
                    [](Printer& p, double v) { p.rolls = v > 0.5; }}};

/// A machine by what is kept of it, the usual figures for the rest; nothing where none is.
template <typename Machine, std::size_t count>
std::optional<Machine> machineOf(Database& database, const char* query,
                                 const std::array<Figure<Machine>, count>& figures) {
  Machine machine;
  Statement rows(database, query);
  bool any = false;
  while (rows.step()) {
    any = true;
    for (const Figure<Machine>& figure : figures) {
      const double value = rows.number(1);
      if (rows.text(0) == figure.name && value >= figure.least && value <= figure.most) {
        figure.set(machine, value);
      }
    }
  }
  return any ? std::optional(machine) : std::nullopt;
}

template <typename Machine, std::size_t count>
bool isLawful(const Machine& machine, const std::array<Figure<Machine>, count>& figures) {
  return std::all_of(figures.begin(), figures.end(), [&](const Figure<Machine>& figure) {
    const double value = figure.get(machine);
    return value >= figure.least && value <= figure.most;
  });
}

template <typename Machine, std::size_t count>
std::optional<Sentence> putMachine(Database& database, const char* query, const Machine& machine,
                                   const std::array<Figure<Machine>, count>& figures) {
  database.begin();
  for (const Figure<Machine>& figure : figures) {
    Statement put(database, query);
    put.bind(figure.name).bind(figure.get(machine)).step();
  }
  return database.end();
}

}  // namespace

tl::expected<Cutter, Sentence> Shop::cutter() {
  const auto cutter =
      machineOf<Cutter>(*database_, "SELECT name, value FROM cutter", cutterFigures);
  if (std::optional<Sentence> trouble = database_->trouble()) return tl::unexpected(*trouble);
  return cutter.value_or(Cutter());
}

std::optional<Sentence> Shop::put(const Cutter& cutter) {
  if (!isLawful(cutter, cutterFigures)) {
    return Sentence{
        "A cutter takes 50 mm to 3 m of width and up to 100 m of length, its blade trails up to "
        "2 mm and overlaps up to 5 mm, it goes 1 to 1000 mm a second, 1 to 9 times round.",
        {}};
  }
  return putMachine(*database_,
                    "INSERT INTO cutter (name, value) VALUES (?, ?)"
                    " ON CONFLICT (name) DO UPDATE SET value = excluded.value",
                    cutter, cutterFigures);
}

tl::expected<std::optional<Printer>, Sentence> Shop::printer() {
  std::optional<Printer> printer =
      machineOf<Printer>(*database_, "SELECT name, value FROM printer", printerFigures);
  if (std::optional<Sentence> trouble = database_->trouble()) return tl::unexpected(*trouble);
  // Figures that were lawful one by one may still leave nothing to print on.
  if (printer && !faultsOf(*printer).empty()) printer.reset();
  return printer;
}

std::optional<Sentence> Shop::put(const Printer& printer) {
  if (const Faults faults = faultsOf(printer); !faults.empty()) return faults.front().sentence;
  return putMachine(*database_,
                    "INSERT INTO printer (name, value) VALUES (?, ?)"
                    " ON CONFLICT (name) DO UPDATE SET value = excluded.value",
                    printer, printerFigures);
}

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
// Backings on sheets of the same layout as their prints, and prints on rolls and offcuts.
#include <catch2/catch.hpp>
#include <map>

#include "core/decal_cups.h"
#include "core/sheet_orders.h"
#include "job/sheet_notes.h"
#include "job/sheets.h"
#include "measure/dice.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

/// A set with a printed motif on a backing.
DecalSet printedSet(const std::string& shape, double wide, std::vector<Place> places, int spares) {
  Layer backing = layerOf(LayerKind::backing, 1.27);
  backing.film = "#FFFFFF";
  Layer print = layerOf(LayerKind::decal);
  print.material = PartMaterial::printable;
  print.film = "#2244AA";
  print.spares = spares;
  return setAt(named(shape), wide, std::move(places), {print, backing});
}

Document order(Dice& dice) {
  Document document;
  document.units = Unit::mm;
  for (const char* name : {"first", "second"}) {
    Cup cup = straight();
    cup.name = name;
    std::vector<Place> places;
    for (int i = 0; i < 4; ++i) {
      places.push_back(placeAt(dice.between(-180, 180), dice.between(50, 110)));
    }
    cup.sets = {printedSet("star", dice.between(15, 40), places, static_cast<int>(dice.one(3))),
                printedSet("comet", dice.between(20, 50), {placeAt(0, 90)}, 0)};
    giveIds(cup);
    document.cups.push_back(std::move(cup));
  }
  return document;
}

/// The prints', or the one the white backings are cut from.
FilmSheets& filmOf(SheetPlan& sheets, PartMaterial kind) {
  for (FilmSheets& film : sheets.films) {
    // Undivided cups are wrapped as well.
    const bool its = kind == PartMaterial::printable ||
                     std::any_of(film.parts.begin(), film.parts.end(), [](const SheetPart& part) {
                       return part.whole->film == "#FFFFFF";
                     });
    if (film.wanted.kind == kind && its) return film;
  }
  FAIL("no such film");
  return sheets.films.front();
}

/// "set-1" of "set-1-layer-2".
std::string setOfPart(const Part& part) {
  return part.id.substr(0, part.id.find("-layer"));
}

/// Every backing that lies as its print does has the print right above it: found by the words of
/// the parts, not by what the sheets say of each other.
void checkAlike(SheetPlan& sheets) {
  FilmSheets& prints = filmOf(sheets, PartMaterial::printable);
  FilmSheets& backings = filmOf(sheets, PartMaterial::permanent);
  CHECK(leastBetween(prints.pieces(), prints.arrangement) >= prints.gap);
  CHECK(leastBetween(backings.pieces(), backings.arrangement) >= backings.gap);
  for (const Laid& laid : backings.arrangement.laid) {
    const SheetPart& part = backings.parts[laid.piece];
    const std::string set = setOfPart(*part.whole);
    bool found = false;
    for (const Laid& print : prints.arrangement.laid) {
      const SheetPart& over = prints.parts[print.piece];
      if (over.cup != part.cup || setOfPart(*over.whole) != set || print.copy != laid.copy) {
        continue;
      }
      found = true;
      CHECK(norm(print.at - laid.at) < 1e-9);
      CHECK(print.turn == laid.turn);
      // The print lies within its backing, all round by its offset.
      const Polygon below = shapeAt(backings.pieces()[laid.piece], laid);
      const Polygon above = shapeAt(prints.pieces()[print.piece], print);
      CHECK(signedArea(above - below) < 1e-3);
      REQUIRE(laid.sheet < backings.likeSheets.size());
      CHECK(backings.likeSheets[laid.sheet].second == print.sheet);
      CHECK(backings.sizeOf(laid.sheet).wide >= prints.sizeOf(print.sheet).wide);
      CHECK(backings.sizeOf(laid.sheet).tall >= prints.sizeOf(print.sheet).tall);
    }
    CHECK(found);
  }
}

std::size_t partsOn(const SheetPlan& sheets) {
  std::size_t sum = 0;
  for (const FilmSheets& film : sheets.films) sum += film.arrangement.laid.size();
  return sum;
}

}  // namespace

TEST_CASE("Backings lie where their prints do, on sheets as large", "[alike]") {
  Dice dice(61);
  for (int round = 0; round < 4; ++round) {
    const Document document = order(dice);
    SheetChoices choices = usualSheets(Unit::mm);
    const std::size_t all = partsOn(sheetsFor(document, choices));
    choices.alike = true;
    SheetPlan sheets = sheetsFor(document, choices);
    CHECK(partsOn(sheets) == all);
    FilmSheets& backings = filmOf(sheets, PartMaterial::permanent);
    CHECK(backings.notAlike.count() == 0);
    CHECK(backings.alike.size() == backings.arrangement.laid.size());
    checkAlike(sheets);
    // Denser prints take their backings along.
    for (int i = 0; i < 3; ++i) {
      for (std::size_t film = 0; film < sheets.films.size(); ++film) improve(sheets, film);
    }
    CHECK(partsOn(sheets) == all);
    checkAlike(sheets);
  }
}

TEST_CASE("Backings follow their prints on tapers, over the seam, bent and parted at lines",
          "[alike]") {
  Dice dice(66);
  int alike = 0;
  std::size_t parted = 0;
  for (int round = 0; round < 6; ++round) {
    Document document = order(dice);
    for (Cup& cup : document.cups) {
      cup.blank.stations.back().girth = WrittenLength::mm(dice.between(200, 300));
      if (round % 2 == 1) {
        Station belly;
        belly.at = WrittenLength::mm(70);
        belly.girth = WrittenLength::mm(dice.between(240, 290));
        cup.blank.stations.insert(cup.blank.stations.begin() + 1, belly);
      }
      cup.wrap.seamAt = CupAngle::degrees(dice.between(-180, 180));
      RingCut ring;
      ring.by = CutBy::places;
      ring.places = {WrittenLength::mm(dice.between(60, 110))};
      cup.division.body.cut = ring;
      cup.division.body.parts.assign(2, ZoneNode());
      for (DecalSet& set : cup.sets) {
        for (Place& place : set.places) place.follows = dice.one(2) == 1;
        set.parted = dice.one(2) == 1;
        // Over the seam, wherever that stands.
        set.places.front().at = cup.wrap.seamAt + Angle::degrees(dice.between(-8, 8));
      }
      giveIds(cup);
    }
    SheetChoices choices = usualSheets(Unit::mm);
    choices.alike = true;
    SheetPlan sheets = sheetsFor(document, choices);
    FilmSheets& prints = filmOf(sheets, PartMaterial::printable);
    FilmSheets& backings = filmOf(sheets, PartMaterial::permanent);
    CHECK(backings.notAlike.count() == 0);
    CHECK(leastBetween(prints.pieces(), prints.arrangement) >= prints.gap);
    CHECK(leastBetween(backings.pieces(), backings.arrangement) >= backings.gap);
    for (const Laid& laid : backings.arrangement.laid) {
      if (!backings.alike.contains({laid.piece, laid.copy})) continue;
      ++alike;
      const Part& part = *backings.parts[laid.piece].whole;
      parted += part.zones.size();
      // Some print lies on it, nowhere beyond its edge.
      const Polygon below = shapeAt(backings.pieces()[laid.piece], laid);
      const bool found = std::any_of(
          prints.arrangement.laid.begin(), prints.arrangement.laid.end(), [&](const Laid& print) {
            const Polygon above = shapeAt(prints.pieces()[print.piece], print);
            return print.sheet == backings.likeSheets[laid.sheet].second &&
                   signedArea(above - below) < 1e-2 && signedArea(above) < signedArea(below);
          });
      CHECK(found);
    }
  }
  CHECK(alike > 40);
  CHECK(parted > 0);
}

TEST_CASE("A backing whose film keeps its direction is not turned after its print", "[alike]") {
  Dice dice(67);
  FilmShelf shelf;
  shelf.films = {{7, "Grain", PartMaterial::permanent, "#FFFFFF", true, false, 0, {}}};
  int apart = 0;
  for (int round = 0; round < 4; ++round) {
    SheetChoices choices = usualSheets(Unit::mm);
    choices.alike = true;
    SheetPlan sheets = sheetsFor(order(dice), choices, shelf);
    const FilmSheets& backings = filmOf(sheets, PartMaterial::permanent);
    for (const Laid& laid : backings.arrangement.laid) {
      CHECK(std::abs(std::remainder(laid.turn.degrees(), 360)) < 1e-6);
    }
    apart += static_cast<int>(backings.notAlike.count());
  }
  CHECK(apart > 0);
}

TEST_CASE("What is ticked as cut holds no layout: its partner lies as others do", "[alike]") {
  Dice dice(68);
  Document document = order(dice);
  Cup& cup = document.cups[0];
  for (const DecalSet& set : cup.sets) {
    cup.cuts.push_back({purpose::layer, {set.layers[0].id}, 0, {}, {}, {}, {}});
  }
  SheetChoices choices = usualSheets(Unit::mm);
  choices.alike = true;
  SheetPlan sheets = sheetsFor(document, choices);
  const FilmSheets& backings = filmOf(sheets, PartMaterial::permanent);
  CHECK(backings.notAlike.count() == 0);
  for (const Laid& laid : backings.arrangement.laid) {
    CHECK(backings.alike.contains({laid.piece, laid.copy}) ==
          (backings.parts[laid.piece].cup == 1));
  }
}

TEST_CASE("A print moved by hand takes its backing along", "[alike]") {
  Dice dice(62);
  SheetChoices choices = usualSheets(Unit::mm);
  choices.alike = true;
  int moved = 0;
  for (int round = 0; round < 6; ++round) {
    SheetPlan sheets = sheetsFor(order(dice), choices);
    const std::size_t all = partsOn(sheets);
    FilmSheets& prints = filmOf(sheets, PartMaterial::printable);
    for (int i = 0; i < 20; ++i) {
      const std::size_t one = dice.one(prints.arrangement.laid.size());
      Laid to = prints.arrangement.laid[one];
      to.at = to.at + Point{dice.between(-60, 60), dice.between(-60, 60)};
      if (!moveTo(prints, one, to)) continue;
      ++moved;
      prints.byHand.insert({to.piece, to.copy});
      followPrints(sheets);
      FilmSheets& backings = filmOf(sheets, PartMaterial::permanent);
      // Whoever has no room there any more lies elsewhere, and is counted.
      CHECK(backings.alike.size() + static_cast<std::size_t>(backings.notAlike.count()) ==
            backings.arrangement.laid.size());
      CHECK(leastBetween(backings.pieces(), backings.arrangement) >= backings.gap);
      CHECK(partsOn(sheets) == all);
      for (const Laid& laid : backings.arrangement.laid) {
        if (!backings.alike.contains({laid.piece, laid.copy})) continue;
        const bool found = std::any_of(
            prints.arrangement.laid.begin(), prints.arrangement.laid.end(), [&](const Laid& print) {
              return print.at == laid.at && print.turn == laid.turn && print.copy == laid.copy;
            });
        CHECK(found);
      }
    }
  }
  CHECK(moved > 10);
}

TEST_CASE("Backings with no sheet so large are said, and lie as others do", "[alike]") {
  Dice dice(63);
  SheetChoices choices = usualSheets(Unit::mm);
  choices.alike = true;
  choices.size.wide = Length::mm(150);
  choices.size.tall = Length::mm(150);
  SheetPlan sheets = sheetsFor(order(dice), choices);
  FilmSheets& backings = filmOf(sheets, PartMaterial::permanent);
  CHECK(backings.alike.empty());
  CHECK(backings.notAlike.noSheet == static_cast<long>(backings.arrangement.laid.size()));
  // Why they do not, and the two things that keep the prints apart.
  CHECK(notesOn(sheets).size() == 3);
}

TEST_CASE("Prints go on rolls that the printer takes, clear of marks at both ends", "[alike]") {
  Dice dice(64);
  FilmShelf shelf;
  shelf.films = {{7, "Printable roll", PartMaterial::printable, "#2244AA", false, false, 0, {}}};
  FilmStock roll;
  roll.key = 3;
  roll.film = 7;
  roll.shape = StockShape::roll;
  roll.wide = Length::mm(200);
  roll.tall = Length::mm(1500);
  shelf.stock = {roll};
  for (int round = 0; round < 8; ++round) {
    const Document document = order(dice);
    SheetChoices choices = usualSheets(Unit::mm);
    choices.printer.marks = round % 2 == 0;
    SheetPlan without = sheetsFor(document, choices, shelf);
    CHECK(filmOf(without, PartMaterial::printable).notFed == 1);
    CHECK(filmOf(without, PartMaterial::printable).isPlain(0));
    choices.printer.rolls = true;
    SheetPlan sheets = sheetsFor(document, choices, shelf);
    const FilmSheets& film = filmOf(sheets, PartMaterial::printable);
    CHECK(film.notFed == 0);
    CHECK(leastBetween(film.pieces(), film.arrangement) >= film.gap);
    const Printer& printer = choices.printer;
    for (std::size_t i = 0; i < film.arrangement.sheets.size(); ++i) {
      REQUIRE_FALSE(film.isPlain(i));
      const SheetSize size = film.sizeOf(i);
      CHECK(size.wide == roll.wide);
      CHECK(size.tall <= printer.tall);
      // The second way: what is printed lies within what can be, and off the marks as the sheet
      // that comes off has them.
      const Box printable{{printer.left.mm(), printer.bottom.mm()},
                          {(size.wide - printer.right).mm(), (size.tall - printer.top).mm()}};
      for (const Laid& laid : film.arrangement.laid) {
        if (laid.sheet != i) continue;
        const Polygon printed =
            offsetBy(shapeAt(film.pieces()[laid.piece], laid), printer.bleed, Corners::round);
        const Box box = boundsOf(printed);
        CHECK(box.low.x >= printable.low.x - 1e-6);
        CHECK(box.low.y >= printable.low.y - 1e-6);
        CHECK(box.high.x <= printable.high.x + 1e-6);
        CHECK(box.high.y <= printable.high.y + 1e-6);
        if (!printer.marks) continue;
        for (const Point at : markPlaces(printer, size.wide, size.tall)) {
          CHECK(signedArea(printed & movedBy(markShape(), at)) < 1e-9);
        }
      }
    }
  }
}

TEST_CASE("A square offcut is printed on before sheets; one of another shape is not fed",
          "[alike]") {
  Dice dice(65);
  FilmShelf shelf;
  shelf.films = {{7, "Printable", PartMaterial::printable, "#2244AA", false, false, 0, {}}};
  FilmStock square;
  square.key = 1;
  square.film = 7;
  square.shape = StockShape::offcut;
  square.wide = Length::mm(150);
  square.tall = Length::mm(200);
  FilmStock corner = square;
  corner.key = 2;
  corner.outline = {{{0, 0}, {150, 0}, {150, 100}, {75, 100}, {75, 200}, {0, 200}}};
  FilmStock sheet = square;
  sheet.key = 3;
  sheet.shape = StockShape::sheet;
  sheet.count = 10;
  sheet.wide = Length::mm(210);
  sheet.tall = Length::mm(297);
  shelf.stock = {square, corner, sheet};
  SheetPlan sheets = sheetsFor(order(dice), usualSheets(Unit::mm), shelf);
  const FilmSheets& film = filmOf(sheets, PartMaterial::printable);
  CHECK(film.notFed == 1);
  REQUIRE_FALSE(film.arrangement.sheets.empty());
  CHECK(film.stock[film.arrangement.sheets.front().film] == 1);
  for (const UsedSheet& used : film.arrangement.sheets) CHECK(film.stock[used.film] != 2);
  // That one is not fed, and how far apart prints lie.
  CHECK(notesOn(sheets).size() == 2);
}

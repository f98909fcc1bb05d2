// SPDX-License-Identifier: GPL-3.0-or-later
// Film that is printed first: every dot of every part has the colour of its place on the cup, and
// what a printer does wrong is found by the marks and shows where the bleed ends.
#include "sheet/print_sheet.h"

#include <array>
#include <catch2/catch.hpp>
#include <cmath>
#include <set>

#include "core/random_cups.h"
#include "divide/picture_lie.h"
#include "job/ids.h"
#include "job/sheets.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

/// Colours run evenly over it and return to where they began, so that tiles have no step.
constexpr int across = 240;
std::array<double, 3> colourAt(Point on) {
  const double x = on.x - std::floor(on.x);
  const double y = on.y - std::floor(on.y);
  return {40 + 400 * std::min(x, 1 - x), 30 + 400 * std::min(y, 1 - y), 90};
}
Picture dots() {
  Picture picture{across, across, {}};
  for (int y = 0; y < across; ++y) {
    for (int x = 0; x < across; ++x) {
      const auto colour = colourAt({(x + 0.5) / across, 1 - (y + 0.5) / across});
      for (const double part : colour) {
        picture.rgba.push_back(static_cast<std::uint8_t>(std::lround(part)));
      }
      picture.rgba.push_back(255);
    }
  }
  return picture;
}

KeptPicture kept() {
  KeptPicture picture;
  picture.id = "picture-1";
  picture.name = "night";
  picture.wide = across;
  picture.tall = across;
  return picture;
}

Cup printedCup(Chance& chance) {
  Cup cup = newCup("Cup", Unit::mm);
  const double base = chance.between(180, 260);
  const double rim = chance.one(3) ? base : base * chance.between(0.85, 1.2);
  cup.blank = body(Length::mm(base), Length::mm(rim), Length::mm(chance.between(90, 140)));
  cup.wrap.seamAt = CupAngle::degrees(chance.between(-180, 180));
  cup.wrap.baseClearance = WrittenLength::mm(3);
  cup.wrap.rimClearance = WrittenLength::mm(3);
  Finish finish;
  finish.kind = FinishKind::film;
  finish.picture.id = "picture-1";
  finish.picture.wide = WrittenLength::mm(chance.between(25, 70));
  finish.picture.at = CupAngle::degrees(chance.between(-180, 180));
  finish.picture.bent = chance.one(2);
  if (chance.one(3)) {
    cup.division.body.finish = finish;  // the whole wrap
  } else {
    if (chance.one(2)) {
      cup.division.body.cut = RingCut{.count = 2};
    } else {
      cup.division.body.cut =
          UprightCut{.count = 3, .at = CupAngle::degrees(chance.between(-90, 90))};
    }
    cup.division.body.parts.assign(3, ZoneNode());
    for (ZoneNode& part : cup.division.body.parts) part.finish = finish;
    if (cup.division.body.cut->kind() == CutKind::rings) cup.division.body.parts.resize(2);
  }
  giveIds(cup);
  return cup;
}

SheetPlan sheetsOf(const Cup& cup, const SheetChoices& choices) {
  Document document;
  document.units = Unit::mm;
  document.cups = {cup};
  document.pictures.emplace_back(kept());
  referToAll(document);
  CheckedAll<Plan> plan = planDocument(document);
  REQUIRE(plan);
  CheckedAll<SheetPlan> sheets =
      avrelt::sheetsOf(std::make_shared<const Plan>(std::move(*plan)), FilmShelf(), choices);
  REQUIRE(sheets);
  return std::move(*sheets);
}

SheetChoices choices() {
  SheetChoices made = usualSheets(Unit::mm);
  made.printer.wide = Length::mm(330);
  made.printer.tall = Length::mm(330);
  made.printer.dotsPerInch = 127;  // five to the millimetre
  return made;
}

/// The one that is printed; the disc for a base is of another.
const FilmSheets& printedFilm(const SheetPlan& sheets) {
  const auto found = std::find_if(sheets.films.begin(), sheets.films.end(),
                                  [](const FilmSheets& film) { return film.prints(); });
  REQUIRE(found != sheets.films.end());
  return *found;
}

constexpr double perMm = 5;

const std::uint8_t* dotAt(const Picture& picture, Point mm, double tall) {
  const auto x = static_cast<int>(mm.x * perMm);
  const auto y = static_cast<int>((tall - mm.y) * perMm);
  return &picture.rgba[(static_cast<std::size_t>(y) * static_cast<std::size_t>(picture.wide) +
                        static_cast<std::size_t>(x)) *
                       4];
}

/// A printed sheet as it comes out somewhat off: each dot where it came from.
Picture comesOut(const Picture& print, const PrintShift& shift, double tall) {
  Picture out = print;
  const Transform map = transformOf(shift);
  const double size = map.determinant();
  for (int y = 0; y < out.tall; ++y) {
    for (int x = 0; x < out.wide; ++x) {
      const Point p{(x + 0.5) / perMm - map.e, tall - (y + 0.5) / perMm - map.f};
      const Point from{(p.x * map.d - p.y * map.c) / size, (p.y * map.a - p.x * map.b) / size};
      const bool there = from.x >= 0 && from.y > 0 && from.x * perMm < print.wide &&
                         (tall - from.y) * perMm < print.tall && from.y <= tall;
      std::uint8_t* to =
          &out.rgba[(static_cast<std::size_t>(y) * static_cast<std::size_t>(out.wide) +
                     static_cast<std::size_t>(x)) *
                    4];
      if (there) {
        std::copy_n(dotAt(print, from, tall), 4, to);
      } else {
        std::fill_n(to, 4, std::uint8_t{0});
      }
    }
  }
  return out;
}

}  // namespace

TEST_CASE("Every dot of a printed part has the colour of its place on the cup", "[print]") {
  Chance chance(21);
  const PictureSizes sizes(dots());
  long compared = 0;
  for (int round = 0; round < 24; ++round) {
    const Cup cup = printedCup(chance);
    const SheetPlan sheets = sheetsOf(cup, choices());
    const FilmSheets& film = printedFilm(sheets);
    CHECK(film.wanted.kind == PartMaterial::printable);
    REQUIRE(film.arrangement.notLaid.empty());
    const CupPlan& plan = sheets.plan->cups.front();
    for (std::size_t sheet = 0; sheet < film.arrangement.sheets.size(); ++sheet) {
      const PartSet parts = onSheet(film, sheet);
      const Length wide = film.sizeOf(sheet).wide;
      const Length tall = film.sizeOf(sheet).tall;
      const Picture print = printOf(parts, wide, tall, sheets.choices.printer,
                                    [&](const SharedPicture&) { return &sizes; });
      CHECK(print.wide == std::lround(wide.mm() * perMm));
      // Nothing of it bare.
      CHECK(barePartsOf(parts, print, tall, 127).empty());
      // From the cup outwards: a place of a zone, where it lies in the flat, where that lies on the
      // sheet, which dot that is; and its colour by how far round and up it stands.
      for (std::size_t i = 0; i < film.arrangement.laid.size(); ++i) {
        const Laid& laid = film.arrangement.laid[i];
        if (laid.sheet != sheet) continue;
        const SheetPart& one = film.parts[laid.piece];
        const Zone* zone = nullptr;
        for (const Zone& each : plan.divided.zones) {
          if (one.part->of.front() == each.id) zone = &each;
        }
        if (zone == nullptr) zone = &plan.divided.zones.front();
        const LaidStage& stage = plan.stageOf(one.purpose == purpose::wrap ? wrapThing : zone->id);
        const Wall& wall = stage.wall;
        const Finish& finish = zone->finish;
        const Region region =
            one.purpose == purpose::wrap ? Region::band({}, wall.body.wall()) : zone->region;
        const Length up = (region.lowest() + region.highest()) / 2;
        const double radius = wall.body.radius(up).mm();
        const double girth = radius * 2 * 3.14159265358979;
        const double asked = finish.picture.wide.length.mm();
        const bool straight = !finish.picture.bent && !wall.flat.isCylinder();
        const double size = straight ? asked : girth / std::max(1.0, std::round(girth / asked));
        const auto [from, to] = region.span();
        Angle middle = wall.inFrame(finish.picture.at);
        while (middle < (from + to) / 2 - Angle::halfTurn()) middle = middle + Angle::turn();
        while (middle > (from + to) / 2 + Angle::halfTurn()) middle = middle - Angle::turn();
        const Polygon shape = shapeAt(film.pieces()[laid.piece], laid);
        for (int tries = 0; tries < 60; ++tries) {
          const WallPoint p{from + (to - from) * chance.between(0, 1),
                            wall.body.wall() * chance.between(0, 1)};
          const Point flat = wall.flat.toFlat(p);
          const double c = std::cos(laid.turn.radians());
          const double s = std::sin(laid.turn.radians());
          const Point at = laid.at + Point{c * flat.x - s * flat.y, s * flat.x + c * flat.y};
          if (!contains(shape, at)) continue;
          Point on{(p.theta - middle).radians() * radius, (p.s - up).mm()};
          if (straight) {
            // In the flat about its middle, turned by how the ring leans there.
            const Point to_ = flat - wall.flat.toFlat({middle, up});
            const double lean = -wall.flat.taper() * middle.radians();
            on = {to_.x * std::cos(lean) + to_.y * std::sin(lean),
                  to_.y * std::cos(lean) - to_.x * std::sin(lean)};
          }
          const auto wanted = colourAt({on.x / size + 0.5, on.y / size + 0.5});
          const std::uint8_t* dot = dotAt(print, at, tall.mm());
          REQUIRE(dot[3] == 255);
          // A dot is a fifth of a millimetre; colours run by up to 16 a millimetre.
          const double most = 400 / size * 0.3 + 4;
          REQUIRE(std::abs(dot[0] - wanted[0]) < most);
          REQUIRE(std::abs(dot[1] - wanted[1]) < most);
          ++compared;
        }
      }
    }
  }
  CHECK(compared > 1500);
}

TEST_CASE("A print shifted by less than its bleed leaves nothing bare, by more it does",
          "[print]") {
  Chance chance(22);
  const PictureSizes sizes(dots());
  for (int round = 0; round < 8; ++round) {
    const SheetPlan sheets = sheetsOf(printedCup(chance), choices());
    const FilmSheets& film = printedFilm(sheets);
    const PartSet parts = onSheet(film, 0);
    const Length wide = film.sizeOf(0).wide;
    const Length tall = film.sizeOf(0).tall;
    const Printer& printer = sheets.choices.printer;
    const Picture print =
        printOf(parts, wide, tall, printer, [&](const SharedPicture&) { return &sizes; });
    const double way = chance.between(0, 6.28);
    const auto shifted = [&](double by) {
      return comesOut(print,
                      {Length::mm(by * std::cos(way)), Length::mm(by * std::sin(way)), {}, 0},
                      tall.mm());
    };
    CHECK(barePartsOf(parts, shifted(printer.bleed.mm() - 0.3), tall, 127).empty());
    const double beyond = 1.2;
    const auto bare = barePartsOf(parts, shifted(printer.bleed.mm() + beyond), tall, 127);
    // Each of them on the side it came away from.
    CHECK(bare.size() == parts.parts.size());
    for (const BarePart& one : bare) {
      // Straight across an edge as deep as that, less along one that leans.
      CHECK(one.deep.mm() < beyond + 0.45);
      CHECK(one.bare.mm2() > 1);
    }
  }
}

TEST_CASE("Where the marks are found says how the print lies", "[print]") {
  Chance chance(23);
  const Printer printer = usualPrinter(Paper::a4);
  const MarkPlaces planned = markPlaces(printer, printer.wide, printer.tall);
  for (int round = 0; round < 100; ++round) {
    const PrintShift shift{Length::mm(chance.between(-3, 3)), Length::mm(chance.between(-3, 3)),
                           Angle::degrees(chance.between(-2, 2)), chance.between(-1, 1)};
    // By hand: larger about the corner, turned about it, moved.
    MarkPlaces found = planned;
    const double size = 1 + shift.percent / 100;
    const double a = shift.turn.radians();
    for (Point& p : found) {
      p = Point{size * (p.x * std::cos(a) - p.y * std::sin(a)) + shift.right.mm(),
                size * (p.x * std::sin(a) + p.y * std::cos(a)) + shift.up.mm()};
    }
    const PrintFound told = printFound(planned, found);
    CHECK(told.shift.right.mm() == Approx(shift.right.mm()).margin(1e-9));
    CHECK(told.shift.up.mm() == Approx(shift.up.mm()).margin(1e-9));
    CHECK(told.shift.turn.degrees() == Approx(shift.turn.degrees()).margin(1e-9));
    CHECK(told.shift.percent == Approx(shift.percent).margin(1e-9));
    CHECK(told.worst.mm() < 1e-9);
    // One read wrong is told by how badly they agree.
    found[static_cast<std::size_t>(chance.whole(0, 2))].x += 1;
    CHECK(printFound(planned, found).worst > Length::mm(0.2));
  }
}

TEST_CASE("Prints keep within what can be printed, off the marks, their bleeds apart", "[print]") {
  Chance chance(24);
  for (int round = 0; round < 10; ++round) {
    SheetChoices made = choices();
    made.printer.left = Length::mm(chance.between(0, 20));
    made.printer.bottom = Length::mm(chance.between(0, 25));
    made.printer.bleed = Length::mm(chance.between(0, 3));
    const SheetPlan sheets = sheetsOf(printedCup(chance), made);
    const FilmSheets& film = printedFilm(sheets);
    const Printer& printer = made.printer;
    for (std::size_t sheet = 0; sheet < film.arrangement.sheets.size(); ++sheet) {
      const PartSet parts = onSheet(film, sheet);
      const double wide = film.sizeOf(sheet).wide.mm();
      const double tall = film.sizeOf(sheet).tall.mm();
      for (std::size_t i = 0; i < parts.parts.size(); ++i) {
        const Polygon print = printedOf(parts.parts[i], printer.bleed);
        const Box box = boundsOf(print);
        CHECK(box.low.x > printer.left.mm() - 0.02);
        CHECK(box.low.y > printer.bottom.mm() - 0.02);
        CHECK(box.high.x < wide - printer.right.mm() + 0.02);
        CHECK(box.high.y < tall - printer.top.mm() + 0.02);
        for (const Point mark : markPlaces(printer, Length::mm(wide), Length::mm(tall))) {
          CHECK((print & movedBy(markShape(), mark)).empty());
        }
        for (std::size_t k = 0; k < i; ++k) {
          CHECK(std::abs(signedArea(print & printedOf(parts.parts[k], printer.bleed))) < 0.01);
        }
      }
    }
    CHECK_FALSE(tooNear(sheets));
  }
}

TEST_CASE("A patch and a whole template of film are printed over all of them", "[print]") {
  Chance chance(25);
  const PictureSizes sizes(dots());
  for (int round = 0; round < 6; ++round) {
    Cup cup = newCup("Cup", Unit::mm);
    cup.blank = body(Length::mm(220), Length::mm(chance.between(220, 250)), Length::mm(120));
    cup.wrap.seamAt = CupAngle::degrees(chance.between(-180, 180));
    cup.division.body.cut = VeeCut{.at = CupAngle::degrees(chance.between(-90, 90))};
    cup.division.body.parts.assign(2, ZoneNode());
    Finish& finish = cup.division.body.parts[0].finish;
    finish.kind = FinishKind::film;
    finish.picture.id = "picture-1";
    finish.patch = chance.one(2) ? PatchShape::disc : PatchShape::drop;
    giveIds(cup);
    Fill fill = usualFill(cup.division.body.parts[1].id, Unit::mm);
    for (CellColour& colour : fill.colours) colour.finish.kind = FinishKind::glitter;
    fill.colours[1].finish.kind = FinishKind::film;
    fill.colours[1].finish.picture.id = "picture-1";
    fill.cutting.filmWhole = true;
    cup.fills = {fill};
    giveIds(cup);
    const SheetPlan sheets = sheetsOf(cup, choices());
    const FilmSheets& film = printedFilm(sheets);
    std::set<std::string> purposes;
    for (const SheetPart& part : film.parts) purposes.insert(part.purpose);
    CHECK(purposes.contains(purpose::patch));
    CHECK(purposes.contains(purpose::filmWhole));
    for (std::size_t sheet = 0; sheet < film.arrangement.sheets.size(); ++sheet) {
      const PartSet parts = onSheet(film, sheet);
      const SheetSize size = film.sizeOf(sheet);
      const Picture print = printOf(parts, size.wide, size.tall, sheets.choices.printer,
                                    [&](const SharedPicture&) { return &sizes; });
      CHECK(barePartsOf(parts, print, size.tall, 127).empty());
      for (const Part& part : parts.parts) CHECK(part.print.has_value());
    }
  }
}

TEST_CASE("Printers that leave nothing to print on are refused by their field", "[print]") {
  const auto fieldOf = [](const Printer& printer) {
    const Faults faults = faultsOf(printer);
    return faults.empty() ? Where() : faults.front().where;
  };
  CHECK(fieldOf(Printer()).empty());
  CHECK(fieldOf(usualPrinter(Paper::a4)).empty());
  Printer printer;
  printer.left = Length::mm(150);
  printer.right = Length::mm(150);
  CHECK(fieldOf(printer) == Where(Member::printerLeft));
  printer = {};
  printer.bottom = Length::mm(-1);
  CHECK(fieldOf(printer) == Where(Member::printerTop));
  printer = {};
  printer.dotsPerInch = 9;
  CHECK(fieldOf(printer) == Where(Member::printerDots));
  printer = {};
  printer.wide = {};
  CHECK(fieldOf(printer) == Where(Member::printerWide));
}

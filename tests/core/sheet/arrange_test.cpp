// SPDX-License-Identifier: GPL-3.0-or-later
// Pieces on sheets: no two nearer than the gap, none off its sheet, in its margin or turned as it
// may not be, over random shapes; known packings; bounds by area.
#include "sheet/arrange.h"

#include <rapidcheck/catch.h>

#include <catch2/catch.hpp>
#include <cmath>
#include <map>

#include "core/decal_cups.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

Polygon rectangle(double wide, double tall) {
  return {{{0, 0}, {wide, 0}, {wide, tall}, {0, tall}}};
}

/// r = 12 (a + b |cos kt|) or with the sign kept, 240 sides.
Polygon rosette(double a, double b, double k, bool whole) {
  std::vector<Point> outline;
  for (int i = 0; i < 240; ++i) {
    const double t = 2 * M_PI * i / 240;
    const double swing = std::cos(k * t);
    const double r = 12 * (a + b * (whole ? swing : std::abs(swing)));
    outline.push_back({r * std::cos(t), r * std::sin(t)});
  }
  return {outline};
}

SheetSize sheetOf(double wide, double tall, double margin = 0) {
  return {Length::mm(wide), Length::mm(tall), Length::mm(margin)};
}

Polygon shelfShape(const std::string& id, double wide) {
  const Artwork artwork = shapeArtwork(id);
  const double scale = wide / artwork.bounds().width();
  return mapped(artwork.silhouette(), {scale, 0, 0, scale, 0, 0});
}

}  // namespace

TEST_CASE("No two pieces come nearer than the gap, and none leaves its sheet", "[arrange]") {
  rc::prop("", [] {
    std::vector<Piece> pieces;
    const std::vector<std::string> shapes{"star", "comet", "crescent", "frame", "heart", "laurel"};
    for (const std::string& id : shapes) {
      if (*rc::gen::inRange(0, 4) == 0) continue;
      pieces.push_back({shelfShape(id, *rc::gen::inRange(12, 45)), *rc::gen::inRange(1, 5),
                        static_cast<MayTurn>(*rc::gen::inRange(0, 3))});
    }
    const double margin = *rc::gen::inRange(0, 8);
    const SheetSize sheet = sheetOf(*rc::gen::inRange(80, 200), *rc::gen::inRange(80, 200), margin);
    ArrangeRules rules;
    rules.gap = Length::mm(*rc::gen::inRange(0, 5));
    rules.raster = Length::mm(*rc::gen::inRange(5, 15) / 10.0);
    const Arrangement made = arrange(pieces, sheet, rules);
    RC_ASSERT(leastBetween(pieces, made) >= rules.gap);
    std::map<std::size_t, int> laid;
    for (const Laid& one : made.laid) {
      ++laid[one.piece];
      const Box box = boundsOf(shapeAt(pieces[one.piece], one));
      RC_ASSERT(box.low.x >= margin - 1e-9);
      RC_ASSERT(box.low.y >= margin - 1e-9);
      RC_ASSERT(box.high.x <= sheet.wide.mm() - margin + 1e-9);
      RC_ASSERT(box.high.y <= sheet.tall.mm() - margin + 1e-9);
      RC_ASSERT(one.sheet < made.sheets);
      const double degrees = std::abs(one.turn.degrees());
      if (pieces[one.piece].mayTurn == MayTurn::no) RC_ASSERT(degrees == 0);
      if (pieces[one.piece].mayTurn == MayTurn::half) RC_ASSERT(std::fmod(degrees, 180) < 1e-9);
    }
    for (const NotLaid& one : made.notLaid) laid[one.piece] += one.copies;
    for (std::size_t i = 0; i < pieces.size(); ++i) RC_ASSERT(laid[i] == pieces[i].copies);
    // The same again.
    const Arrangement again = arrange(pieces, sheet, rules);
    RC_ASSERT(again.laid.size() == made.laid.size());
    for (std::size_t i = 0; i < made.laid.size(); ++i) {
      RC_ASSERT(again.laid[i].at == made.laid[i].at);
    }
  });
}

TEST_CASE("Rectangles that tile a sheet without waste are laid on it alone", "[arrange]") {
  // 4 by 6 of 50 x 30 mm on 200 x 180, without a gap; the raster divides them.
  ArrangeRules rules;
  rules.gap = {};
  rules.raster = Length::mm(0.5);
  // What drawing out rounds takes a cell of each.
  const Arrangement made =
      arrange({{rectangle(49.4, 29.4), 24, MayTurn::no}}, sheetOf(200, 180), rules);
  CHECK(made.sheets == 1);
  CHECK(made.laid.size() == 24);
  // One more needs another sheet.
  CHECK(arrange({{rectangle(49.4, 29.4), 25, MayTurn::no}}, sheetOf(200, 180), rules).sheets == 2);
}

TEST_CASE("A piece lies in another's opening, and one too large is told", "[arrange]") {
  const Polygon frame{{{0, 0}, {90, 0}, {90, 90}, {0, 90}},
                      {{10, 10}, {10, 80}, {80, 80}, {80, 10}}};
  const std::vector<Piece> pieces{{frame, 1, MayTurn::no}, {rectangle(60, 60), 1, MayTurn::no}};
  const Arrangement made = arrange(pieces, sheetOf(95, 95), {});
  CHECK(made.sheets == 1);
  REQUIRE(made.laid.size() == 2);
  CHECK(leastBetween(pieces, made) >= Length::mm(1.5));
  const Arrangement none = arrange({{rectangle(300, 20), 3, MayTurn::no}}, sheetOf(200, 400));
  REQUIRE(none.notLaid.size() == 1);
  CHECK(none.notLaid[0].why == NotLaid::Why::tooLarge);
  CHECK(none.notLaid[0].copies == 3);
  // Turned a quarter it goes.
  CHECK(arrange({{rectangle(300, 20), 3, MayTurn::any}}, sheetOf(200, 400)).notLaid.empty());
  ArrangeRules few;
  few.mostSheets = 2;
  const Arrangement many = arrange({{rectangle(90, 90), 5, MayTurn::no}}, sheetOf(100, 100), few);
  REQUIRE(many.notLaid.size() == 1);
  CHECK(many.notLaid[0].why == NotLaid::Why::tooMany);
  CHECK(many.notLaid[0].copies == 3);
  CHECK(arrange({{rectangle(9, 9), 1, MayTurn::no}}, sheetOf(10, 10, 6)).laid.empty());
}

// 77 and 72 were counted for a plain raster with a few turns on the same sheet.
TEST_CASE("Rosettes lie as densely as a plain raster has them", "[arrange]") {
  const SheetSize sheet{Length::inches(6.75), Length::inches(9.25), Length()};
  const auto onFirst = [&](const Polygon& shape) {
    const Arrangement made = arrange({{shape, 120, MayTurn::any}}, sheet, {});
    return std::count_if(made.laid.begin(), made.laid.end(),
                         [](const Laid& one) { return one.sheet == 0; });
  };
  CHECK(onFirst(rosette(0.75, 0.25, 5, true)) >= 74);
  CHECK(onFirst(rosette(0.6, 0.4, 2, false)) >= 68);
}

TEST_CASE("A part is turned with all that is drawn on it", "[arrange]") {
  Cup cup = tapered();
  cup.sets = {setOf(named("comet"), 30, {layerOf(LayerKind::decal)})};
  const CupPlan plan = planned(cup);
  for (const char* purpose : {purpose::layer, purpose::baseDisc}) {
    const Part& part = plan.part(purpose);
    const Part laid = laidOut(part, Angle::degrees(37), {100, 50});
    CHECK(laid.area().mm2() == Approx(part.area().mm2()).epsilon(1e-9));
    CHECK(lengthOf(laid.outline).mm() == Approx(lengthOf(part.outline).mm()).epsilon(1e-9));
    const Part back = laidOut(laidOut(part, Angle::degrees(37), {}), Angle::degrees(-37), {});
    CHECK(norm(back.outline.start - part.outline.start) < 1e-9);
    REQUIRE(back.letterings.size() == part.letterings.size());
    for (std::size_t i = 0; i < back.letterings.size(); ++i) {
      CHECK(norm(back.letterings[i].at - part.letterings[i].at) < 1e-9);
      CHECK((laid.letterings[i].turn - part.letterings[i].turn).degrees() == Approx(37));
    }
  }
}

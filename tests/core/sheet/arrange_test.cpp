// SPDX-License-Identifier: GPL-3.0-or-later
// Pieces on sheets: no two nearer than the gap, none off its sheet, in its margin or turned as it
// may not be, over random shapes; known packings; bounds by area.
#include "sheet/arrange.h"

#include <rapidcheck/catch.h>

#include <catch2/catch.hpp>
#include <cmath>
#include <map>
#include <set>

#include "core/decal_cups.h"
#include "sheet/laid_out.h"
#include "sheet/lattice.h"
#include "sheet/offcut.h"

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
      RC_ASSERT(one.sheet < made.sheets.size());
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

TEST_CASE("What is to lie together lies on one sheet, unless none has room for it", "[arrange]") {
  int apart = 0;
  int gathered = 0;
  rc::prop("", [&] {
    std::vector<Piece> pieces;
    const std::vector<std::string> shapes{"star", "comet", "crescent", "frame", "heart", "laurel"};
    const auto count = *rc::gen::inRange<std::size_t>(2, 12);
    for (std::size_t i = 0; i < count; ++i) {
      pieces.push_back({shelfShape(shapes[i % shapes.size()], *rc::gen::inRange(12, 45)),
                        *rc::gen::inRange(1, 5),
                        MayTurn::half,
                        {},
                        *rc::gen::inRange<std::size_t>(0, 4)});
    }
    const SheetSize sheet = sheetOf(*rc::gen::inRange(60, 110), *rc::gen::inRange(60, 110), 3);
    const std::vector<FilmPiece> films{{sheet, FilmPiece::many, false, {}}};
    Arranger arranger(pieces, films, {});
    Arrangement made = arranger();
    for (long attempt = 0; attempt < 3; ++attempt) {
      if (attempt > 0) made = arranger(attempt, made.order);
      RC_ASSERT(leastBetween(pieces, made) >= Length::mm(1.5));
      std::map<std::size_t, std::set<std::size_t>> on;
      std::map<std::size_t, int> laid;
      for (const Laid& one : made.laid) {
        on[pieces[one.piece].together].insert(one.sheet);
        ++laid[one.piece];
      }
      for (const NotLaid& one : made.notLaid) laid[one.piece] += one.copies;
      for (std::size_t i = 0; i < pieces.size(); ++i) RC_ASSERT(laid[i] == pieces[i].copies);
      for (std::size_t number = 1; number < 4; ++number) {
        const bool said = std::count(made.apart.begin(), made.apart.end(), number) > 0;
        RC_ASSERT(said == (on[number].size() > 1));
        gathered += on[number].size() == 1;
        if (!said || attempt > 0) continue;
        ++apart;
        // By themselves they take several as well.
        std::vector<Piece> alone;
        for (const Piece& piece : pieces) {
          if (piece.together == number) alone.push_back(piece);
        }
        ArrangeRules plain;
        plain.lattices = false;
        RC_ASSERT(arrange(alone, sheet, plain).sheets.size() > 1U);
      }
    }
  });
  CHECK(apart > 1);
  CHECK(gathered > 40);
}

TEST_CASE("What is to lie together follows what of it was laid by hand", "[arrange]") {
  const std::vector<Piece> pieces{{rectangle(60, 30), 2, MayTurn::no, {}, 1},
                                  {rectangle(20, 20), 4, MayTurn::no, {}, 1},
                                  {rectangle(70, 70), 1, MayTurn::no, {}, 0}};
  const std::vector<FilmPiece> films{{sheetOf(110, 110), FilmPiece::many, false, {}}};
  Arranger arranger(pieces, films, {});
  const Arrangement plain = arranger();
  CHECK(plain.apart.empty());
  Arrangement kept;
  kept.sheets = {{0, {}}, {0, {}}};
  kept.laid = {{1, 0, 1, {}, {5, 5}}, {2, 0, 0, {}, {5, 5}}};
  const Arrangement made = arranger(kept);
  CHECK(made.apart.empty());
  for (const Laid& one : made.laid) {
    CHECK(one.sheet == (pieces[one.piece].together == 1 ? 1U : 0U));
  }
  // Two of it on two sheets by hand are apart, and the rest lies with either.
  kept.laid.push_back({1, 1, 0, {}, {80, 80}});
  const Arrangement parted = arranger(kept);
  CHECK(parted.apart == std::vector<std::size_t>{1});
  CHECK(parted.sheets.size() == 2);
}

TEST_CASE("Rectangles that tile a sheet without waste are laid on it alone", "[arrange]") {
  // 4 by 6 of 50 x 30 mm on 200 x 180, without a gap; the raster divides them.
  ArrangeRules rules;
  rules.gap = {};
  rules.raster = Length::mm(0.5);
  // What drawing out rounds takes a cell of each.
  const Arrangement made =
      arrange({{rectangle(49.4, 29.4), 24, MayTurn::no}}, sheetOf(200, 180), rules);
  CHECK(made.sheets.size() == 1);
  CHECK(made.laid.size() == 24);
  // One more needs another sheet.
  CHECK(
      arrange({{rectangle(49.4, 29.4), 25, MayTurn::no}}, sheetOf(200, 180), rules).sheets.size() ==
      2);
}

TEST_CASE("A piece lies in another's opening, and one too large is told", "[arrange]") {
  const Polygon frame{{{0, 0}, {90, 0}, {90, 90}, {0, 90}},
                      {{10, 10}, {10, 80}, {80, 80}, {80, 10}}};
  const std::vector<Piece> pieces{{frame, 1, MayTurn::no}, {rectangle(60, 60), 1, MayTurn::no}};
  const Arrangement made = arrange(pieces, sheetOf(95, 95), {});
  CHECK(made.sheets.size() == 1);
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

// 77 and 72 were counted for a plain raster with a few turns on the same sheet; 55 and 53 is what
// libnest2d puts on it, 1.5 times which are 83 and 80 (bench/, where it is run beside).
TEST_CASE("Many rosettes lie in rows, denser than a raster has them", "[arrange]") {
  const SheetSize sheet{Length::inches(6.75), Length::inches(9.25), Length()};
  const auto onFirst = [&](const Polygon& shape, bool rows) {
    ArrangeRules rules;
    rules.lattices = rows;
    const std::vector<Piece> pieces{{shape, 120, MayTurn::any}};
    const Arrangement made = arrange(pieces, sheet, rules);
    CHECK(leastBetween(pieces, made) >= rules.gap);
    for (const Laid& one : made.laid) {
      const Box box = boundsOf(shapeAt(pieces[0], one));
      CHECK(Box{{0, 0}, {sheet.wide.mm(), sheet.tall.mm()}}.grownBy(1e-9).contains(box.low));
      CHECK(Box{{0, 0}, {sheet.wide.mm(), sheet.tall.mm()}}.grownBy(1e-9).contains(box.high));
    }
    return std::count_if(made.laid.begin(), made.laid.end(),
                         [](const Laid& one) { return one.sheet == 0; });
  };
  CHECK(onFirst(rosette(0.75, 0.25, 5, true), false) >= 74);
  CHECK(onFirst(rosette(0.6, 0.4, 2, false), false) >= 68);
  CHECK(onFirst(rosette(0.75, 0.25, 5, true), true) >= 86);
  CHECK(onFirst(rosette(0.6, 0.4, 2, false), true) >= 83);
}

// Areas of the densest lattices: pi / sqrt(12) of the plane by discs (Lagrange 1773); all of it by
// any triangle in pairs, any parallelogram and hexagons alone (each tiles the plane).
TEST_CASE("Lattices of shapes with a known densest one reach it", "[lattice]") {
  const auto densityOf = [](const std::vector<Point>& outline) {
    const std::vector<Lattice> found = denseLattices(outline, 8);
    REQUIRE_FALSE(found.empty());
    return signedArea(outline) / found.front().areaEach().mm2();
  };
  const auto regular = [](int corners) {
    std::vector<Point> outline;
    for (int i = 0; i < corners; ++i) {
      const double turn = 2 * M_PI * i / corners;
      outline.push_back({10 * std::cos(turn), 10 * std::sin(turn)});
    }
    return outline;
  };
  CHECK(densityOf(regular(180)) == Approx(M_PI / std::sqrt(12)).epsilon(0.005));
  CHECK(densityOf(regular(6)) > 0.99);
  CHECK(densityOf({{0, 0}, {20, 0}, {26, 11}, {6, 11}}) > 0.99);
  CHECK(densityOf({{0, 0}, {24, 3}, {7, 15}}) > 0.98);
  // Pentagons in pairs: 0.92131 (Kuperberg and Kuperberg 1990, "Double-lattice packings").
  CHECK(densityOf(regular(5)) == Approx((5 - std::sqrt(5)) / 3).epsilon(0.005));
}

TEST_CASE("No two of a lattice lie on each other, near or far", "[lattice]") {
  rc::prop("", [] {
    std::vector<Point> outline;
    const int count = *rc::gen::inRange(3, 14);
    for (int i = 0; i < count; ++i) {
      const double turn = 2 * M_PI * i / count;
      const double r = *rc::gen::inRange(30, 150) / 10.0;
      outline.push_back({r * std::cos(turn), r * std::sin(turn)});
    }
    for (const Lattice& lattice : denseLattices(outline, 4)) {
      RC_ASSERT(lattice.areaEach().mm2() >= signedArea(outline));
      std::vector<Polygon> all;
      for (int i = -4; i <= 4; ++i) {
        for (int k = -4; k <= 4; ++k) {
          for (const Lattice::Member& member : lattice.members) {
            const double sign = member.turn == Angle() ? 1 : -1;
            all.push_back(movedBy(mapped({outline}, {sign, 0, 0, sign, 0, 0}),
                                  member.at + lattice.along * i + lattice.across * k));
          }
        }
      }
      // Those of the middle against all others.
      const std::size_t members = lattice.members.size();
      const std::size_t middle = (4 * 9 + 4) * members;
      for (std::size_t m = middle; m < middle + members; ++m) {
        for (std::size_t n = 0; n < all.size(); ++n) {
          if (n == m) continue;
          double shared = 0;
          for (const std::vector<Point>& one : all[m] & all[n]) shared += signedArea(one);
          RC_ASSERT(std::abs(shared) < 1e-3);
        }
      }
    }
  });
}

TEST_CASE("Offcuts are used first, then sheets, then a roll, and none outside its outline",
          "[arrange]") {
  rc::prop("", [] {
    // An L, a sheet or two, a roll.
    const Polygon ell{{{0, 0}, {120, 0}, {120, 40}, {40, 40}, {40, 120}, {0, 120}}};
    const double margin = *rc::gen::inRange(0, 5);
    const auto sized = [&](double wide, double tall) { return sheetOf(wide, tall, margin); };
    const std::vector<FilmPiece> films{{sized(120, 120), 1, false, ell},
                                       {sized(100, 100), 2, false, {}},
                                       {sized(200, 2000), 1, true, {}}};
    const std::vector<Piece> pieces{
        {shelfShape("star", 24), *rc::gen::inRange(1, 8), MayTurn::any},
        {shelfShape("crescent", 18), *rc::gen::inRange(1, 9), MayTurn::half},
        {rectangle(70, 30), *rc::gen::inRange(1, 6), MayTurn::any}};
    Arranger arranger(pieces, films, {});
    Arrangement made = arranger();
    for (long attempt = 1; attempt < 4; ++attempt) {
      const Arrangement again = arranger(attempt, made.order);
      // The same attempt, the same answer.
      if (attempt == 2) {
        const Arrangement same = Arranger(pieces, films, {})(attempt, made.order);
        RC_ASSERT(again.laid == same.laid);
      }
      if (isDenser(again, made, films)) made = again;
    }
    RC_ASSERT(made.notLaid.empty());
    RC_ASSERT(leastBetween(pieces, made) >= Length::mm(1.5));
    RC_ASSERT(made.sheets.front().film == 0U);
    std::map<std::size_t, int> opened;
    for (const UsedSheet& sheet : made.sheets) ++opened[sheet.film];
    RC_ASSERT(opened[0] <= 1);
    RC_ASSERT(opened[1] <= 2);
    RC_ASSERT(opened[2] <= 1);
    for (const Laid& one : made.laid) {
      const UsedSheet& sheet = made.sheets[one.sheet];
      const Polygon shape = shapeAt(pieces[one.piece], one);
      const Box box = boundsOf(shape);
      RC_ASSERT(box.low.x >= margin - 1e-6);
      RC_ASSERT(box.low.y >= margin - 1e-6);
      RC_ASSERT(box.high.x <= films[sheet.film].size.wide.mm() - margin + 1e-6);
      RC_ASSERT(Length::mm(box.high.y) <= sheet.reaches + Length::mm(1e-6));
      if (sheet.film != 0) continue;
      double outside = 0;
      for (const std::vector<Point>& part :
           shape - offsetBy(ell, Length::mm(-margin), Corners::round)) {
        outside += signedArea(part);
      }
      RC_ASSERT(std::abs(outside) < 0.01);
    }
  });
}

TEST_CASE("What was laid by hand stays, and the others are laid round it", "[arrange]") {
  const std::vector<Piece> pieces{{shelfShape("star", 30), 9, MayTurn::any},
                                  {rectangle(40, 12), 5, MayTurn::half}};
  const std::vector<FilmPiece> films{{sheetOf(140, 140, 3), FilmPiece::many, false, {}}};
  Arranger arranger(pieces, films, {});
  Arrangement kept = arranger();
  kept.laid = {{0, 4, 0, Angle::degrees(33), {70, 70}}, {1, 2, 0, Angle(), {90, 20}}};
  const Arrangement made = arranger(kept);
  CHECK(leastBetween(pieces, made) >= Length::mm(1.5));
  std::map<std::pair<std::size_t, int>, int> laid;
  for (const Laid& one : made.laid) ++laid[{one.piece, one.copy}];
  CHECK(laid.size() == 14);
  for (const Laid& hand : kept.laid) {
    CHECK(std::count(made.laid.begin(), made.laid.end(), hand) == 1);
  }
}

TEST_CASE("The largest rectangle left of a sheet is free, and none of the shapes leaves a larger",
          "[offcut]") {
  rc::prop("", [] {
    const FilmPiece film{sheetOf(120, 90), 1, false, {}};
    std::vector<Polygon> shapes;
    const int count = *rc::gen::inRange(0, 5);
    for (int i = 0; i < count; ++i) {
      const Point at{*rc::gen::inRange(0, 100) * 1.0, *rc::gen::inRange(0, 70) * 1.0};
      shapes.push_back(movedBy(rectangle(*rc::gen::inRange(5, 20), *rc::gen::inRange(5, 20)), at));
    }
    const Length apart = Length::mm(1);
    const auto found = largestOffcut(shapes, film, Length::mm(90), apart, Length::mm(10));
    // By trying every rectangle between edges that lie where shapes end.
    std::vector<double> xs{0, 120};
    std::vector<double> ys{0, 90};
    for (const Polygon& shape : shapes) {
      const Box box = boundsOf(shape).grownBy(1);
      for (const double x : {box.low.x, box.high.x}) xs.push_back(std::clamp(x, 0.0, 120.0));
      for (const double y : {box.low.y, box.high.y}) ys.push_back(std::clamp(y, 0.0, 90.0));
    }
    double most = 0;
    for (const double left : xs) {
      for (const double right : xs) {
        for (const double low : ys) {
          for (const double high : ys) {
            if (right - left < 10 || high - low < 10) continue;
            const Box box{{left, low}, {right, high}};
            const bool free = std::none_of(shapes.begin(), shapes.end(), [&](const Polygon& shape) {
              const Box taken = boundsOf(shape).grownBy(1 - 1e-9);
              return taken.low.x < right && taken.high.x > left && taken.low.y < high &&
                     taken.high.y > low;
            });
            if (free) most = std::max(most, box.width() * box.height());
          }
        }
      }
    }
    if (!found) {
      RC_ASSERT(most < 14.0 * 123);
      return;
    }
    for (const Polygon& shape : shapes) {
      const Box taken = boundsOf(shape).grownBy(1 - 0.01);
      RC_ASSERT(!(taken.low.x < found->high.x && taken.high.x > found->low.x &&
                  taken.low.y < found->high.y && taken.high.y > found->low.y));
    }
    // A cell of 1 mm may be lost on each side.
    const double area = found->width() * found->height();
    RC_ASSERT(area <= most + 1e-6);
    RC_ASSERT((found->width() + 2) * (found->height() + 2) >= most - 1e-6);
  });
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

namespace {

/// Whether a shape's box fits at some turn, tried every tenth of a degree.
bool fitsAtAny(const Polygon& shape, double wide, double tall) {
  for (int i = 0; i < 1800; ++i) {
    const Box box = boundsOf(mapped(shape, turning(Angle::degrees(i / 10.0))));
    if (box.width() <= wide && box.height() <= tall) return true;
  }
  return false;
}

}  // namespace

TEST_CASE("Whatever fits an empty sheet at any turn is laid; what fits at none is told",
          "[arrange]") {
  rc::prop("", [] {
    // Long ones, of which many fit slantwise alone.
    Polygon shape = rectangle(*rc::gen::inRange(60, 240), *rc::gen::inRange(4, 90));
    if (*rc::gen::inRange(0, 2) == 1) shape = shelfShape("comet", *rc::gen::inRange(80, 240));
    const double wide = *rc::gen::inRange(80, 200);
    const double tall = *rc::gen::inRange(80, 200);
    const double margin = *rc::gen::inRange(0, 8);
    const Arrangement made = arrange({{shape, 1}}, sheetOf(wide, tall, margin));
    const double roomWide = wide - 2 * margin;
    const double roomTall = tall - 2 * margin;
    if (fitsAtAny(shape, roomWide, roomTall)) {
      RC_ASSERT(made.laid.size() == 1U);
      const Box box = boundsOf(shapeAt({shape, 1}, made.laid[0]));
      RC_ASSERT(box.low.x >= margin - 1e-3);
      RC_ASSERT(box.low.y >= margin - 1e-3);
      RC_ASSERT(box.high.x <= wide - margin + 1e-3);
      RC_ASSERT(box.high.y <= tall - margin + 1e-3);
    } else if (!fitsAtAny(shape, roomWide + 0.2, roomTall + 0.2)) {
      RC_ASSERT(made.laid.empty());
      RC_ASSERT(made.notLaid.size() == 1U);
      RC_ASSERT((made.notLaid[0].why == NotLaid::Why::tooLarge));
    }
  });
}

TEST_CASE("What fits an offcut goes there before a fresh sheet is opened or filled up",
          "[arrange]") {
  int onOffcuts = 0;
  rc::prop("", [&] {
    std::vector<Piece> pieces;
    const auto count = *rc::gen::inRange<std::size_t>(2, 8);
    for (std::size_t i = 0; i < count; ++i) {
      const bool square = *rc::gen::inRange(0, 2) == 1;
      const int size = *rc::gen::inRange(15, 140);
      pieces.push_back(
          {square ? rectangle(size, *rc::gen::inRange(15, 90)) : shelfShape("star", size),
           *rc::gen::inRange(1, 4)});
    }
    const double side = *rc::gen::inRange(60, 110);
    const std::vector<FilmPiece> films{{sheetOf(side, side, 3), 1, false, rectangle(side, side)},
                                       {sheetOf(200, 280, 3), FilmPiece::many, false, {}}};
    Arranger arranger(pieces, films, {});
    const Arrangement made = arranger();
    std::optional<std::size_t> offcut;
    for (std::size_t i = 0; i < made.sheets.size(); ++i) {
      if (made.sheets[i].film == 0) offcut = i;
    }
    Arrangement with = made;
    if (!offcut) {
      offcut = with.sheets.size();
      with.sheets.push_back({0, {}});
    }
    for (const Laid& laid : made.laid) {
      if (laid.sheet == *offcut) {
        ++onOffcuts;
        continue;
      }
      // None of those elsewhere finds room on it.
      RC_ASSERT_FALSE(arranger.roomOn(with, laid, *offcut).has_value());
    }
  });
  CHECK(onOffcuts > 20);
}

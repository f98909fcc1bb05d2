// SPDX-License-Identifier: GPL-3.0-or-later
#include "pattern/repeat.h"

#include <catch2/catch.hpp>
#include <cmath>

#include "core/cups.h"
#include "pattern/fill.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

std::vector<Point> boxIn(double left, double low, double wide, double tall) {
  return {{left, low}, {left + wide, low}, {left + wide, low + tall}, {left, low + tall}};
}

DrawnShape filled(std::vector<Point> points) {
  DrawnShape shape;
  shape.lines.push_back({std::move(points), true});
  shape.filled = true;
  return shape;
}

DrawnShape stroked(std::vector<Point> points, double width, bool closed) {
  DrawnShape shape;
  shape.lines.push_back({std::move(points), closed});
  shape.stroke = Length::mm(width);
  return shape;
}

Drawing page(double wide, double tall) {
  return {"drawing.svg", Length::mm(wide), Length::mm(tall), {}, {}};
}

FoundRepeat found(const Drawing& drawing) {
  const Checked<FoundRepeat> artwork = findRepeat(drawing);
  if (!artwork) FAIL(inWords(artwork.error().sentence, Unit::mm));
  return *artwork;
}

double cellArea(const Repeat& artwork) {
  double area = 0;
  for (const Polygon& cell : artwork.cells) area += signedArea(cell);
  return area;
}

/// Bricks 20 by 10 with 1 mm between them, rows half a brick aside, drawn over the page's edges as
/// one draws what goes on.
Drawing bricks(int across, int up) {
  Drawing drawing = page(20.0 * across, 20.0 * up);
  for (int j = 0; j < 2 * up; ++j) {
    for (int i = -1; i <= across; ++i) {
      drawing.shapes.push_back(filled(boxIn(20 * i + (j % 2) * 10 + 0.5, 10 * j + 0.5, 19, 9)));
    }
  }
  return drawing;
}

}  // namespace

TEST_CASE("filled shapes are cells; the smallest part that repeats is found") {
  const FoundRepeat artwork = found(bricks(4, 3));
  CHECK(artwork.across == 4);
  CHECK(artwork.up == 3);
  CHECK(artwork.artwork.wide == Approx(20));
  CHECK(artwork.artwork.tall == Approx(20));
  REQUIRE(artwork.artwork.cells.size() == 2);
  CHECK(cellArea(artwork.artwork) == Approx(2 * 19 * 9));
  CHECK(artwork.lineWidth.mm() == Approx(1).margin(0.01));
  CHECK(artwork.missAcross == Length());
}

TEST_CASE("a drawing without a repeat is one, its halves joined over its edges") {
  Drawing drawing = page(40, 30);
  drawing.shapes.push_back(filled(boxIn(-5, 2, 10, 8)));
  drawing.shapes.push_back(filled(boxIn(35, 2, 10, 8)));
  drawing.shapes.push_back(filled(boxIn(12, 15, 14, 15)));
  drawing.shapes.push_back(filled(boxIn(12, 0, 14, 5)));
  const FoundRepeat artwork = found(drawing);
  CHECK(artwork.artwork.wide == Approx(40));
  CHECK(artwork.artwork.tall == Approx(30));
  REQUIRE(artwork.artwork.cells.size() == 2);
  CHECK(cellArea(artwork.artwork) == Approx(80 + 14 * 20));
  CHECK(artwork.missAcross.mm() == Approx(0).margin(1e-3));
}

TEST_CASE("how far two edges miss each other is measured") {
  Drawing drawing = page(40, 30);
  drawing.shapes.push_back(filled(boxIn(0, 2, 5, 8)));
  drawing.shapes.push_back(filled(boxIn(35, 3.5, 5, 8)));
  drawing.shapes.push_back(filled(boxIn(12, 0, 14, 30)));
  const FoundRepeat artwork = found(drawing);
  CHECK(artwork.missAcross.mm() == Approx(1.5).margin(1e-3));
  CHECK(artwork.missUp.mm() == Approx(0).margin(1e-3));
  // One that has no other half misses by all it is.
  drawing.shapes.erase(drawing.shapes.begin() + 1);
  drawing.shapes.push_back(filled(boxIn(36, 20, 3, 5)));
  CHECK(found(drawing).missAcross.mm() == Approx(8).margin(1e-3));
}

TEST_CASE("open lines part the page, and half of their width is off each cell") {
  Drawing drawing = page(40, 20);
  drawing.shapes.push_back(stroked({{10, -5}, {10, 25}}, 1, false));
  drawing.shapes.push_back(stroked({{-5, 10}, {45, 10}}, 2, false));
  const FoundRepeat artwork = found(drawing);
  CHECK(cellArea(artwork.artwork) == Approx(39 * 18).epsilon(1e-3));
  CHECK(artwork.lineWidth.mm() == Approx(1.5).margin(0.51));
}

TEST_CASE("a shape with two openings or more is line work, and its openings are cells") {
  Drawing drawing = page(30, 20);
  DrawnShape net = filled(boxIn(0, 0, 30, 20));
  net.evenOdd = true;
  for (const double x : {1.0, 16.0}) net.lines.push_back({boxIn(x, 1, 13, 18), true});
  drawing.shapes.push_back(net);
  const FoundRepeat artwork = found(drawing);
  REQUIRE_FALSE(artwork.artwork.cells.empty());
  CHECK(signedArea(artwork.artwork.cells[0]) == Approx(13 * 18).epsilon(1e-3));
  // The two are alike, 15 mm apart: one of them is the repeat.
  CHECK(artwork.across == 2);
  CHECK(artwork.artwork.wide == Approx(15).margin(0.1));
}

TEST_CASE("what lies on top keeps its shape; a ring keeps its island; a frame is line work") {
  Drawing drawing = page(60, 40);
  drawing.shapes.push_back(filled(boxIn(0, 0, 60, 40)));  // the wall
  drawing.shapes.push_back(filled(boxIn(5, 5, 20, 30)));
  drawing.shapes.push_back(filled(boxIn(20, 10, 20, 20)));
  drawing.shapes.push_back(filled(boxIn(45, 5, 10, 10)));
  const FoundRepeat artwork = found(drawing);
  REQUIRE(artwork.artwork.cells.size() == 3);
  CHECK(cellArea(artwork.artwork) == Approx(20 * 30 - 5 * 20 + 400 + 100));
  REQUIRE_FALSE(artwork.notes.empty());
  CHECK(inWords(artwork.notes[0], Unit::mm) ==
        "1 cells lie partly under others; what lies on top keeps its shape.");

  Drawing ring = page(30, 30);
  ring.shapes.push_back(filled(boxIn(2, 2, 26, 26)));
  ring.shapes.push_back(filled(boxIn(10, 10, 10, 10)));
  const FoundRepeat rings = found(ring);
  REQUIRE(rings.artwork.cells.size() == 2);
  CHECK(cellArea(rings.artwork) == Approx(26 * 26));
  CHECK(rings.notes.empty());
}

TEST_CASE("lines nearly closed, outlines that cross themselves, dust: taken or left, and said") {
  Drawing drawing = page(40, 40);
  drawing.shapes.push_back(stroked({{5, 5}, {15, 5}, {15, 15}, {5, 15}, {5, 5.2}}, 0.01, false));
  drawing.shapes.push_back(filled({{20, 20}, {35, 35}, {35, 20}, {20, 35}}));
  drawing.shapes.push_back(filled(boxIn(1, 35, 0.2, 0.2)));
  const FoundRepeat artwork = found(drawing);
  std::string words;
  for (const Sentence& note : artwork.notes) words += inWords(note, Unit::mm) + "\n";
  CHECK(words ==
        "1 lines whose ends nearly meet were taken as closed.\n"
        "1 outlines cross themselves; what they go round was taken.\n"
        "1 shapes too small to cut were left out.\n");
  CHECK(artwork.artwork.cells.size() == 3);  // a square, and the two halves of the tie
}

TEST_CASE("drawings that give no cells are refused in words") {
  const auto refusal = [](const Drawing& drawing) {
    const Checked<FoundRepeat> artwork = findRepeat(drawing);
    return artwork ? std::string() : inWords(artwork.error().sentence, Unit::mm);
  };
  CHECK(refusal(page(10, 10)) == "Nothing is drawn in it. Draw closed shapes.");
  // Far too large, or far away.
  Drawing large = page(40, 40);
  large.shapes.push_back(filled(boxIn(0, 0, 12'000, 10)));
  CHECK(refusal(large).find("Bring it to its true size") != std::string::npos);
  large.shapes[0] = filled(boxIn(90'000, 0, 10, 10));
  CHECK(refusal(large).find("lies farther out") != std::string::npos);
  Drawing dust = page(10, 10);
  dust.shapes.push_back(filled(boxIn(1, 1, 0.1, 0.1)));
  CHECK(refusal(dust).find("No closed cell was found") == 0);
  Drawing many = page(1000, 1000);
  for (int i = 0; i < 6001; ++i)
    many.shapes.push_back(filled(boxIn(i % 80 * 10, i / 80 * 10, 8, 8)));
  CHECK(refusal(many) == "There are 6001 closed shapes, and up to 6000 can be taken. Draw fewer.");
}

namespace {

struct Tapered {
  Body body = bodyOf(all()[1].blank);
  Development flat = body.cone();
  Wall wall{body, flat, CupAngle::back()};

  Fill fill(const Repeat& artwork) const {
    Fill fill = usualFill("", Unit::mm);
    fill.pattern.family = Family::artwork;
    fill.pattern.artwork = SharedRepeat(artwork);
    fill.pattern.size = WrittenLength::mm(artwork.wide);
    fill.pattern.line = WrittenLength::mm(0);
    return fill;
  }
  CheckedAll<std::vector<FillPlan>> planned(const Fill& fill) const {
    return planFills({fill}, *divide(ZoneNode(), wall), wall);
  }
  FillPlan plan(const Fill& fill) const {
    CheckedAll<std::vector<FillPlan>> made = planned(fill);
    if (!made) FAIL(inWords(made.error()[0].sentence, Unit::mm));
    return std::move(made->front());
  }
};

}  // namespace

TEST_CASE("an artwork fills a zone as the families do: cells, neighbours across lines, colours") {
  const Tapered cup;
  const Fill fill = cup.fill(found(bricks(4, 3)).artwork);
  const FillPlan plan = cup.plan(fill);
  CHECK(plan.colouring.clashes.empty());
  // Bricks have six neighbours: two beside, two above, two below.
  std::vector<int> beside(plan.cells.size(), 0);
  for (const auto& [a, b] : plan.neighbours) {
    ++beside[a];
    ++beside[b];
  }
  const int inner = static_cast<int>(std::count(beside.begin(), beside.end(), 6));
  CHECK(inner > static_cast<int>(plan.cells.size()) / 2);
  CHECK(*std::max_element(beside.begin(), beside.end()) == 6);
  // Lines are what the drawing leaves, 1 - 19 * 9 / 200 of it.
  double cells = 0;
  for (const Cell& cell : plan.cells) cells += cell.area.mm2();
  CHECK(cells / plan.zoneArea.mm2() == Approx(0.855).margin(0.02));
  CHECK(std::any_of(plan.cells.begin(), plan.cells.end(),
                    [](const Cell& cell) { return cell.onSeam; }));
}

TEST_CASE("three ways of fitting, and what each costs") {
  const Tapered cup;
  Fill fill = cup.fill(found(bricks(4, 3)).artwork);
  const Region wall = Region::band(Length(), cup.body.wall());
  const double exact = cup.body.radius(cup.body.wall() / 2).mm() * 2 * M_PI / 20;

  // Stretched to both measures: whole repeats round and up.
  fill.pattern.heightFit = HeightFit::whole;
  PatternFit fit = fitOf(fill.pattern, wall, cup.body);
  CHECK(fit.around == std::lround(exact));
  CHECK(fit.stretchWide == Approx(exact / fit.around - 1));
  const double up = cup.body.wall().mm() / (20 * (1 + fit.stretchTall));
  CHECK(up == Approx(std::round(up)));
  CHECK(fit.wideBy.mm() == Approx(20 * fit.stretchWide));
  CHECK(fit.tallBy.mm() == Approx(20 * fit.stretchTall));
  const FillPlan whole = cup.plan(fill);
  // Nothing is cut at rim or base but by half a line.
  for (const Cell& cell : whole.cells) {
    CHECK((cell.region.highest() - cell.region.lowest()).mm() ==
          Approx(9 * (1 + fit.stretchTall)).epsilon(1e-6));
  }

  // In proportion: as much taller as wider.
  fill.pattern.heightFit = HeightFit::proportion;
  fit = fitOf(fill.pattern, wall, cup.body);
  CHECK(fit.stretchTall == Approx(fit.stretchWide));
  CHECK(fit.squash() == Approx(0).margin(1e-12));
  CHECK(fit.narrowing > 0.02);  // the taper's own

  // True to size: the seam cuts the last repeat.
  fill.pattern.taperFit = TaperFit::keep;
  fit = fitOf(fill.pattern, wall, cup.body);
  CHECK(fit.stretchWide == 0);
  CHECK(fit.narrowing == 0);
  CHECK(fit.around == std::floor(exact));
  CHECK(fit.seamRest.mm() == Approx((exact - std::floor(exact)) * 20));
}

TEST_CASE("a picture is never squashed without a word") {
  const Tapered cup;
  Repeat picture = found(bricks(4, 3)).artwork;
  picture.picture = true;
  Fill fill = cup.fill(picture);
  fill.pattern.size = WrittenLength::mm(23);
  fill.pattern.heightFit = HeightFit::whole;
  const CheckedAll<std::vector<FillPlan>> refused = cup.planned(fill);
  REQUIRE_FALSE(refused.has_value());
  CHECK(refused.error()[0].where.member == Member::patternRise);
  CHECK(inWords(refused.error()[0].sentence, Unit::mm).find("would squash the picture by") !=
        std::string::npos);
  fill.pattern.heightFit = HeightFit::proportion;
  CHECK(cup.planned(fill).has_value());

  // What is refused can still be asked what it would cost.
  Pattern nothing = fill.pattern;
  nothing.size = WrittenLength::mm(0);
  CHECK(fitOf(nothing, Region::band(Length(), cup.body.wall()), cup.body).around > 0);

  fill.pattern.artwork = SharedRepeat();
  CHECK(cup.planned(fill).error()[0].where.member == Member::patternArtwork);
}

TEST_CASE("cells with openings keep them, mirrored and turned too") {
  Drawing drawing = page(30, 40);
  drawing.shapes.push_back(filled(boxIn(2, 2, 26, 36)));
  drawing.shapes.push_back(filled(boxIn(10, 10, 10, 5)));
  const Tapered cup;
  Fill fill = cup.fill(found(drawing).artwork);
  for (const bool mirror : {false, true}) {
    for (const bool turned : {false, true}) {
      fill.pattern.mirror = mirror;
      fill.pattern.turned = turned;
      const FillPlan plan = cup.plan(fill);
      CHECK(plan.islands > 5);
      double cells = 0;
      for (const Cell& cell : plan.cells) cells += cell.area.mm2();
      CHECK(cells / plan.zoneArea.mm2() == Approx(26.0 * 36 / 1200).margin(0.04));
    }
  }
}

namespace {

std::vector<Point> ring(double x, double y, double radius, int points) {
  std::vector<Point> circle;
  for (int i = 0; i < points; ++i) {
    const double turn = 2 * M_PI * i / points;
    circle.push_back({x + radius * std::cos(turn), y + radius * std::sin(turn)});
  }
  return circle;
}

std::string refusalOf(const Drawing& drawing) {
  const Checked<FoundRepeat> artwork = findRepeat(drawing);
  REQUIRE_FALSE(artwork.has_value());
  return inWords(artwork.error().sentence, Unit::mm);
}

}  // namespace

TEST_CASE("drawings nobody could wait for are refused in words, what only looks like them is not") {
  // Every circle over every other.
  Drawing heap = page(100, 100);
  for (int i = 0; i < 400; ++i) {
    heap.shapes.push_back(filled(ring(50 + i * 0.02, 50, 20 + i * 0.03, 64)));
  }
  CHECK_THAT(refusalOf(heap), Catch::Contains("lie on each other"));
  // A line to and fro between places by chance.
  Drawing scribble = page(100, 100);
  std::vector<Point> line;
  for (int i = 0; i < 3000; ++i) line.push_back({i * 7919 % 1000 / 10.0, i * 104729 % 997 / 10.0});
  scribble.shapes.push_back(stroked(line, 0.2, false));
  CHECK_THAT(refusalOf(scribble), Catch::Contains("cross more than"));
  // Scales lie three on each other, and a fine outline is long; both are common.
  Drawing scales = page(120, 120);
  for (int j = 0; j < 20; ++j) {
    for (int i = 0; i < 20; ++i) {
      scales.shapes.push_back(filled(ring(6 * i + (j % 2) * 3, 5 * j, 3.6, 48)));
    }
  }
  CHECK(found(scales).artwork.cells.size() > 100);
  Drawing fine = page(100, 100);
  fine.shapes.push_back(filled(ring(50, 50, 40, 20'000)));
  CHECK(found(fine).artwork.cells.size() == 1);
}

// SPDX-License-Identifier: GPL-3.0-or-later
// Strips edge to edge: what is a strip, how they make up a stack, and which go into which.
#include "sheet/strip_stack.h"

#include <catch2/catch.hpp>
#include <cmath>
#include <numeric>

#include "measure/dice.h"
#include "sheet/arrange.h"
#include "sheet/laid_out.h"
#include "sheet/template_sheet.h"

using namespace avrelt;

namespace {

/// A rectangle anywhere, turned, with a few more points on its sides than it needs.
Part rectangleAt(Point corner, double turn, double length, double width, bool more = false) {
  Part part;
  part.id = "strip";
  const Transform way = turning(Angle::degrees(turn));
  std::vector<Point> corners{{0, 0}, {length, 0}, {length, width}, {0, width}};
  if (more) corners = {{0, 0}, {length / 3, 0}, {length, 0}, {length, width}, {0, width}};
  std::vector<Point> points;
  for (const Point p : corners) points.push_back(way(p) + corner);
  part.outline = closedPath(points);
  return part;
}

}  // namespace

TEST_CASE("A rectangle is a strip however it lies", "[strips]") {
  Dice dice(41);
  for (int i = 0; i < 200; ++i) {
    const double length = dice.between(20, 400);
    const double width = dice.between(1, length - 0.1);
    const double turn = dice.between(-180, 180);
    const Part part = rectangleAt({dice.between(-50, 50), dice.between(-50, 50)}, turn, length,
                                  width, i % 2 == 0);
    const auto strip = stripOf(part);
    REQUIRE(strip);
    CHECK(strip->length.mm() == Approx(length).margin(1e-6));
    CHECK(strip->width.mm() == Approx(width).margin(1e-6));
    // Its length runs to the right, and from its corner up it is its width.
    CHECK(std::abs(strip->along.degrees()) <= 90 + 1e-6);
    const Part flat = laidOut(part, strip->along * -1, {});
    const Point corner = turning(strip->along * -1)(strip->corner);
    CHECK(norm(boundsOf(flat.outline).low - corner) < 1e-6);
    CHECK(boundsOf(flat.outline).width() == Approx(length).margin(1e-6));
  }
}

TEST_CASE("What is no rectangle, has openings or is printed is no strip", "[strips]") {
  CHECK_FALSE(stripOf(Part()));
  Part leaning = rectangleAt({}, 0, 100, 10);
  leaning.outline = closedPath(std::vector<Point>{{0, 0}, {100, 0}, {100.1, 10}, {0.1, 10}});
  CHECK_FALSE(stripOf(leaning));
  leaning.outline = closedPath(std::vector<Point>{{0, 0}, {100, 0}, {100, 10}, {0, 10.05}});
  CHECK_FALSE(stripOf(leaning));
  Part five = rectangleAt({}, 0, 100, 10);
  five.outline = closedPath(std::vector<Point>{{0, 0}, {100, 0}, {100, 10}, {50, 10.1}, {0, 10}});
  CHECK_FALSE(stripOf(five));
  Part bent = rectangleAt({}, 0, 100, 10);
  bent.outline.stretches[0].bulge = 0.01;
  CHECK_FALSE(stripOf(bent));
  Part opened = rectangleAt({}, 0, 100, 10);
  opened.holes.push_back(closedPath(std::vector<Point>{{5, 5}, {5, 6}, {6, 6}}));
  CHECK_FALSE(stripOf(opened));
  Part several = rectangleAt({}, 0, 100, 10);
  several.more.push_back(several.outline);
  CHECK_FALSE(stripOf(several));
  Part printed = rectangleAt({}, 0, 100, 10);
  printed.print = PartPrint{{}, {}, "#112233"};
  CHECK_FALSE(stripOf(printed));
}

TEST_CASE("A stack is made up of its strips, each as it is, with a cut between each two",
          "[strips]") {
  Dice dice(42);
  for (int round = 0; round < 60; ++round) {
    const double length = dice.between(50, 300);
    const bool free = round % 2 == 0;
    const double turn = dice.between(-180, 180);
    std::vector<Part> parts;
    double wide = 0;
    const int count = 2 + static_cast<int>(dice.between(0, 5));
    for (int i = 0; i < count; ++i) {
      const double width = dice.between(2, 40);
      wide += width;
      const Point at{dice.between(-90, 90), dice.between(-90, 90)};
      parts.push_back(
          rectangleAt(at, free ? dice.between(-180, 180) : turn, length, std::min(width, length)));
    }
    std::vector<const Part*> all;
    for (const Part& part : parts) all.push_back(&part);
    const StripStack stack = stackOf(all, free ? MayTurn::any : MayTurn::no);
    REQUIRE(stack.strips.size() == parts.size());
    CHECK(stack.part.slits.size() == parts.size() - 1);
    const Polygon whole = pieceShape(stack.part);
    CHECK(signedArea(whole) == Approx(length * wide).epsilon(1e-6));
    // Each where it is told to lie, none on another, all of them the whole.
    double sum = 0;
    std::vector<Polygon> shapes;
    for (const StackedStrip& strip : stack.strips) {
      const Polygon shape = pieceShape(laidOut(*strip.part, strip.turn, strip.at));
      sum += signedArea(shape);
      for (const Polygon& other : shapes) CHECK(signedArea(shape & other) < 1e-3);
      shapes.push_back(shape);
      if (!free) CHECK(std::abs(std::remainder(strip.turn.degrees(), 360)) < 1e-6);
    }
    CHECK(sum == Approx(length * wide).epsilon(1e-6));
    CHECK(signedArea(unionOf(shapes) - whole) < 1e-2);
    // Every cut runs from side to side, along two strips' sides.
    for (const Path& slit : stack.part.slits) {
      CHECK(norm(slit.stretches.back().end - slit.start) == Approx(length).margin(1e-6));
    }
  }
}

TEST_CASE("What is drawn on strips comes along into their stack", "[strips]") {
  Part one = rectangleAt({10, 20}, 30, 100, 8);
  one.letterings.push_back({turning(Angle::degrees(30))({50, 4}) + Point{10, 20},
                            Length::mm(2),
                            Angle::degrees(30),
                            {"one", {}}});
  const Part two = rectangleAt({}, 0, 100, 5);
  const StripStack stack = stackOf({&two, &one}, MayTurn::any);
  REQUIRE(stack.part.letterings.size() == 1);
  CHECK(norm(stack.part.letterings[0].at - Point{50, 9}) < 1e-6);
  CHECK(stack.part.letterings[0].turn.degrees() == Approx(0).margin(1e-9));
}

TEST_CASE("Strips go into as few stacks as first fit makes, none too tall", "[strips]") {
  // By hand: 6 and 4, 5 and 3 with 2, in two stacks of 10.
  const auto stacks = stacksFor(
      {Length::mm(3), Length::mm(6), Length::mm(2), Length::mm(4), Length::mm(5)}, Length::mm(10));
  REQUIRE(stacks.size() == 2);
  CHECK(stacks[0] == std::vector<std::size_t>{1, 3});
  CHECK(stacks[1] == std::vector<std::size_t>{4, 0, 2});
  Dice dice(43);
  for (int round = 0; round < 100; ++round) {
    std::vector<Length> widths;
    double sum = 0;
    for (int i = 0; i < 30; ++i) {
      widths.push_back(Length::mm(dice.between(1, 50)));
      sum += widths.back().mm();
    }
    const double most = dice.between(50, 300);
    std::vector<int> seen(widths.size(), 0);
    const auto all = stacksFor(widths, Length::mm(most));
    for (const auto& stack : all) {
      double tall = 0;
      for (const std::size_t one : stack) {
        ++seen[one];
        tall += widths[one].mm();
      }
      CHECK(tall <= most + 1e-9);
    }
    CHECK(std::all_of(seen.begin(), seen.end(), [](int times) { return times == 1; }));
    // Of any two stacks the strips would not go into one, so all but one are over half full.
    CHECK(static_cast<double>(all.size()) < 2 * sum / most + 1);
  }
}

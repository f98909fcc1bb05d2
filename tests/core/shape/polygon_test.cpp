// SPDX-License-Identifier: GPL-3.0-or-later
#include "shape/polygon.h"

#include <algorithm>
#include <catch2/catch.hpp>
#include <set>

using namespace avrelt;

namespace {

std::vector<Point> square(double left, double low, double side) {
  return {{left, low}, {left + side, low}, {left + side, low + side}, {left, low + side}};
}

}  // namespace

TEST_CASE("booleans of polygons have the areas of sets") {
  const Polygon a{square(0, 0, 10)};
  const Polygon b{square(5, 5, 10)};
  CHECK(signedArea(a & b) == Approx(25));
  CHECK(signedArea(a - b) == Approx(75));
  CHECK(signedArea(unionOf({a, b})) == Approx(175));
  CHECK(signedArea(shrunkBy(a, Length::mm(1))) == Approx(64));
  CHECK(shrunkBy(a, Length::mm(6)).empty());
}

TEST_CASE("what a line goes round, by either rule, and what it covers") {
  // A line twice round: once by winding, the inner part out by odd and even.
  std::vector<Point> inner = square(2, 2, 4);
  const std::vector<Polyline> twice{{square(0, 0, 10), true}, {inner, true}};
  CHECK(signedArea(enclosedBy(twice, false)) == Approx(100));
  CHECK(signedArea(enclosedBy(twice, true)) == Approx(84));
  // A bow tie has two parts.
  const std::vector<Polyline> tie{{{{0, 0}, {10, 10}, {10, 0}, {0, 10}}, true}};
  CHECK(partsOf(enclosedBy(tie, true)).size() == 2);
  CHECK(signedArea(enclosedBy(tie, true)) == Approx(50));
  CHECK(signedArea(drawnWide({{{{0, 0}, {20, 0}}, false}}, Length::mm(2))) == Approx(40));
}

TEST_CASE("parts are told apart with their holes, islands in holes too") {
  std::vector<Point> hole = square(2, 2, 6);
  std::reverse(hole.begin(), hole.end());
  const std::vector<Polygon> parts =
      partsOf({square(0, 0, 10), hole, square(4, 4, 2), square(20, 0, 3)});
  REQUIRE(parts.size() == 3);
  std::multiset<std::size_t> outlines;
  double area = 0;
  for (const Polygon& part : parts) {
    outlines.insert(part.size());
    area += signedArea(part);
  }
  CHECK(outlines == std::multiset<std::size_t>{1, 1, 2});
  CHECK(area == Approx(100 - 36 + 4 + 9));
}

TEST_CASE("a simplified line keeps its corners and stays within the tolerance") {
  std::vector<Point> many;
  for (const auto& [from, to] : {std::pair{Point{0, 0}, Point{50, 0}},
                                 {Point{50, 0}, Point{50, 50}},
                                 {Point{50, 50}, Point{0, 0}}}) {
    for (int i = 0; i < 100; ++i) {
      const double wobble = i % 2 == 0 ? 0 : 0.01;
      many.push_back(from + (to - from) * (i / 100.0) + Point{wobble, -wobble});
    }
  }
  const std::vector<Point> few = simplified(many, Length::mm(0.02));
  CHECK(few.size() == 3);
  CHECK(signedArea(few) == Approx(1250));
  CHECK(simplified(many, Length::mm(0.001)).size() > 250);
}

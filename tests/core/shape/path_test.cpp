// SPDX-License-Identifier: GPL-3.0-or-later
#include "shape/path.h"

#include <rapidcheck.h>

#include <catch2/catch.hpp>
#include <cmath>
#include <numbers>

using namespace avrelt;
using std::numbers::pi;

namespace {

/// A square of side 10, its low left corner at a place.
Path square(Point low) {
  Path path{low, {}};
  path.lineTo(low + Point{10, 0});
  path.lineTo(low + Point{10, 10});
  path.lineTo(low + Point{0, 10});
  path.lineTo(low);
  return path;
}

/// A circle of radius 5 about a place, as two halves.
Path circle(Point centre) {
  Path path{centre - Point{5, 0}, {}};
  path.arcTo(centre + Point{5, 0}, 1);
  path.arcTo(centre - Point{5, 0}, 1);
  return path;
}

/// An arc of a given turn on a chord of 8 from the origin along x.
Path arc(double turn) {
  Path path{{0, 0}, {}};
  path.arcTo({8, 0}, std::tan(turn / 4));
  return path;
}

}  // namespace

TEST_CASE("a square has its area and its way round") {
  CHECK(areaOf(square({3, 4})).mm2() == Approx(100));
  CHECK(lengthOf(square({3, 4})).mm() == Approx(40));
  CHECK(boundsOf(square({3, 4})) == Box{{3, 4}, {13, 14}});
  CHECK(square({0, 0}).closed());
}

TEST_CASE("a circle has pi r² and two pi r, wherever it lies") {
  for (const Point centre : {Point{0, 0}, Point{1e4, -1e4}}) {
    CHECK(areaOf(circle(centre)).mm2() == Approx(25 * pi).epsilon(1e-12));
    CHECK(lengthOf(circle(centre)).mm() == Approx(10 * pi).epsilon(1e-12));
    const Box box = boundsOf(circle(centre));
    CHECK(box.width() == Approx(10));
    CHECK(box.height() == Approx(10));
  }
}

TEST_CASE("an arc's figures follow from its chord and its turn") {
  // MathWorld, "Circular Segment": c = 2 R sin(θ/2), h = R (1 − cos(θ/2)), A = R²/2 (θ − sin θ).
  for (const double turn : {0.3, 1.0, pi / 2, 2.5, pi, 4.0, 5.9}) {
    INFO(turn);
    const Path path = arc(turn);
    const Stretch& stretch = path.stretches.front();
    const double radius = 8 / (2 * std::sin(turn / 2));
    const ArcFigures figures = arcFigures(path.start, stretch);
    CHECK(figures.radius == Approx(radius));
    CHECK(figures.sweep == Approx(turn));
    CHECK(norm(figures.centre - path.start) == Approx(radius));
    CHECK(norm(figures.centre - stretch.end) == Approx(radius));
    CHECK(riseOf(path.start, stretch) == Approx(radius * (1 - std::cos(turn / 2))));
    CHECK(lengthOf(path).mm() == Approx(radius * turn));
    Path closed = path;
    closed.lineTo({0, 0});
    CHECK(areaOf(closed).mm2() == Approx(radius * radius / 2 * (turn - std::sin(turn))));
  }
}

TEST_CASE("an arc turning left bows to the right of its chord") {
  const Path left = arc(1);
  CHECK(pointAlong(left.start, left.stretches.front(), 0.5).y < 0);
  const Path right = arc(-1);
  CHECK(pointAlong(right.start, right.stretches.front(), 0.5).y > 0);
}

TEST_CASE("as an arc flattens it becomes its chord without a jump") {
  for (double bulge = 1; bulge > 1e-16; bulge /= 10) {
    Path path{{0, 0}, {}};
    path.arcTo({100, 0}, bulge);
    const Point middle = pointAlong(path.start, path.stretches.front(), 0.5);
    CHECK(middle.x == Approx(50));
    CHECK(middle.y == Approx(-50 * bulge).margin(1e-12));
    CHECK(lengthOf(path).mm() >= 100 - 1e-12);
  }
}

TEST_CASE("a flattened arc never strays farther than asked") {
  const bool holds = rc::check([] {
    const double turn = *rc::gen::inRange(-590, 590) / 100.0;
    const Length tolerance = Length::mm(std::pow(10.0, -*rc::gen::inRange(0, 4)));
    const Path path = arc(turn);
    const std::vector<Point> points = flattened(path, tolerance);
    RC_ASSERT(points.front() == path.start);
    RC_ASSERT(points.back() == path.end());
    if (std::abs(path.stretches.front().bulge) < 1e-9) return;
    const ArcFigures figures = arcFigures(path.start, path.stretches.front());
    for (std::size_t i = 1; i < points.size(); ++i) {
      RC_ASSERT(std::abs(norm(points[i] - figures.centre) - figures.radius) < 1e-9);
      const Point middle = (points[i - 1] + points[i]) * 0.5;
      RC_ASSERT(figures.radius - norm(middle - figures.centre) <= tolerance.mm() + 1e-9);
    }
  });
  CHECK(holds);
}

TEST_CASE("bounds hold every point of an arc and touch it") {
  const bool holds = rc::check([] {
    Path path{{*rc::gen::inRange(-50, 50) / 7.0, *rc::gen::inRange(-50, 50) / 7.0}, {}};
    path.arcTo({*rc::gen::inRange(-50, 50) / 7.0, *rc::gen::inRange(-50, 50) / 7.0},
               *rc::gen::inRange(-300, 300) / 100.0);
    const Box box = boundsOf(path);
    Box seen;
    for (int i = 0; i <= 2000; ++i) {
      const Point p = pointAlong(path.start, path.stretches.front(), i / 2000.0);
      RC_ASSERT(box.grownBy(1e-9).contains(p));
      seen.add(p);
    }
    RC_ASSERT(std::abs(box.width() - seen.width()) < 1e-3 * (1 + box.width()));
    RC_ASSERT(std::abs(box.height() - seen.height()) < 1e-3 * (1 + box.height()));
  });
  CHECK(holds);
}

TEST_CASE("a closed path does not repeat its first point when flattened") {
  CHECK(flattened(square({0, 0}), Length::mm(0.1)).size() == 4);
}

TEST_CASE("moving and turning keep area and length") {
  const Path moved = movedBy(circle({1, 2}), {10, 20});
  CHECK(boundsOf(moved).centre().x == Approx(11));
  CHECK(areaOf(moved).mm2() == Approx(25 * pi));
  const Path turned = turnedLeft(square({3, 4}));
  CHECK(areaOf(turned).mm2() == Approx(100));
  CHECK(boundsOf(turned) == Box{{-14, 3}, {-4, 13}});
}

TEST_CASE("an empty box holds nothing and takes its first point") {
  Box box;
  CHECK(box.empty());
  CHECK(box.width() == 0);
  CHECK_FALSE(box.contains({1, 1}));
  box.add(Box{});
  CHECK(box.empty());
  box.add(Point{2, 3});
  CHECK(box == Box{{2, 3}, {2, 3}});
}

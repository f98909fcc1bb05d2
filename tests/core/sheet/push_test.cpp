// SPDX-License-Identifier: GPL-3.0-or-later
// Shapes pushed together: how far one falls, and that none comes onto another.
#include "sheet/push.h"

#include <catch2/catch.hpp>
#include <cmath>

#include "core/sheet/blots.h"
#include "measure/dice.h"
#include "shape/edge_tree.h"
#include "sheet/arrange.h"

using namespace avrelt;

namespace {}  // namespace

TEST_CASE("A shape falls till it meets another, no farther and no less", "[push]") {
  Dice dice(71);
  int met = 0;
  for (int round = 0; round < 300; ++round) {
    const Polygon fixed = blot(dice, {0, 0}, 10);
    const Polygon moving = blot(dice, {dice.between(-18, 18), 30}, 10);
    const std::optional<Length> free = wayDownTo(moving, fixed);
    // The second way: by distances, step by step.
    const auto apartAt = [&](double down) {
      return nearest(EdgeTree(movedBy(moving, Point{0, -down})), EdgeTree(fixed)).apart.mm();
    };
    if (!free) {
      for (double down = 0; down < 60; down += 0.25) CHECK(apartAt(down) > 0);
      continue;
    }
    ++met;
    const double way = free->mm();
    CHECK(apartAt(way) < 1e-6);
    if (way > 1e-3) CHECK(apartAt(way - 1e-3) > 0);
    for (double down = 0; down < way - 0.3; down += 0.3) CHECK(apartAt(down) > 0);
  }
  CHECK(met > 100);
}

TEST_CASE("In an opening a shape falls onto its lower edge", "[push]") {
  const Polygon frame{{{0, 0}, {40, 0}, {40, 40}, {0, 40}}, {{5, 5}, {5, 35}, {35, 35}, {35, 5}}};
  const Polygon inside{{{10, 20}, {20, 20}, {20, 30}, {10, 30}}};
  CHECK(wayDownTo(inside, frame)->mm() == Approx(15));
  const Polygon above{{{10, 50}, {20, 50}, {15, 60}}};
  CHECK(wayDownTo(above, frame)->mm() == Approx(10));
  CHECK_FALSE(wayDownTo(movedBy(above, Point{50, 0}), frame));
}

TEST_CASE("Pushed together none lies on another, none is out, and fixed ones stay", "[push]") {
  Dice dice(72);
  for (int round = 0; round < 20; ++round) {
    std::vector<Pushed> shapes;
    for (int row = 0; row < 5; ++row) {
      for (int column = 0; column < 5; ++column) {
        shapes.push_back({blot(dice, {15.0 + 25 * column, 15.0 + 25 * row}, 11), dice.one(8) == 0});
      }
    }
    const std::vector<Pushed> before = shapes;
    pushTogether(shapes, {2, 1});
    double gone = 0;
    for (std::size_t i = 0; i < shapes.size(); ++i) {
      const Box box = boundsOf(shapes[i].shape);
      if (shapes[i].fixed) CHECK(shapes[i].by == Point{});
      if (!shapes[i].fixed) CHECK((box.low.x > 2 - 1e-9 && box.low.y > 1 - 1e-9));
      CHECK(shapes[i].by.x <= 1e-9);
      CHECK(shapes[i].by.y <= 1e-9);
      gone += norm(shapes[i].by);
      const Polygon there = movedBy(before[i].shape, shapes[i].by);
      CHECK(norm(boundsOf(there).low - box.low) < 1e-9);
      for (std::size_t j = 0; j < i; ++j) {
        CHECK(nearest(EdgeTree(shapes[i].shape), EdgeTree(shapes[j].shape)).apart > Length());
      }
    }
    CHECK(gone > 50);
  }
}

TEST_CASE("Pieces pushed together keep their gap and end no higher", "[push]") {
  Dice dice(73);
  double shorter = 0;
  for (int round = 0; round < 10; ++round) {
    std::vector<Piece> pieces;
    for (int i = 0; i < 12; ++i) pieces.push_back({blot(dice, {}, dice.between(6, 25)), 4});
    FilmPiece roll;
    roll.size = {Length::mm(dice.between(150, 300)), Length::mm(3000), Length::mm(5)};
    roll.roll = true;
    ArrangeRules rules;
    rules.gap = Length::mm(dice.between(0.5, 3));
    Arranger arranger(pieces, {roll}, rules);
    const Arrangement first = arranger();
    Arrangement kept;
    kept.sheets = first.sheets;
    kept.laid = {first.laid[dice.one(first.laid.size())]};
    const Arrangement pushed = arranger.pushed(first, kept);
    CHECK(leastBetween(pieces, pushed) >= rules.gap);
    CHECK(pushed.sheets[0].reaches <= first.sheets[0].reaches + Length::mm(1e-9));
    CHECK(std::find(pushed.laid.begin(), pushed.laid.end(), kept.laid[0]) != pushed.laid.end());
    shorter += (first.sheets[0].reaches - pushed.sheets[0].reaches).mm();
    for (const Laid& laid : pushed.laid) {
      const Box box = boundsOf(shapeAt(pieces[laid.piece], laid));
      CHECK(box.low.x >= 5 - 1e-6);
      CHECK(box.low.y >= 5 - 1e-6);
      CHECK(box.high.x <= roll.size.wide.mm() - 5 + 1e-6);
    }
  }
  CHECK(shorter > 5);
}

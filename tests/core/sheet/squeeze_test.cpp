// SPDX-License-Identifier: GPL-3.0-or-later
// Many of one shape squeezed onto a sheet: none on another by its true sides, none off the sheet,
// turned only as it may be, and more of them than rows hold.
#include "sheet/squeeze.h"

#include <algorithm>
#include <catch2/catch.hpp>
#include <cmath>

#include "core/sheet/blots.h"
#include "measure/dice.h"
#include "sheet/arrange.h"

using namespace avrelt;

namespace {

/// r = 12 (0.6 + 0.4 |cos 2t|), drawn out by so much.
std::vector<Point> petals(double drawnOut) {
  std::vector<Point> outline;
  constexpr int sides = 240;
  for (int i = 0; i < sides; ++i) {
    const double t = 2 * M_PI * i / sides;
    const double r = 12 * (0.6 + 0.4 * std::abs(std::cos(2 * t)));
    outline.push_back({r * std::cos(t), r * std::sin(t)});
  }
  return offsetBy({outline}, Length::mm(drawnOut), Corners::round).front();
}

/// Whether none lies on another, or off the rectangle, once all are drawn in by so much.
bool liesApart(const std::vector<Point>& outline, const std::vector<LatticePlace>& places,
               double wide, double tall, double within) {
  const Polygon drawnIn = offsetBy({outline}, Length::mm(-within), Corners::round);
  std::vector<Polygon> shapes;
  for (const LatticePlace& place : places) {
    shapes.push_back(movedBy(mapped(drawnIn, turning(place.turn)), place.at));
  }
  const Box sheet{{0, 0}, {wide, tall}};
  for (std::size_t i = 0; i < shapes.size(); ++i) {
    const Box box = boundsOf(shapes[i]);
    if (!sheet.contains(box.low) || !sheet.contains(box.high)) return false;
    for (std::size_t j = 0; j < i; ++j) {
      if (boundsOf(shapes[j]).meets(box) && !(shapes[i] & shapes[j]).empty()) return false;
    }
  }
  return true;
}

}  // namespace

TEST_CASE("What is squeezed lies apart, on its rectangle, turned as it may be", "[squeeze]") {
  Dice dice(11);
  int found = 0;
  for (int round = 0; round < 16; ++round) {
    const Polygon shape =
        offsetBy(blot(dice, {dice.between(-30, 30), dice.between(-30, 30)}, dice.between(6, 12)),
                 Length::mm(1), Corners::round);
    if (shape.size() != 1) continue;
    const std::vector<Point>& outline = shape.front();
    const double wide = dice.between(70, 130);
    const double tall = dice.between(70, 130);
    const MayTurn mayTurn = std::vector{MayTurn::any, MayTurn::half, MayTurn::no}[dice.one(3)];
    const std::vector<Lattice> lattices = denseLattices(outline, 8);
    const auto rows =
        latticesOn(outline, lattices, Length::mm(wide), Length::mm(tall), mayTurn, 1000, 1);
    if (rows.empty() || rows.front().size() < 4) continue;
    // As many as rows hold, or one fewer.
    const std::size_t count = rows.front().size() - dice.one(2);
    const auto places =
        squeezedOn(outline, lattices, Length::mm(wide), Length::mm(tall), mayTurn, count, round);
    if (round % 4 == 0) {  // the same again
      const auto again =
          squeezedOn(outline, lattices, Length::mm(wide), Length::mm(tall), mayTurn, count, round);
      CHECK(again.has_value() == places.has_value());
    }
    if (!places) continue;
    ++found;
    REQUIRE(places->size() == count);
    CHECK(liesApart(outline, *places, wide, tall, 0.05));
    for (const LatticePlace& place : *places) {
      const double degrees = std::abs(place.turn.degrees());
      if (mayTurn == MayTurn::no) CHECK(degrees == 0);
      if (mayTurn == MayTurn::half) CHECK(std::fmod(degrees + 1e-9, 180) < 1e-6);
    }
  }
  CHECK(found >= 3);
}

// 83 were counted elsewhere for the best lattice of one turn, turned and shifted on the sheet.
TEST_CASE("One petal more is squeezed onto a sheet than rows hold", "[squeeze]") {
  const std::vector<Point> outline = petals(0.75);
  const double wide = 6.75 * 25.4 + 1.5;
  const double tall = 9.25 * 25.4 + 1.5;
  const std::vector<Lattice> lattices = denseLattices(outline, 24);
  const auto rows =
      latticesOn(outline, lattices, Length::mm(wide), Length::mm(tall), MayTurn::any, 1000, 1);
  REQUIRE(!rows.empty());
  CHECK(rows.front().size() >= 83);
  CHECK(rows.front().size() < 85);
  std::optional<std::vector<LatticePlace>> places;
  for (long seed = 16; seed < 28 && !places; ++seed) {
    places =
        squeezedOn(outline, lattices, Length::mm(wide), Length::mm(tall), MayTurn::any, 85, seed);
  }
  REQUIRE(places);
  CHECK(places->size() == 85);
  CHECK(liesApart(outline, *places, wide, tall, squeezeLeaves.mm() * 1.5));
  // That is more than its area holds.
  CHECK(!squeezedOn(outline, lattices, Length::mm(wide), Length::mm(tall), MayTurn::any, 110, 0));
}

TEST_CASE("A full sheet of one shape comes to hold more of it, with the gap between any two",
          "[squeeze]") {
  const std::vector<Piece> pieces{{{petals(0)}, 60}};
  FilmPiece film;
  film.size = {Length::mm(112), Length::mm(118), Length::mm(4)};
  ArrangeRules rules;
  rules.gap = Length::mm(1);
  Arranger arranger(pieces, {film}, rules);
  const auto onFirst = [](const Arrangement& made) {
    return std::count_if(made.laid.begin(), made.laid.end(),
                         [](const Laid& one) { return one.sheet == 0; });
  };
  Arrangement best = arranger();
  const auto plainly = onFirst(best);
  for (long attempt = 1; attempt < 24; ++attempt) {
    const Arrangement made = arranger(attempt, best.order);
    CHECK(made.laid.size() == 60);
    CHECK(leastBetween(pieces, made) >= rules.gap);
    CHECK(leastBetween(pieces, arranger.pushed(made)) >= rules.gap);
    for (const Laid& laid : made.laid) {
      const Box box = boundsOf(shapeAt(pieces[0], laid));
      CHECK(std::min(box.low.x, box.low.y) >= 4 - 1e-9);
      CHECK(box.high.x <= 108 + 1e-9);
      CHECK(box.high.y <= 114 + 1e-9);
    }
    // The same again.
    if (attempt % 7 == 0)
      CHECK(Arranger(pieces, {film}, rules)(attempt, best.order).laid == made.laid);
    if (isDenser(made, best, {film})) best = made;
  }
  CHECK(onFirst(best) > plainly);
}

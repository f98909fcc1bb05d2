// SPDX-License-Identifier: GPL-3.0-or-later
// Rectangles edge to edge: sets that are known to tile theirs without waste, random ones over films
// and gaps, and bounds by area.
#include "sheet/rectangles.h"

#include <algorithm>
#include <catch2/catch.hpp>
#include <cmath>
#include <numeric>
#include <set>
#include <string>

#include "core/sheet/blots.h"
#include "measure/dice.h"
#include "sheet/arrange.h"

using namespace avrelt;

namespace {

struct TilingSet {
  std::string name;
  double wide;
  double tall;
  std::vector<std::pair<double, double>> sides;
};

std::vector<std::pair<double, double>> squares(const std::vector<double>& sides) {
  std::vector<std::pair<double, double>> made;
  for (const double side : sides) made.emplace_back(side, side);
  return made;
}

/// Sets of known zero waste: C1 and C2 of E. Hopper and B. C. H. Turton, "An empirical
/// investigation of meta-heuristic and heuristic algorithms for a 2D packing problem", European
/// Journal of Operational Research 128 (2001); the squared rectangle of Z. Moroń, Przegląd
/// Matematyczno-Fizyczny 3 (1925); the simple perfect squared square of A. J. W. Duijvestijn,
/// Journal of Combinatorial Theory B 25 (1978). From memory; that their areas add up is checked.
std::vector<TilingSet> tilingSets() {
  return {{"C1, first",
           20,
           20,
           {{2, 12},
            {7, 12},
            {8, 6},
            {3, 6},
            {3, 5},
            {5, 5},
            {3, 12},
            {3, 7},
            {5, 7},
            {2, 6},
            {3, 2},
            {4, 2},
            {3, 4},
            {4, 4},
            {9, 2},
            {11, 2}}},
          {"C1, second",
           20,
           20,
           {{4, 1},
            {4, 5},
            {9, 4},
            {3, 5},
            {3, 9},
            {1, 4},
            {5, 3},
            {4, 1},
            {5, 5},
            {7, 2},
            {9, 3},
            {3, 13},
            {2, 8},
            {15, 4},
            {5, 4},
            {10, 6},
            {7, 2}}},
          {"C1, third",
           20,
           20,
           {{4, 14},
            {5, 2},
            {2, 2},
            {9, 7},
            {5, 5},
            {2, 5},
            {7, 7},
            {3, 5},
            {6, 5},
            {3, 2},
            {6, 2},
            {4, 6},
            {6, 3},
            {10, 3},
            {6, 3},
            {10, 3}}},
          {"C2, first", 40, 15, {{11, 3}, {13, 3}, {9, 2},  {7, 2},  {9, 3},  {7, 3}, {11, 2},
                                 {13, 2}, {11, 4}, {13, 4}, {3, 5},  {11, 2}, {2, 2}, {11, 3},
                                 {2, 3},  {5, 4},  {6, 4},  {12, 2}, {1, 2},  {3, 5}, {13, 5},
                                 {12, 4}, {1, 4},  {5, 2},  {6, 2}}},
          {"squared rectangle", 33, 32, squares({1, 4, 7, 8, 9, 10, 14, 15, 18})},
          {"squared square", 112, 112, squares({2,  4,  6,  7,  8,  9,  11, 15, 16, 17, 18,
                                                19, 24, 25, 27, 29, 33, 35, 37, 42, 50})}};
}

/// A rectangle cut straight across again and again, the largest first: no waste, at any sides.
std::vector<std::pair<double, double>> cutUp(Dice& dice, double wide, double tall, int count) {
  std::vector<std::pair<double, double>> made{{wide, tall}};
  while (static_cast<int>(made.size()) < count) {
    const auto largest = std::max_element(made.begin(), made.end(), [](auto a, auto b) {
      return a.first * a.second < b.first * b.second;
    });
    const auto [w, t] = *largest;
    made.erase(largest);
    const double share = dice.between(0.25, 0.75);
    if (w > t * dice.between(0.7, 1.3)) {
      made.emplace_back(w * share, t);
      made.emplace_back(w - w * share, t);
    } else {
      made.emplace_back(w, t * share);
      made.emplace_back(w, t - t * share);
    }
  }
  return made;
}

Polygon rectangleOf(double wide, double tall) {
  return {{{0, 0}, {wide, 0}, {wide, tall}, {0, tall}}};
}

/// Which fills most of its box.
Polygon discOf(double radius) {
  std::vector<Point> outline;
  for (int i = 0; i < 60; ++i) {
    const double t = 2 * M_PI * i / 60;
    outline.push_back({radius * std::cos(t), radius * std::sin(t)});
  }
  return {outline};
}

double areaOf(const std::vector<std::pair<double, double>>& sides) {
  return std::accumulate(sides.begin(), sides.end(), 0.0,
                         [](double sum, auto one) { return sum + one.first * one.second; });
}

/// The share that pieces take of a roll up to where they reach, as a maker meets it: each made so
/// much smaller that it keeps a gap, turned as it comes; `tries` further attempts.
double shareReached(const std::vector<std::pair<double, double>>& sides, double wide, Dice& dice,
                    double gap, int tries) {
  std::vector<Piece> pieces;
  for (const auto& [w, t] : sides) {
    const Polygon shape = rectangleOf(w - gap, t - gap);
    pieces.push_back({mapped(shape, turning(Angle::degrees(dice.between(0, 360)))), 1});
  }
  FilmPiece roll;
  const double margin = dice.between(0, 10);
  roll.size = {Length::mm(wide + 2 * margin - gap), Length::mm(5000), Length::mm(margin)};
  roll.roll = true;
  ArrangeRules rules;
  rules.gap = Length::mm(gap);
  Arranger arranger(pieces, {roll}, rules);
  Arrangement best = arranger();
  const double least = areaOf(sides) / wide;
  const auto reached = [&] { return best.sheets.at(0).reaches.mm() - margin + gap; };
  for (int attempt = 1; attempt <= tries && reached() > least * 1.0001; ++attempt) {
    Arrangement tried = arranger(attempt, best.order);
    if (isDenser(tried, best, {roll})) best = std::move(tried);
  }
  CHECK(best.laid.size() == sides.size());
  CHECK(leastBetween(pieces, best) >= rules.gap);
  for (const Laid& laid : best.laid) {
    const Box box = boundsOf(shapeAt(pieces[laid.piece], laid));
    CHECK(box.low.x >= margin - 1e-6);
    CHECK(box.low.y >= margin - 1e-6);
    CHECK(box.high.x <= roll.size.wide.mm() - margin + 1e-6);
  }
  return least / reached();
}

}  // namespace

TEST_CASE("Sets that tile a rectangle without waste are laid without any", "[rectangles]") {
  Dice dice(3);
  for (const TilingSet& set : tilingSets()) {
    INFO(set.name);
    REQUIRE(areaOf(set.sides) == set.wide * set.tall);
    // 10 mm to their unit, so that a gap leaves something of each.
    std::vector<std::pair<double, double>> sides = set.sides;
    for (auto& [w, t] : sides) {
      w *= 10;
      t *= 10;
    }
    CHECK(shareReached(sides, set.wide * 10, dice, 1.5, 40) >= 0.9999);
  }
}

TEST_CASE("Rectangles cut up at random are laid again with hardly any waste", "[rectangles]") {
  Dice dice(17);
  double sum = 0;
  constexpr int rounds = 5;
  for (int round = 0; round < rounds; ++round) {
    const double wide = dice.between(200, 400);
    const double share = shareReached(cutUp(dice, wide, dice.between(250, 450), 12 + round * 2),
                                      wide, dice, dice.between(0, 3), 12);
    CHECK(share >= 0.95);
    sum += share;
  }
  CHECK(sum / rounds >= 0.97);
}

TEST_CASE("Rectangles lie side by side on any films, none on another", "[rectangles]") {
  Dice dice(29);
  for (int round = 0; round < 200; ++round) {
    std::vector<RectangleSheet> films;
    const std::size_t kinds = 1 + dice.one(3);
    for (std::size_t i = 0; i < kinds; ++i) {
      films.push_back({dice.between(50, 300), dice.between(50, 400), 1 + dice.one(3)});
    }
    std::vector<Rectangle> all;
    const std::size_t count = 1 + dice.one(30);
    for (std::size_t i = 0; i < count; ++i) {
      // Now and then of even sides, which meet exactly.
      const bool even = round % 2 == 0;
      const auto side = [&] {
        const double any = dice.between(5, 150);
        return even ? std::ceil(any / 10) * 10 : any;
      };
      all.push_back({side(), side(), dice.one(2) == 0});
    }
    RectangleOrder order(count);
    std::iota(order.begin(), order.end(), std::size_t{0});
    const RectanglesLaid first = layRectangles(all, films, order, 5);
    const RectangleOrder better = betterOrder(all, films, order, 5, round, 20'000);
    const RectanglesLaid laid = layRectangles(all, films, better, 5);
    CHECK(std::is_permutation(order.begin(), order.end(), better.begin(), better.end()));
    CHECK((laid.left < first.left || (laid.left == first.left && laid.takes <= first.takes)));
    CHECK(laid.places.size() + laid.left == count);
    CHECK(laid.sheets.size() <= 5);

    std::vector<std::size_t> used(kinds, 0);
    for (const std::size_t film : laid.sheets) ++used[film];
    for (std::size_t i = 0; i < kinds; ++i) CHECK(used[i] <= films[i].count);
    std::vector<bool> seen(count, false);
    const auto far = [&](const RectanglePlace& one) {
      const Rectangle& size = all[one.rectangle];
      return one.at + (one.turned ? Point{size.tall, size.wide} : Point{size.wide, size.tall});
    };
    for (std::size_t i = 0; i < laid.places.size(); ++i) {
      const RectanglePlace& one = laid.places[i];
      CHECK(!seen[one.rectangle]);
      seen[one.rectangle] = true;
      CHECK((!one.turned || all[one.rectangle].turns));
      const RectangleSheet& film = films[laid.sheets[one.sheet]];
      CHECK(one.at.x >= 0);
      CHECK(one.at.y >= 0);
      CHECK(far(one).x <= film.wide + 1e-6);
      CHECK(far(one).y <= film.tall + 1e-6);
      for (std::size_t j = 0; j < i; ++j) {
        const RectanglePlace& other = laid.places[j];
        if (other.sheet != one.sheet) continue;
        const bool apart = far(other).x <= one.at.x || far(one).x <= other.at.x ||
                           far(other).y <= one.at.y || far(one).y <= other.at.y;
        CHECK(apart);
      }
    }
    if (laid.left == 0) {
      double area = 0;
      for (const Rectangle& one : all) area += one.wide * one.tall;
      CHECK(laid.takes >= area * (1 - 1e-9));
    }
  }
}

// 4 wraps of 100 by 150 and 8 discs of 50 across: a maker lays the wraps side by side and the discs
// in a line above, 400 by 200 in all. By hand; common practice, no published source.
TEST_CASE("Discs find their place beside rectangles at once", "[rectangles]") {
  const std::vector<Piece> pieces{{rectangleOf(99, 149), 4}, {discOf(24.5), 8}};
  FilmPiece roll;
  roll.size = {Length::mm(399), Length::mm(2000), Length()};
  roll.roll = true;
  ArrangeRules rules;
  rules.gap = Length::mm(1);
  Arranger arranger(pieces, {roll}, rules);
  const Arrangement made = arranger();
  CHECK(made.laid.size() == 12);
  CHECK(made.sheets.at(0).reaches <= Length::mm(199 + 1e-6));
  CHECK(leastBetween(pieces, made) >= rules.gap);
}

TEST_CASE("Rectangles are laid round others, on offcuts first, and round what was laid by hand",
          "[rectangles]") {
  Dice dice(41);
  for (int round = 0; round < 4; ++round) {
    std::vector<Piece> pieces;
    for (int i = 0; i < 6; ++i) {
      pieces.push_back({rectangleOf(dice.between(10, 60), dice.between(10, 60)),
                        1 + static_cast<int>(dice.one(3)),
                        std::vector{MayTurn::any, MayTurn::half, MayTurn::no}[dice.one(3)]});
      pieces.push_back({blot(dice, {}, dice.between(6, 25)), 1 + static_cast<int>(dice.one(3))});
      pieces.push_back({discOf(dice.between(5, 25)), 1});
    }
    FilmPiece offcut;
    offcut.size = {Length::mm(120), Length::mm(100), Length::mm(3)};
    offcut.count = 1;
    offcut.outline = {{{0, 0}, {120, 0}, {120, 60}, {60, 100}, {0, 100}}};
    FilmPiece sheets;
    sheets.size = {Length::mm(dice.between(150, 250)), Length::mm(200), Length::mm(5)};
    std::vector<FilmPiece> films{sheets};
    if (round % 2 == 0) films.insert(films.begin(), offcut);
    ArrangeRules rules;
    rules.gap = Length::mm(dice.between(0, 3));
    Arranger arranger(pieces, films, rules);
    Arrangement best = arranger();
    Arrangement kept;
    if (round % 3 == 0) {
      kept.sheets = {best.sheets[0]};
      const auto at = std::find_if(best.laid.begin(), best.laid.end(),
                                   [](const Laid& one) { return one.sheet == 0; });
      kept.laid = {*at};
    }
    std::size_t copies = 0;
    for (const Piece& piece : pieces) copies += static_cast<std::size_t>(piece.copies);
    for (int attempt = 1; attempt <= 4; ++attempt) {
      const Arrangement made = arranger(attempt, best.order, kept);
      CHECK(made.notLaid.empty());
      CHECK(made.laid.size() == copies);
      std::set<std::pair<std::size_t, int>> seen;
      for (const Laid& laid : made.laid) {
        CHECK(seen.emplace(laid.piece, laid.copy).second);
        const FilmPiece& film = films[made.sheets[laid.sheet].film];
        const double margin = film.size.margin.mm() - 1e-6;
        const Box box = boundsOf(shapeAt(pieces[laid.piece], laid));
        CHECK(std::min(box.low.x, box.low.y) >= margin);
        CHECK(box.high.x <= film.size.wide.mm() - margin);
        CHECK(box.high.y <= film.size.tall.mm() - margin);
        if (pieces[laid.piece].mayTurn == MayTurn::no) CHECK(laid.turn == Angle());
      }
      CHECK(leastBetween(pieces, made) >= rules.gap);
      CHECK(leastBetween(pieces, arranger.pushed(made, kept)) >= rules.gap);
      if (!films[0].outline.empty()) CHECK(made.sheets[0].film == 0);
      for (const Laid& one : kept.laid) {
        CHECK(std::find(made.laid.begin(), made.laid.end(), one) != made.laid.end());
      }
      // The same attempt gives the same.
      CHECK(arranger(attempt, best.order, kept).laid == made.laid);
      if (isDenser(made, best, films) && kept.laid.empty()) best = made;
    }
  }
}

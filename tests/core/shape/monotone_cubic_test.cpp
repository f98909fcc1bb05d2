// SPDX-License-Identifier: GPL-3.0-or-later
#include "shape/monotone_cubic.h"

#include <rapidcheck.h>

#include <algorithm>
#include <catch2/catch.hpp>
#include <cmath>

using namespace avrelt;

namespace {

/// The radiochemical data that Fritsch and Carlson show their method on (SIAM J. Numer. Anal. 17,
/// 1980, table 1, "RPN 15A"), from memory: a rise as steep as a wall between two flat runs, where a
/// plain cubic spline swings out on both sides.
const std::vector<Knot> rpn{{7.99, 0},       {8.09, 2.76429e-5}, {8.19, 4.37498e-2},
                            {8.7, 0.169183}, {9.2, 0.469428},    {10, 0.943740},
                            {12, 0.998636},  {15, 0.999919},     {20, 0.999994}};

HermiteCubic pieceOf(const std::vector<Knot>& knots, const std::vector<double>& slopes,
                     std::size_t i) {
  return {knots[i + 1].x - knots[i].x, knots[i].y, knots[i + 1].y, slopes[i], slopes[i + 1]};
}

}  // namespace

TEST_CASE("through Fritsch and Carlson's data the curve only rises, and keeps to their circle") {
  const std::vector<double> slopes = monotoneSlopes(rpn);
  double before = -1;
  for (std::size_t i = 0; i + 1 < rpn.size(); ++i) {
    const HermiteCubic part = pieceOf(rpn, slopes, i);
    const double chord = (part.y1 - part.y0) / part.length;
    CHECK(std::hypot(part.m0 / chord, part.m1 / chord) <= 3 + 1e-12);
    for (int step = 0; step <= 200; ++step) {
      const double y = part.at(part.length * step / 200);
      CHECK(y >= before - 1e-15);
      before = y;
    }
  }
}

TEST_CASE("a straight line stays one, a parabola's middle is met") {
  const std::vector<double> straight = monotoneSlopes({{0, 1}, {3, 2.5}, {4, 3}, {10, 6}});
  for (const double slope : straight) CHECK(slope == Approx(0.5));
  const std::vector<double> bowl = monotoneSlopes({{-1, 1}, {0, 0}, {1, 1}});
  CHECK(bowl[1] == 0);
}

TEST_CASE("between any two knots the curve stays between their values") {
  const bool holds = rc::check([] {
    std::vector<Knot> knots{{0, *rc::gen::inRange(0, 1000) / 10.0}};
    const int count = *rc::gen::inRange(2, 12);
    for (int i = 1; i < count; ++i) {
      knots.push_back(
          {knots.back().x + *rc::gen::inRange(1, 500) / 10.0, *rc::gen::inRange(0, 1000) / 10.0});
    }
    const std::vector<double> slopes = monotoneSlopes(knots);
    for (std::size_t i = 0; i + 1 < knots.size(); ++i) {
      const HermiteCubic part = pieceOf(knots, slopes, i);
      const auto [low, high] = std::minmax(part.y0, part.y1);
      for (int step = 0; step <= 20; ++step) {
        const double x = part.length * step / 20;
        RC_ASSERT(part.at(x) >= low - 1e-9);
        RC_ASSERT(part.at(x) <= high + 1e-9);
        RC_ASSERT(std::abs(part.slope(x)) <= part.steepest() + 1e-9);
      }
    }
  });
  CHECK(holds);
}

TEST_CASE("slope and curvature are those of the curve") {
  const HermiteCubic part{7, 2, 5, 0.4, -0.3};
  const double h = 1e-5;
  for (const double x : {0.5, 2.0, 3.5, 6.5}) {
    CHECK(part.slope(x) == Approx((part.at(x + h) - part.at(x - h)) / (2 * h)));
    CHECK(part.curvature(x) ==
          Approx((part.slope(x + h) - part.slope(x - h)) / (2 * h)).margin(1e-9));
  }
}

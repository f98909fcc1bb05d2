// SPDX-License-Identifier: GPL-3.0-or-later
// What is drawn out round a shape, against Steiner's formula.
#include <rapidcheck/catch.h>

#include <catch2/catch.hpp>
#include <cmath>

#include "shape/grid.h"
#include "shape/polygon.h"

namespace avrelt {
namespace {

/// A convex shape: corners on an ellipse, in order.
Polygon convex(int corners, double a, double b, double turn) {
  std::vector<Point> outline;
  for (int i = 0; i < corners; ++i) {
    const double t = 2 * M_PI * (i + 0.3 * std::sin(i)) / corners;
    outline.push_back({a * std::cos(t) * std::cos(turn) - b * std::sin(t) * std::sin(turn),
                       a * std::cos(t) * std::sin(turn) + b * std::sin(t) * std::cos(turn)});
  }
  return {outline};
}

double edgeOf(const Polygon& polygon) {
  double sum = 0;
  for (const std::vector<Point>& outline : polygon) {
    for (std::size_t i = 0; i < outline.size(); ++i) {
      sum += norm(outline[(i + 1) % outline.size()] - outline[i]);
    }
  }
  return sum;
}

TEST_CASE("What is drawn out round a convex shape has Steiner's area") {
  // Steiner's formula: A + p r + π r².
  rc::prop("over shapes and offsets", [] {
    const int corners = *rc::gen::inRange(3, 40);
    const double a = *rc::gen::inRange(20, 600) / 10.0;
    const double b = *rc::gen::inRange(20, 600) / 10.0;
    const double turn = *rc::gen::inRange(0, 628) / 100.0;
    const double r = *rc::gen::inRange(1, 100) / 10.0;
    const Polygon shape = convex(corners, a, b, turn);
    const double area = signedArea(shape);
    const double steiner = area + edgeOf(shape) * r + M_PI * r * r;
    const double round = signedArea(offsetBy(shape, Length::mm(r), Corners::round));
    // Round corners stand in by up to 0.005 mm over all of the circle's edge.
    RC_ASSERT(round <= steiner + 1e-3 * (edgeOf(shape) + r));
    RC_ASSERT(round >= steiner - 0.006 * 2 * M_PI * (r + 0.01) - 1e-3 * (edgeOf(shape) + r));
    const double sharp = signedArea(offsetBy(shape, Length::mm(r), Corners::sharp));
    // Both stand on a grid; so much may an edge of one lie within the other's.
    RC_ASSERT(sharp >= round - (edgeOf(shape) + 2 * M_PI * r) / gridPerMm);
  });
}

TEST_CASE("A square drawn out with sharp corners is a square") {
  const Polygon square{{{0, 0}, {20, 0}, {20, 20}, {0, 20}}};
  CHECK(signedArea(offsetBy(square, Length::mm(1.27), Corners::sharp)) ==
        Approx(22.54 * 22.54).margin(1e-6));
  CHECK(signedArea(offsetBy(square, Length::mm(-2), Corners::sharp)) == Approx(256).margin(1e-6));
  CHECK(offsetBy(square, Length::mm(-10.1), Corners::round).empty());
}

TEST_CASE("A shape turned or mirrored keeps its area and its sense") {
  const Polygon shape = convex(9, 20, 11, 0.4);
  CHECK(signedArea(mapped(shape, {-1, 0, 0, 1, 5, 0})) == Approx(signedArea(shape)));
  CHECK(signedArea(mapped(shape, {0, 1, -1, 0, 0, 7})) == Approx(signedArea(shape)));
}

}  // namespace
}  // namespace avrelt

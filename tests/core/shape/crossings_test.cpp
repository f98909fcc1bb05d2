// SPDX-License-Identifier: GPL-3.0-or-later
#include "shape/crossings.h"

#include <catch2/catch.hpp>
#include <cmath>
#include <random>

#include "shape/segment.h"

using namespace avrelt;

namespace {

std::size_t byAllPairs(const std::vector<Polyline>& lines) {
  std::vector<std::pair<Point, Point>> sides;
  for (const Polyline& line : lines) {
    const std::size_t count = line.points.size();
    for (std::size_t i = 0; i + (line.closed ? 0 : 1) < count; ++i) {
      sides.emplace_back(line.points[i], line.points[(i + 1) % count]);
    }
  }
  std::size_t crossings = 0;
  for (std::size_t i = 0; i < sides.size(); ++i) {
    for (std::size_t j = 0; j < i; ++j) {
      const auto& [a, b] = sides[i];
      const auto& [c, d] = sides[j];
      const bool parted = cross(b - a, c - a) * cross(b - a, d - a) >= 0 ||
                          cross(d - c, a - c) * cross(d - c, b - c) >= 0;
      crossings += parted ? 0 : 1;
    }
  }
  return crossings;
}

bool isCounted(const std::vector<Polyline>& lines, std::size_t count) {
  return !crossMoreOftenThan(count, lines) && (count == 0 || crossMoreOftenThan(count - 1, lines));
}

}  // namespace

TEST_CASE("a star polygon {n/2} crosses itself n times, {n/3} twice as often", "[outside]") {
  // MathWorld, "Star Polygon": every side of {n/k} meets 2 (k − 1) others within it.
  for (const int k : {2, 3}) {
    for (const int n : {7, 11, 101}) {
      Polyline star;
      star.closed = true;
      for (int i = 0; i < n; ++i) {
        const double turn = 2 * std::acos(-1.0) * i * k / n;
        star.points.push_back({50 * std::cos(turn), 50 * std::sin(turn)});
      }
      CHECK(isCounted({star}, static_cast<std::size_t>(n * (k - 1))));
    }
  }
}

TEST_CASE("crossings in squares are those of all pairs") {
  std::mt19937 random(4);
  std::uniform_real_distribution<double> place(-80, 120);
  for (int round = 0; round < 40; ++round) {
    std::vector<Polyline> lines(1 + static_cast<std::size_t>(round % 5));
    for (Polyline& line : lines) {
      line.closed = round % 2 == 0;
      for (int i = 0; i < 3 + round; ++i) line.points.push_back({place(random), place(random)});
    }
    CHECK(isCounted(lines, byAllPairs(lines)));
  }
}

TEST_CASE("one open line takes no longer for being long") {
  Polyline line;
  line.points = {{0, 102}, {9000, 9}};
  CHECK(isCounted({line}, 0));
}

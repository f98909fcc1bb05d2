// SPDX-License-Identifier: GPL-3.0-or-later
// Lines through the origin: against certified values, against a search that knows no weights, and
// with points far off.
#include "log/origin_fit.h"

#include <algorithm>
#include <catch2/catch.hpp>
#include <cmath>
#include <limits>

#include "core/random_cups.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

double huberLoss(const std::vector<FitPoint>& points, double slope, double reach) {
  double sum = 0;
  for (const FitPoint& point : points) {
    const double off = std::abs(point.y - slope * point.x);
    sum += off <= reach ? off * off / 2 : reach * (off - reach / 2);
  }
  return sum;
}

/// The slope of least loss by sections of the golden kind: it knows nothing of weights.
double searched(const std::vector<FitPoint>& points, double reach) {
  double low = 0;
  double high = 10;
  constexpr double golden = 0.6180339887498949;
  for (int i = 0; i < 200; ++i) {
    const double a = high - golden * (high - low);
    const double b = low + golden * (high - low);
    (huberLoss(points, a, reach) < huberLoss(points, b, reach) ? high : low) =
        huberLoss(points, a, reach) < huberLoss(points, b, reach) ? b : a;
  }
  return (low + high) / 2;
}

}  // namespace

TEST_CASE("Least squares through the origin, as certified", "[log]") {
  // NIST Statistical Reference Datasets, linear regression, NoInt1 and NoInt2: data and certified
  // values (from memory, reckoned once more from the data).
  std::vector<FitPoint> points;
  for (int i = 0; i <= 10; ++i) points.push_back({60.0 + i, 130.0 + i});
  OriginFit fit = plainFit(points);
  CHECK(fit.slope == Approx(2.07438016528926).epsilon(1e-13));
  CHECK(fit.error == Approx(0.0165289256198347).epsilon(1e-12));
  CHECK(fit.scatter == Approx(3.56753034006338).epsilon(1e-12));
  // Student's t, 10 degrees of freedom, 97.5 %: 2.228 (handbook table).
  CHECK(fit.high - fit.slope == Approx(2.228 * fit.error).epsilon(1e-4));
  fit = plainFit({{4, 3}, {5, 4}, {6, 4}});
  CHECK(fit.slope == Approx(0.727272727272727).epsilon(1e-13));
  CHECK(fit.error == Approx(0.0420827318078432).epsilon(1e-12));
  CHECK(fit.scatter == Approx(0.369274472937998).epsilon(1e-12));
}

TEST_CASE("The robust line is the one of least loss", "[log]") {
  Chance chance(41);
  for (int round = 0; round < 60; ++round) {
    std::vector<FitPoint> points;
    const double truth = chance.between(0.2, 3);
    const int count = chance.whole(5, 40);
    for (int i = 0; i < count; ++i) {
      const double x = chance.between(1, 40);
      points.push_back({x, truth * x + chance.between(-1, 1)});
    }
    const OriginFit fit = robustFit(points);
    std::vector<double> off;
    for (const FitPoint& point : points) off.push_back(std::abs(point.y - fit.slope * point.x));
    std::sort(off.begin(), off.end());
    const std::size_t half = off.size() / 2;
    const double middle = off.size() % 2 == 1 ? off[half] : (off[half - 1] + off[half]) / 2;
    // Where its own scatter is held still, no other slope has less loss.
    CHECK(searched(points, 1.345 * 1.4826 * middle) == Approx(fit.slope).epsilon(1e-6));
    CHECK(fit.low < fit.slope);
    CHECK(fit.slope < fit.high);
  }
}

TEST_CASE("Points far off draw the robust line little", "[log]") {
  Chance chance(42);
  for (int round = 0; round < 40; ++round) {
    std::vector<FitPoint> points;
    const int count = chance.whole(10, 40);
    for (int i = 0; i < count; ++i) {
      const double x = chance.between(4, 20);
      points.push_back({x, 1.2 * x + chance.between(-0.5, 0.5)});
    }
    // One in ten took ten times as long: somebody rang.
    for (int i = 0; i < count / 10; ++i) points[static_cast<std::size_t>(i)].y *= 10;
    CHECK(robustFit(points).slope == Approx(1.2).epsilon(0.05));
    CHECK(plainFit(points).slope > 1.25);
    const std::vector<bool> odd = oddOnes(points);
    for (int i = 0; i < count / 10; ++i) CHECK(odd[static_cast<std::size_t>(i)]);
  }
}

TEST_CASE("Few points, none, and what is no number", "[log]") {
  CHECK(robustFit({}).count == 0);
  const OriginFit one = robustFit({{2, 3}});
  CHECK(one.slope == Approx(1.5));
  CHECK(std::isinf(one.high));
  CHECK(robustFit({{0, 3}, {-1, 2}, {std::nan(""), 1}, {1, std::nan("")}}).count == 0);
  // All on one line: no scatter, and the one beside it moves nothing much.
  CHECK(robustFit({{1, 2}, {2, 4}, {3, 6}, {4, 8}, {5, 30}}).slope == Approx(2).epsilon(1e-3));
  CHECK(oddOnes({{1, 2}, {2, 4}, {3, 60}}) == std::vector<bool>{false, false, false});
  CHECK(oddOnes({{1, 2}, {2, 4}, {3, 6}, {4, 8}, {5, 30}}) ==
        std::vector<bool>{false, false, false, false, true});
}

// SPDX-License-Identifier: GPL-3.0-or-later
// How narrow shapes are, against figures known and against a way of counting dots.
#include "shape/clearance.h"

#include <catch2/catch.hpp>
#include <cmath>
#include <random>

#include "shape/segment.h"

namespace avrelt {
namespace {

std::vector<Point> boxAt(double x, double y, double wide, double tall) {
  return {{x, y}, {x + wide, y}, {x + wide, y + tall}, {x, y + tall}};
}

std::vector<Point> circle(double x, double y, double r, int corners = 180) {
  std::vector<Point> outline;
  for (int i = 0; i < corners; ++i) {
    const double t = 2 * M_PI * i / corners;
    outline.push_back({x + r * std::cos(t), y + r * std::sin(t)});
  }
  return outline;
}

std::vector<Point> reversed(std::vector<Point> outline) {
  return {outline.rbegin(), outline.rend()};
}

double stroke(const Polygon& shape) {
  const Clearance clearance(shape);
  return clearance.thinnestStroke() ? clearance.thinnestStroke()->width.mm() : -1;
}
double gap(const Polygon& shape) {
  const Clearance clearance(shape);
  return clearance.thinnestGap() ? clearance.thinnestGap()->width.mm() : -1;
}

TEST_CASE("A bar is as narrow as it is, a square as its largest disc") {
  CHECK(stroke({boxAt(0, 0, 30, 0.8)}) == Approx(0.8).margin(1e-3));
  CHECK(stroke({boxAt(3, -7, 12, 12)}) == Approx(12).margin(1e-3));
  CHECK(gap({boxAt(0, 0, 30, 0.8)}) == -1);
  CHECK(Clearance({}).thinnestStroke() == std::nullopt);
}

TEST_CASE("The neck between two discs and the gap between them") {
  const Polygon dumb =
      unionOf({{circle(-10, 0, 5)}, {circle(10, 0, 5)}, {boxAt(-10, -0.6, 20, 1.2)}});
  CHECK(stroke(dumb) == Approx(1.2).margin(2e-3));
  const Polygon two{circle(-10, 0, 5), circle(10.5, 0, 5)};
  CHECK(gap(two) == Approx(10.5).margin(2e-3));
  CHECK(stroke(two) == Approx(10).margin(0.01));
}

TEST_CASE("A ring is as narrow as where it is narrowest, and open as its opening") {
  const Polygon ring{circle(0, 0, 10), reversed(circle(1.5, 0, 7))};
  CHECK(stroke(ring) == Approx(1.5).margin(0.01));
  CHECK(gap(ring) == Approx(14).margin(0.02));
}

TEST_CASE("A corner is no stroke, a tip is none either, and what is thin in it is drawn") {
  // Five points of 36°: between two opposite edges of the inner pentagon, its largest disc.
  std::vector<Point> star;
  for (int i = 0; i < 10; ++i) {
    const double r = i % 2 == 0 ? 20 : 20 * std::sin(M_PI / 10) / std::sin(M_PI * 3 / 10);
    star.push_back({r * std::sin(M_PI * i / 5), r * std::cos(M_PI * i / 5)});
  }
  star = reversed(star);
  CHECK(stroke({star}) > 10);
  CHECK(gap({star}) == -1);
  CHECK(Clearance({star}).strokesUnder(Length::mm(1)).empty());
  // A spike of 10°: thin from its tip to where it is 1 mm wide, 0.5 / tan 5° along it.
  const double half = 20 * std::tan(M_PI / 36);
  const std::vector<Point> spike{{-half, 0}, {half, 0}, {0, 20}};
  CHECK(stroke({spike}) > 3);
  double low = 20;
  for (const ThinStretch& thin : Clearance({spike}).strokesUnder(Length::mm(1))) {
    low = std::min({low, thin.from.y, thin.to.y});
    CHECK(thin.toWidth.mm() <= 1 + 1e-9);
  }
  // A disc of 0.5 mm touching both sides has its middle 0.5 / sin 5° from the tip.
  CHECK(20 - low == Approx(0.5 / std::sin(M_PI / 36)).margin(0.01));
}

TEST_CASE("A speck among large parts counts as narrow") {
  CHECK(stroke({circle(0, 0, 20), circle(30, 0, 0.3, 24)}) == Approx(0.6).margin(0.01));
}

TEST_CASE("Thickened, a shape is nowhere under the limit but at its corners") {
  const Polygon dumb =
      unionOf({{circle(-10, 0, 5)}, {circle(10, 0, 5)}, {boxAt(-10, -0.3, 20, 0.6)}});
  const Polygon thick = thickened(dumb, Clearance(dumb), Length::mm(1));
  CHECK(stroke(thick) == Approx(1).margin(3e-3));
  // Only what was thin has grown: the bridge, by 0.4 mm over its 10 mm and a little.
  CHECK(signedArea(thick) - signedArea(dumb) == Approx(0.4 * 10.2).margin(0.4));
  CHECK(signedArea(dumb - thick) == Approx(0).margin(1e-3));
}

/// The width at the middle of a bar between two wavy sides by trying: for each place within, the
/// nearest edge; the least of the largest over the bar's columns.
TEST_CASE("Necks of wavy bars are as wide as trying every place finds") {
  // Each tries some sixty thousand discs.
  std::mt19937 random(23);
  for (int round = 0; round < 20; ++round) {
    const double phase = static_cast<double>(random() % 628) / 100;
    const double deep = static_cast<double>(5 + random() % 9) / 10;
    const double turn = static_cast<double>(random() % 628) / 100;
    std::vector<Point> outline;
    for (int i = 0; i <= 200; ++i) {
      outline.push_back({i * 0.2, deep * std::sin(i * 0.05 * M_PI + phase) - 2});
    }
    for (int i = 200; i >= 0; --i) {
      outline.push_back({i * 0.2, deep * std::sin(i * 0.04 * M_PI) + 2});
    }
    const Polygon bar{outline};
    // No disc reaches farther than this.
    constexpr double reach = 5;
    // Over columns the widest disc whose middle stands there; of these the least well inside.
    double least = 1e9;
    for (double x = 4; x <= 36; x += 0.1) {
      double widest = 0;
      std::vector<std::size_t> near;
      for (std::size_t i = 0; i < outline.size(); ++i) {
        if (std::abs(outline[i].x - x) <= reach) near.push_back(i);
      }
      for (double y = -1.5; y <= 1.5; y += 0.02) {
        double nearest = 1e9;
        if (!contains(bar, {x, y})) continue;
        for (const std::size_t i : near) {
          nearest = std::min(nearest,
                             squareDistance({x, y}, outline[i], outline[(i + 1) % outline.size()]));
        }
        widest = std::max(widest, 2 * std::sqrt(nearest));
      }
      least = std::min(least, widest);
    }
    const Polygon shape =
        mapped({outline}, {std::cos(turn), std::sin(turn), -std::sin(turn), std::cos(turn), 3, -8});
    const double found = stroke(shape);
    // Where the ends are narrower still, they count too.
    CHECK(found <= least + 0.05);
    const Clearance clearance(shape);
    const Facing at = *clearance.thinnestStroke();
    double nearest = 1e9;
    for (std::size_t i = 0; i < shape[0].size(); ++i) {
      nearest = std::min(nearest,
                         squareDistance(at.at, shape[0][i], shape[0][(i + 1) % shape[0].size()]));
    }
    CHECK(std::abs(2 * std::sqrt(nearest) - at.width.mm()) < 1e-3);
    CHECK(contains(shape, at.at));
  }
}

}  // namespace
}  // namespace avrelt

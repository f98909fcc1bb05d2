// SPDX-License-Identifier: GPL-3.0-or-later
// Long parts in pieces: together they are the part, each fits, they lap, and the front stays whole.
#include "sheet/split_part.h"

#include <catch2/catch.hpp>
#include <cmath>
#include <random>

#include "job/plan.h"
#include "shape/polygon.h"
#include "sheet/template_sheet.h"

using namespace avrelt;

namespace {

Polygon shapeOf(const Part& part) {
  const Length fine = Length::mm(0.005);
  Polygon shape{flattened(part.outline, fine)};
  for (const std::vector<Path>* paths : {&part.more, &part.holes}) {
    for (const Path& path : *paths) shape.push_back(flattened(path, fine));
  }
  return shape;
}

double area(const Polygon& polygon) {
  return std::abs(signedArea(polygon));
}

/// Whether it goes into a box, by trying every quarter of a degree.
bool fitsTurned(const Polygon& shape, double wide, double tall, bool mayTurn) {
  for (int quarter = 0; quarter < (mayTurn ? 720 : 1); ++quarter) {
    const Box box = boundsOf(mapped(shape, turning(Angle::degrees(quarter * 0.25))));
    if (box.width() <= wide + 1e-6 && box.height() <= tall + 1e-6) return true;
  }
  return false;
}

/// The wrap of a cup, its seam somewhere, as one part.
Part wrapOf(double base, double rim, double tall, double seam) {
  Cup cup = newCup("Cup", Unit::mm);
  cup.blank.stations = {{{}, WrittenLength::mm(base), Girth::around, {}},
                        {WrittenLength::mm(tall), WrittenLength::mm(rim), Girth::around, {}}};
  cup.wrap.seamAt = CupAngle::degrees(seam);
  const CheckedAll<CupPlan> plan = planCup(cup, Unit::mm);
  REQUIRE(plan);
  return plan->parts(purpose::wrap).front();
}

}  // namespace

TEST_CASE("Pieces of a long part fit the sheet, lap, and together are the part", "[split]") {
  std::mt19937 random(31);
  const auto between = [&](double low, double high) {
    return low + (high - low) * static_cast<double>(random()) / 4294967296.0;
  };
  int parted = 0;
  for (int round = 0; round < 60; ++round) {
    const double base = between(200, 330);
    const Part whole = wrapOf(base, base * between(0.8, 1.25), between(90, 200),
                              random() % 2 == 0 ? 180 : between(-180, 180));
    Part part = whole;
    part.mayTurn = random() % 4 == 0 ? MayTurn::no : MayTurn::any;
    const double wide = between(120, 300);
    const double tall = between(100, 300);
    const Length lap = Length::mm(between(2, 10));
    const std::vector<Part> pieces = splitToFit(part, Length::mm(wide), Length::mm(tall), lap);
    const Polygon shape = shapeOf(part);
    if (pieces.empty()) continue;
    ++parted;
    // It did not fit by its own sides, with what the raster takes that it would be laid on.
    const Box box = boundsOf(shape);
    constexpr double raster = 1.2;
    CHECK_FALSE((box.width() <= wide - raster && box.height() <= tall - raster));
    std::vector<Polygon> shapes;
    double sum = 0;
    double laps = 0;
    for (std::size_t i = 0; i < pieces.size(); ++i) {
      shapes.push_back(shapeOf(pieces[i]));
      sum += area(shapes.back());
      CHECK(fitsTurned(shapes.back(), wide, tall, part.mayTurn == MayTurn::any));
      CHECK(pieces[i].id == part.id + "-piece-" + std::to_string(i + 1));
      CHECK(pieces[i].material == part.material);
      for (std::size_t k = 0; k < i; ++k) {
        const double both = area(shapes[i] & shapes[k]);
        laps += both;
      }
    }
    for (std::size_t i = 0; i < pieces.size(); ++i) {
      // Lapped with others over a strip as wide as the lap, wherever it was cut from them.
      std::vector<Polygon> others = shapes;
      others.erase(others.begin() + static_cast<std::ptrdiff_t>(i));
      const Polygon strip = shapes[i] & unionOf(others);
      REQUIRE_FALSE(strip.empty());
      double widest = 0;
      for (int degrees = 0; degrees < 180; ++degrees) {
        const Box turned = boundsOf(mapped(strip, turning(Angle::degrees(degrees))));
        widest = std::max(widest, std::min(turned.width(), turned.height()));
      }
      CHECK(widest > lap.mm() * 0.9);
    }
    CHECK(sum > area(shape));
    CHECK(sum - laps <= area(shape) * 1.0001);
    CHECK(area(shape - unionOf(shapes)) < 0.05);
    CHECK(area(unionOf(shapes) - shape) < 0.05);
    // A line drawn on a piece is where one cut off before ends.
    bool drawn = false;
    for (std::size_t i = 0; i < pieces.size(); ++i) {
      for (const Guide& guide : pieces[i].guides) {
        if (guide.kind != GuideKind::trim) continue;
        drawn = true;
        const Point p = boundsOf(guide.path).centre();
        // On the edge of one before, and within this one.
        CHECK(contains(offsetBy(shapes[i], Length::mm(0.05), Corners::round), p));
        bool edge = false;
        for (std::size_t k = 0; k < i; ++k) {
          edge = edge || (contains(offsetBy(shapes[k], Length::mm(0.05), Corners::round), p) &&
                          !contains(offsetBy(shapes[k], Length::mm(-0.05), Corners::round), p));
        }
        CHECK(edge);
      }
    }
    CHECK(drawn);
  }
  CHECK(parted > 25);
}

TEST_CASE("The front stays in one piece where two pieces allow it", "[split]") {
  // A straight cup 240 round on sheets of 160: joins may lie from 80 to 160 along it.
  const Part part = wrapOf(240, 240, 120, 180);
  const std::vector<Part> pieces =
      splitToFit(part, Length::mm(160), Length::mm(160), Length::mm(6));
  REQUIRE(pieces.size() == 2);
  double front = 1e9;
  for (const Guide& guide : part.guides) {
    if (guide.kind == GuideKind::front) front = boundsOf(guide.path).centre().x;
  }
  REQUIRE(front < 1e8);
  const Box first = boundsOf(shapeOf(pieces[0]));
  const Box second = boundsOf(shapeOf(pieces[1]));
  const double join =
      std::max(std::min(first.low.x, second.low.x), std::min(first.high.x, second.high.x));
  CHECK(std::abs(join - front) > 30);
}

TEST_CASE("What fits is not parted, nor what cannot be", "[split]") {
  const Part part = wrapOf(240, 240, 120, 180);
  CHECK(splitToFit(part, Length::mm(300), Length::mm(300), Length::mm(6)).empty());
  CHECK(splitToFit(part, Length::mm(130), Length::mm(300), Length::mm(6)).empty());
  // Slivers of a sheet, and more pieces than anybody would join.
  CHECK(splitToFit(part, Length::mm(300), Length::mm(5), Length::mm(6)).empty());
  CHECK(splitToFit(part, Length::mm(22), Length::mm(22), Length::mm(6)).empty());
  CHECK(splitToFit(part, Length::mm(0), Length::mm(0), Length::mm(6)).empty());
}

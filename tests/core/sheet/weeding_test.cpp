// SPDX-License-Identifier: GPL-3.0-or-later
// Weeding boxes and cross cuts: off every part by the gap, on the sheet, and no waste left larger
// than a hand can hold.
#include "sheet/weeding.h"

#include <catch2/catch.hpp>
#include <cmath>
#include <random>

#include "shape/edge_tree.h"
#include "shape/polygon.h"

using namespace avrelt;

namespace {

Polygon discAt(Point at, double r) {
  std::vector<Point> points;
  for (int i = 0; i < 60; ++i) {
    const double a = 2 * 3.14159265358979 * i / 60;
    points.push_back(at + Point{r * std::cos(a), r * std::sin(a)});
  }
  return {points};
}

}  // namespace

TEST_CASE("Box and cross cuts keep their distance from every part, and lie on the sheet",
          "[weeding]") {
  std::mt19937 random(6);
  const auto between = [&](double low, double high) {
    return low + (high - low) * static_cast<double>(random()) / 4294967296.0;
  };
  int cuts = 0;
  for (int round = 0; round < 60; ++round) {
    const double wide = between(150, 320);
    const double tall = between(150, 600);
    const double gap = between(0.5, 3);
    std::vector<Polygon> shapes;
    for (int i = 0; i < 12; ++i) {
      const double r = between(4, 30);
      const Polygon one = discAt({between(6 + r, wide - 6 - r), between(6 + r, tall - 6 - r)}, r);
      bool free = true;
      for (const Polygon& other : shapes) {
        free = free && nearest(EdgeTree(one), EdgeTree(other)).apart.mm() >= gap;
      }
      if (free) shapes.push_back(one);
    }
    const auto weeding = weedingOf(shapes, Length::mm(wide), Length::mm(tall), Length::mm(gap));
    REQUIRE(weeding);
    const Box box = boundsOf(weeding->outline);
    CHECK(box.low.x >= 0);
    CHECK(box.low.y >= 0);
    CHECK(box.high.x <= wide);
    CHECK(box.high.y <= tall);
    std::vector<Polyline> lines{{flattened(weeding->outline, Length::mm(0.01)), true}};
    for (const Path& slit : weeding->slits) {
      lines.push_back({flattened(slit, Length::mm(0.01)), false});
      const Box cut = boundsOf(slit);
      CHECK(std::max(cut.width(), cut.height()) >= leastCrossCut.mm() - 1e-6);
      CHECK(std::min(cut.width(), cut.height()) < 1e-6);
      ++cuts;
    }
    const EdgeTree all(lines);
    for (const Polygon& shape : shapes) {
      CHECK(nearest(EdgeTree(shape), all).apart.mm() > gap - 0.02);
      CHECK(box.contains(boundsOf(shape).low));
      CHECK(box.contains(boundsOf(shape).high));
    }
    // From any place of the waste a cut, a part or the box is near along both ways.
    for (int i = 0; i < 40; ++i) {
      const Point p{between(box.low.x, box.high.x), between(box.low.y, box.high.y)};
      bool inside = false;
      for (const Polygon& shape : shapes) inside = inside || contains(shape, p);
      if (inside) continue;
      const EdgeTree here(std::vector<Polyline>{{{p, p + Point{1e-6, 0}}, false}});
      double least = nearest(here, all).apart.mm();
      for (const Polygon& shape : shapes) {
        least = std::min(least, nearest(here, EdgeTree(shape)).apart.mm());
      }
      CHECK(least < crossCutsApart.mm() * 0.75);
    }
  }
  CHECK(cuts > 60);
}

TEST_CASE("Where parts lie at the film's very edge there is no box", "[weeding]") {
  const Polygon part{{{0.1, 10}, {50, 10}, {50, 60}, {0.1, 60}}};
  CHECK_FALSE(weedingOf({part}, Length::mm(100), Length::mm(100), Length::mm(1)));
  CHECK_FALSE(weedingOf({}, Length::mm(100), Length::mm(100), Length::mm(1)));
  CHECK(weedingOf({movedBy(part, Point{5, 0})}, Length::mm(100), Length::mm(100), Length::mm(1)));
}

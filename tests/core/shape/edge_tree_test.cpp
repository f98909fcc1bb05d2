// SPDX-License-Identifier: GPL-3.0-or-later
// How far shapes are apart: against every pair of sides, on random stars, turned, in each other.
#include "shape/edge_tree.h"

#include <rapidcheck/catch.h>

#include <catch2/catch.hpp>
#include <cmath>
#include <limits>

#include "shape/segment.h"

using namespace avrelt;

namespace {

/// A star with so many points about a middle, its radii by chance.
Polygon star(Point middle, double size) {
  const int points = *rc::gen::inRange(3, 40);
  std::vector<Point> outline;
  for (int i = 0; i < points; ++i) {
    const double r = size * *rc::gen::inRange(20, 101) / 100.0;
    const double turn = 2 * M_PI * i / points;
    outline.push_back(middle + Point{r * std::cos(turn), r * std::sin(turn)});
  }
  return {outline};
}

/// The least of every corner to every side, both ways: enough where they do not cross.
double slowly(const Polygon& a, const Polygon& b) {
  double least = std::numeric_limits<double>::infinity();
  const auto corners = [&](const Polygon& one, const Polygon& other) {
    for (const std::vector<Point>& outline : one) {
      for (const Point& p : outline) {
        for (const std::vector<Point>& edge : other) {
          for (std::size_t i = 0; i < edge.size(); ++i) {
            least = std::min(least, squareDistance(p, edge[i], edge[(i + 1) % edge.size()]));
          }
        }
      }
    }
  };
  corners(a, b);
  corners(b, a);
  return std::sqrt(least);
}

}  // namespace

TEST_CASE("shapes are as far apart as their nearest sides") {
  rc::prop("for stars beside each other", [] {
    const double away = *rc::gen::inRange(45, 300);
    const double turn = *rc::gen::inRange(0, 360) * M_PI / 180;
    const Polygon a = star({3, -2}, 20);
    const Polygon b = star(Point{3, -2} + Point{away * std::cos(turn), away * std::sin(turn)}, 20);
    const Nearest found = nearest(EdgeTree(a), EdgeTree(b));
    RC_ASSERT(std::abs(found.apart.mm() - slowly(a, b)) < 1e-9);
    RC_ASSERT(std::abs(norm(found.there - found.here) - found.apart.mm()) < 1e-9);
    // The same from the other side.
    RC_ASSERT(std::abs(nearest(EdgeTree(b), EdgeTree(a)).apart.mm() - found.apart.mm()) < 1e-9);
  });
  rc::prop("and nothing apart where they have area in common", [] {
    const Polygon a = star({0, 0}, 20);
    const Polygon b =
        star({*rc::gen::inRange(-30, 31) * 1.0, *rc::gen::inRange(-30, 31) * 1.0}, 20);
    const bool common = signedArea(a & b) > 1e-3;
    const double apart = nearest(EdgeTree(a), EdgeTree(b)).apart.mm();
    if (common) RC_ASSERT(apart == 0);
    // Corners may reach into each other by less area than is told.
    if (!common && apart > 0) RC_ASSERT(std::abs(apart - slowly(a, b)) < 1e-3);
    if (!common && apart == 0) RC_ASSERT(slowly(a, b) < 0.1);
  });
}

TEST_CASE("whether shapes are nearer than a limit is what their distance says") {
  rc::prop("for stars beside, across and in each other", [] {
    const double away = *rc::gen::inRange(0, 90);
    const double turn = *rc::gen::inRange(0, 360) * M_PI / 180;
    const EdgeTree a(star({3, -2}, 20));
    const EdgeTree b(star(Point{3, -2} + Point{away * std::cos(turn), away * std::sin(turn)},
                          *rc::gen::element(2.0, 20.0)));
    const Length apart = nearest(a, b).apart;
    const Length limit = Length::mm(*rc::gen::inRange(1, 500) / 10.0);
    RC_PRE(std::abs((apart - limit).mm()) > 1e-9);
    RC_ASSERT(nearerThan(a, b, limit) == (apart < limit));
    RC_ASSERT(nearerThan(b, a, limit) == (apart < limit));
  });
  CHECK_FALSE(nearerThan(EdgeTree(), EdgeTree(), Length::mm(5)));
}

TEST_CASE("one shape within another lies on it, but not in its opening") {
  const Polygon small{{{-1, -1}, {1, -1}, {1, 1}, {-1, 1}}};
  const Polygon large{{{-10, -10}, {10, -10}, {10, 10}, {-10, 10}}};
  Polygon frame = large;
  frame.push_back({{-5, -5}, {-5, 5}, {5, 5}, {5, -5}});
  CHECK(nearest(EdgeTree(small), EdgeTree(large)).apart == Length());
  CHECK(nearest(EdgeTree(large), EdgeTree(small)).apart == Length());
  CHECK(nearest(EdgeTree(small), EdgeTree(frame)).apart.mm() == Approx(4));
  CHECK(nearest(EdgeTree(movedBy(small, {7, 0})), EdgeTree(frame)).apart == Length());
}

TEST_CASE("lines have no inside, and the nearest of them is told") {
  const std::vector<Polyline> lines{{{{-50, 0}, {50, 0}}, false}, {{{-50, 9}, {50, 9}}, false}};
  const Polygon box{{{-1, 5}, {1, 5}, {1, 7}, {-1, 7}}};
  const Nearest found = nearest(EdgeTree(box), EdgeTree(lines));
  CHECK(found.apart.mm() == Approx(2));
  CHECK(found.line == 1);
  const std::vector<Polyline> round{{{{-9, -9}, {9, -9}, {9, 19}, {-9, 19}}, true}};
  CHECK(nearest(EdgeTree(box), EdgeTree(round)).apart.mm() == Approx(8));
}

TEST_CASE("nothing is near to nothing") {
  const Polygon box{{{0, 0}, {1, 0}, {1, 1}, {0, 1}}};
  CHECK(nearest(EdgeTree(box), EdgeTree(Polygon())).apart > Length::mm(1e6));
  CHECK(EdgeTree(Polygon()).empty());
  CHECK(EdgeTree(box).reach() == Approx(std::sqrt(0.5)));
}

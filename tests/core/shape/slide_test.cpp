// SPDX-License-Identifier: GPL-3.0-or-later
// Where one outline may slide round another, against Clipper's own Minkowski sum and by laying them
// there.
#include "shape/slide.h"

#include <rapidcheck/catch.h>

#include <catch2/catch.hpp>
#include <cmath>
#include <polyclipping/clipper.hpp>

#include "shape/polygon.h"

using namespace avrelt;

namespace {

/// Star-shaped about the origin; on whole millimetres sides often lie in one direction.
std::vector<Point> anOutline() {
  std::vector<Point> outline;
  const int count = *rc::gen::inRange(3, 24);
  const bool whole = *rc::gen::inRange(0, 3) == 0;
  for (int i = 0; i < count; ++i) {
    const double turn = 2 * M_PI * i / count;
    const double r = *rc::gen::inRange(50, 250) / 10.0;
    Point p{r * std::cos(turn), r * std::sin(turn)};
    if (whole) p = {std::round(p.x), std::round(p.y)};
    outline.push_back(p);
  }
  return outline;
}

}  // namespace

TEST_CASE("Outlines slid round each other touch, and lie on each other only inside", "[slide]") {
  rc::prop("", [] {
    const std::vector<Point> fixed = anOutline();
    const std::vector<Point> moving = *rc::gen::inRange(0, 4) == 0 ? fixed : anOutline();
    RC_PRE(signedArea(enclosedBy({{fixed, true}}, true)) > 1);
    const std::vector<Point> round = slideRound(fixed, moving);
    RC_ASSERT(round.size() >= 3U);

    ClipperLib::Path a;
    ClipperLib::Path b;
    for (const Point& p : fixed) a.emplace_back(std::llround(p.x * 1e4), std::llround(p.y * 1e4));
    for (const Point& p : moving) {
      b.emplace_back(std::llround(-p.x * 1e4), std::llround(-p.y * 1e4));
    }
    ClipperLib::Paths sum;
    ClipperLib::MinkowskiSum(b, a, sum, true);
    double most = 0;
    for (const ClipperLib::Path& path : sum)
      most = std::max(most, std::abs(ClipperLib::Area(path)));
    RC_ASSERT(std::abs(signedArea(round) - most / 1e8) < 1e-5 * most / 1e8);

    for (std::size_t i = 0; i < round.size(); i += 1 + round.size() / 8) {
      const auto shared = [&](Point at) {
        double area = 0;
        for (const auto& one : Polygon{fixed} & movedBy({moving}, at)) area += signedArea(one);
        return area;
      };
      RC_ASSERT(shared(round[i]) < 0.01);
      RC_ASSERT(shared(round[i] * 0.98) > 0);
    }
  });
}

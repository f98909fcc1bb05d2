// SPDX-License-Identifier: GPL-3.0-or-later
#include "shape/arc_curves.h"

#include <rapidcheck.h>

#include <catch2/catch.hpp>
#include <cmath>

using namespace avrelt;

namespace {

Point along(Point from, const Curve& curve, double t) {
  const double s = 1 - t;
  return from * (s * s * s) + curve.out * (3 * s * s * t) + curve.in * (3 * s * t * t) +
         curve.end * (t * t * t);
}

}  // namespace

TEST_CASE("curves stay by their arc, go its way and end where it does") {
  rc::check([] {
    const double size = std::pow(10.0, *rc::gen::inRange(-100, 400) / 100.0);
    const Point from{*rc::gen::inRange(-500, 500) * 0.37, *rc::gen::inRange(-500, 500) * 0.41};
    const Angle way = Angle::degrees(*rc::gen::inRange(0, 360));
    const double bulge = std::pow(10.0, *rc::gen::inRange(-400, 200) / 100.0) *
                         (*rc::gen::arbitrary<bool>() ? 1 : -1);
    const Stretch stretch{from + Point{std::cos(way.radians()), std::sin(way.radians())} * size,
                          bulge};
    const double tolerance = *rc::gen::element(0.0005, 0.01, 0.5);
    const std::vector<Curve> curves = curvesAlong(from, stretch, Length::mm(tolerance));
    RC_ASSERT(!curves.empty());
    RC_ASSERT(curves.back().end == stretch.end);

    const double count = static_cast<double>(curves.size());
    const double digits = 1e-9 * arcFigures(from, stretch).radius + 1e-9;
    Point at = from;
    for (std::size_t i = 0; i < curves.size(); ++i) {
      for (int k = 0; k <= 20; ++k) {
        const double t = k / 20.0;
        const Point p = along(at, curves[i], t);
        // The curve runs almost evenly, so the arc's place is searched about here.
        double nearest = 1e300;
        for (int step = -40; step <= 40; ++step) {
          const double share = (static_cast<double>(i) + t) / count + step * 0.0005 / count;
          nearest = std::min(nearest, norm(p - pointAlong(from, stretch, share)));
        }
        const double between = arcFigures(from, stretch).radius *
                               std::abs(arcFigures(from, stretch).sweep) * 0.0005 / count;
        RC_ASSERT(nearest <= tolerance + between + digits);
      }
      at = curves[i].end;
    }
  });
}

TEST_CASE("a quarter of the unit circle is the curve every handbook gives") {
  // Arms of 0.5523 (4/3 tan 22.5°), which stands off by 2.7 in ten thousand at most (from memory).
  const std::vector<Curve> curves =
      curvesAlong({1, 0}, {{0, 1}, std::tan(std::numbers::pi / 8)}, Length::mm(0.0003));
  REQUIRE(curves.size() == 1);
  CHECK(curves[0].out.y == Approx(0.5523).margin(0.0001));
  CHECK(curves[0].in.x == Approx(0.5523).margin(0.0001));
  double most = 0;
  for (int i = 0; i <= 1000; ++i) {
    most = std::max(most, std::abs(norm(along({1, 0}, curves[0], i / 1000.0)) - 1));
  }
  CHECK(most == Approx(0.00027).margin(0.00001));
  CHECK(curvesAlong({1, 0}, {{0, 1}, std::tan(std::numbers::pi / 8)}, Length::mm(0.0002)).size() ==
        2);
}

TEST_CASE("a straight stretch is one straight curve") {
  const std::vector<Curve> curves = curvesAlong({1, 2}, {{4, 8}, 0}, Length::mm(0.001));
  REQUIRE(curves.size() == 1);
  CHECK(norm(curves[0].out - Point{2, 4}) < 1e-12);
  CHECK(norm(curves[0].in - Point{3, 6}) < 1e-12);
  CHECK(curves[0].end == Point{4, 8});
}

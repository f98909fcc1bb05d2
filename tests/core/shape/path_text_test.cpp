// SPDX-License-Identifier: GPL-3.0-or-later
#include "shape/path_text.h"

#include <catch2/catch.hpp>
#include <cmath>

#include "shape/polygon.h"

using namespace avrelt;

namespace {

std::vector<Polyline> drawn(std::string_view text, const Transform& map = {},
                            Length tolerance = Length::mm(0.001)) {
  Pen pen(map, tolerance);
  const Checked<bool> read = drawPath(text, pen);
  if (!read) FAIL(inWords(read.error().sentence, Unit::mm));
  return pen.take();
}

std::string refusal(std::string_view text) {
  Pen pen(Transform(), Length::mm(0.01));
  const Checked<bool> read = drawPath(text, pen);
  return read ? "" : inWords(read.error().sentence, Unit::mm);
}

}  // namespace

TEST_CASE("path data is read as SVG 1.1 writes it") {
  const std::vector<Polyline> square = drawn("M10,20h30v-5.5H10z");
  REQUIRE(square.size() == 1);
  CHECK(square[0].closed);
  CHECK(square[0].points == std::vector<Point>{{10, 20}, {40, 20}, {40, 14.5}, {10, 14.5}});

  // Numbers run together wherever that can be told, and places after a move are lines.
  const std::vector<Polyline> tight = drawn("m1-2.5.5.3e1");
  REQUIRE(tight.size() == 1);
  CHECK_FALSE(tight[0].closed);
  CHECK(tight[0].points == std::vector<Point>{{1, -2.5}, {1.5, 0.5}});
  CHECK(drawn("M0 0 1 1 2 0")[0].points == std::vector<Point>{{0, 0}, {1, 1}, {2, 0}});

  // After a close, a relative move counts from where that path began.
  const std::vector<Polyline> two = drawn("M5 5l10 0 0 10zm1 1l2 0 0 2z");
  REQUIRE(two.size() == 2);
  CHECK(two[1].points.front() == Point{6, 6});
}

TEST_CASE("curves are drawn within the tolerance, circles have their area") {
  for (const double tolerance : {0.1, 0.01, 0.001}) {
    Pen pen(Transform(), Length::mm(tolerance));
    REQUIRE(drawPath("M10 0A10 10 0 0 1-10 0 10 10 0 0 1 10 0Z", pen).has_value());
    const std::vector<Polyline> circle = pen.take();
    REQUIRE(circle.size() == 1);
    double worst = 0;
    const std::vector<Point>& p = circle[0].points;
    for (std::size_t i = 0; i < p.size(); ++i) {
      CHECK(norm(p[i]) == Approx(10));
      worst = std::max(worst, 10 - norm((p[i] + p[(i + 1) % p.size()]) * 0.5));
    }
    CHECK(worst <= tolerance * 1.001);
    CHECK(worst > tolerance / 4);  // nor with many more points than that takes
  }
  // A quadratic curve's area over its chord is two thirds of its triangle's (Archimedes).
  CHECK(signedArea(drawn("M0 0Q10 20 20 0Z")[0].points) == Approx(-2.0 / 3 * 200).epsilon(1e-4));
  // The smooth ones lean on the handle before.
  CHECK(signedArea(drawn("M0 0Q10 20 20 0T40 0Z")[0].points) == Approx(0).margin(1e-6));
  const double s = signedArea(drawn("M0 0C0 5 10 5 10 0S20-5 20 0Z")[0].points);
  CHECK(s == Approx(0).margin(1e-6));
}

TEST_CASE("arcs follow SVG's appendix F.6: flags, radii too small, turned ellipses") {
  // The four arcs between two places: small and large, each either way.
  const double quarter = M_PI * 100 / 4 - 50;
  const double rest = M_PI * 100 - quarter;
  CHECK(signedArea(drawn("M10 0A10 10 0 01 0 10Z")[0].points) == Approx(quarter).epsilon(1e-3));
  CHECK(signedArea(drawn("M10 0A10 10 0 00 0 10Z")[0].points) == Approx(-quarter).epsilon(1e-3));
  CHECK(signedArea(drawn("M10 0A10 10 0 11 0 10Z")[0].points) == Approx(rest).epsilon(1e-3));
  CHECK(signedArea(drawn("M10 0A10 10 0 10 0 10Z")[0].points) == Approx(-rest).epsilon(1e-3));
  // Radii too short to reach are lengthened to half the way.
  CHECK(signedArea(drawn("M0 0A1 1 0 0 1 20 0Z")[0].points) == Approx(M_PI * 50).epsilon(1e-3));
  // Half of an ellipse of 10 by 5, lying aslant.
  CHECK(std::abs(signedArea(drawn("M-8.66025403784-5A10 5 30 0 1 8.66025403784 5Z")[0].points)) ==
        Approx(M_PI * 25).epsilon(1e-3));
}

TEST_CASE("a transform carries curves along, and the tolerance is measured after it") {
  const Transform map = Transform{1, 0, 0, 1, 5, 0} * Transform{10, 0, 0, -10, 0, 0};
  const std::vector<Polyline> circle = drawn("M1 0A1 1 0 0 1-1 0A1 1 0 0 1 1 0Z", map);
  CHECK(signedArea(circle[0].points) == Approx(-M_PI * 100).epsilon(1e-3));
  CHECK(centroidOf({circle[0].points}).x == Approx(5));
  CHECK(circle[0].points.size() > 100);
}

TEST_CASE("path data that cannot be read says where") {
  CHECK(refusal("L1 1") == "A path begins with a move, M; at character 1 it does not.");
  CHECK(refusal("M1") == "A number is wanted at character 3.");
  CHECK(refusal("M1 2 L3 x") == "A number is wanted at character 9.");
  CHECK(refusal("M1 2 R3 4") == "A number is wanted at character 6.");
  CHECK(refusal("M0 0A5 5 0 2 0 1 1") == "A flag, 0 or 1, is wanted at character 12.");
  CHECK(refusal("M0 0zz5 5") ==
        "A command of path data, such as M or L, is wanted at character 7.");
  CHECK(refusal("M0 0L1e7 0").find("beyond a million") != std::string::npos);
  CHECK(refusal("M0 0Lnan inf").find("A number is wanted") != std::string::npos);
  CHECK(refusal("").empty());

  std::string endless = "M0 0";
  for (int i = 0; i < 3000; ++i) endless += "C9e5-9e5-9e5 9e5 0 0";
  CHECK(refusal(endless).find("more than 1000000 points") != std::string::npos);
}

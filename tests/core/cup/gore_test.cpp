// SPDX-License-Identifier: GPL-3.0-or-later
#include "cup/gore.h"

#include <catch2/catch.hpp>
#include <cmath>
#include <numbers>

#include "core/cups.h"

using namespace avrelt;
using namespace avrelt::cups;
using std::numbers::pi;

namespace {

constexpr double ballRadius = 50;

/// A ball from 50° below its equator to 60° above, finely measured along the wall.
Body ball() {
  std::vector<At> places;
  for (int i = 0; i <= 110; ++i) {
    const double latitude = (-50 + i) * pi / 180;
    places.push_back({ballRadius * i * pi / 180, 2 * pi * ballRadius * std::cos(latitude)});
  }
  return bodyOf(curved(places, Joined::smooth, HeightAlong::wall));
}

double latitudeOf(Length s) {
  return s.mm() / ballRadius - 50 * pi / 180;
}

}  // namespace

TEST_CASE("gores of a ball are those globe makers cut: the polyconic projection") {
  // Snyder, "Map Projections: A Working Manual", USGS Professional Paper 1395 (1987), equations
  // (18-2) to (18-4) for the sphere: E = (λ − λ₀) sin φ; x = R cot φ sin E;
  // y = R [φ − φ₀ + cot φ (1 − cos E)]; on the equator x = R (λ − λ₀), y = −R φ₀.
  const Body body = ball();
  const Gore gore(body, Length(), body.wall(), 12);
  for (int i = 4; i <= 106; i += 3) {
    const Length s = Length::mm(ballRadius * i * pi / 180);
    const double phi = latitudeOf(s);
    for (const double degrees : {-15.0, -7.0, 0.0, 4.0, 15.0}) {
      const double lambda = degrees * pi / 180;
      const double e = lambda * std::sin(phi);
      const bool equator = std::abs(phi) < 1e-9;
      const double x = equator ? ballRadius * lambda : ballRadius / std::tan(phi) * std::sin(e);
      const double y = ballRadius * (phi - latitudeOf(Length())) +
                       (equator ? 0 : ballRadius / std::tan(phi) * (1 - std::cos(e)));
      const Point flat = gore.toFlat(Angle::radians(lambda), s);
      INFO("latitude " << phi * 180 / pi << ", longitude " << degrees);
      CHECK(flat.x == Approx(x).margin(0.02));
      CHECK(flat.y == Approx(y).margin(0.02));
    }
  }
}

TEST_CASE("what a ball's gore bears is the polyconic's own scale") {
  // Snyder's scale along a meridian of the polyconic near the middle: h = 1 + ½ λ² cos² φ, to
  // second order (Working Manual, p. 128, "distortion").
  const Body body = ball();
  for (const WallSample& wall : body.samples(Length::mm(8), body.wall() - Length::mm(8), 40)) {
    const double lambda = pi / 12;
    const double cosine = wall.r / ballRadius;
    const double expected = -0.5 * lambda * lambda * cosine * cosine;
    CHECK(Gore::stretch(wall, lambda) == Approx(expected).margin(0.0012));
  }
}

TEST_CASE("gores of a cone are its sector cut up, without stretch") {
  const Body body = bodyOf(all()[1].blank);
  const Development cone = body.cone();
  const Gore gore(body, Length(), body.wall(), 8);
  for (const double share : {0.0, 0.4, 1.0}) {
    const Length s = body.wall() * share;
    const Point flat = gore.toFlat(gore.half(), s);
    CHECK(norm(flat - cone.toFlat({gore.half(), s})) < 1e-9);
  }
  for (const WallSample& wall : body.samples(Length(), body.wall(), 20)) {
    CHECK(std::abs(Gore::stretch(wall, pi / 3)) < 1e-9);
  }
  CHECK(8 * areaOf(gore.outline()).mm2() == Approx(body.area().mm2()).epsilon(1e-6));
}

TEST_CASE("rings keep their length: all gores together go once round at every height") {
  for (const Named& cup : allCurved()) {
    INFO(cup.name);
    const Body body = bodyOf(cup.blank);
    const Gore gore(body, Length(), body.wall(), 10);
    for (const double share : {0.0, 0.2, 0.5, 0.77, 1.0}) {
      const Length s = body.wall() * share;
      CHECK(10 * lengthOf(gore.ring(s)).mm() == Approx(body.around(s).mm()).epsilon(1e-6));
    }
    const Path outline = gore.outline();
    CHECK(outline.closed());
    CHECK(areaOf(outline).mm2() > 0);
  }
}

TEST_CASE("the number of gores is the fewest that the film bears") {
  for (const Named& cup : allCurved()) {
    INFO(cup.name);
    const std::vector<WallSample> samples =
        bodyOf(cup.blank).samples(Length(), bodyOf(cup.blank).wall(), 120);
    const auto largest = [&](int count) {
      double most = 0;
      for (const WallSample& wall : samples) {
        most = std::max(most, std::abs(Gore::stretch(wall, pi / count)));
      }
      return most;
    };
    const int count = Gore::countFor(samples, 0.02, 200);
    CHECK(largest(count) <= 0.02);
    if (count > 3) CHECK(largest(count - 1) > 0.02);
    CHECK(Gore::countFor(samples, 1e-9, 48) == 48);
  }
}

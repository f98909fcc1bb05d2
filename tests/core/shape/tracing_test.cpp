// SPDX-License-Identifier: GPL-3.0-or-later
#include "shape/tracing.h"

#include <catch2/catch.hpp>
#include <cmath>

namespace avrelt {
namespace {

using Colour = std::array<int, 4>;
constexpr Colour white{255, 255, 255, 255};
constexpr Colour black{0, 0, 0, 255};

template <typename ColourAt>
Picture painted(int wide, int tall, const ColourAt& at) {
  Picture picture{wide, tall, {}};
  for (int y = 0; y < tall; ++y) {
    for (int x = 0; x < wide; ++x) {
      for (const int value : at(x + 0.5, tall - y - 0.5)) {
        picture.rgba.push_back(static_cast<std::uint8_t>(value));
      }
    }
  }
  return picture;
}

TEST_CASE("Shapes of known area are traced to half a per cent at 300 dots to the inch") {
  // A disc of 1 in, a square of 1 in turned by a tenth, a ring: area in dots.
  const double r = 150;
  const auto disc = painted(400, 400, [&](double x, double y) {
    return std::hypot(x - 200, y - 200) < r ? black : white;
  });
  const auto area = [](const Picture& picture) {
    const auto found = traced(picture, {});
    REQUIRE(found);
    REQUIRE(found->size() == 1);
    return signedArea(found->front().area);
  };
  CHECK(area(disc) == Approx(M_PI * r * r).epsilon(0.005));
  const auto square = painted(450, 450, [&](double x, double y) {
    const double c = std::cos(0.1);
    const double s = std::sin(0.1);
    const double u = (x - 225) * c + (y - 225) * s;
    const double v = (y - 225) * c - (x - 225) * s;
    return std::abs(u) < 150 && std::abs(v) < 150 ? black : white;
  });
  CHECK(area(square) == Approx(90'000).epsilon(0.005));
  const auto ring = painted(400, 400, [&](double x, double y) {
    const double d = std::hypot(x - 200, y - 200);
    return d < r && d > 75 ? black : white;
  });
  CHECK(area(ring) == Approx(M_PI * (r * r - 75 * 75)).epsilon(0.005));
}

TEST_CASE("A drawing's foot is at the foot, and light against dark is the rest") {
  const auto foot = painted(100, 60, [](double, double y) { return y < 20 ? black : white; });
  const Box box = boundsOf(traced(foot, {})->front().area);
  CHECK(box.low.y == Approx(0).margin(0.3));
  CHECK(box.high.y == Approx(20).margin(0.3));
  TraceSetting inverted;
  inverted.invert = true;
  CHECK(boundsOf(traced(foot, inverted)->front().area).high.y == Approx(60).margin(0.3));
}

TEST_CASE("Colours are told apart, the background is left out") {
  const Colour red{200, 30, 40, 255};
  const Colour blue{30, 60, 180, 255};
  const auto flags = painted(300, 200, [&](double x, double y) {
    if (std::hypot(x - 90, y - 100) < 50) return red;
    if (std::abs(x - 210) < 40 && std::abs(y - 100) < 60) return blue;
    return white;
  });
  TraceSetting setting;
  setting.colours = 3;
  const auto found = traced(flags, setting);
  REQUIRE(found);
  REQUIRE(found->size() == 2);
  CHECK(found->at(0).colour == "#1E3CB4");
  CHECK(signedArea(found->at(0).area) == Approx(80 * 120).epsilon(0.01));
  CHECK(found->at(1).colour == "#C81E28");
  CHECK(signedArea(found->at(1).area) == Approx(M_PI * 2500).epsilon(0.01));
  setting.background = false;
  CHECK(traced(flags, setting)->size() == 3);
}

TEST_CASE("Specks are left out up to their size, what is clear counts as background") {
  const auto specks = painted(100, 100, [](double x, double y) {
    if (std::abs(x - 50) < 20 && std::abs(y - 50) < 20) return black;
    if (std::abs(x - 10) < 1 && std::abs(y - 10) < 1) return black;
    return Colour{0, 0, 0, 0};
  });
  TraceSetting setting;
  setting.despeckle = 0;
  CHECK(partsOf(traced(specks, setting)->front().area).size() == 2);
  setting.despeckle = 10;
  CHECK(partsOf(traced(specks, setting)->front().area).size() == 1);
}

TEST_CASE("Pictures with nothing in them are refused in words, one dot is not") {
  const auto plain = [](int wide, int tall, Colour colour) {
    return painted(wide, tall, [&](double, double) { return colour; });
  };
  CHECK_FALSE(traced({}, {}));
  CHECK_FALSE(traced(plain(60, 60, white), {}));
  CHECK_FALSE(traced(plain(60, 60, {0, 0, 0, 0}), {}));
  TraceSetting four;
  four.colours = 4;
  CHECK_FALSE(traced(plain(60, 60, white), four));
  CHECK_FALSE(traced({100'000, 100'000, {}}, {}));
  const Picture one = plain(1, 1, black);
  TraceSetting keep;
  keep.despeckle = 0;
  keep.threshold = 50;
  const auto found = traced(one, keep);
  REQUIRE(found);
  CHECK(signedArea(found->front().area) > 0);
  CHECK_FALSE(traced(one, keep, [] { return false; }));
}

}  // namespace
}  // namespace avrelt

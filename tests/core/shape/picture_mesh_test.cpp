// SPDX-License-Identifier: GPL-3.0-or-later
// Pictures drawn over a plane: to the dot, each once, smaller as means, and against where each dot
// lies by an inverse map of its own.
#include "shape/picture_mesh.h"

#include <catch2/catch.hpp>
#include <cmath>
#include <random>

using namespace avrelt;

namespace {

Picture empty(int wide, int tall) {
  return {wide, tall,
          std::vector<std::uint8_t>(static_cast<std::size_t>(wide) *
                                    static_cast<std::size_t>(tall) * 4)};
}

template <typename ColourAt>
Picture made(int wide, int tall, const ColourAt& colourAt) {
  Picture picture = empty(wide, tall);
  for (int y = 0; y < tall; ++y) {
    for (int x = 0; x < wide; ++x) {
      const std::array<int, 4> colour = colourAt(x, y);
      for (std::size_t c = 0; c < 4; ++c) {
        picture.rgba[static_cast<std::size_t>(y * wide + x) * 4 + c] =
            static_cast<std::uint8_t>(colour[c]);
      }
    }
  }
  return picture;
}

const std::uint8_t* dot(const Picture& picture, int x, int y) {
  return &picture.rgba[static_cast<std::size_t>(y * picture.wide + x) * 4];
}

/// A picture over a rectangle of the plane, in so many steps.
PictureMesh over(const Box& box, std::size_t steps) {
  PictureMesh mesh;
  mesh.across = steps + 1;
  for (std::size_t row = 0; row <= steps; ++row) {
    for (std::size_t column = 0; column <= steps; ++column) {
      const Point share{static_cast<double>(column) / static_cast<double>(steps),
                        static_cast<double>(row) / static_cast<double>(steps)};
      mesh.nodes.push_back(
          {{box.low.x + box.width() * share.x, box.low.y + box.height() * share.y}, share});
    }
  }
  return mesh;
}

}  // namespace

TEST_CASE("As large as it is, a picture is drawn to the dot, however its mesh is parted",
          "[picture-mesh]") {
  const Picture picture = made(24, 16, [](int x, int y) {
    return std::array{x * 10, y * 15, (x * y) % 256, 255};
  });
  for (const std::size_t steps : {1U, 3U, 8U, 11U}) {
    Picture onto = empty(24, 16);
    drawMesh(over({{0, 0}, {24, 16}}, steps), PictureSizes(picture), {1, 0, 0, -1, 0, 16}, {},
             onto);
    CHECK(onto.rgba == picture.rgba);
  }
}

TEST_CASE("Dots on the edge between two triangles are drawn once", "[picture-mesh]") {
  // Half clear: drawn twice it would be less so.
  const Picture picture = made(8, 8, [](int, int) { return std::array{200, 100, 50, 128}; });
  std::mt19937 random(4);
  for (int round = 0; round < 30; ++round) {
    const double turn = static_cast<double>(random() % 628) / 100;
    const double c = std::cos(turn);
    const double s = std::sin(turn);
    Picture onto = empty(60, 60);
    drawMesh(over({{-20, -20}, {20, 20}}, 1 + random() % 9), PictureSizes(picture),
             {c, s, -s, c, 30, 30}, {}, onto);
    for (int y = 0; y < 60; ++y) {
      for (int x = 0; x < 60; ++x) {
        const int opacity = dot(onto, x, y)[3];
        REQUIRE((opacity == 0 || opacity == 128));
        const Point at{x + 0.5 - 30, y + 0.5 - 30};
        const Point on{at.x * c + at.y * s, at.y * c - at.x * s};
        const double inside = 20 - std::max(std::abs(on.x), std::abs(on.y));
        if (std::abs(inside) > 1e-6) REQUIRE((opacity == 128) == (inside > 0));
      }
    }
  }
}

TEST_CASE("Each dot has the colour of the place that lies there", "[picture-mesh]") {
  // Colours run evenly, so that between dots they are what they would be.
  const Picture picture = made(101, 81, [](int x, int y) {
    return std::array{x * 2, y * 3, 100 + x / 2 - y / 2, 255};
  });
  const PictureSizes sizes(picture);
  std::mt19937 random(9);
  const auto between = [&](double low, double high) {
    return low + (high - low) * static_cast<double>(random()) / 4294967296.0;
  };
  for (int round = 0; round < 40; ++round) {
    const double turn = between(0, 6.28);
    const double size = between(0.9, 3);
    const Transform map{size * std::cos(turn),
                        size * std::sin(turn),
                        -size * std::sin(turn),
                        size * std::cos(turn),
                        100,
                        100};
    Picture onto = empty(200, 200);
    drawMesh(over({{-50.5, -40.5}, {50.5, 40.5}}, 5), sizes, map, {}, onto);
    for (int i = 0; i < 400; ++i) {
      const int x = static_cast<int>(random() % 200);
      const int y = static_cast<int>(random() % 200);
      const Point p{x + 0.5 - 100, y + 0.5 - 100};
      const Point at{(p.x * std::cos(turn) + p.y * std::sin(turn)) / size,
                     (p.y * std::cos(turn) - p.x * std::sin(turn)) / size};
      if (std::abs(at.x) > 48 || std::abs(at.y) > 38) continue;
      const std::uint8_t* drawn = dot(onto, x, y);
      REQUIRE(drawn[3] == 255);
      REQUIRE(std::abs(drawn[0] - (at.x + 50) * 2) < 1.1);
      REQUIRE(std::abs(drawn[1] - (40 - at.y) * 3) < 1.1);
    }
  }
}

TEST_CASE("Drawn small, a picture is the mean of what each dot covers", "[picture-mesh]") {
  const Picture picture = made(512, 512, [](int x, int y) {
    const int value = (x + y) % 2 == 0 ? 255 : 0;
    return std::array{value, value, value, 255};
  });
  const PictureSizes sizes(picture);
  for (const int across : {200, 100, 37, 16}) {
    Picture onto = empty(across, across);
    drawMesh(over({{0, 0}, {1, 1}}, 1), sizes,
             {static_cast<double>(across), 0, 0, -static_cast<double>(across), 0,
              static_cast<double>(across)},
             {}, onto);
    for (int i = 0; i < across; ++i) {
      CHECK(std::abs(dot(onto, i, across / 2)[0] - 128) < 4);
      CHECK(dot(onto, i, across / 2)[3] == 255);
    }
  }
}

TEST_CASE("A picture comes again, with nothing between where there is a space", "[picture-mesh]") {
  const Picture picture = made(10, 10, [](int x, int) { return std::array{x * 20, 0, 0, 255}; });
  PictureMesh mesh;
  mesh.across = 2;
  mesh.nodes = {{{0, 0}, {-2, 0}}, {{60, 0}, {4, 0}}, {{0, 10}, {-2, 1}}, {{60, 10}, {4, 1}}};
  mesh.everyWide = 1;
  Picture tiles = empty(60, 10);
  drawMesh(mesh, PictureSizes(picture), {1, 0, 0, -1, 0, 10}, {}, tiles);
  for (int x = 0; x < 60; ++x) CHECK(dot(tiles, x, 4)[0] == x % 10 * 20);
  mesh.everyWide = 3;
  Picture spaced = empty(60, 10);
  drawMesh(mesh, PictureSizes(picture), {1, 0, 0, -1, 0, 10}, {}, spaced);
  for (int x = 0; x < 60; ++x) {
    // At −2 widths and again at 1 it is a whole one, at 0 and 3 another.
    const bool there = (x >= 20 && x < 30) || x >= 50;
    CHECK((dot(spaced, x, 4)[3] == 255) == there);
  }
}

TEST_CASE("A shape covers the dots whose middles lie in it", "[picture-mesh]") {
  std::mt19937 random(3);
  const auto some = [&] { return static_cast<double>(random() % 5000) / 100; };
  for (int round = 0; round < 60; ++round) {
    Polygon shape{{{some(), some()}, {some(), some()}, {some(), some()}}};
    shape = unionOf({shape, Polygon{{{some(), some()}, {some(), some()}, {some(), some()}}}});
    Picture onto = empty(50, 50);
    fillShape(shape, "#0A141E", onto);
    for (int y = 0; y < 50; ++y) {
      for (int x = 0; x < 50; ++x) {
        const bool covered = dot(onto, x, y)[3] == 255;
        if (covered) REQUIRE(dot(onto, x, y)[1] == 20);
        // Another way to ask, which rounds otherwise at the very edge.
        const Point middle{x + 0.5, y + 0.5};
        if (contains(shape, middle) != covered) {
          bool near = false;
          for (const double dx : {-1e-6, 1e-6}) {
            near = near || contains(shape, middle + Point{dx, dx}) == covered;
          }
          REQUIRE(near);
        }
      }
    }
  }
}

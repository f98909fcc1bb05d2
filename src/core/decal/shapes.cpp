// SPDX-License-Identifier: GPL-3.0-or-later
#include "decal/shapes.h"

#include <cmath>
#include <functional>
#include <numbers>
#include <stdexcept>

#include "shape/path_text.h"

namespace avrelt {
namespace {

constexpr char ink[] = "#22262A";
constexpr char gold[] = "#A8741A";
constexpr char petrol[] = "#1F5E6B";
constexpr double pi = std::numbers::pi;

Polygon drawn(const std::string& path) {
  Pen pen({}, Length::mm(0.01));
  if (!drawPath(path, pen)) throw std::logic_error("a shape's own path cannot be read");
  return enclosedBy(pen.take(), true);
}

Polygon ellipse(double x, double y, double rx, double ry, double degrees = 0) {
  Pen pen({}, Length::mm(0.01));
  const double c = std::cos(degrees / 180 * pi);
  const double s = std::sin(degrees / 180 * pi);
  const Point end{rx * c, rx * s};
  pen.moveTo(Point{x, y} + end);
  pen.arcTo(rx, ry, Angle::degrees(degrees), false, true, Point{x, y} - end);
  pen.arcTo(rx, ry, Angle::degrees(degrees), false, true, Point{x, y} + end);
  pen.close();
  return enclosedBy(pen.take(), false);
}
Polygon disc(double x, double y, double r) {
  return ellipse(x, y, r, r);
}

Polygon ringOf(int corners, const std::function<double(int)>& radius, double from) {
  std::vector<Point> outline;
  for (int i = 0; i < corners; ++i) {
    const double t = from + 2 * pi * i / corners;
    outline.push_back({radius(i) * std::cos(t), radius(i) * std::sin(t)});
  }
  return unionOf({{outline}});
}
Polygon star(int points, double outer, double inner) {
  return ringOf(
      2 * points, [&](int i) { return i % 2 == 0 ? outer : inner; }, pi / 2);
}

/// The lit part of a moon of 25 mm radius: half a disc, and the half ellipse it bulges or is hollow
/// by.
Polygon moon(double bulge) {
  const Polygon lit = disc(0, 0, 25) & drawn("M0 -30H30V30H0Z");
  const Polygon middle = ellipse(0, 0, 25 * std::abs(bulge), 25);
  return bulge < 0 ? lit - middle : unionOf({lit, middle});
}

Polygon lineOf(const std::string& path, double wide) {
  Pen pen({}, Length::mm(0.01));
  if (!drawPath(path, pen)) throw std::logic_error("a shape's own path cannot be read");
  return drawnWide(pen.take(), Length::mm(wide), {LineCap::round, LineJoin::round, 4});
}

Polygon leaf(double x, double y, double degrees, double length) {
  const double c = std::cos(degrees / 180 * pi);
  const double s = std::sin(degrees / 180 * pi);
  return mapped(drawn("M0 0C2.2 2.6 6 3.4 10 0C6 -3.4 2.2 -2.6 0 0Z"),
                Transform{1, 0, 0, 1, x, y} * Transform{c, s, -s, c, 0, 0} *
                    Transform{length / 10, 0, 0, length / 10, 0, 0});
}

Polygon laurel() {
  std::vector<Polygon> all;
  for (const int side : {-1, 1}) {
    for (int i = 0; i < 7; ++i) {
      const double t = (-78 + 24 * i) / 180.0 * pi;
      const double x = 19 * std::cos(t);
      const double y = 19 * std::sin(t);
      for (const double off : {38.0, -38.0}) {
        Polygon one = leaf(x, y, t / pi * 180 + 90 + off, 8.4 - 0.4 * i);
        all.push_back(side > 0 ? one : mapped(one, {-1, 0, 0, 1, 0, 0}));
      }
    }
    Polygon stem = lineOf("M1.4 -19.6A19.4 19.4 0 0 1 14 13.4", 1.4);
    all.push_back(side > 0 ? stem : mapped(stem, {-1, 0, 0, 1, 0, 0}));
  }
  return unionOf(all);
}

using Areas = std::vector<ColourArea>;

Areas one(Polygon area) {
  return {{ink, std::move(area)}};
}

struct Made {
  ShelfShape shape;
  Areas (*make)();
};

const std::vector<Made>& all() {
  static const std::vector<Made> shapes{
      {{"crescent", {"Crescent moon", {}}, "moon phase night"}, [] { return one(moon(-0.62)); }},
      {{"half_moon", {"Half moon", {}}, "moon phase quarter night"},
       [] { return one(disc(0, 0, 25) & drawn("M0 -30H30V30H0Z")); }},
      {{"gibbous", {"Gibbous moon", {}}, "moon phase night"}, [] { return one(moon(0.55)); }},
      {{"full_moon", {"Full moon", {}}, "moon phase disc circle dot"},
       [] { return one(disc(0, 0, 25)); }},
      {{"star", {"Star", {}}, "five points"},
       [] { return one(star(5, 25, 25 * std::sin(pi / 10) / std::sin(pi * 3 / 10))); }},
      {{"spark", {"Spark", {}}, "star four points twinkle"},
       [] {
         return one(
             drawn("M0 25C1.6 8 8 1.6 25 0C8 -1.6 1.6 -8 0 -25C-1.6 -8 -8 -1.6 -25 0"
                   "C-8 1.6 -1.6 8 0 25Z"));
       }},
      {{"sun", {"Sun", {}}, "star burst rays"},
       [] {
         return one(unionOf({disc(0, 0, 12), star(16, 25, 14) - disc(0, 0, 14)}));
       }},
      {{"comet", {"Comet", {}}, "star tail night"},
       [] {
         return Areas{{gold, drawn("M-28 17C-12 13 2 10 12.4 3.6L3.4 -9.6C-8 -6.4 -16 -5.6 -24 -6.6"
                                   "C-16 -3.4 -11 -1 -9 2C-12 7 -19 12.4 -28 17Z")},
                      {ink, disc(12, -5, 10)}};
       }},
      {{"planet", {"Ringed planet", {}}, "saturn night"},
       [] {
         const Polygon ring = ellipse(0, 0, 27, 8, 18) - ellipse(0, 0, 21.5, 4.8, 18);
         // The ring passes before the planet below, behind it above.
         const Polygon above =
             mapped(drawn("M-40 0H40V30H-40Z"),
                    {std::cos(0.314), std::sin(0.314), -std::sin(0.314), std::cos(0.314), 0, 0});
         const Polygon ball = disc(0, 0, 14);
         return Areas{{petrol, ball - (ellipse(0, 0, 28.2, 9.2, 18) - above)},
                      {gold, ring - (ball & above)}};
       }},
      {{"orbit", {"Orbits", {}}, "ellipse ring line atom"},
       [] {
         std::vector<Polygon> rings{disc(0, 0, 4)};
         for (const double turn : {0.0, 60.0, 120.0}) {
           rings.push_back(ellipse(0, 0, 25, 10, turn) - ellipse(0, 0, 23.4, 8.4, turn));
         }
         return one(unionOf(rings));
       }},
      {{"dome", {"Observatory dome", {}}, "building telescope"},
       [] {
         const Polygon roof = disc(0, 4, 19) & drawn("M-30 4H30V30H-30Z");
         const Polygon slot = drawn("M1 5.6H6.4C6.4 12 4.8 18 2.6 24.6H-3.4C-1 18 1 12 1 5.6Z");
         return one(unionOf({roof - slot, drawn("M-21 2.4H21V-1H-21Z"),
                             drawn("M-19 -2.6H19V-17H-19Z") -
                                 drawn("M-3.4 -17V-9.4A3.4 3.4 0 0 0 3.4 -9.4V-17Z")}));
       }},
      {{"telescope", {"Telescope", {}}, "night observatory"},
       [] {
         const Polygon tube =
             mapped(unionOf({drawn("M-16 -3H10V3H-16Z"), drawn("M10 -4.4H22V4.4H10Z"),
                             drawn("M-22 -1.8H-16V1.8H-22Z")}),
                    {std::cos(0.5), std::sin(0.5), -std::sin(0.5), std::cos(0.5), 0, 6});
         return one(unionOf(
             {tube, lineOf("M0 4L-9 -18", 2), lineOf("M0 4L9 -18", 2), lineOf("M0 4V-18", 2)}));
       }},
      {{"mountains", {"Mountains", {}}, "hills peaks land"},
       [] {
         return one(drawn("M-26 -12L-12 11L-5.6 0.6L4 16L26 -12Z") -
                    unionOf({drawn("M-15.4 5.4L-12 11L-8.7 5.6L-10.6 3.4L-12.2 5.4L-13.8 3.6Z"),
                             drawn("M-0.6 8.6L4 16L9.6 8.9L6.8 6.2L4.4 8.8L1.8 6.4Z")}));
       }},
      {{"wave", {"Wave", {}}, "water sea line"},
       [] {
         return one(
             lineOf("M-25 0C-20 8 -15 8 -10 0C-5 -8 0 -8 5 0C10 8 15 8 20 0C22 -3.2 23.6 -4.8 "
                    "25 -5.4",
                    3));
       }},
      {{"heart", {"Heart", {}}, "love"},
       [] {
         return one(
             drawn("M0 -20C-9 -11 -24 -2 -24 10C-24 18 -18.6 22 -12.6 22C-7 22 -2.2 19 0 13.6"
                   "C2.2 19 7 22 12.6 22C18.6 22 24 18 24 10C24 -2 9 -11 0 -20Z"));
       }},
      {{"drop", {"Drop", {}}, "water rain"},
       [] { return one(drawn("M0 25C5 14 15 5 15 -8A15 15 0 0 0 -15 -8C-15 5 -5 14 0 25Z")); }},
      {{"hexagon", {"Hexagon", {}}, "six mirror segment"},
       [] {
         return one(ringOf(
             6, [](int) { return 25.0; }, 0));
       }},
      {{"mirror", {"Mirror of segments", {}}, "hexagons honeycomb"},
       [] {
         std::vector<Polygon> cells;
         const Polygon cell = ringOf(
             6, [](int) { return 8.6; }, pi / 2);
         for (int i = 0; i < 6; ++i) {
           const double t = pi * i / 3;
           cells.push_back(movedBy(cell, {16.2 * std::cos(t), 16.2 * std::sin(t)}));
         }
         return one(unionOf(cells));
       }},
      {{"frame", {"Frame", {}}, "border label rectangle"},
       [] {
         const Polygon outer = drawn(
             "M-21 -16H21A5 5 0 0 0 26 -11V11A5 5 0 0 0 21 16H-21A5 5 0 0 0 -26 11"
             "V-11A5 5 0 0 0 -21 -16Z");
         return one(outer - offsetBy(outer, Length::mm(-2.4), Corners::round));
       }},
      {{"laurel", {"Laurel", {}}, "wreath leaves border"}, [] { return one(laurel()); }},
      {{"leaf", {"Leaf", {}}, "plant"},
       [] {
         return one(unionOf({leaf(-20, -12, 32, 46), lineOf("M-25 -15L-18 -10.6", 2)}) -
                    lineOf("M-14 -8.2L12 8", 1.4));
       }},
      {{"banner", {"Banner", {}}, "ribbon label"},
       [] {
         return Areas{{petrol, unionOf({drawn("M-27 -9L-22 -2L-27 5H-14V-9Z"),
                                        drawn("M27 -9L22 -2L27 5H14V-9Z")})},
                      {ink, drawn("M-19 -5H19V9H-19Z")}};
       }},
      {{"cloud", {"Cloud", {}}, "sky weather"},
       [] {
         return one(unionOf(
             {disc(-12, -3, 9), disc(0, 4, 12), disc(13, -2, 10), drawn("M-12 -12H13V0H-12Z")}));
       }},
      {{"arc", {"Bow", {}}, "arc rainbow orbit line"},
       [] { return one(lineOf("M-24 -10A28 28 0 0 0 24 -10", 3)); }},
  };
  return shapes;
}

}  // namespace

const std::vector<ShelfShape>& shelfShapes() {
  static const std::vector<ShelfShape> shapes = [] {
    std::vector<ShelfShape> some;
    for (const Made& made : all()) some.push_back(made.shape);
    return some;
  }();
  return shapes;
}

Artwork shapeArtwork(const std::string& id) {
  Artwork artwork;
  artwork.kind = ArtKind::shape;
  for (const Made& made : all()) {
    if (made.shape.id != id) continue;
    artwork.name = made.shape.title.pattern;
    artwork.areas = made.make();
  }
  return artwork;
}

}  // namespace avrelt

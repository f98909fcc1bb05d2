// SPDX-License-Identifier: GPL-3.0-or-later
#include "pattern/tiles.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "shape/box.h"

namespace avrelt {
namespace {

using std::numbers::pi;
using std::numbers::sqrt2;
using std::numbers::sqrt3;
using TileShape = std::vector<Point>;

TileShape box(double left, double low, double wide, double tall) {
  return {{left, low}, {left + wide, low}, {left + wide, low + tall}, {left, low + tall}};
}

TileShape moved(TileShape cell, Point by) {
  for (Point& p : cell) p = p + by;
  return cell;
}

Tile bricks(double ratio) {
  return {1, 2 * ratio, 2, {box(0, 0, 1, ratio), box(0.5, ratio, 1, ratio)}};
}

Tile diamonds(double ratio) {
  const TileShape one{{0.5, 0}, {1, ratio / 2}, {0.5, ratio}, {0, ratio / 2}};
  return {1, ratio, 2, {one, moved(one, {0.5, ratio / 2})}};
}

Tile hexagons() {
  const double a = 1 / sqrt3;  // a side
  const TileShape one{{0.5, 0}, {1, a / 2}, {1, 1.5 * a}, {0.5, 2 * a}, {0, 1.5 * a}, {0, a / 2}};
  return {1, 3 * a, 2, {one, moved(one, {0.5, 1.5 * a})}};
}

Tile triangles() {
  const double h = sqrt3 / 2;
  return {1,
          2 * h,
          2,
          {{{0, 0}, {1, 0}, {0.5, h}},
           {{0.5, h}, {1, 0}, {1.5, h}},
           {{0.5, h}, {1.5, h}, {1, 2 * h}},
           {{1, 2 * h}, {1.5, h}, {2, 2 * h}}}};
}

/// Bricks n to 1 at right angles, standing on their corners: one lying to the right and one to the
/// left; the lattice of (1, 1) and (n, −n), turned by half a right angle.
Tile herringbone(double ratio) {
  const double n = std::round(ratio);
  const auto turned = [](TileShape cell) {
    for (Point& p : cell) p = {(p.x - p.y) / sqrt2, (p.x + p.y) / sqrt2};
    return cell;
  };
  return {n * sqrt2, sqrt2, 1, {turned(box(0, 0, n, 1)), turned(box(0, 1, 1, n))}};
}

Tile chevrons(double ratio) {
  const double rise = 0.5;
  return {1,
          ratio,
          1,
          {{{0, 0}, {0.5, rise}, {0.5, rise + ratio}, {0, ratio}},
           {{0.5, rise}, {1, 0}, {1, ratio}, {0.5, rise + ratio}}}};
}

/// Strips going over and under: lying ones `ratio` of their pitch wide, standing ones two thirds of
/// that, and what shows between them.
Tile weave(double ratio) {
  const double a = ratio;
  const double b = ratio * 2 / 3;
  Tile tile{2, 2, 2, {}};
  for (int i = 0; i < 2; ++i) {
    for (int j = 0; j < 2; ++j) {
      if ((i + j) % 2 == 0) {
        tile.cells.push_back(box(i - 1 + (1 + b) / 2, j + (1 - a) / 2, 2 - b, a));
      } else {
        tile.cells.push_back(box(i + (1 - b) / 2, j - 1 + (1 + a) / 2, b, 2 - a));
      }
      if (a < 1 - 1e-9) tile.cells.push_back(box(i + (1 + b) / 2, j + (1 + a) / 2, 1 - b, 1 - a));
    }
  }
  return tile;
}

/// Half circles hanging, each row half a scale aside of the last.
Tile scales(double fine) {
  // A chord over an angle a of a circle is off by r (1 − cos a/2).
  const double most = 2 * std::acos(1 - std::clamp(fine, 1e-6, 0.1) / 0.5);
  const int steps = std::clamp(static_cast<int>(std::ceil(pi / 2 / most)), 4, 128);
  TileShape one;
  const auto arc = [&one, steps](Point centre, double from, double to) {
    for (int i = 0; i < steps; ++i) {
      const double a = (from + (to - from) * i / steps) * pi / 2;
      one.push_back(centre + Point{0.5 * std::cos(a), 0.5 * std::sin(a)});
    }
  };
  arc({0.5, 0.5}, 2, 3);
  arc({0.5, 0.5}, 3, 4);
  arc({1, 1}, 3, 2);
  arc({0, 1}, 4, 3);
  return {1, 1, 2, {one, moved(one, {0.5, 0.5})}};
}

/// Five squares in a cross; the lattice of (2, 1) and (−1, 2), five crosses to five by five.
Tile crosses() {
  const TileShape one{{1, 0}, {2, 0}, {2, 1}, {3, 1}, {3, 2}, {2, 2},
                      {2, 3}, {1, 3}, {1, 2}, {0, 2}, {0, 1}, {1, 1}};
  Tile tile{5, 5, 5, {}};
  for (const Point at : {Point{0, 0}, Point{2, 1}, Point{4, 2}, Point{1, 3}, Point{3, 4}}) {
    tile.cells.push_back(moved(one, at));
  }
  return tile;
}

/// Houses, every other row on its head.
Tile pentagons(double ratio) {
  const double wall = ratio;
  const double roof = 0.4;
  const TileShape up{{0, 0}, {1, 0}, {1, wall}, {0.5, wall + roof}, {0, wall}};
  const TileShape down{{0.5, wall + roof},
                       {1, wall},
                       {1.5, wall + roof},
                       {1.5, 2 * wall + roof},
                       {0.5, 2 * wall + roof}};
  const Point next{0.5, 2 * wall + roof};
  return {1, 2 * next.y, 4, {up, down, moved(up, next), moved(down, next)}};
}

}  // namespace

const char* familyName(Family family) {
  static constexpr std::array<const char*, families.size() + 1> names{
      "bricks", "check",   "diamonds",  "hexagons", "triangles", "herringbone", "chevrons", "weave",
      "scales", "crosses", "pentagons", "uprights", "slants",    "pebbles",     "artwork"};
  return names[static_cast<std::size_t>(family)];
}

Sentence familyTitle(Family family) {
  static constexpr std::array<const char*, families.size() + 1> titles{
      "Bricks",      "Check",    "Diamonds", "Hexagons", "Triangles",
      "Herringbone", "Chevrons", "Weave",    "Scales",   "Crosses",
      "Pentagons",   "Uprights", "Slants",   "Pebbles",  "Own artwork"};
  return {titles[static_cast<std::size_t>(family)], {}};
}

RatioRange ratioOf(Family family) {
  switch (family) {
    case Family::bricks:
      return {0.2, 0.5, 3, "height of a brick to its width"};
    case Family::diamonds:
      return {0.3, 1.6, 4, "height of a diamond to its width"};
    case Family::check:
      return {0.3, 1, 3, "height of a square to its width"};
    case Family::herringbone:
      return {2, 3, 6, "length of a brick to its width, whole", true};
    case Family::chevrons:
      return {0.1, 0.4, 2, "height of a chevron to its width"};
    case Family::weave:
      return {0.3, 0.8, 1, "width of the lying strips to their pitch"};
    case Family::pentagons:
      return {0.2, 0.6, 2, "height of a wall to its width"};
    case Family::slants:
      return {-4, 1, 4, "how many repeats a stripe leans over the body"};
    case Family::uprights:
    case Family::hexagons:
    case Family::triangles:
    case Family::scales:
    case Family::crosses:
    case Family::pebbles:
    case Family::artwork:
      break;
  }
  return {};
}

bool repeatsUp(Family family) {
  return family != Family::uprights && family != Family::slants && family != Family::pebbles;
}

Tile tileOf(Family family, double ratio, double fine) {
  switch (family) {
    case Family::bricks:
      return bricks(ratio);
    case Family::check:
      return {1, ratio, 1, {box(0, 0, 1, ratio)}};
    case Family::diamonds:
      return diamonds(ratio);
    case Family::hexagons:
      return hexagons();
    case Family::triangles:
      return triangles();
    case Family::herringbone:
      return herringbone(ratio);
    case Family::chevrons:
      return chevrons(ratio);
    case Family::weave:
      return weave(ratio);
    case Family::scales:
      return scales(fine);
    case Family::crosses:
      return crosses();
    case Family::pentagons:
      return pentagons(ratio);
    case Family::uprights:
      return {1, 1, 1, {box(0, 0, 1, 1)}};
    case Family::slants:
      return {1, 1, 1, {{{0, 0}, {1, 0}, {1 + ratio, 1}, {ratio, 1}}}};
    case Family::pebbles:
    case Family::artwork:
      break;
  }
  return {};
}

Tile sideBySide(Tile tile) {
  constexpr double on = 1e-9;
  std::vector<Point> corners;
  Box box;
  for (const TileShape& cell : tile.cells) {
    for (const Point& p : cell) box.add(p);
  }
  const int across = static_cast<int>(std::ceil(box.width() / tile.wide)) + 1;
  const int up = static_cast<int>(std::ceil(box.height() / tile.tall)) + 1;
  for (const TileShape& cell : tile.cells) {
    for (const Point& p : cell) {
      for (int i = -across; i <= across; ++i) {
        for (int j = -up; j <= up; ++j) {
          const Point at = p + Point{i * tile.wide, j * tile.tall};
          if (at.x > box.low.x - on && at.x < box.high.x + on && at.y > box.low.y - on &&
              at.y < box.high.y + on) {
            corners.push_back(at);
          }
        }
      }
    }
  }
  for (TileShape& cell : tile.cells) {
    TileShape whole;
    for (std::size_t k = 0; k < cell.size(); ++k) {
      const Point a = cell[k];
      const Point along = cell[(k + 1) % cell.size()] - a;
      const double length = norm(along);
      std::vector<double> places{0};
      for (const Point& corner : corners) {
        const Point off = corner - a;
        const double place = dot(off, along) / length;
        if (place < on || place > length - on) continue;
        if (std::abs(cross(along, off)) / length < on) places.push_back(place);
      }
      std::sort(places.begin(), places.end());
      double last = -1;
      for (const double place : places) {
        if (place - last > on) whole.push_back(a + along * (place / length));
        last = place;
      }
    }
    cell = std::move(whole);
  }
  return tile;
}

Tile tileOf(const Repeat& artwork) {
  Tile tile{artwork.wide, artwork.tall, 1, {}, {}};
  std::vector<double> heights;
  for (const Polygon& cell : artwork.cells) {
    tile.cells.push_back(cell.front());
    tile.holes.emplace_back(cell.begin() + 1, cell.end());
    heights.push_back(boundsOf(cell).height());
  }
  if (heights.empty()) return tile;
  // As many rows as cells of the middle height go into it.
  const auto middle = heights.begin() + static_cast<long>(heights.size() / 2);
  std::nth_element(heights.begin(), middle, heights.end());
  tile.rows = std::clamp(static_cast<int>(std::lround(tile.tall / std::max(*middle, 0.1))), 1, 200);
  return tile;
}

}  // namespace avrelt

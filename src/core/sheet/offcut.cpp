// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/offcut.h"

#include <algorithm>
#include <cmath>

#include "sheet/room.h"

namespace avrelt {
namespace {

/// Cells that are taken, in rows.
class Cells {
 public:
  Cells(int wide, int tall)
      : wide_(wide), taken_(static_cast<std::size_t>(wide) * static_cast<std::size_t>(tall), 0) {}

  void take(const Raster& raster, int column, int row) {
    const int tall = static_cast<int>(taken_.size()) / std::max(wide_, 1);
    for (std::size_t r = 0; r < raster.rows.size(); ++r) {
      const int y = row + static_cast<int>(r);
      if (y < 0 || y >= tall) continue;
      for (const Raster::Run& run : raster.rows[r]) {
        for (int x = std::max(column + run.from, 0); x < std::min(column + run.to, wide_); ++x) {
          taken_[index(x, y)] = 1;
        }
      }
    }
  }
  bool taken(int x, int y) const { return taken_[index(x, y)] != 0; }

 private:
  std::size_t index(int x, int y) const {
    return static_cast<std::size_t>(y) * static_cast<std::size_t>(wide_) +
           static_cast<std::size_t>(x);
  }
  int wide_;
  std::vector<char> taken_;
};

}  // namespace

std::optional<Box> largestOffcut(const std::vector<Polygon>& shapes, const FilmPiece& film,
                                 Length reaches, Length apart, Length least) {
  constexpr double cell = 1;
  const Length top = film.roll ? std::min(reaches, film.size.tall) : film.size.tall;
  const int wide = static_cast<int>(film.size.wide.mm() / cell);
  const int tall = static_cast<int>(top.mm() / cell);
  if (wide < 1 || tall < 1) return std::nullopt;
  Cells cells(wide, tall);
  const auto take = [&](const Polygon& shape) {
    const Box box = boundsOf(shape);
    if (box.empty()) return;
    const int column = static_cast<int>(std::floor(box.low.x / cell));
    const int row = static_cast<int>(std::floor(box.low.y / cell));
    cells.take(rasterOf(shape, cell, {column * cell, row * cell}), column, row);
  };
  for (const Polygon& shape : shapes) {
    // What falls out of an opening is no sheet's.
    Polygon outer;
    for (const std::vector<Point>& outline : shape) {
      if (signedArea(outline) > 0) outer.push_back(outline);
    }
    take(offsetBy(outer, apart, Corners::round));
  }
  if (!film.outline.empty()) {
    const Point far{film.size.wide.mm() + 2, film.size.tall.mm() + 2};
    take(Polygon{{{-2, -2}, {far.x, -2}, far, {-2, far.y}}} - film.outline);
  }
  // Row by row, the rectangles that end there (the largest under a skyline).
  std::vector<int> heights(static_cast<std::size_t>(wide) + 1, 0);
  double most = 0;
  std::optional<Box> best;
  for (int y = 0; y < tall; ++y) {
    for (int x = 0; x < wide; ++x) {
      int& height = heights[static_cast<std::size_t>(x)];
      height = cells.taken(x, y) ? 0 : height + 1;
    }
    std::vector<std::pair<int, int>> rising;  // from where, how tall
    for (int x = 0; x <= wide; ++x) {
      const int height = heights[static_cast<std::size_t>(x)];
      int from = x;
      while (!rising.empty() && rising.back().second > height) {
        const auto [left, tallness] = rising.back();
        rising.pop_back();
        from = left;
        const double w = (x - left) * cell;
        const double h = tallness * cell;
        if (w >= least.mm() && h >= least.mm() && w * h > most) {
          most = w * h;
          best = Box{{left * cell, (y + 1) * cell - h}, {x * cell, (y + 1) * cell}};
        }
      }
      if (height > 0 && (rising.empty() || rising.back().second < height)) {
        rising.emplace_back(from, height);
      }
    }
  }
  return best;
}

}  // namespace avrelt

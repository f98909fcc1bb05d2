// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/tiling.h"

#include <cmath>

namespace avrelt {
namespace {

constexpr double mostPages = 400;

double pagesAlong(double size, double window) {
  // A hair's grace, so that a part exactly as large as the window takes one page.
  if (size <= window + 1e-9) return 1;
  const double join = Tiling::join.mm();
  return std::ceil((size - join) / (window - join) - 1e-9);
}

struct Trial {
  bool landscape;
  bool turned;
  double rows;
  double columns;
  double pages() const { return rows * columns; }
};

std::string letters(int index) {
  std::string label;
  do {
    label.insert(label.begin(), static_cast<char>('A' + index % 26));
    index = index / 26 - 1;
  } while (index >= 0);
  return label;
}

}  // namespace

Length Tiling::pageWidth() const {
  return landscape ? sizeOf(paper).height : sizeOf(paper).width;
}
Length Tiling::pageHeight() const {
  return landscape ? sizeOf(paper).width : sizeOf(paper).height;
}

Point laidOn(const Tiling& tiling, Point point) {
  return tiling.turned ? turnedLeft(point) : point;
}

Path laidOn(const Tiling& tiling, const Path& path) {
  return tiling.turned ? turnedLeft(path) : path;
}

Tiling tileOver(const Box& bounds, Paper paper) {
  const auto windowOf = [paper](bool landscape) {
    Tiling page;
    page.paper = paper;
    page.landscape = landscape;
    return Point{(page.pageWidth() - Tiling::margin * 2).mm(),
                 (page.pageHeight() - Tiling::margin * 2 - Tiling::footer).mm()};
  };

  Trial best{false, false, HUGE_VAL, 1};
  for (const bool turned : {false, true}) {
    for (const bool landscape : {false, true}) {
      const Point window = windowOf(landscape);
      const double width = turned ? bounds.height() : bounds.width();
      const double height = turned ? bounds.width() : bounds.height();
      const Trial trial{landscape, turned, pagesAlong(height, window.y),
                        pagesAlong(width, window.x)};
      if (trial.pages() < best.pages()) best = trial;
    }
  }

  Tiling tiling;
  tiling.paper = paper;
  tiling.landscape = best.landscape;
  tiling.turned = best.turned;
  if (!(best.pages() <= mostPages)) return tiling;
  tiling.rows = static_cast<int>(best.rows);
  tiling.columns = static_cast<int>(best.columns);

  Box laid;
  laid.add(laidOn(tiling, bounds.low));
  laid.add(laidOn(tiling, bounds.high));
  const Point window = windowOf(best.landscape);
  const double join = Tiling::join.mm();
  const double stepX = window.x - join;
  const double stepY = window.y - join;
  const Point whole{(best.columns - 1) * stepX + window.x, (best.rows - 1) * stepY + window.y};
  const Point topLeft{laid.centre().x - whole.x / 2, laid.centre().y + whole.y / 2};
  for (int row = 0; row < tiling.rows; ++row) {
    for (int column = 0; column < tiling.columns; ++column) {
      const Point corner{topLeft.x + column * stepX, topLeft.y - row * stepY};
      tiling.pages.push_back(
          {row, column, {{corner.x, corner.y - window.y}, {corner.x + window.x, corner.y}}});
    }
  }

  // Two marks in the middle of each shared band, a quarter from either end.
  int index = 0;
  for (const Page& page : tiling.pages) {
    for (const double share : {0.25, 0.75}) {
      if (page.column + 1 < tiling.columns) {
        tiling.joins.push_back(
            {{page.window.high.x - join / 2, page.window.high.y - share * window.y},
             letters(index++)});
      }
    }
    for (const double share : {0.25, 0.75}) {
      if (page.row + 1 < tiling.rows) {
        tiling.joins.push_back(
            {{page.window.low.x + share * window.x, page.window.low.y + join / 2},
             letters(index++)});
      }
    }
  }
  return tiling;
}

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "sheet/paper.h"
#include "sheet/part.h"

namespace avrelt {

/// One page of a part printed over several: the window of the flat it shows.
struct Page {
  int row = 0;     ///< 0 at the top
  int column = 0;  ///< 0 at the left
  Box window;      ///< in the flat of the tiled outline, as large as the page's print area
};

/// A place printed on every page that shows it, to lay one page over another by.
struct JoinMark {
  Point at;
  std::string label;
};

/// How a part printed at true size lies on pages of paper.
///
/// The page keeps a margin of 6 mm all round, since printers do not reach the edge, and 16 mm
/// below for the scale bar, the page map and the reminder. Neighbouring pages show the same 10 mm
/// band, wide enough for a glue stick.
struct Tiling {
  Paper paper = Paper::a4;
  bool landscape = false;
  /// Whether the part was turned a quarter to the left to save pages.
  bool turned = false;
  int rows = 1;
  int columns = 1;
  std::vector<Page> pages;  ///< row by row
  std::vector<JoinMark> joins;

  Length pageWidth() const;
  Length pageHeight() const;
  /// The print area's low left corner on the page, from the page's low left corner.
  static constexpr Length margin = Length::mm(6);
  static constexpr Length footer = Length::mm(16);
  static constexpr Length join = Length::mm(10);
};

/// The fewest pages that hold something this large; among equals an upright page, then the part
/// not turned. At most 400 pages: a larger part comes back without pages.
Tiling tileOver(const Box& bounds, Paper paper);

/// The part as the tiling has it: turned if it says so.
Path laidOn(const Tiling& tiling, const Path& path);
Point laidOn(const Tiling& tiling, Point point);

}  // namespace avrelt

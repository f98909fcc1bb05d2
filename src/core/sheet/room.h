// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <optional>
#include <utility>
#include <vector>

#include "shape/polygon.h"

namespace avrelt {

/// The cells of a raster a shape touches, row by row.
struct Raster {
  /// A run of cells in one row, the last beyond it.
  struct Run {
    int from = 0;
    int to = 0;
  };
  Point low;  ///< of the shape, at the lower left corner of its first cell
  int wide = 0;
  std::vector<std::vector<Run>> rows;
  /// The rows by their longest run, the longest first, and how long it is: what is likeliest to
  /// find no room is asked for first.
  std::vector<std::pair<int, int>> widest;
};

/// Every cell that some of the shape lies in: what of its inside crosses the row, and its edges.
/// Cells are counted from `origin`, which lies left of the shape and below it.
Raster rasterOf(const Polygon& shape, double cell, Point origin);
/// Counted from the lower left of its own box.
Raster rasterOf(const Polygon& shape, double cell);

/// Which cells of a sheet are taken.
class Room {
 public:
  Room(int wide, int tall);

  /// The lowest place from a row on where it has room, and the leftmost in that row: row, column.
  std::optional<std::pair<int, int>> placeFor(const Raster& raster, int fromRow) const;
  /// Takes its cells; what lies outside the sheet is left out.
  void take(const Raster& raster, int row, int column);
  /// The first row with nothing taken in it, nor in any above.
  int top() const { return top_; }

 private:
  int longestFree(int row) const;
  void addMoved(const std::uint64_t* from, int by, std::uint64_t* to) const;
  void bar(const std::uint64_t* taken, Raster::Run run, std::vector<std::uint64_t>& swept,
           std::vector<std::uint64_t>& barred) const;

  int wide_;
  int tall_;
  int top_ = 0;
  std::size_t words_;
  std::vector<std::uint64_t> taken_;
  std::vector<int> freest_;  ///< the longest run that is free, row by row
};

}  // namespace avrelt

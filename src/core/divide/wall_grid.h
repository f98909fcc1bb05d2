// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cmath>
#include <numbers>

#include "divide/region.h"
#include "shape/clipping.h"

namespace avrelt::wall_grid {

/// Places of the wall in whole numbers: millionths of a millimetre up, and round the cup parts of a
/// turn so small that a wall of 94 mm radius has a millionth of a millimetre each. A half turn is a
/// number with many divisors, so that halves, thirds … of a cup are whole, and a place carried on
/// by a turn falls on the same numbers plus two half turns: what meets at the seam meets exactly.
inline constexpr ClipperLib::cInt halfTurn = 294'053'760;
inline constexpr ClipperLib::cInt turn = 2 * halfTurn;
inline constexpr double perMm = 1e6;
inline constexpr double perRadian = static_cast<double>(halfTurn) / std::numbers::pi;
/// Slivers of under a thousandth of a square millimetre are dust of the rounding.
inline constexpr double dust = 1e-3 * perMm * perMm;
/// Nearer than this to the seam, in radians, is on it.
inline constexpr double onSeam = 1e-7;

/// The same in whole numbers, but for the last rounding.
inline constexpr ClipperLib::cInt onFrameEdge = 8;

inline WholePoint toWhole(WallPoint p) {
  return {static_cast<ClipperLib::cInt>(std::llround(p.theta.radians() * perRadian)),
          static_cast<ClipperLib::cInt>(std::llround(p.s.mm() * perMm))};
}

inline WallPoint fromWhole(const WholePoint& p) {
  return {Angle::radians(static_cast<double>(p.X) / perRadian),
          Length::mm(static_cast<double>(p.Y) / perMm)};
}

inline WholePath toPath(const WallLine& line) {
  WholePath path;
  path.reserve(line.size());
  for (const WallPoint& p : line) path.push_back(toWhole(p));
  return path;
}

inline WallLine fromPath(const WholePath& path) {
  WallLine line;
  line.reserve(path.size());
  for (const WholePoint& p : path) line.push_back(fromWhole(p));
  return line;
}

inline WholePaths toPaths(const std::vector<WallLine>& lines) {
  WholePaths paths;
  paths.reserve(lines.size());
  for (const WallLine& line : lines) paths.push_back(toPath(line));
  return paths;
}

inline void moveBy(WholePath& path, ClipperLib::cInt across) {
  for (WholePoint& p : path) p.X += across;
}

/// The turns at which a path from one place to another, in whole numbers round the cup, reaches
/// into the frame: moved back by each of them some of it lies there.
struct Turns {
  ClipperLib::cInt first;
  ClipperLib::cInt last;
};
inline Turns turnsOf(const WholePath& path) {
  ClipperLib::cInt left = path.front().X;
  ClipperLib::cInt right = left;
  for (const WholePoint& p : path) {
    left = std::min(left, p.X);
    right = std::max(right, p.X);
  }
  const auto below = [](ClipperLib::cInt x) {
    const ClipperLib::cInt on = x + halfTurn;
    return on >= 0 ? on / turn : -((turn - 1 - on) / turn);
  };
  return {below(left), std::max(below(left), below(right - 1))};
}

}  // namespace avrelt::wall_grid

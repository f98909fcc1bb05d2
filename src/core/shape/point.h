// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cmath>

namespace avrelt {

/// A place in the flat, in millimetres: x to the right, y up.
struct Point {
  double x = 0;
  double y = 0;

  friend constexpr Point operator+(Point a, Point b) { return {a.x + b.x, a.y + b.y}; }
  friend constexpr Point operator-(Point a, Point b) { return {a.x - b.x, a.y - b.y}; }
  friend constexpr Point operator*(Point a, double factor) { return {a.x * factor, a.y * factor}; }
  friend constexpr Point operator*(double factor, Point a) { return a * factor; }
  friend constexpr bool operator==(Point, Point) = default;
};

constexpr double dot(Point a, Point b) {
  return a.x * b.x + a.y * b.y;
}
constexpr double cross(Point a, Point b) {
  return a.x * b.y - a.y * b.x;
}
inline double norm(Point a) {
  return std::hypot(a.x, a.y);
}
/// The same arrow turned a quarter to the left.
constexpr Point turnedLeft(Point a) {
  return {-a.y, a.x};
}

}  // namespace avrelt

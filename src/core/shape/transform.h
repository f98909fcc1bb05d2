// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cmath>

#include "measure/angle.h"
#include "shape/point.h"

namespace avrelt {

/// An affine map of the plane: x' = a x + c y + e, y' = b x + d y + f.
struct Transform {
  double a = 1;
  double b = 0;
  double c = 0;
  double d = 1;
  double e = 0;
  double f = 0;

  constexpr Point operator()(Point p) const {
    return {a * p.x + c * p.y + e, b * p.x + d * p.y + f};
  }
  /// By how much areas grow; negative where left and right change places.
  constexpr double determinant() const { return a * d - b * c; }
  /// By how much lengths grow, on the whole.
  double scale() const { return std::sqrt(std::abs(determinant())); }

  /// First the right one, then the left one.
  friend constexpr Transform operator*(const Transform& l, const Transform& r) {
    return {l.a * r.a + l.c * r.b, l.b * r.a + l.d * r.b,       l.a * r.c + l.c * r.d,
            l.b * r.c + l.d * r.d, l.a * r.e + l.c * r.f + l.e, l.b * r.e + l.d * r.f + l.f};
  }
  friend constexpr bool operator==(const Transform&, const Transform&) = default;
};

/// The way back. The map must not flatten the plane.
constexpr Transform inverseOf(const Transform& map) {
  const double by = 1 / map.determinant();
  const double a = map.d * by;
  const double b = -map.b * by;
  const double c = -map.c * by;
  const double d = map.a * by;
  return {a, b, c, d, -(a * map.e + c * map.f), -(b * map.e + d * map.f)};
}

/// A turn to the left about the origin.
inline Transform turning(Angle by) {
  const double c = std::cos(by.radians());
  const double s = std::sin(by.radians());
  return {c, s, -s, c, 0, 0};
}

}  // namespace avrelt

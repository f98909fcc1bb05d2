// SPDX-License-Identifier: GPL-3.0-or-later
#include "shape/arc_curves.h"

#include <cmath>
#include <numbers>

#include "shape/transform.h"

namespace avrelt {
namespace {

/// How far a curve over so much of a circle stands off it, in its radius.
double standsOff(double angle) {
  const double s = std::sin(angle / 4);
  const double c = std::cos(angle / 4);
  return 2.0 / 27 * std::pow(s, 6) / (c * c);
}

}  // namespace

std::vector<Curve> curvesAlong(Point from, const Stretch& stretch, Length tolerance) {
  const Point chord = stretch.end - from;
  if (stretch.bulge == 0) {
    return {{from + chord * (1.0 / 3), from + chord * (2.0 / 3), stretch.end}};
  }
  const ArcFigures arc = arcFigures(from, stretch);
  int count = static_cast<int>(std::abs(arc.sweep) / std::numbers::pi) + 1;
  while (arc.radius * standsOff(arc.sweep / count) > tolerance.mm()) ++count;

  const double each = arc.sweep / count;
  // Turned to where the arc sets out; a full circle has no chord to say so.
  Point along = Point{-std::sin(arc.startAngle), std::cos(arc.startAngle)} *
                (arc.radius * 4 / 3 * std::tan(std::abs(each) / 4) * (arc.sweep > 0 ? 1 : -1));
  const Transform turn = turning(Angle::radians(each));
  std::vector<Curve> curves;
  curves.reserve(static_cast<std::size_t>(count));
  Point at = from;
  for (int i = 1; i <= count; ++i) {
    const Point end = pointAlong(from, stretch, static_cast<double>(i) / count);
    const Point next = turn(along);
    curves.push_back({at + along, end - next, end});
    along = next;
    at = end;
  }
  return curves;
}

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "measure/angle.h"
#include "measure/length.h"
#include "shape/point.h"
#include "shape/transform.h"

namespace avrelt {

/// Straight from point to point, in mm. A closed one does not repeat its first point.
struct Polyline {
  std::vector<Point> points;
  bool closed = false;

  friend bool operator==(const Polyline&, const Polyline&) = default;
};

/// Draws curves as polylines no farther than `tolerance` from them, measured after `map`.
class Pen {
 public:
  Pen(const Transform& map, Length tolerance) : map_(map), tolerance_(tolerance.mm()) {}

  void moveTo(Point p);
  void lineTo(Point p);
  void cubicTo(Point c1, Point c2, Point p);
  void quadraticTo(Point c, Point p);
  /// An arc of an ellipse with these half axes, its first turned by so much; the longer way round
  /// with `large`, towards greater angles with `sweep`. Half axes too short are lengthened, as SVG
  /// 1.1, appendix F.6, has it.
  void arcTo(double rx, double ry, Angle turn, bool large, bool sweep, Point p);
  void close();

  /// Where the pen stands, before `map`.
  Point at() const { return at_; }
  std::size_t points() const { return points_; }
  std::vector<Polyline> take();

 private:
  void put(Point p);
  void begin();

  Transform map_;
  double tolerance_;
  Point at_;
  Point start_;
  bool open_ = false;
  std::size_t points_ = 0;
  std::vector<Polyline> lines_;
};

}  // namespace avrelt

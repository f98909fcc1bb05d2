// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "shape/path.h"

namespace avrelt {

/// A cubic Bézier curve from where the one before it ends: drawn to `out` first, into `end` from
/// `in`.
struct Curve {
  Point out;
  Point in;
  Point end;
};

/// An arc as curves no farther than `tolerance` (above 0) from it, all of one angle, each below
/// half a circle: for formats without arcs. A straight stretch is one straight curve.
///
/// A curve that leaves and meets its circle along it, with its middle on it, has arms of
/// 4/3 tan(φ/4) of the radius, and stands off by about 2/27 sin⁶(φ/4) / cos²(φ/4) of it at most
/// (M. Goldapp, "Approximation of circular arcs by cubic polynomials", Computer Aided Geometric
/// Design 8, 1991; from memory, checked by points in the tests).
std::vector<Curve> curvesAlong(Point from, const Stretch& stretch, Length tolerance);

}  // namespace avrelt

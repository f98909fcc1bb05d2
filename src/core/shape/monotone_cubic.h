// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

namespace avrelt {

/// A place a curve goes through: y over x.
struct Knot {
  double x = 0;
  double y = 0;
};

/// The slopes at the knots of the cubic that goes through all of them and rises and falls only as
/// they do: between two knots it never leaves the range of their values, so a line drawn through
/// measured girths has no bulge and no waist that the tape did not find. A plain cubic spline has.
///
/// Fritsch and Carlson, "Monotone Piecewise Cubic Interpolation", SIAM J. Numer. Anal. 17 (1980):
/// the mean of the two neighbouring chords, 0 at a peak or a flat, drawn back into the circle
/// α² + β² ≤ 9 where it would overshoot. `knots` ascend in x, at least two of them.
std::vector<double> monotoneSlopes(const std::vector<Knot>& knots);

/// One stretch of such a curve: Hermite's cubic over [0, length].
struct HermiteCubic {
  double length = 1;
  double y0 = 0;
  double y1 = 0;
  double m0 = 0;
  double m1 = 0;

  double at(double x) const;
  double slope(double x) const;
  double curvature(double x) const;  ///< the second derivative
  /// The largest |slope| anywhere on it.
  double steepest() const;
};

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "cup/body.h"

namespace avrelt {

/// One of a number of equal upright strips that together cover the wall, as a globe is covered.
///
/// Every ring is laid out on the cone that touches the wall there, its middle on a straight
/// meridian of true length: with k = dr/ds,
///
///     x = r θ · sinc(kθ),        y = s − ½ r k θ² · sinc²(kθ/2)
///
/// On a sphere this is the polyconic projection, of which globe gores are made (Snyder, "Map
/// Projections: A Working Manual", USGS Professional Paper 1395, 1987, p. 124 ff.); on a cone it is
/// the cone unrolled. Rings keep their length, so the gores' edges meet all the way; what the film
/// has to bear is that the edges come out longer or shorter than the wall they lie on.
class Gore {
 public:
  /// One of `count`, at least 3, between two heights. y is 0 at the lower one.
  Gore(const Body& body, Length low, Length high, int count);

  int count() const { return count_; }
  Angle half() const { return Angle::turn() / (2.0 * count_); }
  Length low() const { return low_; }
  Length high() const { return high_; }

  /// θ from the gore's own middle; s up the wall.
  Point toFlat(Angle theta, Length s) const;
  /// The cut line, counter-clockwise from the low left corner. Edges are points no farther than
  /// 0.01 mm from the curve; both ends are arcs.
  Path outline() const;
  /// The two ends' arc, for drawing.
  Path ring(Length s) const;

  /// What the film has to bear at `theta` from the middle where the wall is so: the larger
  /// principal stretch of the map, as a share, above 0 where it has to stretch. To second order in
  /// θ lengthwise, to third in shear.
  static double stretch(const WallSample& wall, double theta);
  /// The fewest gores, 3 to `most`, whose edges stay within `bears` all along.
  static int countFor(const std::vector<WallSample>& samples, double bears, int most);

 private:
  double taperAt(double s) const;

  Body body_;
  Length low_;
  Length high_;
  int count_;
};

}  // namespace avrelt

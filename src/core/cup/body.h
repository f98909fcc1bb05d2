// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "cup/blank.h"
#include "cup/development.h"
#include "measure/volume.h"
#include "shape/monotone_cubic.h"

namespace avrelt {

/// The wall at one height.
struct WallSample {
  double s = 0;      ///< mm up the wall
  double r = 0;      ///< mm, the radius
  double taper = 0;  ///< k = dr/ds, mean over a few mm, so that a corner counts as a tight bend
  double bend = 0;   ///< dk/ds, 1/mm, over the same few mm
};

/// A cup's body: the figure its wall describes, turned once about the axis. Any number of stations,
/// joined straight or smoothly; s runs up the wall from the base edge.
///
/// The wall is held as radius over wall height, stretch by stretch a cubic (straight ones too), so
/// that |dr/ds| < 1 everywhere and plumb height is ∫ √(1 − (dr/ds)²) ds, taken by Gauss's rule.
class Body {
 public:
  /// Refused, naming the field: fewer than two stations or more than 1000, a base station not at 0,
  /// heights that do not ascend by 0.1 mm at least, girths under 1 mm or over 10 m, a step in
  /// radius longer than the wall between two stations, a smooth line that would have to lean over
  /// backwards, a fillet that base or wall has no room for, features off the wall.
  static CheckedAll<Body> of(const Blank& blank);

  /// The body a cone or a cylinder is.
  static Body of(const Development& cone);

  /// The same wall under coats of this thickness, square to it: at every height the radius grows by
  /// thickness × cos(lean), between the stations too; at a corner by the mean of both sides.
  ///
  /// A coat moves each place along the wall's normal, so up or down as well, by thickness ×
  /// sin(lean), and the wall becomes longer by thickness × the angle it turns through (in radians;
  /// shorter where it turns outwards). Of that only girths are taken: a height stays what it was on
  /// the bare wall, so that a line has one height under all coats. On a wall that turns 40° from
  /// base to rim half a millimetre of coats makes 0.35 mm of it; a straight wall none.
  Body grownBy(Length thickness) const;

  Length wall() const { return Length::mm(ends_.back()); }
  Length plumb() const { return plumbAt(wall()); }
  Length plumbAt(Length s) const;
  /// The height up the wall that stands so high; beyond the rim the wall is taken on as it ends.
  Length wallAt(Length plumb) const;

  /// Beyond base and rim the wall is taken on as it ends there.
  Length radius(Length s) const { return Length::mm(radiusMm(s.mm())); }
  Length around(Length s) const;
  Length aroundBase() const { return around(Length()); }
  Length aroundRim() const { return around(wall()); }
  Length widestRadius() const { return Length::mm(widest_); }
  Length narrowestRadius() const { return Length::mm(narrowest_); }
  double taper(Length s) const;
  Angle lean(Length s) const;

  SpacePoint toSpace(WallPoint p) const;

  /// The stations' heights up the wall, base and rim among them.
  const std::vector<Length>& stations() const { return stations_; }

  /// Whether the wall is straight from base to rim, within a millionth of a millimetre: then it
  /// unrolls without any stretch, as `cone()`.
  bool isCone() const { return cone_; }
  /// The cone or cylinder this body is. Only where `isCone()`.
  Development cone() const;

  /// From low to high, both among them, at least `least` of them, with every station between.
  std::vector<WallSample> samples(Length low, Length high, int least) const;

  /// The wall's surface between two heights: 2π ∫ r ds (Pappus and Guldinus).
  Area area(Length low, Length high) const;
  Area area() const { return area(Length(), wall()); }
  /// What fits inside, filled to the rim, with a wall and a floor of this thickness:
  /// π ∫ (r − t)² dz.
  Volume holds(Length wallThickness, Length floorThickness) const;

  /// The body seen from the side, plumb, the middle of its base at the origin; counter-clockwise.
  /// The fillet is on it.
  Path sideView() const;

  /// How far up the wall the fillet reaches, and how much of the base's radius it takes.
  Length filletReach() const { return Length::mm(filletReach_); }

 private:
  /// From one height to the next: the radius as a cubic.
  struct Rise {
    double s = 0;  ///< where it begins
    double z = 0;  ///< plumb height there
    HermiteCubic r;
    bool straight = true;
    double below = 0;  ///< ∫ r ds from the base to where it begins

    /// ∫ r ds over its first `x`.
    double integral(double x) const;
  };

  Body() = default;
  void finish();
  const Rise& riseAt(double s) const;
  double radiusMm(double s) const;
  double radiusIntegral(double s) const;
  double slopeAt(double s) const;
  void setFillet(double radius);

  std::vector<Rise> rises_;
  std::vector<double> ends_;  ///< where each rise ends; the last is the rim
  std::vector<Length> stations_;
  double widest_ = 0;
  double narrowest_ = 0;
  double plumb_ = 0;
  bool cone_ = true;
  double fillet_ = 0;
  double filletReach_ = 0;
};

}  // namespace avrelt

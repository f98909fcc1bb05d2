// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "measure/angle.h"
#include "measure/length.h"
#include "shape/path.h"
#include "shape/point.h"
#include "shape/transform.h"

namespace avrelt {

/// A place on the cup: round the axis from the front, and up the wall from the base edge.
struct WallPoint {
  Angle theta;
  Length s;

  friend bool operator==(const WallPoint&, const WallPoint&) = default;
};

/// A place in the room about the cup: x to the right and y away from one who faces the front,
/// z up, the base edge's middle at the origin; in millimetres.
struct SpacePoint {
  double x = 0;
  double y = 0;
  double z = 0;
};

/// The wall of a straight or evenly tapered body rolled out flat, and rolled up again.
///
/// A cone unrolls into a ring sector without stretch (Machinery's Handbook, "Frustum of cone";
/// MathWorld, "Conical Frustum"). With r(s) = r₀ + k s the radius at wall height s, a place
/// (θ, s) lies in the flat at
///
///     x = r θ · sinc(kθ),        y = s − ½ r k θ² · sinc²(kθ/2),        sinc a = sin a / a
///
/// which is the polar form about the apex, rewritten so that nothing grows as the taper k goes to
/// zero: at k = 0 it reads x = r θ, y = s, the rectangle of a cylinder. k is the sine of half the
/// cone's opening: above 0 for a cup wider at its rim, below 0 for one wider at its base.
///
/// The flat is seen from outside the cup: x to the right, y up, the base edge's front at the
/// origin. θ is not limited to one turn; the map is one-to-one while |kθ| < π.
///
/// Wall → flat → wall agrees within 1e-9 mm on any cup up to 10 m.
class Development {
 public:
  /// The cone with this radius at its base edge, growing by `taper` for each mm of wall; |taper|
  /// below 1. A cylinder at 0.
  static Development cone(Length baseRadius, double taper, Length wall) {
    return Development(baseRadius.mm(), taper, wall.mm());
  }

  /// The same wall under coats of this thickness, square to it. The height of wall to be covered
  /// stays; the girth grows by 2π · thickness · cos(lean) all the way up.
  Development grownBy(Length thickness) const;

  Length wall() const { return Length::mm(wall_); }
  Length plumb() const;
  Length aroundBase() const { return around(Length()); }
  Length aroundRim() const { return around(wall()); }
  Length around(Length s) const;
  Length radius(Length s) const { return Length::mm(radiusMm(s.mm())); }
  Length aroundNarrow() const;

  /// Within a millionth of a millimetre of straight, where no tape could tell.
  bool isCylinder() const;
  /// k: how much the radius grows for each millimetre up the wall, from −1 to 1.
  double taper() const { return k_; }
  /// Half the opening of the cone; 0 for a cylinder.
  Angle lean() const;

  /// The angle that `theta` round the cup spans in the flat about the apex: k θ.
  Angle flatAngle(Angle theta) const { return theta * k_; }
  /// From the cone's apex along the wall. Only for a cone (`isCylinder()` is false).
  Length apexDistance(Length s) const;

  Point toFlat(WallPoint p) const;
  /// What moves a shape of the flat so far round the cup: about the apex, or along a cylinder.
  Transform turning(Angle by) const;
  WallPoint toWall(Point p) const;
  SpacePoint toSpace(WallPoint p) const;

  /// The line once along a ring at height s, from one angle to another: an arc, straight on a
  /// cylinder.
  Path ring(Length s, Angle from, Angle to) const;
  /// The straight line up the wall at one angle.
  Path upright(Angle theta, Length from, Length to) const;
  /// The edge of the whole wall rolled out, once round from back to back; counter-clockwise.
  Path wallOutline() const;
  /// What turns `ring(s, from, to)` out of its two ends, for joining it into an outline.
  double ringBulge(Angle from, Angle to) const;

  /// How far the ring at height s, taken once round, stands off its own chord's level: what a
  /// straight strip would run off by between front and back.
  Length bow(Length s) const;

 private:
  Development(double baseRadius, double taper, double wall)
      : r0_(baseRadius), k_(taper), wall_(wall) {}

  double radiusMm(double s) const { return r0_ + k_ * s; }

  double r0_;    // mm, at the base edge
  double k_;     // radius per mm of wall
  double wall_;  // mm, base edge to rim
};

}  // namespace avrelt

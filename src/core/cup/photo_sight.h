// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "cup/body.h"
#include "measure/fault.h"
#include "shape/point.h"

namespace avrelt {

/// What was marked on a photo of a cup to know where the camera stood; in pixels, y down as
/// pictures have it.
struct PhotoMarks {
  double width = 0;  ///< of the photo
  double height = 0;
  /// The ends of base and rim as they are seen, and the place of each that is nearest to the
  /// camera, in the middle of its curve.
  Point baseLeft;
  Point baseRight;
  Point baseNear;
  Point rimLeft;
  Point rimRight;
  Point rimNear;
  Point front;  ///< any place above the cup's front
};

/// A camera that looks at a cup: where a place of the wall is on its photo, and what of the wall is
/// at a place of the photo.
///
/// A pinhole whose axis goes through the photo's middle. How far and how high it stands, how it is
/// turned, and how long its lens is follow from the marks by least squares, by Levenberg's and
/// Marquardt's steps (Marquardt, "An Algorithm for Least-Squares Estimation of Nonlinear
/// Parameters", 1963; from memory). How far it stands shows only in how unlike the two rims'
/// ellipses are: where they say little it is taken for 2 m, as is usual. Lenses that bend what is
/// straight are not allowed for.
class PhotoSight {
 public:
  /// A place on the wall: a direction of the cup, and how far up.
  struct Place {
    CupAngle onCup;
    Length s;
  };

  /// `distance` from the cup's axis, where it was measured.
  /// Refused: marks on each other, ends left for right or base for rim, a front that is not on the
  /// cup, and marks that no camera sees so, off by more than 3 % of the cup's height.
  static Checked<PhotoSight> of(const Body& body, const PhotoMarks& marks,
                                std::optional<Length> distance = {});

  /// Where a place on the wall is on the photo; nothing where it is turned away.
  std::optional<Point> onPhoto(const Place& place) const;
  /// What of the wall's outside is at a place of the photo; nothing beside the cup.
  std::optional<Place> onWall(Point onPhoto) const;

  Length distance() const;
  /// How far the camera stands above the base's level; below 0 below it.
  Length above() const;
  /// How far the marks are off on the whole, in pixels, root mean square.
  double off() const { return off_; }

 private:
  struct Camera {
    double logLens = 0;      ///< of the lens's length in pixels
    double logDistance = 0;  ///< of the distance in mm
    double above = 0;        ///< mm
    double pitch = 0;
    double yaw = 0;
    double roll = 0;
  };

  PhotoSight(const Body& body, const PhotoMarks& marks) : body_(body), marks_(marks) {}
  Camera begin() const;
  void fit(std::optional<Length> distance);
  std::vector<double> misses(const Camera& camera, std::optional<Length> distance) const;
  Point seen(const Camera& camera, SpacePoint p) const;
  Point ringEnd(const Camera& camera, Length s, double side) const;

  Body body_;
  PhotoMarks marks_;
  Camera camera_;
  Angle front_;  ///< of the wall as the camera has it, 0 towards it
  double off_ = 0;
};

}  // namespace avrelt

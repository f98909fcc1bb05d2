// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "cup/body.h"
#include "shape/point.h"

namespace avrelt {

/// How a cup looks to somebody who stands before it, far away and a little above the rim: a
/// parallel projection. Pictures are in millimetres, x to the right, y up, the middle of the cup's
/// axis at (0, 0). Directions count from the cup's front.
class CupCamera {
 public:
  /// `facing` is the direction that is turned to the onlooker. The body is to outlast this.
  CupCamera(const Body& body, CupAngle facing) : CupCamera(body, facing, body.plumb()) {}
  /// The same where the body's plumb height is known: it is looked up the wall.
  CupCamera(const Body& body, CupAngle facing, Length plumb)
      : body_(body), facing_(facing), half_(plumb.mm() / 2) {}

  /// Where a place on the wall appears.
  Point project(CupAngle onCup, Length s) const;
  /// Whether the wall is turned to the onlooker there: its normal against the line of sight. A cup
  /// narrowing downwards hides a little of its sides, one narrowing upwards shows a little more.
  bool sees(CupAngle onCup, Length s) const;
  /// How far round from the facing direction the wall is seen at a height, where it turns away from
  /// the eye: the silhouette. Nothing where all of it is seen, or none.
  std::optional<Angle> turnsAway(Length s) const;
  /// The same for the whole wall. On a cone it turns away at one angle all the way up; on a curved
  /// wall near enough as an upright one.
  Angle seenHalf() const;

  struct Place {
    CupAngle onCup;
    Length s;
  };
  /// The place on the near side that appears there; nothing beside the cup.
  std::optional<Place> at(Point p) const;

  /// How much the picture of a body takes.
  static Length wide(const Body& body);
  static Length tall(const Body& body);

 private:
  const Body& body_;
  CupAngle facing_;
  double half_;  ///< of the height, mm
};

}  // namespace avrelt

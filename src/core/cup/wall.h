// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "cup/body.h"
#include "cup/development.h"
#include "measure/angle.h"

namespace avrelt {

/// The wall of a cup as everything laid on it sees it: the body, the flat it is drawn on, and where
/// on the cup its seam stands.
///
/// Places on the wall count from the seam's left edge, −180°, to its right, 180°: the frame. The
/// cup's own directions count from its front.
struct Wall {
  Body body;
  Development flat;
  CupAngle seamAt;

  /// A direction round the cup as the frame has it.
  Angle inFrame(CupAngle onCup) const { return (onCup - seamAt - Angle::halfTurn()).wrapped(); }
  CupAngle onCup(Angle inFrame) const {
    return CupAngle::ofFront(inFrame + seamAt.fromFront() + Angle::halfTurn()).wrapped();
  }

  /// The cone that touches the wall at this height, rolled out: what film of a decal's size lies on
  /// there, and where lengths about that height are true. The wall's own flat where it is a cone.
  Development touching(Length s) const;
};

/// Where to put the pencil for a place: up or down the wall, and round at that height.
struct WallMark {
  Length fromBase;
  Length fromRim;
  CupAngle onCup;
  Length fromFront;  ///< to the right; below 0 to the left
  Length fromSeam;   ///< the shorter way
};
WallMark markOf(const Wall& wall, WallPoint place);

/// The wall of a body, its flat the cone it is, or the one most like it.
Wall wallOf(const Body& body, CupAngle seamAt);

}  // namespace avrelt

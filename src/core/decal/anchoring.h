// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "decal/set_plan.h"

namespace avrelt {

/// The point of a set's artwork that lies at a place of the wall, or the nearest of its box, as it
/// stands at one of its places; to a ten-thousandth of the box.
Anchor anchorUnder(const SetPlan& set, const PlacePlan& place, WallPoint at, const Wall& wall);

/// A place told by another point of the artwork.
struct Told {
  WallPoint at;
  Angle turn;
};
/// How one of a set's places is told by another point of the artwork: it lies where it lay.
Told toldBy(const Anchor& anchor, const SetPlan& set, const PlacePlan& place, const Wall& wall);

}  // namespace avrelt

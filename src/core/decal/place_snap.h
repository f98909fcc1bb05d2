// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "decal/set_plan.h"

namespace avrelt {

/// What a place that is dragged is drawn to.
enum class SnapTo {
  front,
  quarter,     ///< the back, or a quarter round
  zoneMiddle,  ///< of the zone it is over
  zoneEdge,
  place,      ///< another's upright, or its ring
  equalGaps,  ///< as far from one neighbour as from the other, or as these are from each other
};

/// What lies free between two, at the height of the one that is dragged.
struct SnapGap {
  Angle from;  ///< in the frame
  Angle to;    ///< to the right of it
  Length apart;
};

/// Where round the cup.
struct SnapRound {
  SnapTo to = SnapTo::front;
  CupAngle onCup;
  std::vector<SnapGap> gaps;  ///< of equal ones
};

/// How far up.
struct SnapUp {
  SnapTo to = SnapTo::place;
  Length s;
};

struct Snap {
  std::optional<SnapRound> round;
  std::optional<SnapUp> up;
};

/// What is in reach of where the anchor of `moving` is wanted, in the frame: the nearest way round
/// and the nearest way up, each by itself; of two as near the first of `SnapTo`. Gaps are between
/// what sets reach round the cup, of those that are at its height; what is scattered draws nothing.
Snap snapOf(const std::vector<SetPlan>& sets, const Divided& divided, const Wall& wall,
            const PlacePlan& moving, WallPoint wanted, Length reach);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "cup/laying.h"
#include "cup/wall.h"
#include "decal/set_plan.h"
#include "watch/watch.h"

namespace avrelt {

/// What rules about places look at.
struct PlacedSets {
  const std::vector<DecalSet>& sets;
  const std::vector<Row>& rows;
  const std::vector<Scatter>& scatters;
  const std::vector<SetPlan>& plans;
  const std::vector<RowPlan>& rowPlans;
  const Wall& wall;
  const Film& film;
};

/// How wide a piece of the wall is seen at once from the front: as wide as the cup is thick, along
/// the wall. Its ends then lie one radian, 57°, to either side, where what is seen is foreshortened
/// to half; beyond, the wall turns away. Common practice, no published source.
inline constexpr Angle seenToEachSide = Angle::radians(1);
Length seenAtOnce(const Body& body, Length s);
/// How wide something so wide on the wall looks from straight before its middle: the chord of its
/// arc, 2 r sin(w / 2r); the whole thickness from half a turn on.
Length looksAcross(const Body& body, Length s, Length wide);

/// How wide a set is on the wall where it stands, round the cup at its anchor's height.
Length wideOn(const Body& body, const PlacePlan& place);

/// How far the ends of a set that stays straight run above the ring through its anchor, below 0
/// below it: on the flat that ring is an arc, ρ (1 − cos φ) off its own middle, ρ its radius and φ
/// half the angle. 0 on a straight cup, and of one that follows the wall.
Length runsOff(const Wall& wall, const PlacePlan& place);

/// What to watch about where sets stand, by the rules under “Places of sets” in the catalogue. Each
/// is told once a set or row, with how many places it is about.
std::vector<Watch> watchPlaces(const PlacedSets& placed);

}  // namespace avrelt

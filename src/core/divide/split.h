// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "cup/wall.h"
#include "divide/cut.h"
#include "divide/region.h"

namespace avrelt {

/// What a cut makes of a zone.
struct Split {
  /// From the top down, or from left to right; a V's triangles first, then the rest.
  std::vector<Region> parts;
  /// The lines cut, each from left to right or upwards, clipped to the zone, their stretches in
  /// order along them. A line that crosses the seam comes in two stretches of one entry.
  std::vector<std::vector<WallLine>> lines;
};

/// How far a zone that uprights part goes round: the whole cup, which one that a V parts from rim
/// to base does too, or from a place on the cup to the right.
struct UprightRoom {
  bool whole = true;
  CupAngle begins{};
};
UprightRoom uprightRoomOf(const Region& zone, const Wall& wall);

/// Cuts a zone. Lines that are straight in the flat, of V and slant, and waves are followed within
/// `curveTolerance`; on a cylinder the straight ones are straight in wall coordinates too.
///
/// Refused, naming the member: parts that add to more than the zone, a place outside it, a V wider
/// than it or V's that overlap, a slant that leaves it or has no sides to end on, counts out of 1
/// to 500, lines of no width between.
Checked<Split> split(const Region& zone, const Cut& cut, const Wall& wall);

/// The length of a line on the cup: along the body's surface, in chords of its places.
Length lengthOn(const Body& body, const WallLine& line);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "divide/cut.h"
#include "divide/region.h"

namespace avrelt {

/// What cuts are made on: the body, its wall rolled out, and where its seam stands.
struct Ground {
  const Body& body;
  const Development& flat;
  Angle seamAt;

  /// A direction round the cup as regions have it, from the seam's left edge.
  Angle inFrame(Angle onCup) const { return (onCup - seamAt - Angle::halfTurn()).wrapped(); }
  Angle onCup(Angle inFrame) const { return (inFrame + seamAt + Angle::halfTurn()).wrapped(); }
};

/// What a cut makes of a zone.
struct Split {
  /// From the top down, or from left to right; a V's triangles first, then the rest.
  std::vector<Region> parts;
  /// The lines cut, each from left to right or upwards, clipped to the zone. A line that crosses
  /// the seam comes in two stretches of one entry.
  std::vector<std::vector<WallLine>> lines;
};

/// Cuts a zone. Lines that are straight in the flat, of V and slant, are followed in steps of a few
/// millimetres; on a cylinder they are straight in wall coordinates too.
///
/// Refused, naming the member: parts that add to more than the zone, a place outside it, a V wider
/// than it or V's that overlap, a slant that leaves it or has no sides to end on, counts out of 1
/// to 500, lines of no width between.
Checked<Split> split(const Region& zone, const Cut& cut, const Ground& ground);

/// The length of a line on the cup: along the body's surface, in chords of its places.
Length lengthOn(const Body& body, const WallLine& line);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <utility>
#include <vector>

#include "cup/body.h"

namespace avrelt {

/// Straight from place to place in wall coordinates (θ, s), θ from −180° at the seam's left edge to
/// 180° at its right.
using WallLine = std::vector<WallPoint>;

/// A part of the wall: closed outlines in wall coordinates, counter-clockwise, holes clockwise.
/// What lies across the seam is cut there. Booleans by Clipper, in whole numbers of a millionth of
/// a millimetre (θ on a radius of 100 mm), so that what two parts share they share to the bit.
class Region {
 public:
  Region() = default;
  explicit Region(std::vector<WallLine> outlines) : outlines_(std::move(outlines)) {}
  /// Between two heights, all round or between two angles, which may run on past the seam.
  static Region band(Length low, Length high);
  static Region between(Angle from, Angle to, Length low, Length high);
  /// Inside an outline that may run past the seam on either side by up to a turn, folded back.
  static Region folded(const WallLine& outline, Length low, Length high);

  const std::vector<WallLine>& outlines() const { return outlines_; }
  bool empty() const { return outlines_.empty(); }

  Region operator&(const Region& other) const;  ///< what both have
  Region operator-(const Region& other) const;  ///< what the other leaves
  Region operator|(const Region& other) const;  ///< what either has
  /// What is left when its edge draws in by so much, on a wall of this radius; corners stay sharp.
  /// The seam is no edge to what lies on both its sides.
  Region shrunkBy(Length by, Length radius) const;
  /// The stretches of a line that lie inside.
  std::vector<WallLine> stretchesOf(const WallLine& line) const;

  Length lowest() const;
  Length highest() const;
  /// The angles it covers, the second above the first, running on past the seam where it does; once
  /// round from seam to seam where it goes all round.
  std::pair<Angle, Angle> span() const;
  bool allRound() const;

  /// On the surface of this body: ∮ of the area below the edge, exact on rings and uprights.
  Area area(const Body& body) const;
  bool contains(WallPoint p) const;
  /// The outlines joined across the seam: what touches it on both sides is one piece, its left part
  /// carried on past 180°.
  std::vector<WallLine> joined() const;

 private:
  std::vector<WallLine> outlines_;
};

/// A place well inside a region, for its letter: the middle of its widest stretch half-way up.
WallPoint labelPlace(const Region& region);

}  // namespace avrelt

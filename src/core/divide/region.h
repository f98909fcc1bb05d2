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
/// What lies across the seam is cut there. Booleans by Clipper, in whole numbers (`wall_grid.h`),
/// so that what two parts share they share to the bit.
class Region {
 public:
  Region() = default;
  explicit Region(std::vector<WallLine> outlines) : outlines_(std::move(outlines)) {}
  /// Between two heights, all round or between two angles, which may run on past the seam.
  static Region band(Length low, Length high);
  static Region between(Angle from, Angle to, Length low, Length high);
  /// Inside an outline that may run past the seam on either side, folded back, between two heights.
  static Region folded(const WallLine& outline, Length low, Length high);

  const std::vector<WallLine>& outlines() const { return outlines_; }
  bool empty() const { return outlines_.empty(); }

  Region operator&(const Region& other) const;  ///< what both have
  Region operator-(const Region& other) const;  ///< what the other leaves
  Region operator|(const Region& other) const;  ///< what either has
  /// The stretches of a line that lie inside, in order along it and in its direction. The line may
  /// run on past the seam; the stretches are folded back into the frame, and end there.
  std::vector<WallLine> stretchesOf(const WallLine& line) const;

  Length lowest() const;
  Length highest() const;
  /// The angles it covers, the second above the first, running on past the seam where it does; once
  /// round from seam to seam where it goes all round.
  std::pair<Angle, Angle> span() const;
  /// Whether it closes on itself round the cup. What covers all angles but is parted somewhere, as
  /// by a V from rim to base, does not.
  bool allRound() const;

  /// On the surface of this body: ∮ of the area below the edge, exact on rings and uprights.
  Area area(const Body& body) const;
  bool contains(WallPoint p) const;
  /// The outlines of its patches (`patch.h`): what touches the seam on both sides is one part, its
  /// left part carried on past 180°.
  std::vector<WallLine> joined() const;

  friend bool operator==(const Region&, const Region&) = default;

 private:
  std::vector<WallLine> outlines_;
};

/// What outlines enclose on the surface of a body: ∮ of the area below the edge, exact on rings and
/// uprights.
Area enclosedArea(const std::vector<WallLine>& outlines, const Body& body);

/// A place well inside a region, for its letter: the middle of its widest stretch half-way up.
WallPoint labelPlace(const Region& region);
/// The same for the largest of its outlines in the frame; `otherwise` where it has none.
WallPoint middleOfLargest(const Region& region, WallPoint otherwise);

}  // namespace avrelt

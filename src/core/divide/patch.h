// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <optional>
#include <vector>

#include "divide/region.h"
#include "shape/polygon.h"

namespace avrelt {

/// A part of the wall that hangs together, as one shape: where it crosses the seam it is carried on
/// past it, and one that winds round the cup goes on by as many turns. No two of its places are one
/// on the cup.
struct Patch {
  WallLine outline;                ///< counter-clockwise
  std::vector<WallLine> openings;  ///< clockwise

  std::vector<WallLine> lines() const;
};

/// The parts of a region that hang together over the seam. What goes once round without an end
/// cannot be carried on: it stays cut at the seam, in as many patches as that leaves.
std::vector<Patch> patchesOf(const Region& region);
/// Whether some of a region closes on itself round the cup.
bool closesRound(const Region& region);
/// The same place on the wall, folded back into the frame.
Region regionOf(const Patch& patch);
Region regionOf(const std::vector<Patch>& patches);

/// What of a patch lies in a region, again in patches.
std::vector<Patch> within(const Patch& patch, const Region& region);

/// Both as one, the second carried on by so many turns to where they meet; nothing where they do
/// not hang together there.
std::optional<Patch> joined(const Patch& first, const Patch& second, int turns);

/// The largest part of a patch outside another, the other lying as it does; nothing where there is
/// none.
std::optional<Patch> outside(const Patch& patch, const Patch& other);

/// A patch drawn in by so much all round, square to its edge as that runs over the body; corners
/// stay sharp. None where nothing is left, several where it comes apart.
std::vector<Patch> drawnIn(const Patch& patch, Length by, const Body& body);
/// The same outwards.
std::vector<Patch> drawnOut(const Patch& patch, Length by, const Body& body);

/// What of the wall, to at least `reach` from a patch, lies nearer to those of its sides that are
/// asked for than to any other that is no part of the rim or the base, nor of the seam where the
/// patch goes all round; folded back into the frame. A side is told by its two ends in the frame.
Region nearerTo(const std::function<bool(WallPoint, WallPoint)>& asked, const Patch& patch,
                Length reach, const Body& body);

Area areaOf(const Patch& patch, const Body& body);
/// All its edges, openings' too, along the body's surface.
Length edgeOf(const Patch& patch, const Body& body);

/// What a blade and a weeding hook ask of a patch.
struct PatchMeasure {
  Area area;
  Length edge;

  /// How wide it is on average: the shorter side of the rectangle with its area and edge, or of the
  /// square where it is rounder than any.
  Length meanWidth() const;
};
PatchMeasure measureOf(const Patch& patch, const Body& body);

/// Whether a place on the cup lies in it.
bool contains(const Patch& patch, WallPoint p);
/// The angles it covers.
std::pair<Angle, Angle> spanOf(const Patch& patch);
/// Whether the seam cuts it in several.
bool crossesSeam(const Patch& patch);
/// On a cylinder of this radius rolled out.
Polygon onCylinder(const Patch& patch, Length radius);

/// A place well inside, for a letter: the middle of the widest stretch half-way up, or at another
/// height where that is clearly wider; not folded back.
WallPoint labelPlace(const std::vector<Patch>& patches);
/// The middle of its mass where that lies inside, or else a place well inside; not folded back.
WallPoint middleOf(const Patch& patch);

}  // namespace avrelt

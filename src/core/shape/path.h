// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "measure/length.h"
#include "shape/box.h"
#include "shape/point.h"

namespace avrelt {

/// One stretch of a path: from the end of the stretch before it to `end`, straight or along a
/// circle.
///
/// `bulge` is the tangent of a quarter of the angle the stretch turns through, positive to the
/// left: 0 is straight, 1 half a circle turning left. Unlike a radius it stays small and smooth as
/// an arc flattens to a line, so a cylinder needs no case of its own. |bulge| stays below 1e6,
/// which is a full circle to within a ten-thousandth of a degree.
struct Stretch {
  Point end;
  double bulge = 0;

  friend bool operator==(const Stretch&, const Stretch&) = default;
};

/// A line in the flat made of straight and circular stretches: the edge of a part (closed) or a
/// guide drawn on it (open). The edge of a part runs counter-clockwise, a hole in it clockwise.
///
/// A closed path ends where it starts; its last stretch says so outright. A path of no stretches
/// is a point.
struct Path {
  Point start;
  std::vector<Stretch> stretches;

  void lineTo(Point end) { stretches.push_back({end, 0}); }
  void arcTo(Point end, double bulge) { stretches.push_back({end, bulge}); }

  bool closed() const { return !stretches.empty() && stretches.back().end == start; }
  Point end() const { return stretches.empty() ? start : stretches.back().end; }

  friend bool operator==(const Path&, const Path&) = default;
};

/// What a circle through `from` and `stretch.end` looks like. Meaningful for bulges other than 0;
/// a nearly straight stretch has a huge radius and a centre far away.
struct ArcFigures {
  Point centre;
  double radius = 0;      // mm, positive
  double startAngle = 0;  // radians from the x axis, at the centre
  double sweep = 0;       // radians, positive to the left
};
ArcFigures arcFigures(Point from, const Stretch& stretch);

/// How far the middle of a stretch stands off its chord, in mm; 0 for a straight one.
double riseOf(Point from, const Stretch& stretch);

/// The place a share of the way along a stretch, 0 at its start and 1 at its end.
Point pointAlong(Point from, const Stretch& stretch, double share);

Length lengthOf(const Path& path);

/// What a closed path encloses, positive where it runs counter-clockwise. Exact: arcs count as
/// arcs, not as their chords.
Area areaOf(const Path& path);
/// Whether an outline is a circle: half circles all round.
bool isRound(const Path& path);

Box boundsOf(const Path& path);

/// The path as points no farther than `tolerance` (above 0) from the true curve. A closed path
/// does not repeat its first point. Arcs are divided evenly and begin and end on the curve.
std::vector<Point> flattened(const Path& path, Length tolerance);

Path movedBy(const Path& path, Point offset);

/// Turned a quarter to the left about the origin, as a long part is to fit a sheet.
Path turnedLeft(const Path& path);

}  // namespace avrelt

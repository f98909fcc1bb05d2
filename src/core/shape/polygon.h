// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "shape/box.h"
#include "shape/corner.h"
#include "shape/polyline.h"

namespace avrelt {

/// A part of the flat with straight edges: closed outlines in mm, counter-clockwise, holes
/// clockwise. Booleans by Clipper, in whole numbers of 1/10 000 mm.
using Polygon = std::vector<std::vector<Point>>;

/// Positive where an outline runs counter-clockwise, in mm².
double signedArea(const std::vector<Point>& outline);
double signedArea(const Polygon& polygon);
Box boundsOf(const Polygon& polygon);
/// The middle of its mass.
Point centroidOf(const Polygon& polygon);
/// Whether a place lies inside, by the even-odd rule.
bool contains(const Polygon& polygon, Point p);
/// Where its edges cross this height, from left to right: inside from the first to the second, from
/// the third to the fourth …
std::vector<double> cutsAt(const Polygon& polygon, double y);
Polygon movedBy(Polygon polygon, Point by);

/// What closed lines enclose: every second crossing with `evenOdd`, else whatever is wound round.
/// Self-crossings are resolved.
Polygon enclosedBy(const std::vector<Polyline>& lines, bool evenOdd);
/// The area lines cover when drawn this wide; usually with flat ends and sharp corners.
Polygon drawnWide(const std::vector<Polyline>& lines, Length width, const LineStyle& style = {});

Polygon unionOf(const std::vector<Polygon>& polygons);
Polygon operator&(const Polygon& a, const Polygon& b);
Polygon operator-(const Polygon& a, const Polygon& b);
/// Drawn in by so much, corners staying sharp.
Polygon shrunkBy(const Polygon& polygon, Length by);
/// Everything within so much of a polygon, or below 0 what of it is at least so far from its edge.
/// Round corners are true to 0.005 mm; sharp ones reach up to four times as far, then are cut off.
Polygon offsetBy(const Polygon& polygon, Length by, Corners corners);
/// The stretches of an open line that lie in a polygon, in no order.
std::vector<std::vector<Point>> within(const Polygon& polygon, const std::vector<Point>& line);
/// Moved by an affine map; outlines keep their sense where it mirrors.
Polygon mapped(const Polygon& polygon, const Transform& map);

/// Its separate parts, each one outline with the holes in it. Its outlines do not cross.
std::vector<Polygon> partsOf(const Polygon& polygon);

/// A line with those points left out that lie within `tolerance` of what is left (Douglas and
/// Peucker 1973).
std::vector<Point> simplified(const std::vector<Point>& outline, Length tolerance);

}  // namespace avrelt

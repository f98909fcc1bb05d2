// SPDX-License-Identifier: GPL-3.0-or-later
#include "shape/polygon.h"

#include <algorithm>
#include <cmath>

#include "shape/clipping.h"
#include "shape/grid.h"
#include "shape/segment.h"

namespace avrelt {
namespace {

/// Less than this, in square units, is dust of the rounding.
constexpr double dust = 1e-4 * gridPerMm * gridPerMm;
/// How far a round corner may stand off its circle, in units.
constexpr double roundTo = 0.005 * gridPerMm;

WholePath toPath(const std::vector<Point>& points) {
  WholePath path;
  path.reserve(points.size());
  for (const Point& p : points)
    path.emplace_back(std::llround(p.x * gridPerMm), std::llround(p.y * gridPerMm));
  return path;
}

WholePaths toPaths(const Polygon& polygon) {
  WholePaths paths;
  paths.reserve(polygon.size());
  for (const std::vector<Point>& outline : polygon) paths.push_back(toPath(outline));
  return paths;
}

std::vector<Point> fromPath(const WholePath& path) {
  std::vector<Point> points;
  points.reserve(path.size());
  for (const WholePoint& p : path) {
    points.push_back({static_cast<double>(p.X) / gridPerMm, static_cast<double>(p.Y) / gridPerMm});
  }
  return points;
}

Polygon fromPaths(const WholePaths& paths) {
  Polygon polygon;
  for (const WholePath& path : paths) {
    if (std::abs(ClipperLib::Area(path)) > dust) polygon.push_back(fromPath(path));
  }
  return polygon;
}

}  // namespace

double signedArea(const std::vector<Point>& outline) {
  double sum = 0;
  for (std::size_t i = 0; i < outline.size(); ++i) {
    sum += cross(outline[i], outline[(i + 1) % outline.size()]);
  }
  return sum / 2;
}

double signedArea(const Polygon& polygon) {
  double sum = 0;
  for (const std::vector<Point>& outline : polygon) sum += signedArea(outline);
  return sum;
}

Box boundsOf(const Polygon& polygon) {
  Box box;
  for (const std::vector<Point>& outline : polygon) {
    for (const Point& p : outline) box.add(p);
  }
  return box;
}

Point centroidOf(const Polygon& polygon) {
  if (polygon.empty()) return {};
  const Point origin = polygon.front().front();
  Point sum{0, 0};
  double area = 0;
  for (const std::vector<Point>& outline : polygon) {
    for (std::size_t i = 0; i < outline.size(); ++i) {
      const Point a = outline[i] - origin;
      const Point b = outline[(i + 1) % outline.size()] - origin;
      const double part = cross(a, b);
      area += part;
      sum = sum + part * (a + b);
    }
  }
  return std::abs(area) < 1e-12 ? origin : origin + sum * (1 / (3 * area));
}

bool contains(const Polygon& polygon, Point p) {
  bool inside = false;
  for (const std::vector<Point>& outline : polygon) {
    for (std::size_t i = 0; i < outline.size(); ++i) {
      const Point& a = outline[i];
      const Point& b = outline[(i + 1) % outline.size()];
      if ((a.y > p.y) == (b.y > p.y)) continue;
      if (p.x < a.x + (b.x - a.x) * (p.y - a.y) / (b.y - a.y)) inside = !inside;
    }
  }
  return inside;
}

std::vector<double> cutsAt(const Polygon& polygon, double y) {
  std::vector<double> cuts;
  for (const std::vector<Point>& outline : polygon) {
    for (std::size_t i = 0; i < outline.size(); ++i) {
      const Point& a = outline[i];
      const Point& b = outline[(i + 1) % outline.size()];
      if ((a.y > y) != (b.y > y)) cuts.push_back(a.x + (b.x - a.x) * (y - a.y) / (b.y - a.y));
    }
  }
  std::sort(cuts.begin(), cuts.end());
  return cuts;
}

Polygon movedBy(Polygon polygon, Point by) {
  for (std::vector<Point>& outline : polygon) {
    for (Point& p : outline) p = p + by;
  }
  return polygon;
}

Polygon enclosedBy(const std::vector<Polyline>& lines, bool evenOdd) {
  WholePaths paths;
  for (const Polyline& line : lines) paths.push_back(toPath(line.points));
  return fromPaths(combined(paths, {}, Combine::either, dust, evenOdd));
}

Polygon drawnWide(const std::vector<Polyline>& lines, Length width, const LineStyle& style) {
  WholePaths closed;
  WholePaths open;
  for (const Polyline& line : lines) (line.closed ? closed : open).push_back(toPath(line.points));
  return fromPaths(drawnWide(closed, open, width.mm() / 2 * gridPerMm, style, roundTo));
}

Polygon unionOf(const std::vector<Polygon>& polygons) {
  WholePaths all;
  for (const Polygon& polygon : polygons) {
    for (WholePath& path : toPaths(polygon)) all.push_back(std::move(path));
  }
  return fromPaths(combined(all, {}, Combine::either, dust));
}

Polygon operator&(const Polygon& a, const Polygon& b) {
  return fromPaths(combined(toPaths(a), toPaths(b), Combine::both, dust));
}

Polygon operator-(const Polygon& a, const Polygon& b) {
  return fromPaths(combined(toPaths(a), toPaths(b), Combine::first, dust));
}

Polygon shrunkBy(const Polygon& polygon, Length by) {
  if (by <= Length()) return polygon;
  return fromPaths(drawnOut(toPaths(polygon), -by.mm() * gridPerMm));
}

Polygon offsetBy(const Polygon& polygon, Length by, Corners corners) {
  if (by == Length()) return polygon;
  return fromPaths(drawnOut(toPaths(polygon), by.mm() * gridPerMm, corners, roundTo));
}

std::vector<std::vector<Point>> within(const Polygon& polygon, const std::vector<Point>& line) {
  std::vector<std::vector<Point>> stretches;
  for (const WholePath& stretch : openWithin(toPath(line), toPaths(polygon))) {
    if (stretch.size() > 1) stretches.push_back(fromPath(stretch));
  }
  return stretches;
}

Polygon mapped(const Polygon& polygon, const Transform& map) {
  Polygon result = polygon;
  const bool mirrors = map.determinant() < 0;
  for (std::vector<Point>& outline : result) {
    for (Point& p : outline) p = map(p);
    if (mirrors) std::reverse(outline.begin(), outline.end());
  }
  return result;
}

std::vector<Polygon> partsOf(const Polygon& polygon) {
  if (polygon.size() == 1 && signedArea(polygon) > 0) return {polygon};
  std::vector<Polygon> parts;
  for (const WholePart& part : combinedParts(toPaths(polygon), {}, Combine::either, dust)) {
    parts.push_back(fromPaths(part.paths()));
  }
  return parts;
}

std::vector<Point> simplified(const std::vector<Point>& outline, Length tolerance) {
  if (outline.size() < 4) return outline;
  // Between the first point and the one farthest from it, each way round; without recursion.
  std::vector<bool> kept(outline.size() + 1, false);
  const auto at = [&](std::size_t i) { return outline[i % outline.size()]; };
  const auto square = [](Point p) { return dot(p, p); };
  std::size_t far = 0;
  for (std::size_t i = 0; i < outline.size(); ++i) {
    if (square(outline[i] - outline[0]) > square(outline[far] - outline[0])) far = i;
  }
  kept[0] = kept[far] = kept[outline.size()] = true;
  const double enough = tolerance.mm() * tolerance.mm();
  std::vector<std::pair<std::size_t, std::size_t>> open{{0, far}, {far, outline.size()}};
  while (!open.empty()) {
    const auto [from, to] = open.back();
    open.pop_back();
    double most = 0;
    std::size_t worst = from;
    for (std::size_t i = from + 1; i < to; ++i) {
      const double distance = squareDistance(outline[i], at(from), at(to));
      if (distance <= most) continue;
      most = distance;
      worst = i;
    }
    if (most <= enough) continue;
    kept[worst] = true;
    open.emplace_back(from, worst);
    open.emplace_back(worst, to);
  }
  std::vector<Point> rest;
  for (std::size_t i = 0; i < outline.size(); ++i) {
    if (kept[i]) rest.push_back(outline[i]);
  }
  return rest.size() < 3 ? outline : rest;
}

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#include "shape/polygon.h"

#include <algorithm>
#include <cmath>
#include <polyclipping/clipper.hpp>

#include "shape/segment.h"

namespace avrelt {
namespace {

namespace cl = ClipperLib;

constexpr double perMm = 1e4;
/// Less than this, in square units, is dust of the rounding.
constexpr double dust = 1e-4 * perMm * perMm;

cl::Path toPath(const std::vector<Point>& points) {
  cl::Path path;
  path.reserve(points.size());
  for (const Point& p : points)
    path.emplace_back(std::llround(p.x * perMm), std::llround(p.y * perMm));
  return path;
}

std::vector<Point> fromPath(const cl::Path& path) {
  std::vector<Point> points;
  points.reserve(path.size());
  for (const cl::IntPoint& p : path) {
    points.push_back({static_cast<double>(p.X) / perMm, static_cast<double>(p.Y) / perMm});
  }
  return points;
}

Polygon fromPaths(const cl::Paths& paths) {
  Polygon polygon;
  for (const cl::Path& path : paths) {
    if (std::abs(cl::Area(path)) > dust) polygon.push_back(fromPath(path));
  }
  return polygon;
}

void add(cl::Clipper& clipper, const Polygon& polygon, cl::PolyType type) {
  for (const std::vector<Point>& outline : polygon) clipper.AddPath(toPath(outline), type, true);
}

Polygon combine(const Polygon& subject, const Polygon& clip, cl::ClipType how) {
  cl::Clipper clipper;
  add(clipper, subject, cl::ptSubject);
  add(clipper, clip, cl::ptClip);
  cl::Paths result;
  clipper.Execute(how, result, cl::pftNonZero, cl::pftNonZero);
  return fromPaths(result);
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

Polygon movedBy(Polygon polygon, Point by) {
  for (std::vector<Point>& outline : polygon) {
    for (Point& p : outline) p = p + by;
  }
  return polygon;
}

Polygon enclosedBy(const std::vector<Polyline>& lines, bool evenOdd) {
  cl::Clipper clipper;
  for (const Polyline& line : lines) clipper.AddPath(toPath(line.points), cl::ptSubject, true);
  cl::Paths result;
  const cl::PolyFillType rule = evenOdd ? cl::pftEvenOdd : cl::pftNonZero;
  clipper.Execute(cl::ctUnion, result, rule, rule);
  return fromPaths(result);
}

Polygon drawnWide(const std::vector<Polyline>& lines, Length width) {
  cl::ClipperOffset offset(4.0);
  for (const Polyline& line : lines) {
    offset.AddPath(toPath(line.points), cl::jtMiter,
                   line.closed ? cl::etClosedLine : cl::etOpenButt);
  }
  cl::Paths result;
  offset.Execute(result, width.mm() / 2 * perMm);
  return fromPaths(result);
}

Polygon unionOf(const std::vector<Polygon>& polygons) {
  cl::Clipper clipper;
  for (const Polygon& polygon : polygons) add(clipper, polygon, cl::ptSubject);
  cl::Paths result;
  clipper.Execute(cl::ctUnion, result, cl::pftNonZero, cl::pftNonZero);
  return fromPaths(result);
}

Polygon operator&(const Polygon& a, const Polygon& b) {
  return combine(a, b, cl::ctIntersection);
}

Polygon operator-(const Polygon& a, const Polygon& b) {
  return combine(a, b, cl::ctDifference);
}

Polygon shrunkBy(const Polygon& polygon, Length by) {
  if (by <= Length()) return polygon;
  cl::ClipperOffset offset(4.0);
  for (const std::vector<Point>& outline : polygon) {
    offset.AddPath(toPath(outline), cl::jtMiter, cl::etClosedPolygon);
  }
  cl::Paths result;
  offset.Execute(result, -by.mm() * perMm);
  return fromPaths(result);
}

std::vector<Polygon> partsOf(const Polygon& polygon) {
  if (polygon.size() == 1 && signedArea(polygon) > 0) return {polygon};
  cl::Clipper clipper;
  add(clipper, polygon, cl::ptSubject);
  cl::PolyTree tree;
  clipper.Execute(cl::ctUnion, tree, cl::pftNonZero, cl::pftNonZero);
  std::vector<Polygon> parts;
  for (const cl::PolyNode* node = tree.GetFirst(); node != nullptr; node = node->GetNext()) {
    if (node->IsHole()) continue;
    cl::Paths paths{node->Contour};
    for (const cl::PolyNode* hole : node->Childs) paths.push_back(hole->Contour);
    Polygon part = fromPaths(paths);
    if (!part.empty() && signedArea(part.front()) > 0) parts.push_back(std::move(part));
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

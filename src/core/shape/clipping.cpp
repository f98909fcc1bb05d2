// SPDX-License-Identifier: GPL-3.0-or-later
#include "shape/clipping.h"

#include <algorithm>
#include <cmath>
#include <functional>
#include <unordered_map>

namespace avrelt {
namespace {

namespace cl = ClipperLib;

constexpr double sharp = 4;  // times the offset that a corner may reach

cl::ClipType typeOf(Combine how) {
  switch (how) {
    case Combine::both:
      return cl::ctIntersection;
    case Combine::first:
      return cl::ctDifference;
    case Combine::either:
      break;
  }
  return cl::ctUnion;
}

void dropDust(WholePaths& paths, double dust) {
  paths.erase(
      std::remove_if(paths.begin(), paths.end(),
                     [dust](const WholePath& path) { return std::abs(cl::Area(path)) <= dust; }),
      paths.end());
}

/// A corner of an outline may stand on one of its level or upright sides, as the point of a V does
/// on the base: that side gets a corner there too. On slanting sides the grid lets none stand.
WholePath withTouches(const WholePath& path) {
  struct Side {
    cl::cInt low;
    cl::cInt high;
    std::size_t index;
  };
  std::unordered_map<cl::cInt, std::vector<Side>> uprights;
  std::unordered_map<cl::cInt, std::vector<Side>> levels;
  const std::size_t count = path.size();
  for (std::size_t i = 0; i < count; ++i) {
    const WholePoint& a = path[i];
    const WholePoint& b = path[(i + 1) % count];
    if (a.X == b.X) uprights[a.X].push_back({std::min(a.Y, b.Y), std::max(a.Y, b.Y), i});
    if (a.Y == b.Y) levels[a.Y].push_back({std::min(a.X, b.X), std::max(a.X, b.X), i});
  }
  if (uprights.empty() && levels.empty()) return path;
  std::vector<std::pair<std::size_t, WholePoint>> touches;
  const auto find = [&](const auto& sides, cl::cInt line, cl::cInt along, const WholePoint& p) {
    const auto here = sides.find(line);
    if (here == sides.end()) return;
    for (const Side& side : here->second) {
      if (side.low < along && along < side.high) touches.emplace_back(side.index, p);
    }
  };
  for (const WholePoint& p : path) {
    find(uprights, p.X, p.Y, p);
    find(levels, p.Y, p.X, p);
  }
  if (touches.empty()) return path;
  const auto off = [&path](const auto& touch) {
    const WholePoint& a = path[touch.first];
    return std::abs(touch.second.X - a.X) + std::abs(touch.second.Y - a.Y);
  };
  std::sort(touches.begin(), touches.end(), [&](const auto& a, const auto& b) {
    return a.first != b.first ? a.first < b.first : off(a) < off(b);
  });
  WholePath with;
  auto next = touches.begin();
  for (std::size_t i = 0; i < count; ++i) {
    with.push_back(path[i]);
    for (; next != touches.end() && next->first == i; ++next) with.push_back(next->second);
  }
  return with;
}

/// An outline parted wherever it comes back to a place it has been at: simple ones, each of which
/// keeps its sense.
void part(WholePath path, WholePaths& simple) {
  WholePath sorted = path;
  std::sort(sorted.begin(), sorted.end(), [](const WholePoint& a, const WholePoint& b) {
    return a.X != b.X ? a.X < b.X : a.Y < b.Y;
  });
  // Most come back to none.
  if (std::adjacent_find(sorted.begin(), sorted.end()) == sorted.end()) {
    if (path.size() > 2) simple.push_back(std::move(path));
    return;
  }
  struct Place {
    std::size_t operator()(const WholePoint& p) const {
      return std::hash<cl::cInt>()(p.X) * 31 + std::hash<cl::cInt>()(p.Y);
    }
  };
  WholePath open;
  std::unordered_map<WholePoint, std::size_t, Place> places;
  for (const WholePoint& p : path) {
    const auto before = places.find(p);
    if (before == places.end()) {
      places.emplace(p, open.size());
      open.push_back(p);
      continue;
    }
    // The loop from there to here is one of its own.
    const std::size_t from = before->second;
    WholePath loop(open.begin() + static_cast<std::ptrdiff_t>(from), open.end());
    for (std::size_t i = from + 1; i < open.size(); ++i) places.erase(open[i]);
    open.resize(from + 1);
    if (loop.size() > 2) simple.push_back(std::move(loop));
  }
  if (open.size() > 2) simple.push_back(std::move(open));
}

/// A place well inside a simple outline: the middle of the widest of three levels across it.
/// Corners will not do: those that stand on another outline may lie beside it by the last rounding.
WholePoint placeIn(const WholePath& path) {
  const auto [low, high] = std::minmax_element(
      path.begin(), path.end(), [](const WholePoint& a, const WholePoint& b) { return a.Y < b.Y; });
  WholePoint best = path.front();
  double widest = -1;
  for (const int quarters : {2, 1, 3}) {
    const cl::cInt y = low->Y + (high->Y - low->Y) / 4 * quarters;
    std::vector<double> crossed;
    for (std::size_t i = 0; i < path.size(); ++i) {
      const WholePoint& a = path[i];
      const WholePoint& b = path[(i + 1) % path.size()];
      if ((a.Y <= y) == (b.Y <= y)) continue;
      const double share = static_cast<double>(y - a.Y) / static_cast<double>(b.Y - a.Y);
      crossed.push_back(static_cast<double>(a.X) + static_cast<double>(b.X - a.X) * share);
    }
    std::sort(crossed.begin(), crossed.end());
    for (std::size_t i = 0; i + 1 < crossed.size(); i += 2) {
      if (crossed[i + 1] - crossed[i] <= widest) continue;
      widest = crossed[i + 1] - crossed[i];
      best = {std::llround((crossed[i] + crossed[i + 1]) / 2), y};
    }
  }
  return best;
}

struct Bounds {
  WholePoint low;
  WholePoint high;
  bool holds(const WholePoint& p) const {
    return low.X <= p.X && low.Y <= p.Y && high.X >= p.X && high.Y >= p.Y;
  }
};

Bounds boundsOf(const WholePath& path) {
  Bounds bounds{path.front(), path.front()};
  for (const WholePoint& p : path) {
    bounds.low = {std::min(bounds.low.X, p.X), std::min(bounds.low.Y, p.Y)};
    bounds.high = {std::max(bounds.high.X, p.X), std::max(bounds.high.Y, p.Y)};
  }
  return bounds;
}

}  // namespace

WholePaths WholePart::paths() const {
  WholePaths all{outline};
  all.insert(all.end(), openings.begin(), openings.end());
  return all;
}

WholePaths combined(const WholePaths& first, const WholePaths& second, Combine how, double dust,
                    bool evenOdd) {
  // Clipper's own way to make outlines simple compares each point with each other one.
  cl::Clipper clipper;
  clipper.AddPaths(first, cl::ptSubject, true);
  clipper.AddPaths(second, cl::ptClip, true);
  WholePaths touching;
  clipper.Execute(typeOf(how), touching, evenOdd ? cl::pftEvenOdd : cl::pftNonZero, cl::pftNonZero);
  WholePaths result;
  for (const WholePath& path : touching) part(withTouches(path), result);
  dropDust(result, dust);
  return result;
}

std::vector<WholePart> combinedParts(const WholePaths& first, const WholePaths& second, Combine how,
                                     double dust) {
  std::vector<WholePart> parts;
  std::vector<Bounds> bounds;
  WholePaths openings;
  for (WholePath& path : combined(first, second, how, dust)) {
    if (cl::Area(path) > 0) {
      bounds.push_back(boundsOf(path));
      parts.push_back({std::move(path), {}});
    } else {
      openings.push_back(std::move(path));
    }
  }
  for (WholePath& opening : openings) {
    // In the smallest outline round it; what is smaller than it lies in it.
    const WholePoint place = placeIn(opening);
    const double own = std::abs(cl::Area(opening));
    WholePart* around = nullptr;
    double least = HUGE_VAL;
    for (std::size_t i = 0; i < parts.size(); ++i) {
      if (!bounds[i].holds(place)) continue;
      const double area = cl::Area(parts[i].outline);
      if (area < own || area >= least || cl::PointInPolygon(place, parts[i].outline) == 0) continue;
      least = area;
      around = &parts[i];
    }
    if (around != nullptr) around->openings.push_back(std::move(opening));
  }
  return parts;
}

WholePaths openWithin(const WholePath& line, const WholePaths& inside) {
  cl::Clipper clipper;
  clipper.AddPath(line, cl::ptSubject, false);
  clipper.AddPaths(inside, cl::ptClip, true);
  cl::PolyTree tree;
  clipper.Execute(cl::ctIntersection, tree, cl::pftNonZero, cl::pftNonZero);
  WholePaths open;
  cl::OpenPathsFromPolyTree(tree, open);
  return open;
}

WholePaths drawnOut(const WholePaths& paths, double by) {
  cl::ClipperOffset offset(sharp);
  offset.AddPaths(paths, cl::jtMiter, cl::etClosedPolygon);
  WholePaths result;
  offset.Execute(result, by);
  return result;
}

WholePaths drawnOut(const WholePaths& paths, double by, Corners corners, double roundTo) {
  cl::ClipperOffset offset(sharp, roundTo);
  offset.AddPaths(paths, corners == Corners::round ? cl::jtRound : cl::jtMiter,
                  cl::etClosedPolygon);
  WholePaths result;
  offset.Execute(result, by);
  return result;
}

WholePaths drawnWide(const WholePaths& closed, const WholePaths& open, double half,
                     const LineStyle& style, double roundTo) {
  const cl::JoinType join = style.join == LineJoin::round   ? cl::jtRound
                            : style.join == LineJoin::bevel ? cl::jtSquare
                                                            : cl::jtMiter;
  const cl::EndType end = style.cap == LineCap::round    ? cl::etOpenRound
                          : style.cap == LineCap::square ? cl::etOpenSquare
                                                         : cl::etOpenButt;
  cl::ClipperOffset offset(style.mitreLimit, roundTo);
  offset.AddPaths(closed, join, cl::etClosedLine);
  offset.AddPaths(open, join, end);
  WholePaths result;
  offset.Execute(result, half);
  return result;
}

}  // namespace avrelt

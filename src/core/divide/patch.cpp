// SPDX-License-Identifier: GPL-3.0-or-later
#include "divide/patch.h"

#include <algorithm>
#include <cmath>
#include <deque>
#include <numbers>
#include <optional>

#include "divide/flat_outline.h"
#include "divide/wall_grid.h"
#include "divide/wall_line.h"
#include "shape/nearer.h"

namespace avrelt {
namespace {

using namespace wall_grid;
using ClipperLib::cInt;
using std::numbers::pi;

Patch patchFrom(const WholePart& part) {
  Patch patch{fromPath(part.outline), {}};
  for (const WholePath& opening : part.openings) patch.openings.push_back(fromPath(opening));
  return patch;
}

std::vector<Patch> patchesFrom(const std::vector<WholePart>& parts) {
  std::vector<Patch> patches;
  patches.reserve(parts.size());
  for (const WholePart& part : parts) patches.push_back(patchFrom(part));
  return patches;
}

/// Where a part lies along the frame's left or right edge, up the wall.
struct AtEdge {
  std::size_t part;
  cInt low;
  cInt high;
};

std::vector<AtEdge> atEdge(const std::vector<WholePart>& parts, cInt edge) {
  std::vector<AtEdge> found;
  for (std::size_t i = 0; i < parts.size(); ++i) {
    for (const WholePath& path : parts[i].paths()) {
      for (std::size_t k = 0; k < path.size(); ++k) {
        const WholePoint& a = path[k];
        const WholePoint& b = path[(k + 1) % path.size()];
        if (a.X != edge || b.X != edge || a.Y == b.Y) continue;
        found.push_back({i, std::min(a.Y, b.Y), std::max(a.Y, b.Y)});
      }
    }
  }
  return found;
}

/// Which parts meet over the seam: the first at its left, the second at its right.
std::vector<std::pair<std::size_t, std::size_t>> overSeam(const std::vector<WholePart>& parts) {
  constexpr cInt least = 1000;  // a thousandth of a millimetre
  std::vector<std::pair<std::size_t, std::size_t>> pairs;
  const std::vector<AtEdge> left = atEdge(parts, -halfTurn);
  for (const AtEdge& right : atEdge(parts, halfTurn)) {
    for (const AtEdge& other : left) {
      if (std::min(right.high, other.high) - std::max(right.low, other.low) < least) continue;
      pairs.emplace_back(right.part, other.part);
    }
  }
  return pairs;
}

/// What lies on the frame's edges but for the last rounding is brought onto them.
WholePaths onFrame(const Region& region) {
  WholePaths paths = toPaths(region.outlines());
  for (WholePath& path : paths) {
    for (WholePoint& p : path) {
      if (std::abs(std::abs(p.X) - halfTurn) <= onFrameEdge) p.X = p.X < 0 ? -halfTurn : halfTurn;
    }
  }
  return paths;
}

/// A wall that is as good as this one near a patch, rolled out with the patch in its middle, so
/// that lengths there are true: the cone that touches the body half-way up it.
class Local {
 public:
  Local(const Patch& patch, const Body& body)
      : middle_((spanOf(patch).first + spanOf(patch).second) / 2), cone_(touching(patch, body)) {
    const Angle half = (spanOf(patch).second - spanOf(patch).first) / 2;
    // A helix of several turns would lie over itself: it is taken on a cylinder.
    if (std::abs(cone_.taper()) * half.radians() > 0.9 * pi) {
      cone_ = Development::cone(cone_.radius(height_), 0, body.wall());
    }
  }

  WholePath rolled(const WallLine& line) const {
    WallLine moved = line;
    for (WallPoint& p : moved) p.theta = p.theta - middle_;
    WholePath path;
    for (const Point& p : inFlat(moved, true, cone_, curveTolerance)) {
      path.emplace_back(std::llround(p.x * perMm), std::llround(p.y * perMm));
    }
    return path;
  }
  /// A line that is not closed, in mm.
  std::vector<Point> rolledOpen(WallLine line) const {
    for (WallPoint& p : line) p.theta = p.theta - middle_;
    return inFlat(line, false, cone_, curveTolerance);
  }
  WallLine back(const WholePath& path) const {
    std::vector<Point> line;
    line.reserve(path.size());
    for (const WholePoint& p : path) {
      line.push_back({static_cast<double>(p.X) / perMm, static_cast<double>(p.Y) / perMm});
    }
    return back(line);
  }
  WallLine back(const std::vector<Point>& points) const {
    WallLine line;
    line.reserve(points.size());
    for (const Point& p : points) {
      const WallPoint at = cone_.toWall(p);
      line.push_back(fromWhole(toWhole({at.theta + middle_, at.s})));
    }
    return line;
  }

 private:
  Development touching(const Patch& patch, const Body& body) {
    double low = HUGE_VAL;
    double high = -HUGE_VAL;
    for (const WallPoint& p : patch.outline) {
      low = std::min(low, p.s.mm());
      high = std::max(high, p.s.mm());
    }
    height_ = Length::mm((low + high) / 2);
    const double k = body.taper(height_);
    return Development::cone(body.radius(height_) - height_ * k, k, body.wall());
  }

  Length height_;
  Angle middle_;
  Development cone_;
};

std::vector<Patch> offset(const Patch& patch, Length by, const Body& body) {
  const Local local(patch, body);
  WholePaths paths;
  for (const WallLine& line : patch.lines()) paths.push_back(local.rolled(line));
  std::vector<Patch> patches;
  for (const WholePart& part :
       combinedParts(drawnOut(paths, by.mm() * perMm), {}, Combine::either, dust)) {
    Patch made{local.back(part.outline), {}};
    for (const WholePath& opening : part.openings) made.openings.push_back(local.back(opening));
    patches.push_back(std::move(made));
  }
  return patches;
}

/// A convex outline drawn in, every side kept: each corner where its two sides, moved square to
/// themselves, meet, by the radius there. Nothing where a side would vanish, or where it is not
/// convex: then it takes Clipper.
std::optional<WallLine> convexDrawnIn(const WallLine& outline, double by, const Body& body) {
  // Along a side that goes up a taper the wall's radius changes: it is taken in steps.
  constexpr double muchRadius = 0.04;
  WallLine line;
  line.reserve(outline.size());
  std::vector<double> radii;
  radii.reserve(outline.size());
  for (std::size_t i = 0; i < outline.size(); ++i) {
    const WallPoint& a = outline[i];
    const WallPoint& b = outline[(i + 1) % outline.size()];
    const double ra = body.radius(a.s).mm();
    line.push_back(a);
    radii.push_back(ra);
    const double change = std::abs(body.radius(b.s).mm() / ra - 1);
    const int steps = std::min(64, static_cast<int>(change / muchRadius) + 1);
    for (int step = 1; step < steps; ++step) {
      const double share = static_cast<double>(step) / steps;
      line.push_back({a.theta + (b.theta - a.theta) * share, a.s + (b.s - a.s) * share});
      radii.push_back(body.radius(line.back().s).mm());
    }
  }
  const std::size_t count = line.size();
  if (count < 3) return std::nullopt;
  const auto side = [&](std::size_t from, std::size_t to, double r) {
    return Point{(line[to].theta - line[from].theta).radians() * r,
                 (line[to].s - line[from].s).mm()};
  };
  WallLine drawn;
  drawn.reserve(count);
  for (std::size_t i = 0; i < count; ++i) {
    Point before = side((i + count - 1) % count, i, radii[i]);
    Point after = side(i, (i + 1) % count, radii[i]);
    const double lengthBefore = norm(before);
    const double lengthAfter = norm(after);
    if (lengthBefore < 1e-3 || lengthAfter < 1e-3) return std::nullopt;
    before = before * (1 / lengthBefore);
    after = after * (1 / lengthAfter);
    const double turns = cross(before, after);
    const double same = dot(before, after);
    if (turns < -1e-4 || same < -0.99) return std::nullopt;
    Point at = turnedLeft(after) * by;
    if (turns > 1e-6) at = at + after * (by * (1 - same) / turns);
    drawn.push_back(
        {line[i].theta + Angle::radians(at.x / radii[i]), line[i].s + Length::mm(at.y)});
  }
  for (std::size_t i = 0; i < count; ++i) {
    const std::size_t next = (i + 1) % count;
    const Point was = side(i, next, radii[i]);
    const Point is{(drawn[next].theta - drawn[i].theta).radians() * radii[i],
                   (drawn[next].s - drawn[i].s).mm()};
    if (dot(is, was) < 1e-3 * norm(was)) return std::nullopt;
  }
  for (WallPoint& p : drawn) p = fromWhole(toWhole(p));
  return drawn;
}

}  // namespace

std::vector<WallLine> Patch::lines() const {
  std::vector<WallLine> all{outline};
  all.insert(all.end(), openings.begin(), openings.end());
  return all;
}

namespace {

/// The patches of a region, and whether one of them closes on itself round the cup.
std::vector<Patch> carriedOn(const Region& region, bool& closes) {
  closes = false;
  if (region.empty()) return {};
  const std::vector<WholePart> parts = combinedParts(onFrame(region), {}, Combine::either, dust);
  const std::vector<std::pair<std::size_t, std::size_t>> pairs = overSeam(parts);
  if (pairs.empty()) return patchesFrom(parts);
  // By how many turns each part is carried on, going out from one of each group.
  std::vector<std::optional<cInt>> turns(parts.size());
  std::vector<Patch> patches;
  for (std::size_t start = 0; start < parts.size(); ++start) {
    if (turns[start]) continue;
    turns[start] = 0;
    std::vector<std::size_t> group{start};
    bool round = false;
    for (std::size_t next = 0; next < group.size(); ++next) {
      const auto meet = [&](std::size_t other, cInt at) {
        if (!turns[other]) {
          turns[other] = at;
          group.push_back(other);
        } else if (*turns[other] != at) {
          round = true;
        }
      };
      for (const auto& [left, right] : pairs) {
        if (left == group[next]) meet(right, *turns[group[next]] + 1);
        if (right == group[next]) meet(left, *turns[group[next]] - 1);
      }
    }
    closes = closes || round;
    if (group.size() == 1 || round) {
      for (const std::size_t i : group) patches.push_back(patchFrom(parts[i]));
      continue;
    }
    cInt least = 0;
    for (const std::size_t i : group) least = std::min(least, *turns[i]);
    WholePaths together;
    for (const std::size_t i : group) {
      for (WholePath path : parts[i].paths()) {
        moveBy(path, (*turns[i] - least) * turn);
        together.push_back(std::move(path));
      }
    }
    for (const WholePart& part : combinedParts(together, {}, Combine::either, dust)) {
      patches.push_back(patchFrom(part));
    }
  }
  return patches;
}

}  // namespace

std::vector<Patch> patchesOf(const Region& region) {
  bool closes = false;
  return carriedOn(region, closes);
}

bool closesRound(const Region& region) {
  bool closes = false;
  carriedOn(region, closes);
  return closes;
}

Region regionOf(const Patch& patch) {
  const WholePaths paths = toPaths(patch.lines());
  const Turns turns = turnsOf(paths.front());
  if (turns.first == 0 && turns.last == 0) return Region(patch.lines());
  std::vector<WallLine> outlines;
  cInt low = paths.front().front().Y;
  cInt high = low;
  for (const WholePoint& p : paths.front()) {
    low = std::min(low, p.Y);
    high = std::max(high, p.Y);
  }
  for (cInt t = turns.first; t <= turns.last; ++t) {
    const cInt left = t * turn - halfTurn;
    const WholePath frame{
        {left, low - 1}, {left + turn, low - 1}, {left + turn, high + 1}, {left, high + 1}};
    for (WholePath& path : combined(paths, {frame}, Combine::both, dust)) {
      moveBy(path, -t * turn);
      outlines.push_back(fromPath(path));
    }
  }
  return Region(std::move(outlines));
}

Region regionOf(const std::vector<Patch>& patches) {
  std::vector<WallLine> outlines;
  for (const Patch& patch : patches) {
    const Region part = regionOf(patch);
    outlines.insert(outlines.end(), part.outlines().begin(), part.outlines().end());
  }
  return Region(std::move(outlines));
}

std::vector<Patch> within(const Patch& patch, const Region& region) {
  const WholePaths paths = toPaths(patch.lines());
  const Turns turns = turnsOf(paths.front());
  const WholePaths frame = onFrame(region);
  WholePaths all;
  for (cInt t = turns.first; t <= turns.last; ++t) {
    for (WholePath path : frame) {
      moveBy(path, t * turn);
      all.push_back(std::move(path));
    }
  }
  return patchesFrom(combinedParts(paths, all, Combine::both, dust));
}

std::optional<Patch> joined(const Patch& first, const Patch& second, int turns) {
  WholePaths paths = toPaths(first.lines());
  for (const WallLine& line : second.lines()) {
    WholePath path = toPath(line);
    moveBy(path, turns * turn);
    paths.push_back(std::move(path));
  }
  // Where a corner of one lies on a side of the other, the whole numbers leave a gap of one between
  // them: it is closed by drawing out and in again.
  constexpr double gap = 100;
  std::vector<WholePart> parts = combinedParts(paths, {}, Combine::either, dust);
  if (parts.size() > 1) {
    parts = combinedParts(drawnOut(combined(drawnOut(paths, gap), {}, Combine::either, dust), -gap),
                          {}, Combine::either, dust);
  }
  if (parts.size() != 1) return std::nullopt;
  return patchFrom(parts.front());
}

std::optional<Patch> outside(const Patch& patch, const Patch& other) {
  const std::vector<WholePart> parts =
      combinedParts(toPaths(patch.lines()), toPaths(other.lines()), Combine::first, dust);
  const auto largest =
      std::max_element(parts.begin(), parts.end(), [](const WholePart& a, const WholePart& b) {
        return ClipperLib::Area(a.outline) < ClipperLib::Area(b.outline);
      });
  if (largest == parts.end()) return std::nullopt;
  return patchFrom(*largest);
}

std::vector<Patch> drawnIn(const Patch& patch, Length by, const Body& body) {
  if (by <= Length()) return {patch};
  if (patch.openings.empty()) {
    if (std::optional<WallLine> drawn = convexDrawnIn(patch.outline, by.mm(), body)) {
      return {Patch{std::move(*drawn), {}}};
    }
  }
  return offset(patch, -by, body);
}

std::vector<Patch> drawnOut(const Patch& patch, Length by, const Body& body) {
  return offset(patch, by, body);
}

Area areaOf(const Patch& patch, const Body& body) {
  return enclosedArea(patch.lines(), body);
}

Length edgeOf(const Patch& patch, const Body& body) {
  double length = 0;
  for (const WallLine& line : patch.lines()) {
    for (std::size_t i = 0; i < line.size(); ++i) {
      const WallPoint& a = line[i];
      const WallPoint& b = line[(i + 1) % line.size()];
      const double r = body.radius((a.s + b.s) / 2).mm();
      length += std::hypot((b.theta - a.theta).radians() * r, (b.s - a.s).mm());
    }
  }
  return Length::mm(length);
}

Length PatchMeasure::meanWidth() const {
  const double left = edge.mm() * edge.mm() - 16 * area.mm2();
  return Length::mm(left <= 0 ? std::sqrt(std::max(area.mm2(), 0.0))
                              : (edge.mm() - std::sqrt(left)) / 4);
}

Region nearerTo(const std::function<bool(WallPoint, WallPoint)>& asked, const Patch& patch,
                Length reach, const Body& body) {
  constexpr Length onEdge = Length::mm(1e-5);
  const Local local(patch, body);
  const auto [left, right] = spanOf(patch);
  // What goes all round meets itself over the seam.
  const bool round = right - left > Angle::turn() - Angle::radians(1e-6);
  std::vector<SideOfTwo> sides;
  for (const WallLine& line : patch.lines()) {
    for (std::size_t i = 0; i < line.size(); ++i) {
      const WallPoint& a = line[i];
      const WallPoint& b = line[(i + 1) % line.size()];
      const bool edge = (a.s < onEdge && b.s < onEdge) ||
                        (a.s > body.wall() - onEdge && b.s > body.wall() - onEdge);
      // A patch is carried on over the seam, so a side on it is an edge like any other; but where
      // it goes all round, it is only cut there.
      if (edge || (round && alongSeam(a, b))) continue;
      const bool one = asked(a, b);
      for (const int turns : {0, -1, 1}) {
        if (turns != 0 && !round) continue;
        WallLine moved{a, b};
        for (WallPoint& p : moved) p.theta = p.theta + Angle::turn() * turns;
        const std::vector<Point> points = local.rolledOpen(moved);
        for (std::size_t k = 0; k + 1 < points.size(); ++k) {
          sides.push_back({points[k], points[k + 1], one});
        }
      }
    }
  }
  Region nearer;
  for (const Polygon& part : partsOf(nearerToAsked(sides, reach))) {
    Patch made{local.back(part.front()), {}};
    for (std::size_t i = 1; i < part.size(); ++i) made.openings.push_back(local.back(part[i]));
    nearer = nearer | regionOf(made);
  }
  return nearer & Region::band(Length(), body.wall());
}

PatchMeasure measureOf(const Patch& patch, const Body& body) {
  return {areaOf(patch, body), edgeOf(patch, body)};
}

bool contains(const Patch& patch, WallPoint p) {
  const auto [from, to] = spanOf(patch);
  const Polygon polygon = onCylinder(patch, Length::mm(1));
  double x = p.theta.radians();
  x += std::ceil((from.radians() - x) / (2 * pi)) * 2 * pi;
  for (; x <= to.radians(); x += 2 * pi) {
    if (contains(polygon, Point{x, p.s.mm()})) return true;
  }
  return false;
}

std::pair<Angle, Angle> spanOf(const Patch& patch) {
  Angle from = patch.outline.front().theta;
  Angle to = from;
  for (const WallPoint& p : patch.outline) {
    from = std::min(from, p.theta);
    to = std::max(to, p.theta);
  }
  return {from, to};
}

bool crossesSeam(const Patch& patch) {
  const Region folded = regionOf(patch);
  return std::count_if(folded.outlines().begin(), folded.outlines().end(),
                       [](const WallLine& line) { return turnOf(line) > 0; }) > 1;
}

Polygon onCylinder(const Patch& patch, Length radius) {
  Polygon polygon;
  for (const WallLine& line : patch.lines()) {
    std::vector<Point>& outline = polygon.emplace_back();
    outline.reserve(line.size());
    for (const WallPoint& p : line) outline.push_back({p.theta.radians() * radius.mm(), p.s.mm()});
  }
  return polygon;
}

WallPoint middleOf(const Patch& patch) {
  const Polygon polygon = onCylinder(patch, Length::mm(1));
  const Point middle = centroidOf(polygon);
  if (contains(polygon, middle)) return {Angle::radians(middle.x), Length::mm(middle.y)};
  return labelPlace(std::vector<Patch>{patch});
}

WallPoint labelPlace(const std::vector<Patch>& patches) {
  double low = HUGE_VAL;
  double high = -HUGE_VAL;
  std::vector<Polygon> polygons;
  for (const Patch& patch : patches) {
    polygons.push_back(onCylinder(patch, Length::mm(1)));
    const Box box = boundsOf(polygons.back());
    low = std::min(low, box.low.y);
    high = std::max(high, box.high.y);
  }
  Point best{0, (low + high) / 2};
  double widest = 0;
  for (const double share : {0.5, 0.35, 0.65, 0.2, 0.8, 0.05, 0.95}) {
    const double y = low + (high - low) * share;
    for (const Polygon& polygon : polygons) {
      const std::vector<double> cuts = cutsAt(polygon, y);
      for (std::size_t i = 0; i + 1 < cuts.size(); i += 2) {
        // The middle height wins unless another is clearly wider there.
        if (cuts[i + 1] - cuts[i] <= widest * 1.3) continue;
        widest = cuts[i + 1] - cuts[i];
        best = {(cuts[i] + cuts[i + 1]) / 2, y};
      }
    }
  }
  return {Angle::radians(best.x), Length::mm(best.y)};
}

}  // namespace avrelt

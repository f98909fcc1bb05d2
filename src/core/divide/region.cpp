// SPDX-License-Identifier: GPL-3.0-or-later
#include "divide/region.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "divide/patch.h"
#include "divide/wall_grid.h"
#include "divide/wall_line.h"

namespace avrelt {
namespace {

using namespace wall_grid;
using ClipperLib::cInt;
using std::numbers::pi;

Region combine(const std::vector<WallLine>& subject, const std::vector<WallLine>& clip,
               Combine how) {
  std::vector<WallLine> outlines;
  for (const WholePath& path : combined(toPaths(subject), toPaths(clip), how, dust)) {
    outlines.push_back(fromPath(path));
  }
  return Region(std::move(outlines));
}

/// How far along a line a place on it lies, in sides of it.
double placeAlong(const WholePath& line, const WholePoint& p) {
  double best = HUGE_VAL;
  double place = 0;
  for (std::size_t i = 0; i + 1 < line.size(); ++i) {
    const Point a{static_cast<double>(line[i].X), static_cast<double>(line[i].Y)};
    const Point b{static_cast<double>(line[i + 1].X), static_cast<double>(line[i + 1].Y)};
    const Point off = Point{static_cast<double>(p.X), static_cast<double>(p.Y)} - a;
    const Point along = b - a;
    const double square = dot(along, along);
    const double share = square > 0 ? std::clamp(dot(off, along) / square, 0.0, 1.0) : 0;
    const Point left = off - along * share;
    if (dot(left, left) >= best) continue;
    best = dot(left, left);
    place = static_cast<double>(i) + share;
  }
  return place;
}

/// How far up the wall, from and to.
using Height = std::pair<cInt, cInt>;

/// Where outlines run along one edge of the frame, up the wall.
std::vector<Height> heightsAt(cInt edge, const WholePaths& outlines) {
  std::vector<Height> heights;
  for (const WholePath& path : outlines) {
    for (std::size_t i = 0; i < path.size(); ++i) {
      const WholePoint& a = path[i];
      const WholePoint& b = path[(i + 1) % path.size()];
      if (std::max(std::abs(a.X - edge), std::abs(b.X - edge)) > onFrameEdge || a.Y == b.Y)
        continue;
      heights.emplace_back(std::min(a.Y, b.Y), std::max(a.Y, b.Y));
    }
  }
  std::sort(heights.begin(), heights.end());
  return heights;
}

/// Whether a line stands on the seam from end to end.
bool standsOnSeam(const WholePath& line) {
  const cInt edge = line.front().X < 0 ? -halfTurn : halfTurn;
  return std::all_of(line.begin(), line.end(),
                     [edge](const WholePoint& p) { return std::abs(p.X - edge) <= onFrameEdge; });
}

/// The stretches of a line on the seam that have these outlines to both sides. The frame ends
/// there, so that booleans see an edge where the wall goes on.
std::vector<WallLine> stretchesOnSeam(const WholePath& line, const WholePaths& outlines) {
  const Height reach{std::min(line.front().Y, line.back().Y),
                     std::max(line.front().Y, line.back().Y)};
  std::vector<Height> inside;
  for (const auto& [low, high] : heightsAt(-halfTurn, outlines)) {
    for (const auto& [otherLow, otherHigh] : heightsAt(halfTurn, outlines)) {
      const cInt from = std::max({low, otherLow, reach.first});
      const cInt to = std::min({high, otherHigh, reach.second});
      if (to > from) inside.emplace_back(from, to);
    }
  }
  std::sort(inside.begin(), inside.end());
  std::vector<Height> whole;
  for (const Height& next : inside) {
    if (!whole.empty() && next.first <= whole.back().second) {
      whole.back().second = std::max(whole.back().second, next.second);
    } else {
      whole.push_back(next);
    }
  }
  std::vector<WallLine> stretches;
  stretches.reserve(whole.size());
  const cInt x = line.front().X;
  for (const auto& [low, high] : whole) stretches.push_back(fromPath({{x, low}, {x, high}}));
  if (line.front().Y > line.back().Y) {
    std::reverse(stretches.begin(), stretches.end());
    for (WallLine& stretch : stretches) std::reverse(stretch.begin(), stretch.end());
  }
  return stretches;
}

WallLine rectangle(Angle from, Angle to, Length low, Length high) {
  return {{from, low}, {to, low}, {to, high}, {from, high}};
}

}  // namespace

Region Region::band(Length low, Length high) {
  return Region({rectangle(-Angle::halfTurn(), Angle::halfTurn(), low, high)});
}

Region Region::between(Angle from, Angle to, Length low, Length high) {
  if (to - from >= Angle::turn() * (1 - 1e-12)) return band(low, high);
  // Brought so that it begins within the frame; what runs past the seam begins again at its left.
  const double begins = std::remainder(from.radians(), 2 * pi);
  const double ends = begins + (to - from).radians();
  std::vector<WallLine> outlines{
      rectangle(Angle::radians(begins), Angle::radians(std::min(ends, pi)), low, high)};
  if (ends > pi + onSeam) {
    outlines.push_back(rectangle(-Angle::halfTurn(), Angle::radians(ends - 2 * pi), low, high));
  }
  return Region(std::move(outlines));
}

Region Region::folded(const WallLine& outline, Length low, Length high) {
  const Turns turns = turnsOf(toPath(outline));
  const WholePaths frame = toPaths(band(low, high).outlines());
  WholePaths whole;
  for (cInt t = turns.first; t <= turns.last; ++t) {
    WholePath path = toPath(outline);
    moveBy(path, -t * turn);
    WholePaths part = combined({path}, frame, Combine::both, dust);
    whole = whole.empty() ? std::move(part) : combined(whole, part, Combine::either, dust);
  }
  std::vector<WallLine> outlines;
  outlines.reserve(whole.size());
  for (const WholePath& path : whole) outlines.push_back(fromPath(path));
  return Region(std::move(outlines));
}

Region Region::operator&(const Region& other) const {
  return combine(outlines_, other.outlines_, Combine::both);
}

Region Region::operator-(const Region& other) const {
  return combine(outlines_, other.outlines_, Combine::first);
}

Region Region::operator|(const Region& other) const {
  return combine(outlines_, other.outlines_, Combine::either);
}

std::vector<WallLine> Region::stretchesOf(const WallLine& line) const {
  const WholePath whole = toPath(line);
  const WholePaths inside = toPaths(outlines_);
  if (standsOnSeam(whole)) return stretchesOnSeam(whole, inside);
  const Turns turns = turnsOf(whole);
  std::vector<std::pair<double, WallLine>> found;
  for (cInt t = turns.first; t <= turns.last; ++t) {
    WholePath path = whole;
    moveBy(path, -t * turn);
    for (WholePath& stretch : openWithin(path, inside)) {
      double from = placeAlong(path, stretch.front());
      const double to = placeAlong(path, stretch.back());
      // Clipper may hand a stretch back the other way round.
      if (from > to) std::reverse(stretch.begin(), stretch.end());
      from = std::min(from, to);
      found.emplace_back(from, fromPath(stretch));
    }
  }
  std::stable_sort(found.begin(), found.end(),
                   [](const auto& a, const auto& b) { return a.first < b.first; });
  std::vector<WallLine> stretches;
  stretches.reserve(found.size());
  for (auto& [place, stretch] : found) stretches.push_back(std::move(stretch));
  return stretches;
}

Length Region::lowest() const {
  double low = HUGE_VAL;
  for (const WallLine& line : outlines_) {
    for (const WallPoint& p : line) low = std::min(low, p.s.mm());
  }
  return Length::mm(low);
}

Length Region::highest() const {
  double high = -HUGE_VAL;
  for (const WallLine& line : outlines_) {
    for (const WallPoint& p : line) high = std::max(high, p.s.mm());
  }
  return Length::mm(high);
}

std::pair<Angle, Angle> Region::span() const {
  if (allRound()) return {-Angle::halfTurn(), Angle::halfTurn()};
  const std::vector<Patch> patches = patchesOf(*this);
  if (patches.size() == 1) return spanOf(patches.front());
  std::vector<std::pair<double, double>> covered;
  for (const WallLine& line : outlines_) {
    double from = HUGE_VAL;
    double to = -HUGE_VAL;
    for (const WallPoint& p : line) {
      from = std::min(from, p.theta.radians());
      to = std::max(to, p.theta.radians());
    }
    covered.emplace_back(from, to);
  }
  std::sort(covered.begin(), covered.end());
  // The widest gap, the one across the seam among them, is what it leaves out.
  double reached = covered.front().second;
  double begins = covered.front().first;
  double widest = 0;
  for (const auto& [from, to] : covered) {
    if (from - reached > widest) {
      widest = from - reached;
      begins = from;
    }
    reached = std::max(reached, to);
  }
  const double acrossSeam = covered.front().first + 2 * pi - reached;
  if (widest <= onSeam && acrossSeam <= onSeam) return {-Angle::halfTurn(), Angle::halfTurn()};
  if (acrossSeam >= widest) return {Angle::radians(covered.front().first), Angle::radians(reached)};
  return {Angle::radians(begins), Angle::radians(begins + 2 * pi - widest)};
}

Area Region::area(const Body& body) const {
  return enclosedArea(outlines_, body);
}

Area enclosedArea(const std::vector<WallLine>& outlines, const Body& body) {
  // ∬ r ds dθ = −∮ G dθ with G(s) = ∫₀ˢ r, by Gauss's three places on each side.
  constexpr double off = 0.3872983346207417;  // √0.15
  double sum = 0;
  const auto below = [&](double s) {
    return body.area(Length(), Length::mm(std::clamp(s, 0.0, body.wall().mm()))).mm2() / (2 * pi);
  };
  for (const WallLine& line : outlines) {
    for (std::size_t i = 0; i < line.size(); ++i) {
      const WallPoint& a = line[i];
      const WallPoint& b = line[(i + 1) % line.size()];
      const double across = (b.theta - a.theta).radians();
      if (across == 0) continue;
      const auto at = [&](double share) { return below(a.s.mm() + (b.s - a.s).mm() * share); };
      const double mean =
          a.s == b.s ? at(0) : (5 * at(0.5 - off) + 8 * at(0.5) + 5 * at(0.5 + off)) / 18;
      sum -= mean * across;
    }
  }
  return Area::mm2(sum);
}

bool Region::allRound() const {
  return closesRound(*this);
}

bool Region::contains(WallPoint p) const {
  const WholePoint whole = toWhole(p);
  int inside = 0;
  for (const WallLine& line : outlines_) {
    if (ClipperLib::PointInPolygon(whole, toPath(line)) != 0) ++inside;
  }
  return inside % 2 == 1;
}

std::vector<WallLine> Region::joined() const {
  std::vector<WallLine> lines;
  for (const Patch& patch : patchesOf(*this)) {
    for (WallLine line : patch.lines()) lines.push_back(std::move(line));
  }
  return lines;
}

WallPoint labelPlace(const Region& region) {
  WallPoint place = labelPlace(patchesOf(region));
  place.theta = place.theta.wrapped();
  return place;
}

WallPoint middleOfLargest(const Region& region, WallPoint otherwise) {
  double most = 0;
  for (const WallLine& line : region.outlines()) {
    const double turn = turnOf(line);
    if (turn <= most) continue;
    most = turn;
    otherwise = labelPlace(Region({line}));
  }
  return otherwise;
}

}  // namespace avrelt

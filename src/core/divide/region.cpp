// SPDX-License-Identifier: GPL-3.0-or-later
#include "divide/region.h"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <optional>
#include <polyclipping/clipper.hpp>

namespace avrelt {
namespace {

namespace cl = ClipperLib;
using std::numbers::pi;

constexpr double perMm = 1e6;
constexpr double perRadian = 100 * perMm;
/// Slivers of under a thousandth of a square millimetre are dust of the rounding.
constexpr double dust = 1e-3 * perMm * perMm;
/// Nearer than this to the seam is on it.
constexpr double onSeam = 1e-7;

cl::IntPoint toWhole(WallPoint p) {
  return {static_cast<cl::cInt>(std::llround(p.theta.radians() * perRadian)),
          static_cast<cl::cInt>(std::llround(p.s.mm() * perMm))};
}

WallPoint fromWhole(const cl::IntPoint& p) {
  return {Angle::radians(static_cast<double>(p.X) / perRadian),
          Length::mm(static_cast<double>(p.Y) / perMm)};
}

cl::Path toPath(const WallLine& line) {
  cl::Path path;
  path.reserve(line.size());
  for (const WallPoint& p : line) path.push_back(toWhole(p));
  return path;
}

WallLine fromPath(const cl::Path& path) {
  WallLine line;
  line.reserve(path.size());
  for (const cl::IntPoint& p : path) line.push_back(fromWhole(p));
  return line;
}

Region combine(const std::vector<WallLine>& subject, const std::vector<WallLine>& clip,
               cl::ClipType how) {
  cl::Clipper clipper;
  for (const WallLine& line : subject) clipper.AddPath(toPath(line), cl::ptSubject, true);
  for (const WallLine& line : clip) clipper.AddPath(toPath(line), cl::ptClip, true);
  cl::Paths result;
  clipper.Execute(how, result, cl::pftNonZero, cl::pftNonZero);
  std::vector<WallLine> outlines;
  for (const cl::Path& path : result) {
    if (std::abs(cl::Area(path)) > dust) outlines.push_back(fromPath(path));
  }
  return Region(std::move(outlines));
}

/// A convex outline off the seam drawn in by so much, every side kept; nothing where it is none, or
/// where a side would vanish. What Clipper gives, sooner.
std::optional<WallLine> drawnIn(const WallLine& line, Length by, Length radius) {
  const std::size_t count = line.size();
  if (count < 3) return std::nullopt;
  std::vector<Point> points;
  points.reserve(count);
  for (const WallPoint& p : line) {
    if (std::abs(p.theta.radians()) > pi - onSeam) return std::nullopt;
    points.push_back({p.theta.radians() * radius.mm(), p.s.mm()});
  }
  std::vector<Point> sides;
  sides.reserve(count);
  for (std::size_t i = 0; i < count; ++i) {
    const Point side = points[(i + 1) % count] - points[i];
    const double length = norm(side);
    if (length < 1e-3) return std::nullopt;
    sides.push_back(side * (1 / length));
  }
  std::vector<Point> drawn;
  drawn.reserve(count);
  for (std::size_t i = 0; i < count; ++i) {
    const Point& before = sides[(i + count - 1) % count];
    const double turn = cross(before, sides[i]);
    if (turn < 1e-6 || dot(before, sides[i]) < -0.99) return std::nullopt;
    // Where the two sides, each moved to the left, meet.
    const double along = by.mm() * (1 - dot(before, sides[i])) / turn;
    drawn.push_back(points[i] + turnedLeft(sides[i]) * by.mm() + sides[i] * along);
  }
  WallLine result;
  result.reserve(count);
  for (std::size_t i = 0; i < count; ++i) {
    if (dot(drawn[(i + 1) % count] - drawn[i], sides[i]) < 1e-3) return std::nullopt;
    result.push_back(
        fromWhole(toWhole({Angle::radians(drawn[i].x / radius.mm()), Length::mm(drawn[i].y)})));
  }
  return result;
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
  double left = HUGE_VAL;
  double right = -HUGE_VAL;
  for (const WallPoint& p : outline) {
    left = std::min(left, p.theta.radians());
    right = std::max(right, p.theta.radians());
  }
  const Region frame = band(low, high);
  Region whole;
  for (const int turns : {-1, 0, 1}) {
    const double by = 2 * pi * turns;
    if (right + by <= -pi + onSeam || left + by >= pi - onSeam) continue;
    WallLine moved = outline;
    for (WallPoint& p : moved) p.theta = p.theta + Angle::radians(by);
    const Region part = Region({std::move(moved)}) & frame;
    whole = whole.empty() ? part : whole | part;
  }
  return whole;
}

Region Region::shrunkBy(Length by, Length radius) const {
  if (by <= Length()) return *this;
  if (outlines_.size() == 1) {
    if (std::optional<WallLine> drawn = drawnIn(outlines_.front(), by, radius)) {
      return Region({std::move(*drawn)});
    }
  }
  // In millimetres both ways, so that the edge draws in alike everywhere.
  const double across = radius.mm() / 100;
  cl::ClipperOffset offset(4.0);
  for (const WallLine& line : joined()) {
    cl::Path path = toPath(line);
    for (cl::IntPoint& p : path) {
      p.X = static_cast<cl::cInt>(std::llround(static_cast<double>(p.X) * across));
    }
    offset.AddPath(path, cl::jtMiter, cl::etClosedPolygon);
  }
  cl::Paths paths;
  offset.Execute(paths, -by.mm() * perMm);
  Region result;
  for (cl::Path& path : paths) {
    if (std::abs(cl::Area(path)) < dust) continue;
    for (cl::IntPoint& p : path) {
      p.X = static_cast<cl::cInt>(std::llround(static_cast<double>(p.X) / across));
    }
    const WallLine line = fromPath(path);
    const bool beyond = std::any_of(line.begin(), line.end(), [](const WallPoint& p) {
      return abs(p.theta) > Angle::halfTurn() + Angle::radians(onSeam);
    });
    if (!beyond) {
      result.outlines_.push_back(line);
      continue;
    }
    const Region part = folded(line, lowest(), highest());
    result.outlines_.insert(result.outlines_.end(), part.outlines_.begin(), part.outlines_.end());
  }
  return result;
}

Region Region::operator&(const Region& other) const {
  return combine(outlines_, other.outlines_, cl::ctIntersection);
}

Region Region::operator-(const Region& other) const {
  return combine(outlines_, other.outlines_, cl::ctDifference);
}

Region Region::operator|(const Region& other) const {
  return combine(outlines_, other.outlines_, cl::ctUnion);
}

std::vector<WallLine> Region::stretchesOf(const WallLine& line) const {
  cl::Clipper clipper;
  clipper.AddPath(toPath(line), cl::ptSubject, false);
  for (const WallLine& outline : outlines_) clipper.AddPath(toPath(outline), cl::ptClip, true);
  cl::PolyTree tree;
  clipper.Execute(cl::ctIntersection, tree, cl::pftNonZero, cl::pftNonZero);
  cl::Paths open;
  cl::OpenPathsFromPolyTree(tree, open);
  std::vector<WallLine> stretches;
  for (const cl::Path& path : open) {
    WallLine stretch = fromPath(path);
    // Clipper may hand a stretch back the other way round.
    if (stretch.front().theta > stretch.back().theta) std::reverse(stretch.begin(), stretch.end());
    stretches.push_back(std::move(stretch));
  }
  std::sort(stretches.begin(), stretches.end(),
            [](const WallLine& a, const WallLine& b) { return a.front().theta < b.front().theta; });
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

bool Region::allRound() const {
  const auto [from, to] = span();
  return to - from >= Angle::turn() - Angle::radians(2 * onSeam);
}

Area Region::area(const Body& body) const {
  // ∬ r ds dθ = −∮ G dθ with G(s) = ∫₀ˢ r, by Gauss's three places on each side.
  constexpr double off = 0.3872983346207417;  // √0.15
  double sum = 0;
  const auto below = [&](double s) {
    return body.area(Length(), Length::mm(std::clamp(s, 0.0, body.wall().mm()))).mm2() / (2 * pi);
  };
  for (const WallLine& line : outlines_) {
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

bool Region::contains(WallPoint p) const {
  const cl::IntPoint whole = toWhole(p);
  int inside = 0;
  for (const WallLine& line : outlines_) {
    if (cl::PointInPolygon(whole, toPath(line)) != 0) ++inside;
  }
  return inside % 2 == 1;
}

std::vector<WallLine> Region::joined() const {
  if (allRound() || outlines_.size() < 2) return outlines_;
  const auto [from, to] = span();
  if (to <= Angle::halfTurn()) return outlines_;
  // What lies left of where it begins is carried on past the seam, and grows together there.
  std::vector<WallLine> moved = outlines_;
  for (WallLine& line : moved) {
    const bool left = std::all_of(line.begin(), line.end(), [from = from](const WallPoint& p) {
      return p.theta < from - Angle::radians(onSeam);
    });
    for (WallPoint& p : line) {
      if (left) p.theta = p.theta + Angle::turn();
      // Both sides' whole numbers fall beside the seam, not always on the same side.
      if (abs(p.theta - Angle::halfTurn()) < Angle::radians(onSeam)) p.theta = Angle::halfTurn();
    }
  }
  return combine(moved, {}, cl::ctUnion).outlines();
}

WallPoint labelPlace(const Region& region) {
  const Length low = region.lowest();
  const Length high = region.highest();
  WallPoint best{Angle(), (low + high) / 2};
  Angle widest;
  for (const double share : {0.5, 0.35, 0.65, 0.2, 0.8}) {
    const Length s = low + (high - low) * share;
    for (const WallLine& stretch :
         region.stretchesOf({{-Angle::halfTurn(), s}, {Angle::halfTurn(), s}})) {
      const Angle width = stretch.back().theta - stretch.front().theta;
      // The middle height wins unless another is clearly wider there.
      if (width <= widest * 1.3) continue;
      widest = width;
      best = {(stretch.front().theta + stretch.back().theta) / 2, s};
    }
  }
  return best;
}

}  // namespace avrelt

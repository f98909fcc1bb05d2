// SPDX-License-Identifier: GPL-3.0-or-later
#include "pattern/line_tape.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <numbers>
#include <tuple>

#include "divide/wall_line.h"

namespace avrelt {
namespace {

using std::numbers::pi;

constexpr double tab = lineTab.mm();
constexpr double touching = 0.2;  // mm two stretches may lie apart and still be one run
constexpr double shortRun = 8;    // mm, under which a run is a part of a curve

/// A stretch of an edge on its line: from and to along it, and how long a unit is in truth.
struct Span {
  double from = 0;
  double to = 0;
  double perUnit = 1;
};

}  // namespace

LineTape lineTape(const std::vector<Cell>& cells, Length width, const Body& body) {
  // On a wall of one radius, so that straight stays straight; true lengths are kept beside.
  const double radius = body.radius(body.wall() / 2).mm();
  const double around = 2 * pi * radius;
  std::map<std::pair<long, long>, std::vector<Span>> lines;
  for (const Cell& cell : cells) {
    for (const WallLine& outline : cell.whole.lines()) {
      for (std::size_t i = 0; i < outline.size(); ++i) {
        const WallPoint& one = outline[i];
        const WallPoint& other = outline[(i + 1) % outline.size()];
        Point a{one.theta.radians() * radius, one.s.mm()};
        Point b{other.theta.radians() * radius, other.s.mm()};
        if (norm(b - a) < 1e-6) continue;
        if (b.x < a.x - 1e-9 || (std::abs(b.x - a.x) <= 1e-9 && b.y < a.y)) std::swap(a, b);
        const Point along = (b - a) * (1 / norm(b - a));
        const double truth = std::hypot(
            (other.theta - one.theta).radians() * body.radius((one.s + other.s) / 2).mm(),
            (other.s - one.s).mm());
        // A line that climbs is a helix: carried on by turns it is met again at other places of the
        // flat, of which the same is taken for all its stretches. The start of the count is off any
        // place where cells usually lie.
        const double rise = std::abs(along.y) * around;
        if (rise > 1e-6) {
          const double off = cross(along, a) - 0.3719 * rise;
          const Point by{std::round(off / rise) * around * (along.y > 0 ? 1 : -1), 0};
          a = a + by;
          b = b + by;
        } else {
          const Point by{-std::floor((a.x + 1e-6) / around) * around, 0};
          a = a + by;
          b = b + by;
        }
        const std::pair key{std::lround(std::atan2(along.y, along.x) * 2000),
                            std::lround(cross(along, a) * 10)};
        std::vector<Span>& spans = lines[key];
        const double perUnit = truth / norm(b - a);
        const double from = dot(along, a);
        const double to = dot(along, b);
        if (rise <= 1e-6 && to > around + 1e-6) {
          // A ring's stretch over the seam of the count is two of it.
          spans.push_back({from, around, perUnit});
          spans.push_back({0, to - around, perUnit});
        } else {
          spans.push_back({from, to, perUnit});
        }
      }
    }
  }
  // Rounding may part one line into two keys side by side; those lie a tenth of a millimetre apart.
  LineTape tape;
  tape.width = width;
  std::vector<double> runs;
  for (auto& [key, stretches] : lines) {
    const auto next = lines.find({key.first, key.second + 1});
    if (next != lines.end()) {
      next->second.insert(next->second.end(), stretches.begin(), stretches.end());
      continue;
    }
    // Where two cells lie on a line, one either side, it is one of the pattern's.
    std::vector<std::tuple<double, int, double>> ends;
    for (const Span& stretch : stretches) {
      ends.emplace_back(stretch.from, 1, stretch.perUnit);
      ends.emplace_back(stretch.to, -1, stretch.perUnit);
    }
    std::sort(ends.begin(), ends.end());
    int depth = 0;
    double last = 0;
    struct Run {
      double from;
      double to;
      double truth;
    };
    std::vector<Run> here;
    for (const auto& [at, step, perUnit] : ends) {
      if (depth >= 2 && at > last) {
        if (here.empty() || last > here.back().to + touching) here.push_back({last, last, 0});
        here.back().truth += (at - last) * perUnit;
        here.back().to = at;
      }
      depth += step;
      last = at;
    }
    // Once round, a ring's last stretch goes on in its first.
    const bool ring = key.first == 0 && here.size() > 1 && here.front().from < touching &&
                      here.back().to > around - touching;
    if (ring) {
      here.front().truth += here.back().truth;
      here.pop_back();
    }
    for (const Run& run : here) {
      if (run.truth > 0.5) runs.push_back(run.truth);
    }
  }
  double all = 0;
  double inBends = 0;
  std::map<long, int, std::greater<>> counted;
  for (const double run : runs) {
    all += run;
    if (run < shortRun) inBends += run;
    // Told apart by half millimetres.
    ++counted[std::lround((run + 2 * tab) * 2)];
    tape.total += Length::mm(run + 2 * tab);
  }
  tape.bends = inBends > all / 2;
  for (const auto& [halves, count] : counted) {
    tape.runs.push_back({Length::mm(static_cast<double>(halves) / 2), count});
  }
  return tape;
}

}  // namespace avrelt

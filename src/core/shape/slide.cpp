// SPDX-License-Identifier: GPL-3.0-or-later
#include "shape/slide.h"

#include <algorithm>
#include <cmath>
#include <cstdint>
#include <map>
#include <utility>

#include "shape/clipping.h"
#include "shape/grid.h"

namespace avrelt {
namespace {

WholePath wholeOf(const std::vector<Point>& outline, double sign) {
  WholePath path;
  path.reserve(outline.size());
  for (const Point& p : outline) {
    const WholePoint whole(std::llround(sign * p.x * gridPerMm),
                           std::llround(sign * p.y * gridPerMm));
    if (path.empty() || whole != path.back()) path.push_back(whole);
  }
  while (path.size() > 1 && path.front() == path.back()) path.pop_back();
  if (path.size() > 2 && !ClipperLib::Orientation(path)) std::reverse(path.begin(), path.end());
  return path;
}

struct Way {
  std::int64_t x = 0;
  std::int64_t y = 0;
};

Way wayOf(const WholePath& path, std::size_t from) {
  const WholePoint& a = path[from];
  const WholePoint& b = path[(from + 1) % path.size()];
  return {b.X - a.X, b.Y - a.Y};
}

bool isUpper(Way way) {
  return way.y > 0 || (way.y == 0 && way.x > 0);
}

std::int64_t cross(Way a, Way b) {
  return a.x * b.y - a.y * b.x;
}

/// By the angle from the x axis, to the left.
bool isBefore(Way a, Way b) {
  if (isUpper(a) != isUpper(b)) return isUpper(a);
  return cross(a, b) > 0;
}

/// The convolution of two outlines (Guibas, Ramshaw and Stolfi 1983): a side of one at every corner
/// of the other whose turn sweeps over the side's direction. Its winding numbers are those of their
/// Minkowski sum.
class Convolution {
 public:
  Convolution(const WholePath& a, const WholePath& b) : a_(a), b_(b) {
    rank();
    // Where directions are equal, those of the first come before those of the second.
    sweep(ranksA_, ranksB_, b_, [this](std::size_t side, std::size_t corner, bool forth) {
      const std::size_t next = (side + 1) % a_.size();
      add({side, corner}, {next, corner}, forth);
    });
    sweep(ranksB_, ranksA_, a_, [this](std::size_t side, std::size_t corner, bool forth) {
      const std::size_t next = (side + 1) % b_.size();
      add({corner, side}, {corner, next}, forth);
    });
  }

  /// As many sides begin at a place as end there: closed lines.
  WholePaths cycles() {
    WholePaths paths;
    for (auto& [start, ways] : ways_) {
      while (!ways.empty()) {
        WholePath path;
        Place at = start;
        for (auto found = ways_.find(at); found != ways_.end() && !found->second.empty();
             found = ways_.find(at)) {
          path.push_back(pointAt(at));
          at = found->second.back();
          found->second.pop_back();
        }
        paths.push_back(std::move(path));
      }
    }
    return paths;
  }

 private:
  using Place = std::pair<std::size_t, std::size_t>;  // corners of the first and of the second

  WholePoint pointAt(Place at) const {
    return {a_[at.first].X + b_[at.second].X, a_[at.first].Y + b_[at.second].Y};
  }

  void add(Place from, Place to, bool forth) {
    if (!forth) std::swap(from, to);
    ways_[from].push_back(to);
  }

  void rank() {
    struct Side {
      Way way;
      bool second;
      std::size_t index;
    };
    std::vector<Side> sides;
    for (std::size_t i = 0; i < a_.size(); ++i) sides.push_back({wayOf(a_, i), false, i});
    for (std::size_t i = 0; i < b_.size(); ++i) sides.push_back({wayOf(b_, i), true, i});
    std::stable_sort(sides.begin(), sides.end(),
                     [](const Side& a, const Side& b) { return isBefore(a.way, b.way); });
    ranksA_.resize(a_.size());
    ranksB_.resize(b_.size());
    long rank = 0;
    for (std::size_t i = 0; i < sides.size(); ++i) {
      if (i > 0 && isBefore(sides[i - 1].way, sides[i].way)) rank += 2;
      (sides[i].second ? ranksB_ : ranksA_)[sides[i].index] = rank + (sides[i].second ? 1 : 0);
    }
  }

  /// Tells `take` of every side whose rank lies between those of the sides at a corner of the
  /// other, the way it turns.
  template <typename Take>
  static void sweep(const std::vector<long>& sides, const std::vector<long>& around,
                    const WholePath& other, const Take& take) {
    std::vector<std::pair<long, std::size_t>> sorted;
    for (std::size_t i = 0; i < sides.size(); ++i) sorted.emplace_back(sides[i], i);
    std::sort(sorted.begin(), sorted.end());
    const auto between = [&](long from, long to, std::size_t corner, bool forth) {
      const auto begin =
          std::lower_bound(sorted.begin(), sorted.end(), std::pair(from, std::size_t{0}));
      const auto end =
          std::lower_bound(sorted.begin(), sorted.end(), std::pair(to, std::size_t{0}));
      for (auto it = begin; it < end; ++it) take(it->second, corner, forth);
    };
    const long all = static_cast<long>(2 * (sides.size() + around.size()) + 2);
    for (std::size_t corner = 0; corner < other.size(); ++corner) {
      const std::size_t before = (corner + other.size() - 1) % other.size();
      const Way in = wayOf(other, before);
      const Way out = wayOf(other, corner);
      const bool left = cross(in, out) > 0;
      if (cross(in, out) == 0 && in.x * out.x + in.y * out.y > 0) continue;
      const long from = left ? around[before] : around[corner];
      const long to = left ? around[corner] : around[before];
      if (from <= to) {
        between(from, to, corner, left);
      } else {
        between(from, all, corner, left);
        between(-1, to, corner, left);
      }
    }
  }

  const WholePath& a_;
  const WholePath& b_;
  std::vector<long> ranksA_;
  std::vector<long> ranksB_;
  std::map<Place, std::vector<Place>> ways_;
};

}  // namespace

std::vector<Point> slideRound(const std::vector<Point>& fixed, const std::vector<Point>& moving) {
  const WholePath a = wholeOf(fixed, 1);
  const WholePath b = wholeOf(moving, -1);
  std::vector<Point> outline;
  if (a.size() < 3 || b.size() < 3) return outline;
  const WholePaths sum = combined(Convolution(a, b).cycles(), {}, Combine::either, 0);
  const auto edge =
      std::max_element(sum.begin(), sum.end(), [](const auto& one, const auto& other) {
        return ClipperLib::Area(one) < ClipperLib::Area(other);
      });
  if (edge == sum.end()) return outline;
  for (const WholePoint& p : *edge) {
    outline.push_back({static_cast<double>(p.X) / gridPerMm, static_cast<double>(p.Y) / gridPerMm});
  }
  return outline;
}

}  // namespace avrelt

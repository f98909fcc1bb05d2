// SPDX-License-Identifier: GPL-3.0-or-later
#include "pattern/neighbours.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <numbers>
#include <tuple>

#include "shape/point.h"
#include "shape/segment.h"

namespace avrelt {
namespace {

using std::numbers::pi;

/// In mm, under which two edges lie on each other: a little over what a curve may stray from the
/// sides that stand for it.
constexpr double touch = 0.008;
constexpr double enough = 0.5;  // mm of edge that make neighbours

/// A side of a patch, rolled out.
struct Side {
  Side(Point from, Point to, std::size_t of)
      : a(from),
        b(to),
        owner(of),
        length(norm(to - from)),
        left(std::min(from.x, to.x)),
        right(std::max(from.x, to.x)),
        low(std::min(from.y, to.y)),
        high(std::max(from.y, to.y)) {
    if (length > 0) along = (to - from) * (1 / length);
  }

  Point a;
  Point b;
  std::size_t owner;
  Point along;  ///< its direction, 1 long
  double length;
  double left, right, low, high;
};

/// What lies near each place of the wall, rolled out and closed at the seam, by a grid.
class Places {
 public:
  Places(const std::vector<Side>& sides, double cell, double around) {
    columns_ = std::max(1, static_cast<int>(std::floor(around / cell)));
    wide_ = around / columns_;
    tall_ = cell;
    int highest = lowest_;
    for (const Side& side : sides) {
      const Block block = blockOf(side.left, side.right, side.low, side.high);
      lowest_ = rows_ == 0 ? block.low : std::min(lowest_, block.low);
      highest = rows_ == 0 ? block.high : std::max(highest, block.high);
      rows_ = highest - lowest_ + 1;
    }
    begins_.assign(static_cast<std::size_t>(rows_) * static_cast<std::size_t>(columns_) + 1, 0);
    // Counted, then put where the counts say: in the sides' order in each.
    for (const Side& side : sides) {
      each(side, [this](std::size_t place) { ++begins_[place + 1]; });
    }
    for (std::size_t i = 1; i < begins_.size(); ++i) begins_[i] += begins_[i - 1];
    sides_.resize(begins_.back());
    std::vector<std::size_t> next(begins_.begin(), begins_.end() - 1);
    for (std::size_t i = 0; i < sides.size(); ++i) {
      each(sides[i], [&](std::size_t place) { sides_[next[place]++] = i; });
    }
  }

  /// How many sides each place has had its turn with, none at first.
  std::vector<std::size_t> nobodyYet() const {
    return std::vector<std::size_t>(begins_.size() - 1, 0);
  }
  /// Calls with the number of every side near a side that comes after it. All sides have to be
  /// asked for in their order.
  template <typename Call>
  void nearAfter(const Side& side, std::vector<std::size_t>& passed, const Call& call) const {
    each(side, [&](std::size_t place) {
      for (std::size_t k = begins_[place] + ++passed[place]; k < begins_[place + 1]; ++k) {
        call(sides_[k]);
      }
    });
  }

  /// Calls with the number of every side near a side; with one more than once where they are near
  /// each other in several places.
  template <typename Call>
  void near(const Side& side, const Call& call) const {
    each(side, [&](std::size_t place) {
      for (std::size_t k = begins_[place]; k < begins_[place + 1]; ++k) call(sides_[k]);
    });
  }

 private:
  struct Block {
    int left, right, low, high;
  };
  Block blockOf(double left, double right, double low, double high) const {
    const auto in = [](double x, double step) {
      const double place = x / step;
      const int whole = static_cast<int>(place);
      return place < whole ? whole - 1 : whole;
    };
    const int first = in(left - touch, wide_);
    return {first, std::min(in(right + touch, wide_), first + columns_ - 1), in(low - touch, tall_),
            in(high + touch, tall_)};
  }
  template <typename Call>
  void each(const Side& side, const Call& call) const {
    const Block block = blockOf(side.left, side.right, side.low, side.high);
    const int first = (block.left % columns_ + columns_) % columns_;
    for (int y = std::max(block.low, lowest_); y <= std::min(block.high, lowest_ + rows_ - 1);
         ++y) {
      const auto row = static_cast<std::size_t>(y - lowest_) * static_cast<std::size_t>(columns_);
      int column = first;
      for (int x = block.left; x <= block.right; ++x) {
        call(row + static_cast<std::size_t>(column));
        if (++column == columns_) column = 0;
      }
    }
  }

  int columns_ = 1;
  double wide_ = 1;
  double tall_ = 1;
  int lowest_ = 0;
  int rows_ = 0;
  std::vector<std::size_t> begins_;  ///< where each place's begin among `sides_`
  std::vector<std::size_t> sides_;
};

/// All sides of all patches.
std::vector<Side> sidesOf(const std::vector<const Patch*>& patches, Length radius) {
  std::vector<Side> sides;
  for (std::size_t i = 0; i < patches.size(); ++i) {
    for (const std::vector<Point>& line : onCylinder(*patches[i], radius)) {
      for (std::size_t k = 0; k < line.size(); ++k) {
        sides.emplace_back(line[k], line[(k + 1) % line.size()], i);
      }
    }
  }
  return sides;
}

double lengthOf(const std::vector<Side>& sides) {
  double total = 0;
  for (const Side& side : sides) total += side.length;
  return total;
}

/// How much of their lines two sides share, and whether they touch at all.
struct Contact {
  double length = 0;
  bool touches = false;
};
/// The other carried on by so much.
Contact contactOf(const Side& one, const Side& other, double by) {
  if (one.length < 1e-9) return {};
  const Point otherA = other.a + Point{by, 0};
  const Point otherB = other.b + Point{by, 0};
  const auto place = [&](Point p) { return dot(p - one.a, one.along); };
  const auto off = [&](Point p) { return cross(one.along, p - one.a); };
  // What of the other lies within reach of the first's line, as shares of it.
  const double offA = off(otherA);
  const double offB = off(otherB);
  double from = 0;
  double to = 1;
  for (const double edge : {-touch, touch}) {
    const double a = (edge < 0 ? -offA : offA) - touch;
    const double b = (edge < 0 ? -offB : offB) - touch;
    if (a > 0 && b > 0) return {};
    if (a > 0) from = std::max(from, a / (a - b));
    if (b > 0) to = std::min(to, a / (a - b));
  }
  if (from > to) return {};
  const double placeA = place(otherA);
  const double placeB = place(otherB);
  const auto [low, high] =
      std::minmax({placeA + (placeB - placeA) * from, placeA + (placeB - placeA) * to});
  Contact contact;
  contact.length = std::max(0.0, std::min(high, one.length) - std::max(low, 0.0));
  contact.touches = low < one.length + touch && high > -touch;
  return contact;
}

/// By how many turns one side has to be carried on so that it may lie at another: from the first to
/// the last.
std::pair<int, int> turnsTo(const Side& one, const Side& other, double around) {
  const double least = one.left - other.right - touch;
  const double most = one.right - other.left + touch;
  // Most are near each other as they are, or not at all: said without dividing.
  if (least > -around && most < around) return {least > 0 ? 1 : 0, most < 0 ? -1 : 0};
  return {static_cast<int>(std::ceil(least / around)), static_cast<int>(std::floor(most / around))};
}

}  // namespace

std::vector<SharedEdge> neighboursOf(const std::vector<const Patch*>& patches, const Body& body,
                                     bool corners, Length least) {
  const Length radius = body.radius(body.wall() / 2);
  const double around = 2 * pi * radius.mm();
  const std::vector<Side> sides = sidesOf(patches, radius);
  const double total = lengthOf(sides);
  if (sides.empty()) return {};
  const Places places(sides, std::max(1.0, total / static_cast<double>(sides.size())), around);
  // How much longer a side is on the body than on the cylinder it is rolled out on.
  const auto stretchOf = [&](const Side& side) {
    const Point along = side.b - side.a;
    const double by = body.radius(Length::mm((side.a.y + side.b.y) / 2)) / radius;
    return std::hypot(along.x * by, along.y) / side.length;
  };
  struct Meeting {
    std::tuple<std::size_t, std::size_t, int> who;  ///< the lower, the higher, by how many turns
    double length;
  };
  std::vector<Meeting> meetings;
  std::vector<std::size_t> met(sides.size(), sides.size());
  std::vector<std::size_t> passed = places.nobodyYet();
  for (std::size_t i = 0; i < sides.size(); ++i) {
    const Side& one = sides[i];
    places.nearAfter(one, passed, [&](std::size_t j) {
      const Side& other = sides[j];
      // Each pair once, though it may meet in several places of the grid.
      if (met[j] == i || other.owner == one.owner) return;
      met[j] = i;
      if (other.low > one.high + touch || one.low > other.high + touch) return;
      const auto [first, last] = turnsTo(one, other, around);
      for (int turns = first; turns <= last; ++turns) {
        const Contact contact = contactOf(one, other, turns * around);
        if (contact.length < 1e-6 && !(corners && contact.touches)) continue;
        const bool inOrder = one.owner < other.owner;
        meetings.push_back({{std::min(one.owner, other.owner), std::max(one.owner, other.owner),
                             inOrder ? turns : -turns},
                            contact.length * stretchOf(one)});
      }
    });
  }
  std::stable_sort(meetings.begin(), meetings.end(),
                   [](const Meeting& a, const Meeting& b) { return a.who < b.who; });
  std::vector<SharedEdge> edges;
  for (auto at = meetings.begin(); at != meetings.end();) {
    const auto [first, second, turns] = at->who;
    SharedEdge edge{first, second, Length(), turns};
    double most = -1;
    while (at != meetings.end() && std::get<0>(at->who) == first &&
           std::get<1>(at->who) == second) {
      const auto who = at->who;
      double length = 0;
      for (; at != meetings.end() && at->who == who; ++at) length += at->length;
      edge.length += Length::mm(length);
      if (length <= most) continue;
      most = length;
      edge.turns = std::get<2>(who);
    }
    if (edge.length >= least || corners) edges.push_back(edge);
  }
  return edges;
}

namespace {

/// How far a place lies from a side, whichever way round it is nearest.
double distance(Point p, const Side& side, double around) {
  double least = HUGE_VAL;
  const int last = static_cast<int>(std::ceil((p.x - side.left) / around));
  for (int turns = static_cast<int>(std::floor((p.x - side.right) / around)); turns <= last;
       ++turns) {
    const Point by{turns * around, 0};
    least = std::min(least, squareDistance(p, side.a + by, side.b + by));
  }
  return std::sqrt(least);
}

}  // namespace

std::vector<SharedEdge> facingNeighbours(const std::vector<const Patch*>& patches, Length radius) {
  constexpr std::size_t mostSamples = 30'000;
  const double around = 2 * pi * radius.mm();
  const std::vector<Side> sides = sidesOf(patches, radius);
  const double total = lengthOf(sides);
  double area = 0;
  for (const Patch* patch : patches) area += signedArea(onCylinder(*patch, radius));
  if (sides.empty()) return {};
  // As far as half a cell: what lies farther away does not face it.
  const double reach = std::sqrt(std::abs(area) / static_cast<double>(patches.size())) / 2;
  const Places places(sides, std::max(reach / 2, 0.5), around);
  struct Facing {
    std::size_t owner;
    std::size_t other;
    double distance;
    double length;
  };
  std::vector<Facing> facings;
  const double step = std::max(0.4, total / static_cast<double>(mostSamples));
  for (const Side& side : sides) {
    const int count = std::max(1, static_cast<int>(std::lround(side.length / step)));
    for (int n = 0; n < count; ++n) {
      const Point p = side.a + (side.b - side.a) * ((n + 0.5) / count);
      Facing facing{side.owner, side.owner, reach, side.length / count};
      const Side room({p.x - reach, p.y - reach}, {p.x + reach, p.y + reach}, side.owner);
      places.near(room, [&](std::size_t j) {
        if (sides[j].owner == side.owner) return;
        const double off = distance(p, sides[j], around);
        if (off > facing.distance || (off == facing.distance && sides[j].owner >= facing.other)) {
          return;
        }
        facing.distance = off;
        facing.other = sides[j].owner;
      });
      if (facing.other != facing.owner) facings.push_back(facing);
    }
  }
  if (facings.empty()) return {};
  std::vector<double> gaps;
  gaps.reserve(facings.size());
  for (const Facing& facing : facings) gaps.push_back(facing.distance);
  const auto middle = gaps.begin() + static_cast<long>(gaps.size() / 2);
  std::nth_element(gaps.begin(), middle, gaps.end());
  const double farthest = 2.5 * *middle + 0.2;
  std::map<std::pair<std::size_t, std::size_t>, double> shared;
  for (const Facing& facing : facings) {
    if (facing.distance > farthest) continue;
    // Seen from both sides, an edge is counted twice.
    shared[std::minmax(facing.owner, facing.other)] += facing.length / 2;
  }
  std::vector<SharedEdge> edges;
  for (const auto& [pair, length] : shared) {
    if (length >= enough) edges.push_back({pair.first, pair.second, Length::mm(length), 0});
  }
  return edges;
}

}  // namespace avrelt

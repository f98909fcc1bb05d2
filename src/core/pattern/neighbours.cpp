// SPDX-License-Identifier: GPL-3.0-or-later
#include "pattern/neighbours.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <numbers>
#include <tuple>
#include <unordered_map>

#include "shape/point.h"
#include "shape/segment.h"

namespace avrelt {
namespace {

using std::numbers::pi;

/// In mm, under which two edges lie on each other: a little over what a curve may stray from the
/// sides that stand for it.
constexpr double touch = 0.008;
constexpr double enough = 0.5;  // mm of edge that make neighbours

struct Side {
  Point a;
  Point b;
  std::size_t owner;
};

/// A grid over the wall, rolled out and closed at the seam, of what lies where.
class Grid {
 public:
  Grid(double cell, double around) {
    columns_ = std::max(1, static_cast<int>(std::floor(around / cell)));
    wide_ = around / columns_;
    tall_ = cell;
  }

  /// Calls with the number of every grid cell a side passes near.
  template <typename Call>
  void at(const Side& side, const Call& call) const {
    const int left = static_cast<int>(std::floor((std::min(side.a.x, side.b.x) - touch) / wide_));
    const int right = static_cast<int>(std::floor((std::max(side.a.x, side.b.x) + touch) / wide_));
    const int low = static_cast<int>(std::floor((std::min(side.a.y, side.b.y) - touch) / tall_));
    const int high = static_cast<int>(std::floor((std::max(side.a.y, side.b.y) + touch) / tall_));
    for (int y = low; y <= high; ++y) {
      for (int x = left; x <= std::min(right, left + columns_ - 1); ++x) {
        call(static_cast<long>(y) * columns_ + (x % columns_ + columns_) % columns_);
      }
    }
  }

 private:
  int columns_ = 1;
  double wide_ = 1;
  double tall_ = 1;
};

/// All sides of all patches, rolled out.
std::vector<Side> sidesOf(const std::vector<const Patch*>& patches, Length radius) {
  std::vector<Side> sides;
  for (std::size_t i = 0; i < patches.size(); ++i) {
    for (const std::vector<Point>& line : onCylinder(*patches[i], radius)) {
      for (std::size_t k = 0; k < line.size(); ++k) {
        sides.push_back({line[k], line[(k + 1) % line.size()], i});
      }
    }
  }
  return sides;
}

double lengthOf(const std::vector<Side>& sides) {
  double total = 0;
  for (const Side& side : sides) total += norm(side.b - side.a);
  return total;
}

/// The numbers of the sides that pass near each place of a grid.
using Places = std::unordered_map<long, std::vector<std::size_t>>;
Places placesOf(const std::vector<Side>& sides, const Grid& grid) {
  Places places;
  for (std::size_t i = 0; i < sides.size(); ++i) {
    grid.at(sides[i], [&](long place) { places[place].push_back(i); });
  }
  return places;
}

/// How much of their lines two sides share, and whether they touch at all.
struct Contact {
  double length = 0;
  bool touches = false;
};
Contact contactOf(const Side& one, const Side& other) {
  const Point along = one.b - one.a;
  const double length = norm(along);
  if (length < 1e-9) return {};
  const Point unit = along * (1 / length);
  const auto place = [&](Point p) { return dot(p - one.a, unit); };
  const auto off = [&](Point p) { return cross(unit, p - one.a); };
  // What of the other lies within reach of the first's line, as shares of it.
  const double offA = off(other.a);
  const double offB = off(other.b);
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
  const double placeA = place(other.a);
  const double placeB = place(other.b);
  const auto [low, high] =
      std::minmax({placeA + (placeB - placeA) * from, placeA + (placeB - placeA) * to});
  Contact contact;
  contact.length = std::max(0.0, std::min(high, length) - std::max(low, 0.0));
  contact.touches = low < length + touch && high > -touch;
  return contact;
}

/// By how many turns one side has to be carried on so that it may lie at another: from the first to
/// the last.
std::pair<int, int> turnsTo(const Side& one, const Side& other, double around) {
  const auto [oneLeft, oneRight] = std::minmax(one.a.x, one.b.x);
  const auto [otherLeft, otherRight] = std::minmax(other.a.x, other.b.x);
  return {static_cast<int>(std::ceil((oneLeft - otherRight - touch) / around)),
          static_cast<int>(std::floor((oneRight - otherLeft + touch) / around))};
}

}  // namespace

std::vector<SharedEdge> neighboursOf(const std::vector<const Patch*>& patches, const Body& body,
                                     bool corners, Length least) {
  const Length radius = body.radius(body.wall() / 2);
  const double around = 2 * pi * radius.mm();
  const std::vector<Side> sides = sidesOf(patches, radius);
  const double total = lengthOf(sides);
  if (sides.empty()) return {};
  const Grid grid(std::max(1.0, total / static_cast<double>(sides.size())), around);
  const Places places = placesOf(sides, grid);
  // How much longer a side is on the body than on the cylinder it is rolled out on.
  const auto stretchOf = [&](const Side& side) {
    const Point along = side.b - side.a;
    const double by = body.radius(Length::mm((side.a.y + side.b.y) / 2)) / radius;
    return std::hypot(along.x * by, along.y) / norm(along);
  };
  std::map<std::tuple<std::size_t, std::size_t, int>, double> found;
  std::vector<std::size_t> met(sides.size(), sides.size());
  for (std::size_t i = 0; i < sides.size(); ++i) {
    grid.at(sides[i], [&](long place) {
      for (const std::size_t j : places.at(place)) {
        // Each pair once, though it may meet in several places of the grid.
        if (j <= i || met[j] == i || sides[j].owner == sides[i].owner) continue;
        met[j] = i;
        const auto [first, last] = turnsTo(sides[i], sides[j], around);
        for (int turns = first; turns <= last; ++turns) {
          const Point by{turns * around, 0};
          const Contact contact =
              contactOf(sides[i], {sides[j].a + by, sides[j].b + by, sides[j].owner});
          if (contact.length < 1e-6 && !(corners && contact.touches)) continue;
          const bool inOrder = sides[i].owner < sides[j].owner;
          found[{std::min(sides[i].owner, sides[j].owner), std::max(sides[i].owner, sides[j].owner),
                 inOrder ? turns : -turns}] += contact.length * stretchOf(sides[i]);
        }
      }
    });
  }
  std::vector<SharedEdge> edges;
  for (auto at = found.begin(); at != found.end();) {
    const auto [first, second, turns] = at->first;
    SharedEdge edge{first, second, Length(), turns};
    double most = -1;
    for (; at != found.end() && std::get<0>(at->first) == first && std::get<1>(at->first) == second;
         ++at) {
      edge.length += Length::mm(at->second);
      if (at->second <= most) continue;
      most = at->second;
      edge.turns = std::get<2>(at->first);
    }
    if (edge.length >= least || corners) edges.push_back(edge);
  }
  return edges;
}

namespace {

/// How far a place lies from a side, whichever way round it is nearest.
double distance(Point p, const Side& side, double around) {
  const auto [left, right] = std::minmax(side.a.x, side.b.x);
  double least = HUGE_VAL;
  const int last = static_cast<int>(std::ceil((p.x - left) / around));
  for (int turns = static_cast<int>(std::floor((p.x - right) / around)); turns <= last; ++turns) {
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
  const Grid grid(std::max(reach / 2, 0.5), around);
  const Places places = placesOf(sides, grid);
  struct Facing {
    std::size_t owner;
    std::size_t other;
    double distance;
    double length;
  };
  std::vector<Facing> facings;
  const double step = std::max(0.4, total / static_cast<double>(mostSamples));
  for (const Side& side : sides) {
    const double length = norm(side.b - side.a);
    const int count = std::max(1, static_cast<int>(std::lround(length / step)));
    for (int n = 0; n < count; ++n) {
      const Point p = side.a + (side.b - side.a) * ((n + 0.5) / count);
      Facing facing{side.owner, side.owner, reach, length / count};
      const Side room{{p.x - reach, p.y - reach}, {p.x + reach, p.y + reach}, side.owner};
      grid.at(room, [&](long place) {
        const auto here = places.find(place);
        if (here == places.end()) return;
        for (const std::size_t j : here->second) {
          if (sides[j].owner == side.owner) continue;
          const double off = distance(p, sides[j], around);
          if (off > facing.distance || (off == facing.distance && sides[j].owner >= facing.other)) {
            continue;
          }
          facing.distance = off;
          facing.other = sides[j].owner;
        }
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

// SPDX-License-Identifier: GPL-3.0-or-later
#include "pattern/neighbours.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <numbers>
#include <unordered_map>

#include "divide/wall_line.h"
#include "shape/point.h"
#include "shape/segment.h"

namespace avrelt {
namespace {

using std::numbers::pi;

constexpr double touch = 1e-3;  // mm, under which two edges lie on each other
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

/// All sides of all regions, rolled out; those along the seam only where they count.
std::vector<Side> sidesOf(const std::vector<const Region*>& regions, Length radius, bool seam) {
  const auto flat = [radius](const WallPoint& p) {
    return Point{p.theta.radians() * radius.mm(), p.s.mm()};
  };
  std::vector<Side> sides;
  for (std::size_t i = 0; i < regions.size(); ++i) {
    for (const WallLine& line : regions[i]->outlines()) {
      for (std::size_t k = 0; k < line.size(); ++k) {
        const WallPoint& a = line[k];
        const WallPoint& b = line[(k + 1) % line.size()];
        if (seam || !alongSeam(a, b)) sides.push_back({flat(a), flat(b), i});
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

/// How much of their lines two sides share, and whether they touch at all. The second is taken a
/// turn round where that brings it nearer.
struct Contact {
  double length = 0;
  bool touches = false;
};
Contact contactOf(const Side& one, Side other, double around) {
  const double by = std::round((one.a.x - other.a.x) / around) * around;
  other.a.x += by;
  other.b.x += by;
  const Point along = one.b - one.a;
  const double length = norm(along);
  if (length < 1e-9) return {};
  const Point unit = along * (1 / length);
  const auto place = [&](Point p) { return (p.x - one.a.x) * unit.x + (p.y - one.a.y) * unit.y; };
  const auto off = [&](Point p) {
    return std::abs((p.x - one.a.x) * unit.y - (p.y - one.a.y) * unit.x);
  };
  Contact contact;
  const double offA = off(other.a);
  const double offB = off(other.b);
  const double from = std::min(place(other.a), place(other.b));
  const double to = std::max(place(other.a), place(other.b));
  if (offA < touch && offB < touch) {
    contact.length = std::max(0.0, std::min(to, length) - std::max(from, 0.0));
    contact.touches = from < length + touch && to > -touch;
    return contact;
  }
  for (const Point p : {other.a, other.b}) {
    if (off(p) < touch && place(p) > -touch && place(p) < length + touch) contact.touches = true;
  }
  return contact;
}

}  // namespace

std::vector<SharedEdge> neighboursOf(const std::vector<const Region*>& regions, Length radius,
                                     bool corners) {
  const double around = 2 * pi * radius.mm();
  const std::vector<Side> sides = sidesOf(regions, radius, true);
  const double total = lengthOf(sides);
  if (sides.empty()) return {};
  const Grid grid(std::max(1.0, total / static_cast<double>(sides.size())), around);
  const Places places = placesOf(sides, grid);
  std::map<std::pair<std::size_t, std::size_t>, double> shared;
  std::vector<std::size_t> met(sides.size(), sides.size());
  for (std::size_t i = 0; i < sides.size(); ++i) {
    grid.at(sides[i], [&](long place) {
      for (const std::size_t j : places.at(place)) {
        // Each pair once, though it may meet in several places of the grid.
        if (j <= i || met[j] == i || sides[j].owner == sides[i].owner) continue;
        met[j] = i;
        const Contact contact = contactOf(sides[i], sides[j], around);
        if (contact.length < touch && !(corners && contact.touches)) continue;
        const auto [least, most] = std::minmax(sides[i].owner, sides[j].owner);
        shared[{least, most}] += contact.length;
      }
    });
  }
  std::vector<SharedEdge> edges;
  for (const auto& [pair, length] : shared) {
    if (length < enough && !corners) continue;
    edges.push_back({pair.first, pair.second, Length::mm(length)});
  }
  return edges;
}

namespace {

/// How far a place lies from a side, the nearer way round.
double distance(Point p, const Side& side, double around) {
  const Point by{std::round((p.x - side.a.x) / around) * around, 0};
  return std::sqrt(squareDistance(p, side.a + by, side.b + by));
}

}  // namespace

std::vector<SharedEdge> facingNeighbours(const std::vector<const Region*>& regions, Length radius) {
  constexpr std::size_t mostSamples = 30'000;
  const double around = 2 * pi * radius.mm();
  const std::vector<Side> sides = sidesOf(regions, radius, false);
  const double total = lengthOf(sides);
  double area = 0;
  for (const Region* region : regions) {
    for (const WallLine& line : region->outlines()) area += turnOf(line) / 2 * radius.mm();
  }
  if (sides.empty()) return {};
  // As far as half a cell: what lies farther away does not face it.
  const double reach = std::sqrt(std::abs(area) / static_cast<double>(regions.size())) / 2;
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
    if (length >= enough) edges.push_back({pair.first, pair.second, Length::mm(length)});
  }
  return edges;
}

}  // namespace avrelt

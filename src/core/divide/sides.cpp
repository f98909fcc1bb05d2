// SPDX-License-Identifier: GPL-3.0-or-later
#include "divide/sides.h"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <set>

#include "divide/wall_grid.h"

namespace avrelt {
namespace {

using std::numbers::pi;

/// How far beside a line a place is looked for, in mm.
constexpr double aside = 0.4;

/// Finds the zone at a place: most are ruled out by the rectangles they lie in.
class ZoneFinder {
 public:
  explicit ZoneFinder(const std::vector<Zone>& zones) {
    for (std::size_t i = 0; i < zones.size(); ++i) {
      for (const WallLine& outline : zones[i].region.outlines()) {
        Room room{i, HUGE_VAL, -HUGE_VAL, HUGE_VAL, -HUGE_VAL};
        for (const WallPoint& p : outline) {
          room.left = std::min(room.left, p.theta.radians());
          room.right = std::max(room.right, p.theta.radians());
          room.low = std::min(room.low, p.s.mm());
          room.high = std::max(room.high, p.s.mm());
        }
        rooms_.push_back(room);
      }
      // On the grid once, not for each place that is looked at.
      paths_.push_back(wall_grid::toPaths(zones[i].region.outlines()));
    }
  }

  Sides sidesOf(const DivideLine& line) const {
    std::set<std::size_t> first;
    std::set<std::size_t> second;
    for (const WallLine& stretch : line.stretches) {
      for (std::size_t i = 1; i < stretch.size(); ++i) {
        const WallPoint& a = stretch[i - 1];
        const WallPoint& b = stretch[i];
        const double along = (b.theta - a.theta).radians() * 40;
        const double up = (b.s - a.s).mm();
        const double length = std::hypot(along, up);
        if (length < 1e-9) continue;
        // Square to the side, to its left as one goes along it; long sides are looked at in places.
        const Angle across = Angle::radians(-up / length * aside / 40);
        const Length over = Length::mm(along / length * aside);
        const int places = std::clamp(static_cast<int>(length / 6), 1, 40);
        for (int place = 0; place < places; ++place) {
          const double share = (place + 0.5) / places;
          const WallPoint middle{a.theta + (b.theta - a.theta) * share, a.s + (b.s - a.s) * share};
          look({middle.theta + across, middle.s + over}, first);
          look({middle.theta - across, middle.s - over}, second);
        }
      }
    }
    return {{first.begin(), first.end()}, {second.begin(), second.end()}};
  }

 private:
  struct Room {
    std::size_t zone;
    double left, right, low, high;
  };

  bool isIn(const WholePoint& p, std::size_t zone) const {
    bool inside = false;
    for (const WholePath& path : paths_[zone]) {
      inside = inside != (ClipperLib::PointInPolygon(p, path) != 0);
    }
    return inside;
  }

  void look(WallPoint p, std::set<std::size_t>& side) const {
    const double theta = std::remainder(p.theta.radians(), 2 * pi);
    const double s = p.s.mm();
    p.theta = Angle::radians(theta);
    const WholePoint whole = wall_grid::toWhole(p);
    for (const Room& room : rooms_) {
      if (theta < room.left || theta > room.right || s < room.low || s > room.high) continue;
      if (side.count(room.zone) == 0 && isIn(whole, room.zone)) {
        side.insert(room.zone);
      }
    }
  }

  std::vector<Room> rooms_;
  std::vector<WholePaths> paths_;  ///< of each zone
};

}  // namespace

std::vector<Sides> sidesOf(const std::vector<DivideLine>& lines, const std::vector<Zone>& zones) {
  const ZoneFinder finder(zones);
  std::vector<Sides> sides;
  sides.reserve(lines.size());
  for (const DivideLine& line : lines) sides.push_back(finder.sidesOf(line));
  return sides;
}

}  // namespace avrelt

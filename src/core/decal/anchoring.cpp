// SPDX-License-Identifier: GPL-3.0-or-later
#include "decal/anchoring.h"

#include <algorithm>
#include <cmath>

#include "decal/standing.h"

namespace avrelt {
namespace {

double toTenThousandth(double share) {
  constexpr double parts = 1e4;
  return std::round(std::clamp(share, 0.0, 1.0) * parts) / parts;
}

/// How the points of an artwork lie to the one that a place is told by. In between they are as far
/// from its middle as they are seen on the place: turned, and along rings where it follows them.
class Footing {
 public:
  Footing(const SetPlan& set, const PlacePlan& place, const Wall& wall)
      : place_(place),
        ground_(place.laid->ground),
        share_(place.percent / 100),
        box_(set.own),
        turned_(set.turned) {
    const Stand stand{{}, {}, {}, 0, place.anchor, place.turn, place.follows, place.percent};
    bent_ = curveOf(stand, set.anchor, wall) != 0;
    was_ = turned(place.turn)(set.anchor * share_);
    // The ring that the middle of what follows it lies on.
    middle_ = place.anchor.s - Length::mm(was_.y);
    radius_ = std::max(ground_.radius(middle_).mm(), 1e-6);
  }

  Anchor under(WallPoint at) const {
    const Angle round = (at.theta - place_.anchor.theta).wrapped();
    const Point off = bent_ ? Point{was_.x + round.radians() * radius_, (at.s - middle_).mm()}
                            : was_ + ground_.toFlat({round, at.s}) - Point{0, place_.anchor.s.mm()};
    const Point point = turned(-place_.turn - turned_)(off);
    return {toTenThousandth(0.5 + point.x / std::max(box_.width() * share_, 1e-6)),
            toTenThousandth(0.5 + point.y / std::max(box_.height() * share_, 1e-6))};
  }

  Told told(const Anchor& anchor) const {
    const Point point =
        turned(turned_)({(anchor.across - 0.5) * box_.width(), (anchor.up - 0.5) * box_.height()});
    const Point by = turned(place_.turn)(point * share_) - was_;
    if (bent_) {
      return {{place_.anchor.theta + Angle::radians(by.x / radius_),
               place_.anchor.s + Length::mm(by.y)},
              place_.turn};
    }
    // The upright through another point leans on the flat of a taper.
    const WallPoint at = ground_.toWall(by + Point{0, place_.anchor.s.mm()});
    const Transform back = ground_.turning(-at.theta);
    return {{place_.anchor.theta + at.theta, at.s},
            (place_.turn + Angle::radians(std::atan2(back.b, back.a))).wrapped()};
  }

 private:
  const PlacePlan& place_;
  const Development& ground_;
  double share_;
  Box box_;
  Angle turned_;  ///< the artwork in its set
  bool bent_ = false;
  Point was_;
  Length middle_;
  double radius_ = 1;
};

}  // namespace

Anchor anchorUnder(const SetPlan& set, const PlacePlan& place, WallPoint at, const Wall& wall) {
  return Footing(set, place, wall).under(at);
}

Told toldBy(const Anchor& anchor, const SetPlan& set, const PlacePlan& place, const Wall& wall) {
  return Footing(set, place, wall).told(anchor);
}

}  // namespace avrelt

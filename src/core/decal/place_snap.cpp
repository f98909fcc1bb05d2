// SPDX-License-Identifier: GPL-3.0-or-later
#include "decal/place_snap.h"

#include <algorithm>
#include <cmath>

namespace avrelt {
namespace {

class Snapping {
 public:
  Snapping(const std::vector<SetPlan>& sets, const Divided& divided, const Wall& wall,
           const PlacePlan& moving, WallPoint wanted, Length reach)
      : sets_(sets), divided_(divided), wall_(wall), moving_(moving), wanted_(wanted) {
    const Length s = std::clamp(wanted.s, Length(), wall.body.wall());
    radius_ = std::max(wall.body.radius(s), Length::mm(1));
    round_ = Angle::radians(reach / radius_);
    up_ = reach;
  }

  Snap operator()() {
    toDirections();
    toZone();
    toPlaces();
    toGaps();
    return snap_;
  }

 private:
  void offer(SnapTo to, CupAngle onCup, std::vector<SnapGap> gaps = {}) {
    const Angle off = abs((wall_.inFrame(onCup) - wanted_.theta).wrapped());
    if (off >= round_) return;
    round_ = off;
    snap_.round = SnapRound{to, onCup, std::move(gaps)};
  }
  void offer(SnapTo to, Length s) {
    const Length off = abs(s - wanted_.s);
    if (off >= up_) return;
    up_ = off;
    snap_.up = SnapUp{to, s};
  }

  void toDirections() {
    offer(SnapTo::front, CupAngle::front());
    for (const double degrees : {90.0, 180.0, -90.0}) {
      offer(SnapTo::quarter, CupAngle::degrees(degrees));
    }
  }

  void toZone() {
    for (const Zone& zone : divided_.zones) {
      if (!zone.region.contains({wanted_.theta.wrapped(), wanted_.s})) continue;
      const Length low = zone.region.lowest();
      const Length high = zone.region.highest();
      offer(SnapTo::zoneMiddle, (low + high) / 2);
      offer(SnapTo::zoneEdge, low);
      offer(SnapTo::zoneEdge, high);
      if (zone.region.allRound()) return;
      const auto [from, to] = zone.region.span();
      offer(SnapTo::zoneMiddle, wall_.onCup(((from + to) / 2).wrapped()));
      for (const Angle edge : {from, to}) offer(SnapTo::zoneEdge, wall_.onCup(edge.wrapped()));
      return;
    }
  }

  /// Scattered ones are everywhere.
  bool isOther(const PlacePlan& place) const {
    return place.scatter.empty() && place.id != moving_.id &&
           (moving_.row.empty() || place.row != moving_.row);
  }

  void toPlaces() {
    for (const SetPlan& set : sets_) {
      for (const PlacePlan& place : set.places) {
        if (!isOther(place)) continue;
        offer(SnapTo::place, wall_.onCup(place.anchor.theta.wrapped()));
        offer(SnapTo::place, place.anchor.s);
      }
    }
  }

  /// What others at its height cover, each to its right from where it is wanted, up to a turn.
  struct Covered {
    Angle from;
    Angle to;
  };
  std::vector<Covered> besides() const {
    const WallReach& own = moving_.laid->reach;
    const Length low = own.low - moving_.anchor.s + wanted_.s;
    const Length high = own.high - moving_.anchor.s + wanted_.s;
    std::vector<Covered> all;
    for (const SetPlan& set : sets_) {
      for (const PlacePlan& place : set.places) {
        if (!isOther(place)) continue;
        const WallReach& reach = place.laid->reach;
        if (reach.high < low || reach.low > high) continue;
        double right = (reach.from - wanted_.theta).radians();
        right -= std::floor(right / (2 * M_PI)) * 2 * M_PI;
        all.push_back({Angle::radians(right), Angle::radians(right) + (reach.to - reach.from)});
      }
    }
    std::sort(all.begin(), all.end(),
              [](const Covered& a, const Covered& b) { return a.from < b.from; });
    return all;
  }

  /// Between its neighbours; beside the left or the right one, as far as that one is from the next.
  void toGaps() {
    if (!moving_.row.empty()) return;
    const std::vector<Covered> all = besides();
    if (all.size() < 2) return;
    const Angle left = moving_.laid->reach.from - moving_.anchor.theta;
    const Angle right = moving_.laid->reach.to - moving_.anchor.theta;
    const Covered& next = all.front();
    const Covered before{all.back().from - Angle::turn(), all.back().to - Angle::turn()};
    // Its anchor, so far right of where it is wanted.
    const auto take = [&](Angle anchor, Angle gap, std::vector<SnapGap> gaps) {
      if (gap <= Angle()) return;
      for (SnapGap& one : gaps) {
        one.from = one.from + wanted_.theta;
        one.to = one.to + wanted_.theta;
        one.apart = radius_ * (one.to - one.from).radians();
      }
      offer(SnapTo::equalGaps, wall_.onCup((wanted_.theta + anchor).wrapped()), std::move(gaps));
    };
    const Angle middle = (before.to + next.from - left - right) / 2;
    take(middle, middle + left - before.to,
         {{before.to, middle + left, {}}, {middle + right, next.from, {}}});
    const Angle beyond = all[1].from - next.to;
    const Angle besideNext = next.from - beyond - right;
    take(besideNext, beyond, {{besideNext + right, next.from, {}}, {next.to, all[1].from, {}}});
    const Covered second{all[all.size() - 2].from - Angle::turn(),
                         all[all.size() - 2].to - Angle::turn()};
    const Angle behind = before.from - second.to;
    const Angle besideBefore = before.to + behind - left;
    take(besideBefore, behind,
         {{second.to, before.from, {}}, {before.to, besideBefore + left, {}}});
  }

  const std::vector<SetPlan>& sets_;
  const Divided& divided_;
  const Wall& wall_;
  const PlacePlan& moving_;
  WallPoint wanted_;
  Length radius_;
  Angle round_;
  Length up_;
  Snap snap_;
};

}  // namespace

Snap snapOf(const std::vector<SetPlan>& sets, const Divided& divided, const Wall& wall,
            const PlacePlan& moving, WallPoint wanted, Length reach) {
  return Snapping(sets, divided, wall, moving, wanted, reach)();
}

}  // namespace avrelt

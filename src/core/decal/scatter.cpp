// SPDX-License-Identifier: GPL-3.0-or-later
#include "decal/scatter.h"

#include <algorithm>
#include <cmath>
#include <map>

#include "decal/set_shape.h"
#include "decal/standing.h"
#include "measure/dice.h"

namespace avrelt {
namespace {

constexpr int sizeSteps = 3;
constexpr int triesEach = 30;
constexpr int lastTries = 150;
constexpr double less = 0.95;
/// Darts fill a plane when each has about its share of it, this far apart.
constexpr double filled = 0.82;
constexpr double sparsest = 0.15;
constexpr Length mostRoom = Length::mm(200);
/// Touching is not clear.
constexpr Length clear = Length::mm(0.01);

class Thrower {
 public:
  Thrower(const Scatter& scatter, const ScatterGround& ground)
      : scatter_(scatter),
        ground_(ground),
        wall_(ground.landmarks.wall()),
        chance_(static_cast<std::uint64_t>(scatter.seed)) {
    for (const std::string& id : scatter.sets) {
      for (const DecalSet& set : ground.sets) {
        if (set.id == id && set.art) sets_.push_back(&set);
      }
    }
    low_ = Length();
    high_ = wall_.body.wall();
    area_ = wall_.body.area();
    for (const Zone& zone : ground.divided.zones) {
      if (zone.id != scatter.zone) continue;
      zone_ = &zone;
      low_ = zone.region.lowest();
      high_ = zone.region.highest();
      area_ = zone.area;
    }
  }

  std::vector<ScatterItem> operator()(const std::set<std::size_t>& again) {
    if (!scatter_.zone.empty() && zone_ == nullptr) return scatter_.items;
    std::vector<ScatterItem> items;
    if (sets_.empty() || high_ <= low_) return items;
    for (const Footprint& other : ground_.others) {
      standing_.push_back({other, std::max(scatter_.gap.length, scatter_.away.length)});
    }
    if (!again.empty()) return throwSome(again);
    const double wanted = scatter_.coverPercent / 100 * area_.mm2();
    double covered = 0;
    for (const ScatterItem& item : scatter_.items) {
      if (!item.byHand || !stand(item)) continue;
      covered += signedArea(standing_.back().laid.outline.shape());
      items.push_back(item);
    }
    const auto put = static_cast<int>(items.size());
    const int most = wanted > 0 ? mostScattered : scatter_.count;
    // All alike would each have so much of the zone.
    const int about = wanted > 0
                          ? std::max(1, static_cast<int>(wanted / std::max(usualArea(), 1.0)))
                          : std::max(scatter_.count, 1);
    room_ = std::min(filled * std::sqrt(area_.mm2() / about), mostRoom.mm());
    for (int i = put; i < most && (wanted == 0 || covered < wanted); ++i) {
      const std::optional<ScatterItem> item = throwOne();
      if (!item) break;
      covered += signedArea(standing_.back().laid.outline.shape());
      items.push_back(*item);
    }
    return items;
  }

 private:
  struct Standing {
    Footprint laid;
    Length least;
  };

  /// Puts one where it is; whether it is of a set that is thrown.
  bool stand(const ScatterItem& item) {
    for (const DecalSet* set : sets_) {
      if (set->id != item.set) continue;
      const WallPoint anchor{wall_.inFrame(item.place.at), item.place.up.length};
      standing_.push_back(
          {footprintOf(*set, item.percent, item.place.turn, anchor), scatter_.gap.length});
      return true;
    }
    return false;
  }

  std::vector<ScatterItem> throwSome(const std::set<std::size_t>& again) {
    std::vector<ScatterItem> items = scatter_.items;
    for (std::size_t i = 0; i < items.size(); ++i) {
      if (!again.contains(i)) stand(items[i]);
    }
    room_ = std::sqrt(area_.mm2() / std::max<double>(static_cast<double>(items.size()), 1)) / 2;
    for (const std::size_t i : again) {
      if (i >= items.size()) continue;
      std::optional<ScatterItem> item = throwOne();
      if (!item) continue;
      item->place.id = items[i].place.id;
      items[i] = *item;
    }
    return items;
  }

  const SetShape& shapeOf(const DecalSet& set, double percent) {
    const auto key = std::make_pair(set.id, percent);
    const auto known = shapes_.find(key);
    if (known != shapes_.end()) return known->second;
    DecalSet sized = set;
    sized.size.length = sized.size.length * (percent / 100);
    return shapes_.emplace(key, unmeasuredShapeOf(sized)).first->second;
  }

  double usualArea() {
    double sum = 0;
    for (const DecalSet* set : sets_) {
      sum += signedArea(shapeOf(*set, (100 + scatter_.smallestPercent) / 2).outer);
    }
    return sum / static_cast<double>(sets_.size());
  }

  Footprint footprintOf(const DecalSet& set, double percent, Angle turn, WallPoint anchor) {
    const SetShape& made = shapeOf(set, percent);
    const Stand stand{{}, {}, {}, 0, anchor, turn, false, percent};
    const Point off = anchorOf(set, made);
    const Development ground = groundOf(stand, off, wall_);
    return {EdgeTree(mapped(made.outer, standing(stand, off, ground))), anchor, ground};
  }

  double densityAt(WallPoint p) const {
    const double up = (p.s - low_) / (high_ - low_);
    switch (scatter_.density) {
      case ScatterDensity::even:
        return 1;
      case ScatterDensity::rim:
        return sparsest + (1 - sparsest) * up;
      case ScatterDensity::base:
        return sparsest + (1 - sparsest) * (1 - up);
      case ScatterDensity::front:
        return sparsest + (1 - sparsest) * (1 + std::cos(wall_.onCup(p.theta).radians())) / 2;
    }
    return 1;
  }

  /// A place of the zone, any of its surface as likely as any other but for the density.
  std::optional<WallPoint> anywhere() {
    const double widest = wall_.body.widestRadius().mm();
    for (int i = 0; i < 200; ++i) {
      const WallPoint p{Angle::radians(chance_.between(-M_PI, M_PI)),
                        Length::mm(chance_.between(low_.mm(), high_.mm()))};
      if (chance_.share() * widest > wall_.body.radius(p.s).mm()) continue;
      if (chance_.share() > densityAt(p)) continue;
      if (zone_ == nullptr || zone_->region.contains(p)) return p;
    }
    return std::nullopt;
  }

  std::optional<ScatterItem> throwOne() {
    const DecalSet& set = *sets_[chance_.one(sets_.size())];
    const double step = (100 - scatter_.smallestPercent) / (sizeSteps - 1);
    double percent = 100 - step * static_cast<double>(chance_.one(sizeSteps));
    const Angle turn = Angle::radians(chance_.between(-1, 1) * scatter_.turns.radians());
    for (;;) {
      const bool last = room_ < scatter_.gap.length.mm() / 8 + 0.2;
      for (int i = 0; i < (last ? lastTries : triesEach); ++i) {
        const std::optional<WallPoint> p = anywhere();
        if (!p) return std::nullopt;
        Footprint laid = footprintOf(set, percent, turn, *p);
        if (!isFree(laid, last ? 0 : room_ / std::sqrt(densityAt(*p)))) continue;
        ScatterItem item;
        item.set = set.id;
        item.percent = percent;
        item.place.at = wall_.onCup(p->theta);
        item.place.up = {p->s, {}};
        item.place.turn = turn;
        standing_.push_back({std::move(laid), scatter_.gap.length});
        return item;
      }
      if (!last) {
        room_ *= less;
      } else if (percent > scatter_.smallestPercent + 1e-9) {
        percent = std::max(percent - step, scatter_.smallestPercent);
      } else {
        return std::nullopt;
      }
    }
  }

  bool isFree(const Footprint& laid, double room) const {
    const double narrowest = wall_.body.narrowestRadius().mm();
    for (const Standing& other : standing_) {
      // Room is between middles, gaps are between outlines.
      const double least = other.least.mm();
      const double reach = 1.25 * (laid.outline.reach() + other.laid.outline.reach()) + least;
      const double far = std::max(reach, room);
      if (std::abs((other.laid.anchor.s - laid.anchor.s).mm()) > far + reach) continue;
      // A chord of the flat is no shorter than 2/π of its arc.
      const Angle round = abs((other.laid.anchor.theta - laid.anchor.theta).wrapped());
      if (round.radians() * narrowest * 0.6 > far + reach) continue;
      const Spacing spacing = spacingOf(wall_, laid, other.laid);
      if (spacing.middles < room) return false;
      if (spacing.least >= least) continue;
      if (nearerThan(wall_, laid, other.laid, std::max(other.least, clear))) return false;
    }
    return onGround(laid);
  }

  bool onGround(const Footprint& laid) const {
    const PlaceRoom room = ground_.landmarks.roomOf(laid, reachOf(laid));
    const Length away = std::max(scatter_.away.length, clear);
    if (scatter_.whole && std::min(room.rim, room.base) < scatter_.away.length) return false;
    if (zone_ != nullptr && room.zone != zone_->id) return false;
    if (room.line && room.line->apart < away) return false;
    if (room.feature && room.feature->apart < away) return false;
    return !scatter_.offSeam || room.seam.apart >= away;
  }

  const Scatter& scatter_;
  const ScatterGround& ground_;
  const Wall& wall_;
  Dice chance_;
  std::vector<const DecalSet*> sets_;
  std::map<std::pair<std::string, double>, SetShape> shapes_;
  std::vector<Standing> standing_;
  const Zone* zone_ = nullptr;
  Length low_;
  Length high_;
  Area area_;
  double room_ = 0;  ///< mm between middles, where the density is 1
};

}  // namespace

const char* densityName(ScatterDensity density) {
  static constexpr const char* names[] = {"even", "rim", "base", "front"};
  return names[static_cast<std::size_t>(density)];
}

Faults scatterFaults(const Scatter& scatter) {
  Faults faults;
  const auto fault = [&](Member member, Sentence sentence) {
    faults.push_back({Where(member, scatter.id), std::move(sentence)});
  };
  if (scatter.sets.empty())
    fault(Member::scatterSets, {"A scatter wants sets to throw. Give it one.", {}});
  if (scatter.count < 1 || scatter.count > mostScattered) {
    fault(Member::scatterCount,
          {"A scatter takes 1 to %1. Give a number between.", {static_cast<long>(mostScattered)}});
  }
  for (const auto& [member, length] : {std::make_pair(Member::scatterGap, scatter.gap.length),
                                       std::make_pair(Member::scatterAway, scatter.away.length)}) {
    if (length < Length() || length > mostRoom) {
      fault(member, {"A scatter cannot keep %1 apart. Give 0 to %2.", {length, mostRoom}});
    }
  }
  if (scatter.items.size() > static_cast<std::size_t>(mostScattered)) {
    fault(Member::scatterItems, {"A scatter takes up to %1.", {static_cast<long>(mostScattered)}});
  }
  return faults;
}

std::vector<ScatterItem> scattered(const Scatter& scatter, const ScatterGround& ground,
                                   const std::set<std::size_t>& again) {
  return Thrower(scatter, ground)(again);
}

}  // namespace avrelt

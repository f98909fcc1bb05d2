// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cmath>
#include <random>

#include "core/cups.h"
#include "divide/divide.h"
#include "divide/split.h"
#include "pattern/fill.h"

/// Cups, seams, zones and patterns by chance, the same for a seed.
namespace avrelt::cups {

class Chance {
 public:
  explicit Chance(unsigned seed) : random_(seed) {}

  double between(double low, double high) {
    return low + (high - low) * (static_cast<double>(random_()) / 4294967296.0);
  }
  int whole(int low, int high) {
    return low + static_cast<int>(random_() % static_cast<unsigned>(high - low + 1));
  }
  bool one(int in) { return whole(1, in) == 1; }

  /// Straight, tapered either way, steeply so, or curved.
  Body body(bool cones = false) {
    if (!cones && one(5)) {
      return bodyOf(allCurved()[static_cast<std::size_t>(whole(0, 3))].blank);
    }
    const double base = between(180, 320);
    const double tall = between(90, 240);
    const double rim = one(3) ? base : base * between(0.75, 1.35);
    return bodyOf(cups::body(Length::mm(base), Length::mm(rim), Length::mm(tall)));
  }
  Wall wall(bool cones = false) {
    const Body made = body(cones);
    const std::vector<WallSample> samples = made.samples(Length(), made.wall(), 80);
    const Development flat =
        made.isCone() ? made.cone() : fitRing(samples, 0, samples.size() - 1).cone();
    const CupAngle seam = one(3) ? CupAngle::back() : CupAngle::degrees(between(-180, 180));
    return {made, flat, seam};
  }

  /// The whole wall or a part of it, cut once or twice in any way.
  Region zone(const Wall& wall) {
    Region zone = Region::band(Length(), wall.body.wall());
    for (int depth = whole(0, 2); depth > 0; --depth) {
      const Checked<Split> parts = split(zone, cut(wall, zone), wall);
      if (!parts) continue;
      const Region part = parts->parts[static_cast<std::size_t>(
          whole(0, static_cast<int>(parts->parts.size()) - 1))];
      if (part.area(wall.body).mm2() > 900) zone = part;
    }
    return zone;
  }

  Cut cut(const Wall& wall, const Region& zone) {
    const Length low = zone.lowest();
    const Length tall = zone.highest() - low;
    const auto [from, to] = zone.span();
    const auto place = [&, from = from, to = to] {
      return wall.onCup(from + (to - from) * between(0, 1));
    };
    const auto height = [&] { return WrittenLength{low + tall * between(0.15, 0.85), {}}; };
    CupAngle at = place();
    // At a round place, now and then, where edges fall on the seam and on each other.
    if (one(4)) at = CupAngle::degrees(90 * whole(-1, 2));
    switch (static_cast<CutKind>(whole(0, 4))) {
      case CutKind::rings:
        return RingCut{.count = whole(2, 4)};
      case CutKind::uprights:
        return UprightCut{.count = whole(2, 4), .at = at};
      case CutKind::vee: {
        VeeCut made{.at = at, .repeat = whole(1, 4), .opensAtRim = one(2)};
        made.wide.length =
            wall.body.radius(zone.highest()) * ((to - from).radians() * between(0.1, 0.25));
        if (one(2)) made.deep = WrittenLength{tall * between(0.3, 0.95), {}};
        return made;
      }
      case CutKind::slant:
        return SlantCut{.at = at, .low = height(), .to = place(), .high = height()};
      case CutKind::wave:
        break;
    }
    return WaveCut{.at = at,
                   .repeat = whole(1, 4),
                   .low = height(),
                   .fromRim = false,
                   .swing = {tall * between(0.05, 0.25), {}},
                   .zigzag = one(3)};
  }

  Pattern pattern(const Wall& wall) {
    Pattern made;
    made.family =
        families[static_cast<std::size_t>(whole(0, static_cast<int>(families.size()) - 1))];
    made.size = WrittenLength::mm(between(12, 60));
    made.line = WrittenLength::mm(one(4) ? 0 : between(0.3, 2));
    made.along = one(3) ? 0 : between(0, 1);
    made.up = one(3) ? 0 : between(0, 1);
    made.mirror = one(2);
    made.turned = one(2);
    made.seed = whole(1, 99);
    const RatioRange range = ratioOf(made.family);
    if (one(2) && range.from < range.to) {
      const double ratio = between(range.from, range.to);
      made.ratio = range.whole ? std::round(ratio) : ratio;
    }
    if (wall.body.isCone() && one(3)) made.taperFit = TaperFit::keep;
    if (one(4)) made.heightFit = one(2) ? HeightFit::whole : HeightFit::proportion;
    return made;
  }

 private:
  std::mt19937 random_;
};

}  // namespace avrelt::cups

// SPDX-License-Identifier: GPL-3.0-or-later
#include "watch/feature_rules.h"

#include <algorithm>

namespace avrelt {

std::vector<Watch> watchFeatures(const Blank& blank, const Body& body, const WrapLayout& wrap) {
  std::vector<Watch> watches;
  const auto watch = [&](Rule rule, WatchLevel level, Where where, Sentence sentence) {
    watches.push_back({rule, level, std::move(where), std::move(sentence)});
  };
  for (std::size_t i = 0; i < blank.features.size(); ++i) {
    const Feature& feature = blank.features[i];
    const Length low = feature.kind == FeatureKind::footLip ? Length() : feature.low.length;
    const bool met = coversWall(feature.kind) && feature.high.length > wrap.low() &&
                     low < wrap.high() && feature.high.length > Length();
    const Angle off = abs(feature.at.wrapped().fromFront());
    switch (feature.kind) {
      case FeatureKind::handle:
      case FeatureKind::spout:
        if (met) {
          watch(
              Rule::underHandle, WatchLevel::note, Where(Member::featureAt, i),
              {feature.kind == FeatureKind::handle
                   ? "The wrap runs under the handle at %1, where nothing is seen. Its outline is "
                     "on the part: cut it out, or screw the handle on last."
                   : "The wrap meets the spout at %1. Its outline is on the part: cut it out.",
               {feature.at.wrapped()}});
        }
        if (feature.kind == FeatureKind::handle && off < feature.wide / 2) {
          watch(Rule::frontMarkedElsewhere, WatchLevel::warn, Where(Member::featureAt, i),
                {"The handle stands on the front. Put the front where people look: opposite or "
                 "beside it.",
                 {}});
        }
        break;
      case FeatureKind::keepClear:
        if (met) {
          watch(Rule::overKeepClear, WatchLevel::note, Where(Member::featureAt, i),
                {"The wrap covers a place at %1 that is to stay clear. Its outline is on the "
                 "part: cut it out.",
                 {feature.at.wrapped()}});
        }
        break;
      case FeatureKind::footLip:
        if (met) {
          watch(Rule::overFoot, WatchLevel::warn, Member::baseClearance,
                {"The wrap runs onto the lip of the foot, %1 high. Leave that much bare at the "
                 "base.",
                 {feature.high.length}});
        }
        break;
      case FeatureKind::frontMark:
      case FeatureKind::lidMouth:
        if (off > Angle::degrees(1)) {
          watch(Rule::frontMarkedElsewhere, WatchLevel::note, Where(Member::featureAt, i),
                {feature.kind == FeatureKind::lidMouth
                     ? "The lid is drunk from at %1, and front is 0°. Turn the lid, or count the "
                       "front from it."
                     : "The mark of the front stands at %1, and front is 0°. Count from the mark.",
                 {feature.at.wrapped()}});
        }
        break;
    }
  }
  const std::vector<Length>& stations = body.stations();
  for (std::size_t i = 1; i + 1 < stations.size(); ++i) {
    const Length below = body.around(stations[i - 1]);
    const Length above = body.around(stations[i + 1]);
    const Length here = body.around(stations[i]);
    const bool thin = here < std::min(below, above) / 2;
    if (!thin && here < std::max(below, above) * 2) continue;
    watch(Rule::oddStation, WatchLevel::warn, Where(Member::stationGirth, i),
          {"Here the cup measures %1 round, and %2 and %3 at the stations beside. Was it typed in "
           "another unit?",
           {here, below, above}});
  }
  const Length reach = body.filletReach();
  if (reach > Length::mm(0.5) && wrap.low() < reach && wrap.low() >= Length()) {
    watch(Rule::overFillet, WatchLevel::warn, Member::baseClearance,
          {"The wrap runs into the rounding at the base, %1 up the wall, and will not lie there. "
           "Leave that much bare.",
           {reach}});
  }
  return watches;
}

}  // namespace avrelt

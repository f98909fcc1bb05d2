// SPDX-License-Identifier: GPL-3.0-or-later
#include "watch/peekaboo_rules.h"

#include <algorithm>

namespace avrelt {
namespace {

/// By how much coats spread half of an opening of this width, from the stencil's stage to the
/// ring's: it is at the ends that a ring laid round its middle first misses.
Length spreads(const Body& stencil, const Body& ring, Length up, Length wide) {
  const Length s = std::clamp(up, Length(), std::min(stencil.wall(), ring.wall()));
  return wide / 2 * (ring.radius(s) / stencil.radius(s) - 1);
}

}  // namespace

std::vector<Watch> watchPeekaboos(const std::vector<DecalSet>& sets,
                                  const std::vector<SetPlan>& plans,
                                  const std::function<const Body&(const std::string& id)>& bodyOf) {
  std::vector<Watch> watches;
  const std::vector<Peekaboo> peekaboos = peekaboosOf(plans);
  const std::vector<int> alike = liftOrderOf(peekaboos).oneByOne;
  if (!alike.empty()) {
    const auto first = std::find_if(peekaboos.begin(), peekaboos.end(),
                                    [](const Peekaboo& one) { return !one.alike.empty(); });
    watches.push_back(
        {Rule::peekabooAlike,
         WatchLevel::note,
         Where(Member::places, plans[first->set].id),
         {"Under paint %1 stencils cannot be told apart though their rings differ, %2 and %3 "
          "among them. Lift each and ring it before the next.",
          {static_cast<long>(alike.size()), static_cast<long>(first->number),
           static_cast<long>(first->alike.front())}}});
  }
  std::vector<std::size_t> told;
  for (const Peekaboo& one : peekaboos) {
    const SetPlan& plan = plans[one.set];
    const DecalSet& set = sets[static_cast<std::size_t>(plan.set)];
    if (one.ring.empty() || set.allowGrowth ||
        std::find(told.begin(), told.end(), one.set) != told.end()) {
      continue;
    }
    const PlacePlan& place = plan.places[one.place];
    const auto layer =
        std::find_if(set.layers.begin(), set.layers.end(),
                     [&](const Layer& candidate) { return candidate.id == one.ring; });
    const Length wide = Length::mm(plan.box.width() * place.percent / 100);
    const Length by = spreads(bodyOf(one.stencil), bodyOf(one.ring), place.anchor.s, wide);
    if (layer == set.layers.end() || by <= layer->lap.length) continue;
    told.push_back(one.set);
    watches.push_back(
        {Rule::ringMisses,
         WatchLevel::warn,
         Where(Member::layerLap, layer->id),
         {"The coats between widen what the stencil of “%1” leaves by %2 at each end, and its ring "
          "laps over by %3: it shows. Allow for growth, or give more lap.",
          {plan.name, by, layer->lap.length}}});
  }
  return watches;
}

}  // namespace avrelt

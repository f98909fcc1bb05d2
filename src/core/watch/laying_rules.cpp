// SPDX-License-Identifier: GPL-3.0-or-later
#include "watch/laying_rules.h"

#include <algorithm>
#include <cmath>

namespace avrelt {
namespace {

/// "2.3 %": a share as a maker reads it.
std::string percent(double share) {
  return numberText(std::abs(share) * 100, 1) + " %";
}

std::string nameOf(LayingKind kind) {
  return layingTitle(kind).pattern;
}

}  // namespace

std::vector<Watch> watchLaying(const Body& body, const Layings& layings, const Wrap& wrap,
                               LayingKind made, const Film& film) {
  std::vector<Watch> watches;
  const auto watch = [&](Rule rule, WatchLevel level, Sentence sentence) {
    watches.push_back({rule, level, Member::laying, std::move(sentence)});
  };
  const Laying& laying = layings.of(made);
  const Laying& best = layings.of(layings.recommended);
  const double bears = bearsOf(film);
  if (wrap.laying && *wrap.laying != made) {
    watch(Rule::layingImpossible, WatchLevel::warn,
          {"A %1 cannot be cut for this wall; the plan shows %2 instead.",
           {nameOf(*wrap.laying), nameOf(made)}});
  }
  if (!laying.bears) {
    const bool full = -laying.least > laying.most;
    if (!best.bears) {
      watch(Rule::noLaying, WatchLevel::warn,
            {full ? "No way of laying stays within the %1 this film bears; the least bad leaves it "
                    "%2 too full. Take a film that gives more, or a smaller part of the wall."
                  : "No way of laying stays within the %1 this film bears; the least bad stretches "
                    "it by %2. Take a film that gives more, or a smaller part of the wall.",
             {percent(bears), percent(best.largest())}});
    } else {
      watch(
          Rule::filmOvertaxed, WatchLevel::warn,
          {full ? "Laid as %1 the film lies %2 too full, and it bears %3: it will wrinkle. Lay "
                  "it as %4."
                : "Laid as %1 the film has to stretch by %2, and it bears %3. Lay it as %4.",
           {nameOf(made), percent(laying.largest()), percent(bears), nameOf(layings.recommended)}});
    }
  } else if (made != layings.recommended && made != LayingKind::sheet) {
    watch(Rule::notRecommended, WatchLevel::note,
          {"Laid as %1; as %2 it would do with joins of %3 instead of %4.",
           {nameOf(made), nameOf(layings.recommended), best.joins, laying.joins}});
  }
  constexpr Length seen = Length::mm(0.25);
  if (made == LayingKind::sheet && layings.runsOff > seen && body.isCone()) {
    watch(Rule::runsOff, layings.runsOff > Length::mm(1.6) ? WatchLevel::warn : WatchLevel::note,
          {"A straight sheet runs off by %1 between front and back. Trim it along the rim, or cut "
           "the ring sector.",
           {layings.runsOff}});
  }
  return watches;
}

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#include "job/laid.h"

#include <algorithm>

#include "job/ids.h"
#include "sheet/decal_parts.h"

namespace avrelt {
namespace {

/// The share of a turn a region covers.
double roundOf(const Region& region) {
  const auto [from, to] = region.span();
  return std::clamp((to - from).radians() / Angle::turn().radians(), 0.0, 1.0);
}

const Zone* zoneCalled(const Divided& divided, const std::string& id) {
  for (const Zone& zone : divided.zones) {
    if (zone.id == id) return &zone;
  }
  return nullptr;
}

Sentence maskName(const Mask& mask, const std::string& letters) {
  return mask.kind == MaskKind::cover ? Sentence{"cover of %1", {letters}}
                                      : Sentence{"window to %1", {letters}};
}

}  // namespace

std::vector<LaidThing> laidThings(const Cup& cup, const Divided& divided,
                                  const std::vector<StripePlan>& stripes,
                                  const std::vector<FillPlan>& fills,
                                  const std::vector<SetPlan>& sets) {
  std::vector<LaidThing> things;
  const auto add = [&](LaidKind kind, const std::string& id, Sentence name, double round,
                       Length overlap) {
    const bool own = std::any_of(cup.buildUp.laid.begin(), cup.buildUp.laid.end(),
                                 [&](const OwnStage& stage) { return stage.of == id; });
    things.push_back(
        {kind, id, std::move(name), laidAfterOf(cup.buildUp, id), own, round, overlap});
  };
  for (const Mask& mask : cup.division.masks) {
    std::string letters;
    double round = 0;
    for (const std::string& id : mask.zones) {
      const Zone* zone = zoneCalled(divided, id);
      if (zone == nullptr) continue;
      letters += (letters.empty() ? "" : ", ") + zone->letter;
      round += roundOf(zone->region);
    }
    if (letters.empty()) continue;
    add(LaidKind::mask, mask.id, maskName(mask, letters), std::min(round, 1.0), {});
  }
  for (const FillPlan& fill : fills) {
    const Zone* zone = zoneCalled(divided, fill.zone);
    if (zone == nullptr) continue;
    add(LaidKind::pattern, fill.id, {"pattern in zone %1", {fill.letter}}, roundOf(zone->region),
        {});
  }
  const bool wholeIsWrap = wrapIsBody(cup);
  for (const Zone& zone : divided.zones) {
    if (wholeIsWrap || zone.finish.kind != FinishKind::film) continue;
    const bool closes = zone.region.allRound();
    add(LaidKind::film, zone.id, {"film of zone %1", {zone.letter}}, roundOf(zone.region),
        closes ? cup.wrap.overlap.length : Length());
  }
  for (const StripePlan& stripe : stripes) {
    const Stripe& asked = cup.division.stripes[static_cast<std::size_t>(stripe.stripe)];
    add(LaidKind::stripe, stripe.id, {"stripe on line %1", {stripe.line}}, stripe.closed ? 1 : 0,
        stripe.closed ? asked.overlap.length : Length());
  }
  for (const SetPlan& set : sets) {
    const DecalSet& chosen = cup.sets[static_cast<std::size_t>(set.set)];
    for (std::size_t i = 0; i < set.layers().size(); ++i) {
      const LayerPlan& layer = set.layers()[i];
      if (layer.nothing) continue;
      double turns = 0;
      for (const PlacePlan& place : set.places) {
        const WallReach& reach = place.laid->layers[i].reach;
        turns = std::max(turns, (reach.to - reach.from).radians() / Angle::turn().radians());
      }
      add(LaidKind::layer, layer.id, {"%1 of %2", {Phrase(layerWordsWithin(chosen, i)), set.name}},
          std::min(turns, 1.0), {});
    }
  }
  if (isWrapped(cup)) {
    add(LaidKind::wrap, wrapThing,
        wrapLiesOver(cup) ? Sentence{"film over everything", {}} : Sentence{"wrap", {}}, 1,
        cup.wrap.overlap.length);
  }
  std::stable_sort(things.begin(), things.end(), [&](const LaidThing& a, const LaidThing& b) {
    const auto place = [&](const LaidThing& thing) {
      const bool first = thing.kind == LaidKind::wrap && !wrapLiesOver(cup);
      return first ? -1 : static_cast<int>(thing.kind);
    };
    return a.after != b.after ? a.after < b.after : place(a) < place(b);
  });
  return things;
}

std::vector<OwnStage> stagesOfNothing(const Cup& cup) {
  std::vector<OwnStage> lost;
  for (const OwnStage& own : cup.buildUp.laid) {
    const auto is = [&](const auto& thing) { return thing.id == own.of; };
    const bool there = own.of == wrapThing || nodeCalled(cup.division.body, own.of) != nullptr ||
                       std::any_of(cup.fills.begin(), cup.fills.end(), is) ||
                       std::any_of(cup.division.stripes.begin(), cup.division.stripes.end(), is) ||
                       std::any_of(cup.division.masks.begin(), cup.division.masks.end(), is) ||
                       std::any_of(cup.sets.begin(), cup.sets.end(), [&](const DecalSet& set) {
                         return std::any_of(set.layers.begin(), set.layers.end(), is);
                       });
    if (!there) lost.push_back(own);
  }
  return lost;
}

}  // namespace avrelt

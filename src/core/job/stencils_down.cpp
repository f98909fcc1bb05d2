// SPDX-License-Identifier: GPL-3.0-or-later
#include "decal/peekaboos.h"
#include "job/step_list.h"

namespace avrelt {

StencilsDown::StencilsDown(StepList& list) : list_(list) {}

void StencilsDown::lay(const StackItem& stencil) {
  std::set<std::string> zones = zonesOf(list_.plan(), stencil);
  const bool parted = zones.size() > 1;
  down_.push_back({&stencil, std::move(zones), parted});
}

bool StencilsDown::in(const std::vector<std::string>& zones) const {
  return std::any_of(down_.begin(), down_.end(), [&](const Down& down) {
    return std::any_of(zones.begin(), zones.end(),
                       [&](const std::string& zone) { return down.zones.contains(zone); });
  });
}

void StencilsDown::lift(const std::vector<std::string>& zones, MethodKind hiddenBy,
                        const Wait& then) {
  for (Down& down : down_) {
    std::string suffix;
    long pieces = 0;
    for (const std::string& zone : zones) {
      if (down.zones.erase(zone) == 0) continue;
      if (down.parted) suffix += "-" + zone;
      const SetPlan& set = list_.plan().sets[static_cast<std::size_t>(down.stencil->set)];
      for (const PlacePlan& place : set.places) pieces += place.room.zone == zone ? 1 : 0;
    }
    if (pieces > 0) lift(down, suffix, pieces, hiddenBy, then);
  }
  std::erase_if(down_, [](const Down& down) { return down.zones.empty(); });
}

void StencilsDown::liftAll(MethodKind hiddenBy, const Wait& then) {
  for (const Down& down : down_) {
    const SetPlan& set = list_.plan().sets[static_cast<std::size_t>(down.stencil->set)];
    lift(down, {}, static_cast<long>(set.places.size()), hiddenBy, then);
  }
  down_.clear();
}

void StencilsDown::lift(const Down& down, const std::string& suffix, long pieces,
                        MethodKind hiddenBy, const Wait& then) {
  const StackItem& stencil = *down.stencil;
  const double each = 1.5;
  const double ringing = 3;
  if (const StackItem* ring = ringOneByOne(stencil, hiddenBy)) {
    Step& step = list_.add(
        "ring-" + ring->id + suffix, StepKind::ring,
        {"One after the other, by their numbers: find one of the %1 by the paper map, lift "
         "it by its edge, clean what it left, and lay its ring before the next.",
         {Phrase(stencil.name)}},
        min(2 + (each + ringing) * static_cast<double>(pieces)), then);
    step.of = {ring->id, stencil.id};
    step.pieces = pieces;
    ringed_.insert(ring->id);
    return;
  }
  Sentence words{"Find the %1 by the paper map, lift each by its edge, and clean what it left.",
                 {Phrase(stencil.name)}};
  if (looksLikeAnother(stencil)) {
    words = {"%1 Write its number beside it: some look alike, and each has its own ring.",
             {Phrase(words)}};
  }
  Step& step = list_.add("peel-" + stencil.id + suffix, StepKind::peel, std::move(words),
                         min(2 + each * static_cast<double>(pieces)), then);
  step.of = {stencil.id};
}

bool StencilsDown::looksLikeAnother(const StackItem& stencil) const {
  const std::vector<Peekaboo> peekaboos = peekaboosOf(list_.plan().sets);
  const std::vector<int> alike = liftOrderOf(peekaboos).oneByOne;
  return std::any_of(peekaboos.begin(), peekaboos.end(), [&](const Peekaboo& one) {
    return static_cast<int>(one.set) == stencil.set &&
           std::find(alike.begin(), alike.end(), one.number) != alike.end();
  });
}

/// The ring that is laid as the stencil is lifted: as the maker wants it, or as some look alike.
/// On wet or rough glitter no ring holds.
const StackItem* StencilsDown::ringOneByOne(const StackItem& stencil, MethodKind hiddenBy) const {
  const bool dries = hiddenBy == MethodKind::paint || hiddenBy == MethodKind::sprayPaint;
  if (!dries || (!list_.choices().ringOneByOne && !looksLikeAnother(stencil))) return nullptr;
  const CupPlan& plan = list_.plan();
  const SetPlan& set = plan.sets[static_cast<std::size_t>(stencil.set)];
  for (const StackItem& item : plan.stack) {
    if (item.set != stencil.set || item.layer < 0) continue;
    const LayerPlan& layer = set.layers()[static_cast<std::size_t>(item.layer)];
    if (layer.kind == LayerKind::ring && item.after <= stencil.after + 1) return &item;
  }
  return nullptr;
}

}  // namespace avrelt

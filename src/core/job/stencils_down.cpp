// SPDX-License-Identifier: GPL-3.0-or-later
#include "decal/peekaboos.h"
#include "job/step_list.h"

namespace avrelt {
namespace {

constexpr Duration toFind = Duration::minutes(2);
constexpr Duration toLift = Duration::minutes(1.5);  // one
constexpr Duration toRing = Duration::minutes(3);    // one

}  // namespace

StencilsDown::StencilsDown(StepList& list) : list_(list) {}

void StencilsDown::lay(const StackItem& stencil) {
  down_.push_back({&stencil, stencil.zones});
}

bool StencilsDown::in(const std::vector<std::string>& zones) const {
  return std::any_of(down_.begin(), down_.end(), [&](const Down& down) {
    return std::any_of(zones.begin(), zones.end(),
                       [&](const std::string& zone) { return down.zones.contains(zone); });
  });
}

void StencilsDown::liftAll(const std::string& id, MethodKind hiddenBy, const Wait& then) {
  std::vector<std::string> zones;
  for (const Zone& zone : list_.plan().divided.zones) zones.push_back(zone.id);
  lift(id, zones, hiddenBy, then);
  down_.clear();
}

void StencilsDown::lift(const std::string& id, const std::vector<std::string>& zones,
                        MethodKind hiddenBy, const Wait& then) {
  struct Some {
    const StackItem* stencil;
    long pieces;
  };
  std::vector<Some> lifted;
  std::vector<Some> ringed;
  for (Down& down : down_) {
    long pieces = 0;
    for (const std::string& zone : zones) {
      if (down.zones.erase(zone) == 0) continue;
      const SetPlan& set = list_.plan().sets[static_cast<std::size_t>(down.stencil->set)];
      for (const PlacePlan& place : set.places) pieces += place.room.zone == zone ? 1 : 0;
    }
    if (pieces == 0) continue;
    const bool oneByOne = ringOneByOne(*down.stencil, hiddenBy) != nullptr;
    (oneByOne ? ringed : lifted).push_back({down.stencil, pieces});
  }
  std::erase_if(down_, [](const Down& down) { return down.zones.empty(); });
  // All that comes off in one moment is one step: the next would find it set.
  const Wait atOnce{{}, min(5)};
  if (!lifted.empty()) {
    std::vector<std::string> of;
    long all = 0;
    bool alike = false;
    for (const Some& one : lifted) {
      of.push_back(one.stencil->id);
      all += one.pieces;
      alike = alike || looksLikeAnother(*one.stencil);
    }
    Sentence words{"Find the %1 by the paper map, lift each by its edge, and clean what it left.",
                   {Phrase(lifted.front().stencil->name)}};
    if (lifted.size() > 1) {
      words = {
          "Find the %1 and %2 more by the paper map, lift each by its edge, and clean what it "
          "left.",
          {Phrase(lifted.front().stencil->name), static_cast<long>(lifted.size()) - 1}};
    }
    if (alike) {
      words = {"%1 Write each number beside it: some look alike, and each has its own ring.",
               {Phrase(words)}};
    }
    Step& step =
        list_.add("peel-" + id, StepKind::peel, std::move(words),
                  toFind + toLift * static_cast<double>(all), ringed.empty() ? then : atOnce);
    step.of = std::move(of);
  }
  for (std::size_t i = 0; i < ringed.size(); ++i) {
    const auto& [stencil, pieces] = ringed[i];
    const StackItem* ring = ringOneByOne(*stencil, hiddenBy);
    Step& step = list_.add(
        "ring-" + ring->id + "-" + id, StepKind::ring,
        {"One after the other, by their numbers: find one of the %1 by the paper map, lift "
         "it by its edge, clean what it left, and lay its ring before the next.",
         {Phrase(stencil->name)}},
        toFind + (toLift + toRing) * static_cast<double>(pieces),
        i + 1 == ringed.size() ? then : atOnce);
    step.of = {ring->id, stencil->id};
    step.pieces = pieces;
    ringed_.insert(ring->id);
  }
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

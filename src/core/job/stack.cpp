// SPDX-License-Identifier: GPL-3.0-or-later
#include "job/stack.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <tuple>

#include "job/plan.h"

namespace avrelt {
namespace {

bool comesOff(PartMaterial material) {
  return material == PartMaterial::stencil || material == PartMaterial::removable ||
         material == PartMaterial::paper;
}

/// Whether a layer stays and is not seen through.
bool hides(const Layer& layer) {
  return layer.kind != LayerKind::peekaboo && layer.kind != LayerKind::knockOut &&
         layer.material != PartMaterial::clear && !comesOff(layer.material);
}

bool inGlitter(const Zone& zone, const CupPlan& plan) {
  for (const FillPlan& fill : plan.fills) {
    if (fill.zone != zone.id) continue;
    const Fill& chosen = plan.of->fills[static_cast<std::size_t>(fill.fill)];
    return std::any_of(chosen.colours.begin(), chosen.colours.end(), [](const CellColour& colour) {
      return colour.finish.kind == FinishKind::glitter;
    });
  }
  return zone.finish.kind == FinishKind::glitter;
}

const char* finishPattern(FinishKind kind) {
  switch (kind) {
    case FinishKind::paint:
      return "paint of zone %1";
    case FinishKind::glitter:
      return "glitter of zone %1";
    case FinishKind::ink:
      return "ink of zone %1";
    case FinishKind::dip:
      return "dip of zone %1";
    case FinishKind::none:
    case FinishKind::film:
    case FinishKind::bare:
      break;
  }
  return nullptr;
}

/// Halves joined with halves: one by one, the whole would be gone through for each.
Region together(const std::vector<const Region*>& regions, std::size_t from, std::size_t to) {
  if (from == to) return {};
  if (to - from == 1) return *regions[from];
  const std::size_t middle = from + (to - from) / 2;
  return together(regions, from, middle) | together(regions, middle, to);
}

/// A layer by its id.
struct Found {
  int set = -1;
  int layer = -1;
};
std::map<std::string, Found> layersById(const CupPlan& plan) {
  std::map<std::string, Found> found;
  for (std::size_t i = 0; i < plan.sets.size(); ++i) {
    const std::vector<LayerPlan>& layers = plan.sets[i].layers();
    for (std::size_t k = 0; k < layers.size(); ++k) {
      found[layers[k].id] = {static_cast<int>(i), static_cast<int>(k)};
    }
  }
  return found;
}

StackItem itemOf(const LaidThing& thing, const Cup& cup, const std::map<std::string, Found>& all) {
  StackItem item{StackKind::laid, thing.id, thing.name, thing.after, thing.kind};
  item.lifted = thing.kind == LaidKind::mask;
  item.coloured = thing.kind != LaidKind::mask && thing.kind != LaidKind::wrap;
  if (thing.kind == LaidKind::wrap) item.clear = cup.wrap.over == WrapOver::clear;
  if (thing.kind != LaidKind::layer) return item;
  const Found& found = all.at(thing.id);
  item.set = found.set;
  item.layer = found.layer;
  const Layer& layer =
      cup.sets[static_cast<std::size_t>(found.set)].layers[static_cast<std::size_t>(found.layer)];
  item.lifted = layer.kind == LayerKind::peekaboo || comesOff(layer.material);
  item.clear = layer.material == PartMaterial::clear || layer.kind == LayerKind::knockOut;
  return item;
}

}  // namespace

std::vector<StackItem> stackOf(const CupPlan& plan) {
  const Cup& cup = *plan.of;
  const std::map<std::string, Found> layers = layersById(plan);
  // Within a stage layers go set by set, each from the lowest up.
  std::vector<StackItem> laid;
  for (const Zone& zone : plan.divided.zones) {
    const char* pattern = finishPattern(zone.finish.kind);
    if (pattern == nullptr) continue;
    laid.push_back({StackKind::finish, zone.id, {pattern, {zone.letter}}, plan.laidAfter});
  }
  for (const LaidThing& thing : plan.things) laid.push_back(itemOf(thing, cup, layers));
  const auto place = [](const StackItem& item) {
    const int kind = item.kind == StackKind::finish ? 1
                     : item.thing == LaidKind::mask ? 0
                                                    : 2 + static_cast<int>(item.thing);
    return std::make_tuple(item.after, kind, item.set, -item.layer);
  };
  std::stable_sort(laid.begin(), laid.end(),
                   [&](const StackItem& a, const StackItem& b) { return place(a) < place(b); });
  std::vector<StackItem> stack;
  auto next = laid.begin();
  for (int after = 0; after < static_cast<int>(plan.stages.size()); ++after) {
    StackItem item{StackKind::metal, "metal", {"metal", {}}, after};
    if (after > 0) {
      const Coat& coat = cup.buildUp.coats[static_cast<std::size_t>(after - 1)];
      item = {StackKind::coat, coat.id, coatName(coat), after - 1};
    }
    item.coloured = after == 0;
    stack.push_back(std::move(item));
    while (next != laid.end() && next->after <= after) stack.push_back(std::move(*next++));
  }
  return stack;
}

bool anyLaid(const std::vector<StackItem>& stack, int after) {
  return std::any_of(stack.begin(), stack.end(), [&](const StackItem& item) {
    return item.after == after && (item.kind == StackKind::laid || item.kind == StackKind::finish);
  });
}

bool endsInResin(const std::vector<StackItem>& stack, const std::vector<Coat>& coats) {
  return !coats.empty() && coats.back().kind == CoatKind::resin &&
         !anyLaid(stack, static_cast<int>(coats.size()));
}

Region coveredBy(const CupPlan& plan, const StackItem& item) {
  Region wall = Region::band(std::max(plan.wrap.low(), Length()), plan.wrap.high());
  if (item.thing == LaidKind::wrap) return wall;
  if (item.thing == LaidKind::film) {
    for (const Zone& zone : plan.divided.zones) {
      if (zone.id == item.id) return zone.region & wall;
    }
  }
  if (item.thing != LaidKind::layer) return {};
  std::vector<const Region*> regions;
  for (const PlacePlan& place : plan.sets[static_cast<std::size_t>(item.set)].places) {
    regions.push_back(&place.laid->layers[static_cast<std::size_t>(item.layer)].region);
  }
  return together(regions, 0, regions.size());
}

std::vector<Hidden> hiddenBelow(const CupPlan& plan, const StackItem& item) {
  std::vector<Hidden> hidden;
  if (item.kind != StackKind::laid || item.lifted || item.clear) return hidden;
  const Region over = coveredBy(plan, item);
  if (over.empty()) return hidden;
  for (const Zone& zone : plan.divided.zones) {
    if (!inGlitter(zone, plan)) continue;
    const Region covered = over & zone.region;
    if (covered.empty()) continue;
    const Area area = covered.area(plan.wall.body);
    hidden.push_back({zone.id, zone.letter, area, area.mm2() / zone.area.mm2()});
  }
  return hidden;
}

namespace {

/// What opaque layers of sets hide of a zone, by the largest of each place: nearly, as those of two
/// places may lie on each other. And the set that hides most of it.
struct HiddenBySets {
  Area area;
  Area most;
  int set = 0;
};
std::map<std::string, HiddenBySets> hiddenBySets(const CupPlan& plan) {
  std::map<std::string, HiddenBySets> hidden;
  for (const SetPlan& set : plan.sets) {
    const DecalSet& chosen = plan.of->sets[static_cast<std::size_t>(set.set)];
    std::map<std::string, Area> own;
    for (const PlacePlan& place : set.places) {
      if (place.room.zone.empty()) continue;
      Area most;
      const std::vector<LayerPlan>& layers = set.makes[place.make].layers;
      for (std::size_t i = 0; i < layers.size(); ++i) {
        if (hides(chosen.layers[i])) most = std::max(most, layers[i].area);
      }
      Area& sum = own[place.room.zone];
      sum = sum + most;
    }
    for (const auto& [zone, area] : own) {
      HiddenBySets& all = hidden[zone];
      all.area = all.area + area;
      if (area <= all.most) continue;
      all.most = area;
      all.set = set.set;
    }
  }
  return hidden;
}

}  // namespace

std::vector<Watch> watchStack(const CupPlan& plan) {
  std::vector<Watch> watches;
  const Cup& cup = *plan.of;
  const auto glitters = [&](const Zone& zone) { return inGlitter(zone, plan); };
  const bool any = std::any_of(plan.divided.zones.begin(), plan.divided.zones.end(), glitters);
  if (isWrapped(cup) && cup.wrap.over == WrapOver::printed && any) {
    watches.push_back({Rule::stackHidesGlitter,
                       WatchLevel::warn,
                       Member::wrapOver,
                       {"Printed film over everything hides all the glitter below it. Take clear "
                        "film, or leave the glitter out.",
                        {}}});
  } else {
    const std::map<std::string, HiddenBySets> hidden = hiddenBySets(plan);
    for (const Zone& zone : plan.divided.zones) {
      const auto covered = hidden.find(zone.id);
      if (covered == hidden.end() || !glitters(zone)) continue;
      const double share = std::min(1.0, covered->second.area.mm2() / zone.area.mm2());
      if (share < hiddenMuch) continue;
      watches.push_back(
          {Rule::stackHidesGlitter,
           WatchLevel::note,
           Where(Member::layers, cup.sets[static_cast<std::size_t>(covered->second.set)].id),
           {"Film of sets hides about %1 % of the glitter in zone %2. Paint is "
            "cheaper below it, or knock it out of the glitter.",
            {std::lround(share * 100), zone.letter}}});
    }
  }
  // Edges that clear film lies straight on.
  for (const LaidThing& thing : plan.things) {
    if (thing.kind != LaidKind::wrap || cup.wrap.over != WrapOver::clear) continue;
    const auto edges =
        std::count_if(plan.things.begin(), plan.things.end(), [&](const LaidThing& other) {
          return other.after == thing.after && other.id != thing.id &&
                 other.kind != LaidKind::mask && other.kind != LaidKind::pattern;
        });
    if (edges == 0) continue;
    watches.push_back({Rule::stackClearOverEdge,
                       WatchLevel::note,
                       Member::wrapOver,
                       {edges == 1 ? "Clear film over everything lies straight on an edge of film, "
                                     "where it shows a line of air. Put a coat between."
                                   : "Clear film over everything lies straight on the edges of %1 "
                                     "films, where it shows lines of air. Put a coat between.",
                        {static_cast<long>(edges)}}});
  }
  return watches;
}

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#include "job/stack.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <tuple>

#include "craft/flood.h"
#include "job/plan.h"

namespace avrelt {
namespace {

/// Film that is bought or printed with a print is a print also where it goes all round.
Matter wrapMatter(const Cup& cup) {
  if (cup.wrap.over == WrapOver::printed) return Matter::print;
  return wrapIsBody(cup) && cup.division.body.finish.kind == FinishKind::film
             ? matterOf(cup.division.body.finish)
             : Matter::film;
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
  item.matter = thing.kind == LaidKind::mask || thing.kind == LaidKind::pattern ? Matter::comesOff
                                                                                : Matter::film;
  if (thing.kind == LaidKind::wrap) {
    const Finish& body = cup.division.body.finish;
    item.clear = cup.wrap.over == WrapOver::clear ||
                 (wrapIsBody(cup) && body.kind == FinishKind::film && !body.opaque);
    item.matter = wrapMatter(cup);
  }
  if (thing.kind != LaidKind::layer) return item;
  const Found& found = all.at(thing.id);
  item.set = found.set;
  item.layer = found.layer;
  const Layer& layer =
      cup.sets[static_cast<std::size_t>(found.set)].layers[static_cast<std::size_t>(found.layer)];
  item.matter = layer.kind == LayerKind::peekaboo || layer.kind == LayerKind::knockOut
                    ? Matter::comesOff
                    : matterOf(layer.material);
  item.lifted = item.matter == Matter::comesOff;
  item.clear = layer.material == PartMaterial::clear || layer.kind == LayerKind::knockOut;
  return item;
}

const DecalSet& setOf(const StackItem& item, const CupPlan& plan) {
  return plan.of->sets[static_cast<std::size_t>(plan.sets[static_cast<std::size_t>(item.set)].set)];
}

bool isStencil(const StackItem& item, const CupPlan& plan) {
  return item.kind == StackKind::laid && item.layer >= 0 &&
         setOf(item, plan).layers[static_cast<std::size_t>(item.layer)].kind == LayerKind::peekaboo;
}

/// What the film of a zone is of.
void takeFilm(StackItem& item, const CupPlan& plan) {
  for (const Zone& zone : plan.divided.zones) {
    if (zone.id != item.id) continue;
    item.matter = matterOf(zone.finish);
    item.clear = !zone.finish.opaque;
  }
}

/// What the set of the stencil that was added last has put over it, once.
void addOver(std::vector<StackItem>& laid, const CupPlan& plan) {
  const StackItem stencil = laid.back();
  const DecalSet& set = setOf(stencil, plan);
  if (!set.over) return;
  const bool there = std::any_of(laid.begin(), laid.end(), [&](const StackItem& item) {
    return item.kind == StackKind::over && item.set == stencil.set;
  });
  if (there) return;
  StackItem over{StackKind::over,
                 set.id,
                 {"“%1” over the stencils of %2",
                  {finishWords(*set.over), plan.sets[static_cast<std::size_t>(stencil.set)].name}},
                 stencil.after};
  over.set = stencil.set;
  over.matter = matterOf(*set.over);
  if (over.matter == Matter::glitter) over.leaves = roughnessOf(*set.over);
  over.coloured = false;
  laid.push_back(std::move(over));
}

/// Its place among what is laid after as many coats.
int rankOf(const StackItem& item, const CupPlan& plan) {
  if (item.kind == StackKind::finish) return 3;
  if (item.kind == StackKind::over) return 4;
  if (isStencil(item, plan)) return setOf(item, plan).over ? 4 : 2;
  switch (item.thing) {
    case LaidKind::mask:
      return 1;
    case LaidKind::pattern:
      return 5;
    case LaidKind::film:
      return 6;
    case LaidKind::stripe:
      return 7;
    case LaidKind::layer:
      return 8;
    case LaidKind::wrap:
      break;
  }
  return wrapLiesOver(*plan.of) ? 9 : 0;
}

/// The zones an item lies on.
std::set<std::string> zonesOf(const CupPlan& plan, const StackItem& item) {
  std::set<std::string> zones;
  const auto all = [&] {
    for (const Zone& zone : plan.divided.zones) zones.insert(zone.id);
  };
  if (item.kind == StackKind::finish) return {item.id};
  if (item.kind == StackKind::metal || item.kind == StackKind::coat) {
    all();
    return zones;
  }
  if (item.set >= 0) {
    for (const PlacePlan& place : plan.sets[static_cast<std::size_t>(item.set)].places) {
      if (!place.room.zone.empty()) zones.insert(place.room.zone);
    }
    return zones;
  }
  switch (item.thing) {
    case LaidKind::film:
      return {item.id};
    case LaidKind::pattern:
      for (const FillPlan& fill : plan.fills) {
        if (fill.id == item.id) zones.insert(fill.zone);
      }
      return zones;
    case LaidKind::mask:
      for (const Mask& mask : plan.of->division.masks) {
        if (mask.id == item.id) zones.insert(mask.zones.begin(), mask.zones.end());
      }
      return zones;
    case LaidKind::stripe:
      for (const StripePlan& stripe : plan.stripes) {
        if (stripe.id != item.id) continue;
        for (std::size_t i = 0; i < plan.divided.lines.size(); ++i) {
          if (plan.divided.lines[i].id != stripe.line) continue;
          for (const auto* side : {&plan.divided.sides[i].first, &plan.divided.sides[i].second}) {
            for (const std::size_t zone : *side) zones.insert(plan.divided.zones[zone].id);
          }
        }
      }
      return zones;
    case LaidKind::layer:
    case LaidKind::wrap:
      break;
  }
  all();
  return zones;
}

}  // namespace

std::vector<StackItem> stackOf(const CupPlan& plan) {
  const Cup& cup = *plan.of;
  const std::map<std::string, Found> layers = layersById(plan);
  std::vector<StackItem> laid;
  for (const Zone& zone : plan.divided.zones) {
    const char* pattern = finishPattern(zone.finish.kind);
    if (pattern == nullptr) continue;
    StackItem item{StackKind::finish, zone.id, {pattern, {zone.letter}}, plan.laidAfter};
    item.matter = matterOf(zone.finish);
    if (item.matter == Matter::glitter) item.leaves = roughnessOf(zone.finish);
    laid.push_back(std::move(item));
  }
  for (const LaidThing& thing : plan.things) {
    laid.push_back(itemOf(thing, cup, layers));
    if (thing.kind == LaidKind::film) takeFilm(laid.back(), plan);
    if (laid.back().matter == Matter::comesOff && isStencil(laid.back(), plan)) {
      addOver(laid, plan);
    }
  }
  const auto place = [&](const StackItem& item) {
    const auto under = item.kind == StackKind::over ? 1 : 0;
    return std::make_tuple(item.after, rankOf(item, plan), item.set, under, -item.layer);
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
      item.matter = matterOf(coat.kind);
      if (coat.kind == CoatKind::glitter) item.leaves = roughnessOf(coat.cut);
    }
    item.coloured = after == 0;
    stack.push_back(std::move(item));
    while (next != laid.end() && next->after <= after) stack.push_back(std::move(*next++));
  }
  for (StackItem& item : stack) item.zones = zonesOf(plan, item);
  return stack;
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

bool anyLaid(const std::vector<StackItem>& stack, int after) {
  return std::any_of(stack.begin(), stack.end(), [&](const StackItem& item) {
    return item.after == after && item.kind != StackKind::metal && item.kind != StackKind::coat;
  });
}

bool endsInResin(const std::vector<StackItem>& stack, const std::vector<Coat>& coats) {
  return !coats.empty() && coats.back().kind == CoatKind::resin &&
         !anyLaid(stack, static_cast<int>(coats.size()));
}

std::array<Volume, 2> finishingCoats(const CupPlan& plan) {
  SurfaceUp surface(plan);
  Roughness worst = Roughness::smooth;
  for (const StackItem& item : plan.stack) surface.put(item);
  for (const Zone& zone : plan.divided.zones) worst = std::max(worst, surface.in(zone.id));
  const Area wall = plan.bare.area();
  return {floodFor(wall, worst), floodFor(wall, Roughness::smooth)};
}

SurfaceUp::SurfaceUp(const CupPlan& plan) : plan_(plan) {
  for (const Zone& zone : plan.divided.zones) zones_[zone.id] = Roughness::smooth;
}

void SurfaceUp::put(const StackItem& item) {
  if (item.kind == StackKind::coat) {
    for (auto& [zone, rough] : zones_) {
      if (item.matter == Matter::resin) rough = Roughness::smooth;
      rough = std::max(rough, item.leaves);
    }
    return;
  }
  if (item.kind == StackKind::laid && item.thing == LaidKind::pattern) {
    for (const FillPlan& fill : plan_.fills) {
      if (fill.id != item.id) continue;
      const Fill& chosen = plan_.of->fills[static_cast<std::size_t>(fill.fill)];
      for (const CellColour& colour : chosen.colours) {
        if (colour.finish.kind != FinishKind::glitter) continue;
        Roughness& rough = zones_[fill.zone];
        rough = std::max(rough, roughnessOf(colour.finish));
      }
    }
    return;
  }
  // The film all round is smooth whatever was below.
  if (item.kind == StackKind::laid && item.thing == LaidKind::wrap) {
    for (auto& [zone, rough] : zones_) rough = Roughness::smooth;
    return;
  }
  if (item.kind == StackKind::laid && item.thing == LaidKind::film) {
    zones_[item.id] = Roughness::smooth;
  }
  if (item.kind != StackKind::finish && item.kind != StackKind::over) return;
  for (const std::string& zone : item.zones) {
    Roughness& rough = zones_[zone];
    rough = std::max(rough, item.leaves);
  }
}

Roughness SurfaceUp::in(const std::string& zone) const {
  const auto found = zones_.find(zone);
  return found == zones_.end() ? Roughness::smooth : found->second;
}

Roughness SurfaceUp::below(const StackItem& item) const {
  Roughness worst = Roughness::smooth;
  for (const std::string& zone : item.zones) worst = std::max(worst, in(zone));
  return worst;
}

std::optional<std::size_t> coverOf(const CupPlan& plan, std::size_t stencil,
                                   const std::string& zone) {
  for (std::size_t i = stencil + 1; i < plan.stack.size(); ++i) {
    const StackItem& item = plan.stack[i];
    if (item.kind == StackKind::coat) {
      if (item.matter == Matter::resin) return std::nullopt;
      return i;
    }
    if (!item.zones.contains(zone)) continue;
    if (item.kind == StackKind::finish || item.kind == StackKind::over) return i;
    const bool closes = item.thing == LaidKind::pattern || item.thing == LaidKind::film ||
                        item.thing == LaidKind::wrap;
    if (closes) return std::nullopt;
  }
  return std::nullopt;
}

std::string colourOf(const CupPlan& plan, const StackItem& item) {
  const Cup& cup = *plan.of;
  if (item.kind == StackKind::finish ||
      (item.kind == StackKind::laid && item.thing == LaidKind::film)) {
    for (const Zone& zone : plan.divided.zones) {
      if (zone.id == item.id) return zone.finish.colour;
    }
  }
  if (item.kind == StackKind::over) return setOf(item, plan).over->colour;
  if (item.layer >= 0) {
    return setOf(item, plan).layers[static_cast<std::size_t>(item.layer)].film;
  }
  if (item.kind == StackKind::laid && item.thing == LaidKind::stripe) {
    for (const StripePlan& stripe : plan.stripes) {
      if (stripe.id == item.id) return stripe.colour;
    }
  }
  const bool wrap = item.kind == StackKind::laid && item.thing == LaidKind::wrap;
  const Finish& body = cup.division.body.finish;
  return wrap && wrapIsBody(cup) && body.kind == FinishKind::film ? body.colour : std::string();
}

namespace {

Region overStencils(const CupPlan& plan, const StackItem& over) {
  std::vector<const Region*> zones;
  for (const Zone& zone : plan.divided.zones) {
    if (over.zones.contains(zone.id)) zones.push_back(&zone.region);
  }
  std::vector<const Region*> stencils;
  for (const PlacePlan& place : plan.sets[static_cast<std::size_t>(over.set)].places) {
    for (const StackItem& item : plan.stack) {
      if (item.set != over.set || !isStencil(item, plan)) continue;
      stencils.push_back(&place.laid->layers[static_cast<std::size_t>(item.layer)].region);
    }
  }
  return together(zones, 0, zones.size()) - together(stencils, 0, stencils.size());
}

}  // namespace

Region coveredBy(const CupPlan& plan, const StackItem& item) {
  Region wall = Region::band(std::max(plan.wrap.low(), Length()), plan.wrap.high());
  if (item.kind == StackKind::over) return overStencils(plan, item);
  if (item.thing == LaidKind::wrap) return wall;
  if (item.kind == StackKind::laid && item.thing == LaidKind::film) {
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

}  // namespace avrelt

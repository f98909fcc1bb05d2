// SPDX-License-Identifier: GPL-3.0-or-later
#include "decal/decal_set.h"

#include <algorithm>
#include <set>

#include "measure/colour.h"

namespace avrelt {
namespace {

constexpr Length leastSize = Length::mm(2);
constexpr Length mostSize = Length::mm(600);
constexpr Length mostOffset = Length::mm(50);
constexpr Length mostLimit = Length::mm(10);
constexpr std::size_t mostLayers = 40;
/// Backings: common practice, no published source, is 0.05 in round a motif of 2 in.
constexpr double usualOffset = 0.05;

bool hasOffset(LayerKind kind) {
  return kind != LayerKind::decal && kind != LayerKind::colour && kind != LayerKind::peekaboo;
}

}  // namespace

const char* layerName(LayerKind kind) {
  static constexpr const char* names[] = {"decal",    "colour",    "backing", "ring",
                                          "peekaboo", "knock_out", "outline", "inset"};
  return names[static_cast<std::size_t>(kind)];
}

Sentence layerTitle(LayerKind kind) {
  static const Sentence titles[] = {
      {"Decal", {}},     {"Colour", {}},  {"Backing", {}}, {"Ring", {}}, {"Peekaboo stencil", {}},
      {"Knock-out", {}}, {"Outline", {}}, {"Inset", {}}};
  return titles[static_cast<std::size_t>(kind)];
}

Sentence layerWord(LayerKind kind) {
  static const Sentence words[] = {
      {"decal", {}},     {"colour", {}},  {"backing", {}}, {"ring", {}}, {"peekaboo stencil", {}},
      {"knock-out", {}}, {"outline", {}}, {"inset", {}}};
  return words[static_cast<std::size_t>(kind)];
}

BladeSees Layer::bladeSees() const {
  return sees.value_or(material == PartMaterial::heatApplied ? BladeSees::back : BladeSees::front);
}

const LayerPrint* Layer::printedWith() const {
  const bool can = material == PartMaterial::printable && print.picture && faultsOf(print).empty();
  return can ? &print : nullptr;
}

Faults setFaults(const DecalSet& set) {
  Faults faults;
  const auto fault = [&](Where where, Sentence sentence) {
    faults.push_back({std::move(where), std::move(sentence)});
  };
  if (set.size.length < leastSize || set.size.length > mostSize) {
    fault({Member::setSize, set.id},
          {"The set is %1. Make it from %2 to %3.", {set.size.length, leastSize, mostSize}});
  }
  if (set.limit.length > mostLimit) {
    fault({Member::setLimit, set.id},
          {"The limit is %1. Give one up to %2.", {set.limit.length, mostLimit}});
  }
  if (set.layers.size() > mostLayers) {
    fault({Member::layers, set.id}, {"A set takes up to %1 layers. Make another set of the rest.",
                                     {static_cast<long>(mostLayers)}});
  }
  for (const Layer& layer : set.layers) {
    if (hasOffset(layer.kind)) {
      if (layer.offset.length > mostOffset) {
        fault({Member::layerOffset, layer.id},
              {"The offset is %1. Give one up to %2.", {layer.offset.length, mostOffset}});
      } else if (layer.offset.length <= Length()) {
        fault({Member::layerOffset, layer.id},
              {"The offset is nothing. Give one above 0, up to %1.", {mostOffset}});
      }
    }
    if (layer.lap.length > mostOffset) {
      fault({Member::layerLap, layer.id},
            {"The lap is %1. Give one up to %2.", {layer.lap.length, mostOffset}});
    }
    if (layer.smallestOpening.length > mostOffset) {
      fault({Member::layerSmallest, layer.id}, {"The smallest opening is %1. Give one up to %2.",
                                                {layer.smallestOpening.length, mostOffset}});
    }
  }
  return faults;
}

Layer usualLayer(LayerKind kind, const DecalSet& set, Unit unit) {
  Layer layer;
  layer.kind = kind;
  const auto written = [&](double inches, double mm) {
    return avrelt::written(unit == Unit::inch ? Length::inches(inches) : Length::mm(mm), unit);
  };
  const auto exactly = [&](double inches, double mm) {
    return unit == Unit::inch ? WrittenLength{Length::inches(inches), numberText(inches, 3) + " in"}
                              : WrittenLength{Length::mm(mm), numberText(mm, 2) + " mm"};
  };
  switch (kind) {
    case LayerKind::decal:
    case LayerKind::colour:
      break;
    case LayerKind::backing: {
      // Round the largest there is already.
      Length largest;
      for (const Layer& other : set.layers) {
        if (other.kind == LayerKind::backing) largest = std::max(largest, other.offset.length);
      }
      const Length next = largest + Length::inches(usualOffset);
      layer.offset = exactly(next.inches(), unit == Unit::inch ? next.mm() : largest.mm() + 1.25);
      // The first stands off what it backs.
      const bool onLight = !set.layers.empty() && luminanceOf(set.layers.front().film) > 0.3;
      layer.film = largest > Length() ? "#1F5E6B" : onLight ? "#22262A" : "#F2ECE0";
      break;
    }
    case LayerKind::ring:
      layer.offset = exactly(usualOffset, 1.25);
      layer.lap = exactly(0.02, 0.5);
      layer.spares = 1;
      break;
    case LayerKind::peekaboo:
      layer.material = PartMaterial::stencil;
      layer.film = "#C9C0AE";
      break;
    case LayerKind::knockOut:
      layer.offset = written(1.0 / 16, 1.5);
      layer.material = PartMaterial::paper;
      layer.film = "#FBF7EF";
      break;
    case LayerKind::outline:
      layer.offset = exactly(usualOffset, 1.25);
      break;
    case LayerKind::inset:
      layer.offset = exactly(usualOffset, 1.25);
      layer.film = "#A8741A";
      break;
  }
  return layer;
}

std::vector<Layer> colourLayers(const Artwork& artwork, const WrittenLength& trap) {
  std::vector<Layer> layers;
  std::set<std::string> seen;
  for (std::size_t i = artwork.areas.size(); i-- > 0;) {
    const ColourArea& area = artwork.areas[i];
    if (!seen.insert(area.colour).second) continue;
    Layer layer;
    layer.kind = LayerKind::colour;
    layer.source = area.colour;
    layer.film = area.colour;
    layer.lap = trap;
    layers.push_back(std::move(layer));
  }
  return layers;
}

}  // namespace avrelt

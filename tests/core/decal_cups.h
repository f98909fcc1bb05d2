// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <catch2/catch.hpp>
#include <string>
#include <utility>
#include <vector>

#include "decal/shapes.h"
#include "job/ids.h"
#include "job/plan.h"

/// Cups with sets of shapes of the shelf, and their plans.
namespace avrelt::cups {

inline Layer layerOf(LayerKind kind, double offset = 0, double lap = 0) {
  Layer layer;
  layer.kind = kind;
  layer.offset = WrittenLength::mm(offset);
  layer.lap = WrittenLength::mm(lap);
  return layer;
}

inline Place placeAt(double degrees, double up) {
  Place place;
  place.at = CupAngle::degrees(degrees);
  place.up = WrittenLength::mm(up);
  return place;
}

inline Artwork named(const std::string& id) {
  Artwork artwork = shapeArtwork(id);
  artwork.id = id;
  return artwork;
}

inline DecalSet setAt(const Artwork& artwork, double wide, std::vector<Place> places,
                      std::vector<Layer> layers = {layerOf(LayerKind::decal)}) {
  DecalSet set;
  set.artwork = artwork.id;
  set.art = SharedArt(artwork);
  set.size = WrittenLength::mm(wide);
  set.places = std::move(places);
  set.layers = std::move(layers);
  return set;
}

/// At the front, half-way up.
inline DecalSet setOf(const Artwork& artwork, double wide, std::vector<Layer> layers) {
  return setAt(artwork, wide, {placeAt(0, 90)}, std::move(layers));
}

inline Cup straight() {
  return newCup("straight", Unit::mm);
}
inline Cup tapered() {
  Cup cup = newCup("tapered", Unit::mm);
  cup.blank.stations[1].girth = WrittenLength::mm(290);
  return cup;
}

inline CupPlan planned(Cup cup) {
  giveIds(cup);
  const CheckedAll<CupPlan> plan = planCup(cup, Unit::mm);
  std::string faults;
  if (!plan) faults = inWords(plan.error().front().sentence, Unit::mm);
  INFO(faults);
  REQUIRE(plan);
  return *plan;
}

inline const Watch* watchOf(const CupPlan& plan, const std::string& rule) {
  const auto found = std::find_if(plan.watches.begin(), plan.watches.end(),
                                  [&](const Watch& watch) { return idOf(watch.rule) == rule; });
  return found == plan.watches.end() ? nullptr : &*found;
}
inline bool told(const CupPlan& plan, const std::string& rule) {
  return watchOf(plan, rule) != nullptr;
}

}  // namespace avrelt::cups

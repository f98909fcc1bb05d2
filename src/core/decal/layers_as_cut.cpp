// SPDX-License-Identifier: GPL-3.0-or-later
#include "decal/layers_as_cut.h"

#include "decal/standing.h"

namespace avrelt {
namespace {

/// Cut wider by `across`, larger by what the film shrinks.
Transform cutting(const Layer& layer, double across, double shrinkPercent) {
  const double larger = 1 / (1 - shrinkPercent / 100);
  return {(layer.cutMirrored() ? -1 : 1) * across * larger, 0, 0, larger, 0, 0};
}

Transform laying(const Layer& layer, double across, double shrinkPercent) {
  const double smaller = 1 - shrinkPercent / 100;
  return {(layer.bladeSees() == BladeSees::back ? -1 : 1) / across * smaller, 0, 0, smaller, 0, 0};
}

/// Whether two shapes are one to within the tolerance: each lies in the other drawn out by it.
bool agree(const Polygon& a, const Polygon& b) {
  // Round corners of a shape and of its mirror image are drawn from either side.
  constexpr Length drawnRound = Length::mm(0.02);
  const Length by = layersAgree + drawnRound;
  return (a - offsetBy(b, by, Corners::sharp)).empty() &&
         (b - offsetBy(a, by, Corners::sharp)).empty();
}

/// Whether what is cut does not come back to the shape. Cut as the blade sees it, it always does;
/// else where it is a mirror image of itself.
bool isOdd(const Polygon& shape, const Layer& layer, double across, double shrinkPercent) {
  if (layer.cutMirrored() == (layer.bladeSees() == BladeSees::back)) return false;
  const Polygon cut = mapped(shape, cutting(layer, across, shrinkPercent));
  return !agree(asLaid(cut, layer, across, shrinkPercent), shape);
}

}  // namespace

Polygon asLaid(const Polygon& cut, const Layer& layer, double across, double shrinkPercent) {
  return mapped(cut, laying(layer, across, shrinkPercent));
}

std::vector<LayerPlan> layersAsCut(const DecalSet& set, const SetShape& made, const CutAs& as) {
  std::vector<LayerPlan> layers;
  for (std::size_t k = 0; k < made.layers.size(); ++k) {
    const Layer& layer = set.layers[k];
    const LayerShape& shape = made.layers[k];
    LayerPlan one;
    one.id = layer.id;
    one.kind = layer.kind;
    one.shape = shape.shape;
    one.mirrored = layer.cutMirrored();
    one.nothing = shape.nothing;
    const Transform mirror = cutting(layer, 1, set.shrinkPercent);
    const Transform map =
        mirror * turned(-as.turn) * Transform{as.across[k], 0, 0, 1, 0, 0} * turned(as.turn);
    one.cut = mapped(shape.shape, map);
    one.fromSet = map * as.fromSet;
    for (const Polygon& mark : shape.marks) one.marks.push_back(mapped(mark, map));
    if (!as.reliefs.empty()) {
      const Relief& relief = as.reliefs[k];
      for (const ReliefCut& cut : relief.cuts) {
        one.relief.push_back({map(cut.from), map(cut.to)});
      }
      if (relief.tongue > Length()) one.tongue = relief.tongue;
    }
    if (!as.shares.empty() && as.shares[k].size() > 1) {
      for (const ZoneShare& share : as.shares[k]) {
        one.pieces.push_back({share.zone, share.letter, mapped(share.shape, map)});
      }
    }
    // As it goes round the cup, however the place is turned.
    const double wide = boundsOf(mapped(shape.shape, turned(as.turn))).width();
    one.wider = Length::mm(wide * (as.across[k] / (1 - set.shrinkPercent / 100) - 1));
    one.area = Area::mm2(signedArea(one.cut));
    one.odd = !one.nothing && isOdd(shape.shape, layer, as.across[k], set.shrinkPercent);
    layers.push_back(std::move(one));
  }
  return layers;
}

}  // namespace avrelt

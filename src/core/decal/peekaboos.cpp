// SPDX-License-Identifier: GPL-3.0-or-later
#include "decal/peekaboos.h"

#include <algorithm>
#include <cmath>

namespace avrelt {
namespace {

/// What a stencil looks like, and which ring is cut for it.
struct Look {
  const SetMake* make = nullptr;
  double wide = 0;
  double tall = 0;
  double area = 0;
  bool ringed = false;
  Box ring;

  Look(const SetMake& of, const Peekaboo& peekaboo) : make(&of), ringed(!peekaboo.ring.empty()) {
    for (const LayerPlan& layer : of.layers) {
      if (ringed && layer.id == peekaboo.ring) ring = boundsOf(layer.shape);
      if (layer.id != peekaboo.stencil) continue;
      const Box box = boundsOf(layer.shape);
      wide = box.width();
      tall = box.height();
      area = layer.area.mm2();
    }
  }
  bool likeBy(double otherWide, double otherTall, double otherArea) const {
    return std::abs(wide - otherWide) < seenToDiffer.mm() &&
           std::abs(tall - otherTall) < seenToDiffer.mm() &&
           std::abs(area - otherArea) < seenLarger * std::max(area, otherArea);
  }
  bool ringGoesRound(const Look& other) const {
    return std::abs(ring.width() - other.ring.width()) < ringsAgree.mm() &&
           std::abs(ring.height() - other.ring.height()) < ringsAgree.mm();
  }
  /// Buried, one sees neither which way up it is nor which side.
  bool like(const Look& other) const {
    return likeBy(other.wide, other.tall, other.area) || likeBy(other.tall, other.wide, other.area);
  }
};

}  // namespace

std::vector<Peekaboo> peekaboosOf(const std::vector<SetPlan>& sets) {
  std::vector<Peekaboo> found;
  for (std::size_t i = 0; i < sets.size(); ++i) {
    for (std::size_t k = 0; k < sets[i].places.size(); ++k) {
      const PlacePlan& place = sets[i].places[k];
      if (place.number == 0) continue;
      Peekaboo one{place.number, i, k, {}, {}, place.room.zone, {}};
      for (const LayerPlan& layer : sets[i].makes[place.make].layers) {
        if (layer.nothing) continue;
        if (layer.kind == LayerKind::peekaboo) one.stencil = layer.id;
        if (layer.kind == LayerKind::ring) one.ring = layer.id;
      }
      if (!one.stencil.empty()) found.push_back(std::move(one));
    }
  }
  std::sort(found.begin(), found.end(),
            [](const Peekaboo& a, const Peekaboo& b) { return a.number < b.number; });
  std::vector<Look> looks;
  for (const Peekaboo& one : found) {
    const SetPlan& set = sets[one.set];
    looks.emplace_back(set.makes[set.places[one.place].make], one);
  }
  for (std::size_t i = 0; i < found.size(); ++i) {
    for (std::size_t k = 0; k < found.size(); ++k) {
      // What has no ring, and what the same ring goes round, need not be told apart.
      if (looks[i].make == looks[k].make || (!looks[i].ringed && !looks[k].ringed)) continue;
      if (found[i].set == found[k].set && looks[i].ringGoesRound(looks[k])) continue;
      if (looks[i].like(looks[k])) found[i].alike.push_back(found[k].number);
    }
  }
  return found;
}

LiftOrder liftOrderOf(const std::vector<Peekaboo>& peekaboos) {
  LiftOrder order;
  for (const Peekaboo& one : peekaboos) {
    (one.alike.empty() ? order.atOnce : order.oneByOne).push_back(one.number);
  }
  return order;
}

}  // namespace avrelt

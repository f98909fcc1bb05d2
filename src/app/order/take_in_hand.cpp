// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/order/take_in_hand.h"

#include <algorithm>

#include "app/order/fill_edits.h"
#include "app/order/place_edits.h"
#include "app/order/scatter_edits.h"
#include "app/order/set_edits.h"
#include "app/order/zone_edits.h"

namespace avrelt {
namespace {

template <typename List>
auto calledSo(const List& list, const std::string& id) {
  return std::find_if(list.begin(), list.end(), [&](const auto& one) { return one.id == id; });
}

/// The way to the node that a cut parts, among what is kept.
std::optional<ZonePath> wayToCut(const ZoneNode& node, const std::string& cut) {
  if (node.cut && (node.cut->id == cut || (node.cut->id.empty() && node.id == cut))) {
    return ZonePath();
  }
  for (std::size_t i = 0; i < node.parts.size(); ++i) {
    if (std::optional<ZonePath> way = wayToCut(node.parts[i], cut)) {
      way->insert(way->begin(), static_cast<int>(i));
      return way;
    }
  }
  return std::nullopt;
}

void takePart(Order& order, const DecalSet& set, const Where& where) {
  const bool layer = calledSo(set.layers, where.id) != set.layers.end();
  const bool place = calledSo(set.places, where.id) != set.places.end();
  if (!layer && !place) return;
  order.pickSet(std::string(set.id));
  if (layer) order.pickLayer(where.id);
  if (place) order.pickPlace(where.id);
}

}  // namespace

void takeInHand(Order& order, const Where& where) {
  if (!order.hasCup() || where.id.empty()) return;
  const Cup cup = order.currentCup();
  switch (thingOf(where.member)) {
    case Thing::zone:
      order.pickZone(where.id);
      break;
    case Thing::cut:
      if (std::optional<ZonePath> way = wayToCut(cup.division.body, where.id)) {
        // The first of the zones that it made.
        way->push_back(0);
        order.pickPart(*way);
      }
      break;
    case Thing::fill: {
      const auto fill = calledSo(cup.fills, where.id);
      if (fill != cup.fills.end()) order.pickZone(fill->zone);
      break;
    }
    case Thing::set:
      if (calledSo(cup.sets, where.id) != cup.sets.end()) order.pickSet(where.id);
      break;
    case Thing::layer:
    case Thing::place:
      for (const DecalSet& set : cup.sets) takePart(order, set, where);
      break;
    case Thing::row:
      if (calledSo(cup.rows, where.id) != cup.rows.end()) pickRow(order, where.id);
      break;
    case Thing::scatter:
      if (calledSo(cup.scatters, where.id) != cup.scatters.end()) order.pickScatter(where.id);
      break;
    case Thing::none:
    case Thing::order:
    case Thing::cup:
    case Thing::stripe:
    case Thing::mask:
    case Thing::step:
      break;
  }
}

bool isInHand(const Order& order, const Where& where) {
  if (where.id.empty()) return true;
  // Where nothing was planned yet nothing is in hand, and every field shows what is wrong.
  const auto is = [&](const auto* inHand) {
    if (inHand == nullptr) return order.plan() == nullptr;
    return inHand->id.empty() || inHand->id == where.id;
  };
  switch (thingOf(where.member)) {
    case Thing::zone:
      return is(zoneInHand(order));
    case Thing::cut:
      return is(cutInHand(order));
    case Thing::fill:
      return is(fillInHand(order));
    case Thing::set:
      return is(setInHand(order));
    case Thing::layer:
      return is(layerInHand(order));
    case Thing::place:
      return is(ownPlaceInHand(order));
    case Thing::row:
      return is(rowInHand(order));
    case Thing::scatter:
      return is(scatterInHand(order));
    case Thing::none:
    case Thing::order:
    case Thing::cup:
    case Thing::stripe:
    case Thing::mask:
    case Thing::step:
      break;
  }
  return true;
}

}  // namespace avrelt

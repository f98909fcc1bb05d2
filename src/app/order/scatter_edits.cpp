// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/order/scatter_edits.h"

#include <algorithm>
#include <utility>

#include "app/order/phrases.h"
#include "app/order/place_edits.h"
#include "app/order/zone_edits.h"
#include "job/ids.h"

namespace avrelt {
namespace {

const Scatter* scatterCalled(const Cup& cup, const std::string& id) {
  for (const Scatter& scatter : cup.scatters) {
    if (scatter.id == id) return &scatter;
  }
  return nullptr;
}
Scatter* scatterCalled(Cup& cup, const std::string& id) {
  return const_cast<Scatter*>(scatterCalled(std::as_const(cup), id));
}

/// What it is thrown on: all that stands on the cup but its own.
ScatterGround groundFor(const CupPlan& plan, const std::string& scatter) {
  ScatterGround ground{*plan.landmarks, plan.divided, plan.of->sets, {}};
  for (const SetPlan& set : plan.sets) {
    for (const PlacePlan& place : set.places) {
      if (!scatter.empty() && place.scatter == scatter) continue;
      ground.others.push_back(*place.laid);
    }
  }
  return ground;
}

}  // namespace

const Scatter* scatterInHand(const Order& order) {
  if (!order.hasCup()) return nullptr;
  const std::vector<Scatter>& all = order.currentCup().scatters;
  if (const Scatter* picked = scatterCalled(order.currentCup(), order.scatter())) return picked;
  const StandingSet now = placeInHand(order);
  if (now && !now.place->scatter.empty()) {
    return scatterCalled(order.currentCup(), now.place->scatter);
  }
  return all.empty() ? nullptr : &all.front();
}

void addScatter(Order& order) {
  const DecalSet* set = setInHand(order);
  const CupPlan* plan = order.presentPlan();
  if (set == nullptr || plan == nullptr) return;
  const Unit unit = order.unit();
  Scatter scatter;
  scatter.sets = {set->id};
  scatter.gap = unit == Unit::inch ? written(Length::inches(1.0 / 16), unit) : WrittenLength::mm(2);
  scatter.away = scatter.gap;
  const Zone* zone = zoneInHand(order);
  if (zone != nullptr && plan->divided.zones.size() > 1) scatter.zone = zone->id;
  // The one place that the set was given when it was made goes: it is thrown now.
  const bool alone = set->places.size() == 1;
  const std::string id = set->id;
  ScatterGround ground = groundFor(*plan, {});
  if (alone) {
    ground.others.clear();
    for (const SetPlan& other : plan->sets) {
      for (const PlacePlan& place : other.places) {
        if (other.id != id) ground.others.push_back(*place.laid);
      }
    }
  }
  scatter.items = scattered(scatter, ground);
  const bool done = order.editCup(Order::tr("Scatter a set"), [&](Cup& cup) {
    for (DecalSet& one : cup.sets) {
      if (one.id == id && alone) one.places.clear();
    }
    cup.scatters.push_back(scatter);
  });
  if (done) order.pickScatter(order.currentCup().scatters.back().id);
}

void removeScatter(Order& order) {
  const Scatter* scatter = scatterInHand(order);
  if (scatter == nullptr) return;
  const std::string id = scatter->id;
  order.editCup(Order::tr("Remove a scatter"), [&](Cup& cup) { forget(cup, {id}); });
}

bool editScatter(Order& order, const QString& text, const QString& key,
                 const std::function<void(Scatter&)>& change) {
  const Scatter* inHand = scatterInHand(order);
  // While a number is refused, what mends it is thrown on the last good plan.
  const CupPlan* plan = order.presentPlan();
  if (plan == nullptr) plan = order.plan();
  if (inHand == nullptr || plan == nullptr) return false;
  Scatter next = *inHand;
  change(next);
  // What is refused is kept as it was typed, and nothing is thrown by it.
  if (scatterFaults(next).empty()) {
    std::vector<ScatterItem> items = scattered(next, groundFor(*plan, next.id));
    // What stays keeps its id; the others take what ids there are in turn, so that the one in hand
    // is still in hand.
    auto was = inHand->items.begin();
    for (ScatterItem& item : items) {
      if (item.byHand) continue;
      was = std::find_if(was, inHand->items.end(),
                         [](const ScatterItem& other) { return !other.byHand; });
      if (was == inHand->items.end()) break;
      item.place.id = (was++)->place.id;
    }
    next.items = std::move(items);
  }
  return order.editCup(
      text,
      [&](Cup& cup) {
        if (Scatter* scatter = scatterCalled(cup, next.id)) *scatter = next;
      },
      key.isEmpty() ? key : QString::fromStdString(next.id) + key);
}

void throwAllAgain(Order& order) {
  editScatter(order, Order::tr("Throw a scatter again"), {},
              [](Scatter& scatter) { scatter.seed = scatter.seed % 999'999 + 1; });
}

void throwAgain(Order& order) {
  const Scatter* inHand = scatterInHand(order);
  const CupPlan* plan = order.presentPlan();
  const StandingSet now = placeInHand(order);
  if (inHand == nullptr || plan == nullptr || !now || now.place->scatter != inHand->id) return;
  Scatter next = *inHand;
  next.seed = next.seed % 999'999 + 1;
  const auto which = static_cast<std::size_t>(now.place->index);
  next.items = scattered(next, groundFor(*plan, next.id), {which});
  order.editCup(Order::tr("Throw one of a scatter again"), [&](Cup& cup) {
    if (Scatter* scatter = scatterCalled(cup, next.id)) *scatter = next;
  });
}

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/order/fill_edits.h"

#include <algorithm>

#include "app/order/phrases.h"
#include "app/order/zone_edits.h"

namespace avrelt {
namespace {

int indexInHand(const Order& order) {
  const Zone* zone = zoneInHand(order);
  if (zone == nullptr || !order.hasCup()) return -1;
  const std::vector<Fill>& fills = order.currentCup().fills;
  const auto found = std::find_if(fills.begin(), fills.end(),
                                  [&](const Fill& fill) { return fill.zone == zone->path; });
  return found == fills.end() ? -1 : static_cast<int>(found - fills.begin());
}

}  // namespace

const Fill* fillInHand(const Order& order) {
  const int index = indexInHand(order);
  return index < 0 ? nullptr : &order.currentCup().fills[static_cast<std::size_t>(index)];
}

const FillPlan* fillPlanInHand(const Order& order) {
  const CupPlan* plan = order.plan();
  const int index = indexInHand(order);
  if (plan == nullptr || index < 0) return nullptr;
  for (const FillPlan& fill : plan->fills) {
    if (fill.fill == index) return &fill;
  }
  return nullptr;
}

void fillZone(Order& order, Family family) {
  const Zone* zone = zoneInHand(order);
  if (zone == nullptr) return;
  const QString title = say(familyTitle(family), order.unit());
  if (fillInHand(order) != nullptr) {
    editFill(order, Order::tr("Take another pattern: %1").arg(title), {}, [family](Fill& fill) {
      fill.pattern.family = family;
      fill.pattern.ratio.reset();
    });
    return;
  }
  Fill fill = usualFill(zone->path, order.unit());
  fill.pattern.family = family;
  order.editCup(Order::tr("Fill zone %1: %2").arg(QString::fromStdString(zone->id), title),
                [&](Cup& cup) { cup.fills.push_back(fill); });
}

void unfillZone(Order& order) {
  const int index = indexInHand(order);
  if (index < 0) return;
  order.editCup(Order::tr("Take a pattern away"),
                [index](Cup& cup) { cup.fills.erase(cup.fills.begin() + index); });
}

void editFill(Order& order, const QString& text, const QString& key,
              const std::function<void(Fill&)>& change) {
  const int index = indexInHand(order);
  if (index < 0) return;
  order.editCup(
      text, [&](Cup& cup) { change(cup.fills[static_cast<std::size_t>(index)]); },
      key.isEmpty() ? key : QStringLiteral("fill %1 ").arg(index) + key);
}

void pinCell(Order& order, WallPoint place, int colour) {
  const CupPlan* plan = order.plan();
  const FillPlan* fill = fillPlanInHand(order);
  if (plan == nullptr || fill == nullptr) return;
  const Angle turned = plan->wrap.seamAt() + Angle::halfTurn();
  for (const Cell& cell : fill->cells) {
    if (!cell.whole.contains(place)) continue;
    const Pin pin{(cell.middle.theta + turned).wrapped(), {cell.middle.s, {}}, colour};
    editFill(order, Order::tr("Give cell %1 a colour").arg(QString::fromStdString(cell.label)), {},
             [&](Fill& changed) {
               // What was given to this cell before goes.
               bool same = false;
               std::erase_if(changed.pins, [&](const Pin& other) {
                 const WallPoint at{(other.onCup - turned).wrapped(), other.up.length};
                 const bool here = cell.whole.contains(at);
                 same = same || (here && other.colour == colour);
                 return here;
               });
               if (!same) changed.pins.push_back(pin);
             });
    return;
  }
}

}  // namespace avrelt

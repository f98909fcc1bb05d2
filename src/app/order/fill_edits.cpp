// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/order/fill_edits.h"

#include <algorithm>

#include "app/order/phrases.h"
#include "app/order/zone_edits.h"
#include "job/ids.h"
#include "sheet/fill_parts.h"

namespace avrelt {
namespace {

int indexInHand(const Order& order) {
  const Zone* zone = zoneInHand(order);
  if (zone == nullptr || !order.hasCup()) return -1;
  const std::vector<Fill>& fills = order.currentCup().fills;
  const auto found = std::find_if(fills.begin(), fills.end(),
                                  [&](const Fill& fill) { return fill.zone == zone->id; });
  return found == fills.end() ? -1 : static_cast<int>(found - fills.begin());
}

}  // namespace

const Fill* fillInHand(const Order& order) {
  const int index = indexInHand(order);
  return index < 0 ? nullptr : &order.currentCup().fills[static_cast<std::size_t>(index)];
}

const FillPlan* fillPlanInHand(const Order& order) {
  const CupPlan* plan = order.plan();
  const Zone* zone = zoneInHand(order);
  if (plan == nullptr || zone == nullptr) return nullptr;
  for (const FillPlan& fill : plan->fills) {
    if (fill.zone == zone->id) return &fill;
  }
  return nullptr;
}

const Fill* fillDrawn(const Order& order) {
  const FillPlan* plan = fillPlanInHand(order);
  return plan == nullptr ? nullptr
                         : &order.drawnCup().fills.at(static_cast<std::size_t>(plan->fill));
}

void fillZone(Order& order, Family family) {
  const Zone* zone = zoneInHand(order);
  if (zone == nullptr) return;
  const QString title = say(familyTitle(family), order.unit());
  if (fillInHand(order) != nullptr) {
    const Pattern usual = usualFill(zone->id, order.unit()).pattern;
    editFill(order, Order::tr("Take another pattern: %1").arg(title), {}, [&](Fill& fill) {
      // A drawing has lines of its own; a family's are set here.
      if (fill.pattern.family == Family::artwork) {
        fill.pattern.line = usual.line;
        fill.pattern.artwork = {};
      }
      fill.pattern.family = family;
      fill.pattern.ratio.reset();
    });
    return;
  }
  Fill fill = usualFill(zone->id, order.unit());
  fill.pattern.family = family;
  order.editCup(Order::tr("Fill zone %1: %2").arg(QString::fromStdString(zone->letter), title),
                [&](Cup& cup) { cup.fills.push_back(fill); });
}

bool fillWithArtwork(Order& order, const Repeat& artwork) {
  const Zone* zone = zoneInHand(order);
  if (zone == nullptr) return false;
  const SharedRepeat shared(artwork);
  const auto change = [&](Fill& fill) {
    fill.pattern.family = Family::artwork;
    fill.pattern.artwork = shared;
    fill.pattern.ratio.reset();
    fill.pattern.repeats = 0;
    fill.pattern.size = WrittenLength::mm(std::clamp(artwork.wide, 2.0, 600.0));
    fill.pattern.line = WrittenLength::mm(0);  // its lines are drawn
    fill.pattern.taperFit = TaperFit::narrow;
    fill.pattern.heightFit = HeightFit::proportion;
    fill.pins.clear();
  };
  const QString words =
      Order::tr("Fill zone %1 with %2")
          .arg(QString::fromStdString(zone->letter), QString::fromStdString(artwork.name));
  if (fillInHand(order) != nullptr) {
    return editFill(order, words, {}, change);
  }
  Fill fill = usualFill(zone->id, order.unit());
  change(fill);
  return order.editCup(words, [&](Cup& cup) { cup.fills.push_back(fill); });
}

void callPicture(Order& order, bool picture) {
  const Fill* fill = fillInHand(order);
  if (fill == nullptr || !fill->pattern.artwork) return;
  Repeat artwork = *fill->pattern.artwork;
  artwork.picture = picture;
  const SharedRepeat shared(std::move(artwork));
  editFill(order, picture ? Order::tr("Call it a picture") : Order::tr("Call it no picture"), {},
           [&](Fill& changed) {
             changed.pattern.artwork = shared;
             if (picture && changed.pattern.taperFit == TaperFit::narrow) {
               changed.pattern.heightFit = HeightFit::proportion;
             }
           });
}

void unfillZone(Order& order) {
  const int index = indexInHand(order);
  if (index < 0) return;
  order.editCup(Order::tr("Take a pattern away"), [index](Cup& cup) {
    forget(cup, {cup.fills[static_cast<std::size_t>(index)].id});
  });
}

bool editFill(Order& order, const QString& text, const QString& key,
              const std::function<void(Fill&)>& change) {
  const int index = indexInHand(order);
  if (index < 0) return false;
  return order.editCup(
      text, [&](Cup& cup) { change(cup.fills[static_cast<std::size_t>(index)]); },
      key.isEmpty() ? key : QStringLiteral("fill %1 ").arg(index) + key);
}

namespace {

void pin(Order& order, const CupPlan& plan, const Cell& cell, int colour, bool bar) {
  const Pin pin{plan.wall.onCup(cell.middle.theta), {cell.middle.s, {}}, colour, bar};
  const QString words =
      bar ? Order::tr("Keep a colour off cell %1") : Order::tr("Give cell %1 a colour");
  editFill(order, words.arg(QString::fromStdString(cell.label)), {}, [&](Fill& changed) {
    // What was given to this cell before goes; what was kept off it stays, but for this colour.
    bool same = false;
    std::erase_if(changed.pins, [&](const Pin& other) {
      const WallPoint at{plan.wall.inFrame(other.onCup), other.up.length};
      if (!contains(cell.whole, at)) return false;
      const bool again = other.colour == colour && other.bar == bar;
      same = same || again;
      return again || other.colour == colour || (!other.bar && !bar);
    });
    if (!same) changed.pins.push_back(pin);
  });
}

}  // namespace

void pinCell(Order& order, WallPoint place, int colour, bool bar) {
  const CupPlan* plan = order.plan();
  const FillPlan* fill = fillPlanInHand(order);
  if (plan == nullptr || fill == nullptr) return;
  for (const Cell& cell : fill->cells) {
    if (!contains(cell.whole, place)) continue;
    pin(order, *plan, cell, colour, bar);
    return;
  }
}

bool pinCell(Order& order, const QString& label, int colour, bool bar) {
  const CupPlan* plan = order.plan();
  const FillPlan* fill = fillPlanInHand(order);
  if (plan == nullptr || fill == nullptr) return false;
  const std::string wanted = label.trimmed().toUpper().toStdString();
  for (const Cell& cell : fill->cells) {
    if (cell.label != wanted) continue;
    pin(order, *plan, cell, colour, bar);
    return true;
  }
  return false;
}

QString colourWords(const Fill& fill, int colour) {
  const Finish& finish = fill.colours.at(static_cast<std::size_t>(colour)).finish;
  return QString::fromStdString(colourLetter(colour) + " " + finishWords(finish));
}

QString cellCount(std::size_t count) {
  return count == 1 ? Order::tr("1 cell") : Order::tr("%1 cells").arg(count);
}

}  // namespace avrelt

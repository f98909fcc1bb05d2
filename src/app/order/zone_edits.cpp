// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/order/zone_edits.h"

#include <algorithm>
#include <set>

#include "app/order/phrases.h"
#include "divide/recut.h"
#include "divide/shaping.h"
#include "job/ids.h"

namespace avrelt {
namespace {

/// The node whose cut made the zone at a path.
ZonePath parentOf(const ZonePath& path) {
  return path.empty() ? path : ZonePath(path.begin(), path.end() - 1);
}

/// Whether one cut made both.
bool areSiblings(const Zone& a, const Zone& b) {
  return a.path.size() == b.path.size() && !a.path.empty() &&
         std::equal(a.path.begin(), a.path.end() - 1, b.path.begin());
}

/// Where a node that is cut lies on the wall.
Region regionOf(const CupPlan& plan, const ZonePath& path) {
  for (const CutNode& node : plan.divided.cutNodes) {
    if (node.path == path) return node.region;
  }
  return {};
}

/// The node of a zone, made where it is not kept yet. By its id, as the plan may be of an earlier
/// cup; else by its way.
ZoneNode& nodeOf(Cup& cup, const Zone& zone) {
  if (ZoneNode* known = nodeCalled(cup.division.body, zone.id)) return *known;
  return nodeAt(cup.division.body, zone.path);
}

/// The zone whose cut made this one; where it lies on the wall is `regionOf` its way.
ZoneNode& nodeRound(Cup& cup, const Zone& zone) {
  return nodeAt(cup.division.body, parentOf(zone.path));
}

}  // namespace

const Zone* zoneInHand(const Order& order) {
  const CupPlan* plan = order.plan();
  if (plan == nullptr) return nullptr;
  for (const Zone& zone : plan->divided.zones) {
    if (zone.id == order.zone()) return &zone;
  }
  return plan->divided.zones.empty() ? nullptr : &plan->divided.zones.front();
}

const TapeMove* moveInHand(const Order& order) {
  const CupPlan* plan = order.plan();
  if (plan == nullptr) return nullptr;
  const auto index = static_cast<std::size_t>(order.move() - 1);
  return order.move() > 0 && index < plan->tapeMoves.size() ? &plan->tapeMoves[index] : nullptr;
}

std::optional<SpacerWork> spacerWork(const Order& order) {
  const CupPlan* plan = order.plan();
  const Zone* zone = zoneInHand(order);
  const Cut* cut = cutInHand(order);
  const RingCut* rings = cut != nullptr ? std::get_if<RingCut>(&cut->how) : nullptr;
  if (plan == nullptr || zone == nullptr || rings == nullptr) return std::nullopt;
  const Region whole = regionOf(*plan, parentOf(zone->path));
  Checked<SpacerRun> run = spacerRun(*rings, whole.lowest(), whole.highest());
  if (!run) return std::nullopt;
  const SpacerTape tape = tapeFor(*run, whole, plan->wall.body);
  return SpacerWork{std::move(*run), tape};
}

const Cut* cutInHand(const Order& order) {
  const Zone* zone = zoneInHand(order);
  if (zone == nullptr || zone->path.empty() || !order.hasCup()) return nullptr;
  const ZoneNode* parent = nodeAt(order.currentCup().division.body, parentOf(zone->path));
  return parent != nullptr && parent->cut ? &*parent->cut : nullptr;
}

void cutZone(Order& order, CutKind kind) {
  const CupPlan* plan = order.presentPlan();
  const Zone* inHand = zoneInHand(order);
  if (plan == nullptr || inHand == nullptr) return;
  const Zone zone = *inHand;
  const Cut cut = usualCut(kind, zone.region, plan->wall, order.unit());
  std::string first;
  order.editCup(Order::tr("Cut zone %1: %2")
                    .arg(QString::fromStdString(zone.letter), say(cutName(cut), order.unit())),
                [&](Cup& cup) {
                  ZoneNode& node = nodeOf(cup, zone);
                  node.cut = cut;
                  node.cut->id = newId(cup, "cut");
                  node.parts.assign(1, ZoneNode());
                  node.parts[0].finish = node.finish;
                  node.parts[0].id = first = node.cut->id + ".0";
                  node.finish = Finish();
                  // A pattern, and its turn, stay with the part that keeps the finish.
                  referTo(cup, zone.id, first);
                });
  order.pickZone(first);
}

void uncutZone(Order& order) {
  // Also where the cut is what is refused: then the last plan says where the zone lay.
  order.presentPlan();
  const CupPlan* plan = order.plan();
  const Zone* inHand = zoneInHand(order);
  if (plan == nullptr || inHand == nullptr || inHand->path.empty()) return;
  const Zone zone = *inHand;
  const ZonePath parent = parentOf(zone.path);
  std::set<std::string> gone;
  for (const Zone& other : plan->divided.zones) {
    const bool within = other.path.size() > parent.size() &&
                        std::equal(parent.begin(), parent.end(), other.path.begin());
    if (within) gone.insert(other.id);
  }
  std::string whole;
  order.editCup(Order::tr("Take a cut back"), [&](Cup& cup) {
    ZoneNode& node = nodeRound(cup, zone);
    whole = node.id;
    addIdsBelow(node, gone);
    // The whole keeps the zone's pattern; those of its other parts go with them.
    referTo(cup, zone.id, whole);
    forget(cup, gone);
    node.cut = std::nullopt;
    node.parts.clear();
    node.finish = zone.finish;
  });
  order.pickZone(whole);
}

void editCut(Order& order, const QString& text, const QString& key,
             const std::function<void(Cut&)>& change) {
  const CupPlan* plan = order.plan();
  const Zone* inHand = zoneInHand(order);
  if (plan == nullptr || inHand == nullptr || inHand->path.empty()) return;
  const Zone zone = *inHand;
  const UprightRoom room = uprightRoomOf(regionOf(*plan, parentOf(zone.path)), plan->wall);
  order.editCup(
      text,
      [&](Cup& cup) {
        ZoneNode& node = nodeRound(cup, zone);
        if (!node.cut) return;
        Cut next = *node.cut;
        change(next);
        recut(cup.division, node, next, room);
      },
      QStringLiteral("cut ") + key);
}

Finish& finishOf(Cup& cup, const Zone& zone) {
  return nodeOf(cup, zone).finish;
}

void editFinish(Order& order, const QString& text, const QString& key,
                const std::function<void(Finish&)>& change) {
  const Zone* inHand = zoneInHand(order);
  if (inHand == nullptr) return;
  const Zone zone = *inHand;
  order.editCup(
      text, [&](Cup& cup) { change(finishOf(cup, zone)); },
      key.isEmpty() ? key : QStringLiteral("finish ") + key);
}

int siblingsOf(const Order& order) {
  const CupPlan* plan = order.plan();
  const Zone* zone = zoneInHand(order);
  if (plan == nullptr || zone == nullptr || zone->path.empty()) return 1;
  return static_cast<int>(
      std::count_if(plan->divided.zones.begin(), plan->divided.zones.end(),
                    [&](const Zone& other) { return areSiblings(*zone, other); }));
}

void spreadFinish(Order& order, int every) {
  const CupPlan* plan = order.plan();
  const Zone* zone = zoneInHand(order);
  if (plan == nullptr || zone == nullptr || zone->path.empty()) return;
  const int here = zone->path.back();
  const Finish finish = zone->finish;
  std::vector<Zone> alike;
  for (const Zone& other : plan->divided.zones) {
    if (areSiblings(*zone, other) && (other.path.back() - here) % every == 0) {
      alike.push_back(other);
    }
  }
  order.editCup(Order::tr("Give a finish to %1 zones").arg(alike.size()), [&](Cup& cup) {
    for (const Zone& one : alike) nodeOf(cup, one).finish = finish;
  });
}

void dragLine(Order& order, const std::string& line, WallPoint taken, WallPoint to) {
  const CupPlan* plan = order.plan();
  if (plan == nullptr) return;
  const auto found =
      std::find_if(plan->divided.lines.begin(), plan->divided.lines.end(),
                   [&](const DivideLine& candidate) { return candidate.id == line; });
  if (found == plan->divided.lines.end()) return;
  const ZonePath of = found->of;
  const int index = found->index;
  const Region zone = regionOf(*plan, of);
  const Wall& wall = plan->wall;
  order.editCup(
      Order::tr("Move line %1").arg(QString::fromStdString(line)),
      [&](Cup& cup) {
        ZoneNode& node = nodeAt(cup.division.body, of);
        if (!node.cut) return;
        const Cut moved = withLineAt(*node.cut, zone, wall, index, taken, to, order.unit());
        // The drag stops where the cut could not be made: a hand's slip makes no impossible zone.
        if (split(zone, moved, wall)) node.cut = moved;
      },
      QStringLiteral("line ") + QString::fromStdString(line));
}

void nudgeLine(Order& order, int right, int up) {
  const CupPlan* plan = order.presentPlan();
  if (plan == nullptr) return;
  for (const DivideLine& line : plan->divided.lines) {
    if (line.id != order.line() || line.stretches.empty()) continue;
    const WallPoint taken = handleOf(line, right != 0);
    const Length mark = step(usualGraduation(order.unit()));
    const Angle along = line.kind == CutKind::uprights
                            ? Angle::degrees(right)
                            : Angle::radians(mark * right / plan->wall.body.radius(taken.s));
    dragLine(order, line.id, taken, {taken.theta + along, taken.s + mark * up});
    return;
  }
}

void fillLater(Order& order, const std::string& zone, int by) {
  const CupPlan* plan = order.presentPlan();
  if (plan == nullptr) return;
  std::string id;
  for (const Zone& candidate : plan->divided.zones) {
    if (candidate.letter == zone) id = candidate.id;
  }
  const std::vector<std::string> next =
      movedInOrder(plan->divided, order.currentCup().division.order, id, by);
  order.editCup(
      Order::tr("Fill %1 %2")
          .arg(QString::fromStdString(zone), by > 0 ? Order::tr("later") : Order::tr("earlier")),
      [&](Cup& cup) { cup.division.order = next; });
}

void fillAsUsual(Order& order) {
  order.editCup(Order::tr("Fill in the usual order"), [](Cup& cup) { cup.division.order.clear(); });
}

void putOntoTape(Order& order, Absorb absorb) {
  const CupPlan* plan = order.presentPlan();
  const Zone* zone = zoneInHand(order);
  if (plan == nullptr || zone == nullptr || zone->path.empty()) return;
  const Region whole = regionOf(*plan, parentOf(zone->path));
  editCut(order, Order::tr("Put the lines onto the tape's marks"), QStringLiteral("tape"),
          [&](Cut& cut) { cut = ontoTape(cut, whole, plan->wall, absorb, order.unit()); });
  order.settle();
}

void addStripe(Order& order, const std::string& line) {
  const CupPlan* plan = order.plan();
  if (plan == nullptr) return;
  for (const DivideLine& candidate : plan->divided.lines) {
    if (candidate.id != line) continue;
    Stripe stripe;
    stripe.of = candidate.cut;
    stripe.line = candidate.index;
    order.editCup(Order::tr("Lay a stripe on line %1").arg(QString::fromStdString(line)),
                  [&](Cup& cup) { cup.division.stripes.push_back(stripe); });
    return;
  }
}

void removeStripe(Order& order, int index) {
  order.editCup(Order::tr("Take a stripe away"), [index](Cup& cup) {
    std::vector<Stripe>& stripes = cup.division.stripes;
    if (index >= 0 && index < static_cast<int>(stripes.size())) {
      forget(cup, {stripes[static_cast<std::size_t>(index)].id});
    }
  });
}

void editStripe(Order& order, int index, const QString& key,
                const std::function<void(Stripe&)>& change) {
  order.editCup(
      Order::tr("Change a stripe"),
      [&](Cup& cup) {
        std::vector<Stripe>& stripes = cup.division.stripes;
        if (index >= 0 && index < static_cast<int>(stripes.size())) {
          change(stripes[static_cast<std::size_t>(index)]);
        }
      },
      QStringLiteral("stripe %1 ").arg(index) + key);
}

void addMask(Order& order, MaskKind kind) {
  const Zone* zone = zoneInHand(order);
  if (zone == nullptr) return;
  Mask mask;
  mask.kind = kind;
  mask.zones = {zone->id};
  if (order.unit() == Unit::mm) mask.margin = WrittenLength::mm(25);
  const QString letter = QString::fromStdString(zone->letter);
  order.editCup(kind == MaskKind::cover ? Order::tr("Cut a cover of zone %1").arg(letter)
                                        : Order::tr("Cut a window to zone %1").arg(letter),
                [&](Cup& cup) { cup.division.masks.push_back(mask); });
}

void removeMask(Order& order, int index) {
  order.editCup(Order::tr("Remove a cover or window"), [index](Cup& cup) {
    const std::vector<Mask>& masks = cup.division.masks;
    if (index >= 0 && index < static_cast<int>(masks.size())) {
      forget(cup, {masks[static_cast<std::size_t>(index)].id});
    }
  });
}

void editMask(Order& order, int index, const QString& key,
              const std::function<void(Mask&)>& change) {
  order.editCup(
      Order::tr("Change a cover or window"),
      [&](Cup& cup) {
        std::vector<Mask>& masks = cup.division.masks;
        if (index >= 0 && index < static_cast<int>(masks.size())) {
          change(masks[static_cast<std::size_t>(index)]);
        }
      },
      key.isEmpty() ? key : QStringLiteral("mask %1 ").arg(index) + key);
}

}  // namespace avrelt

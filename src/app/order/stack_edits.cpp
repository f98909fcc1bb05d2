// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/order/stack_edits.h"

#include <algorithm>

#include "app/order/set_edits.h"

namespace avrelt {
namespace {

const StackItem* itemCalled(const Order& order, const std::string& id) {
  const CupPlan* plan = order.plan();
  if (plan == nullptr) return nullptr;
  const auto found = std::find_if(plan->stack.begin(), plan->stack.end(),
                                  [&](const StackItem& item) { return item.id == id; });
  return found == plan->stack.end() ? nullptr : &*found;
}

/// The layer of its set next to it that is laid after as many coats.
bool hasNeighbour(const Order& order, const StackItem& item, int by) {
  const CupPlan* plan = order.plan();
  return std::any_of(plan->stack.begin(), plan->stack.end(), [&](const StackItem& other) {
    return other.layer >= 0 && other.set == item.set && other.layer == item.layer - by &&
           other.after == item.after;
  });
}

}  // namespace

const StackItem* outermostShown(const Order& order) {
  return order.outermost().empty() ? nullptr : itemCalled(order, order.outermost());
}

std::set<std::string> peeledOff(const Order& order) {
  std::set<std::string> off;
  const StackItem* outermost = outermostShown(order);
  if (outermost == nullptr) return off;
  bool above = false;
  for (const StackItem& item : order.plan()->stack) {
    if (above) off.insert(item.id);
    if (&item == outermost) above = true;
  }
  return off;
}

void peelBack(Order& order, int by) {
  const CupPlan* plan = order.plan();
  if (plan == nullptr) return;
  std::vector<const StackItem*> seen;
  for (const StackItem& item : plan->stack) {
    if (item.coloured) seen.push_back(&item);
  }
  if (seen.empty()) return;
  const std::set<std::string> off = peeledOff(order);
  auto left = static_cast<std::ptrdiff_t>(std::count_if(
      seen.begin(), seen.end(), [&](const StackItem* item) { return !off.contains(item->id); }));
  const auto all = static_cast<std::ptrdiff_t>(seen.size());
  left = std::clamp<std::ptrdiff_t>(left - by, 1, all);
  order.peelTo(left == all ? std::string() : seen[static_cast<std::size_t>(left - 1)]->id);
}

bool movesInStack(const Order& order, const std::string& id, int by) {
  const StackItem* item = itemCalled(order, id);
  if (item == nullptr || item->kind != StackKind::laid) return false;
  if (item->layer >= 0 && hasNeighbour(order, *item, by)) return true;
  const auto last = static_cast<int>(order.plan()->stages.size()) - 1;
  return by > 0 ? item->after < last : item->after > 0;
}

void moveInStack(Order& order, const std::string& id, int by) {
  const StackItem* item = itemCalled(order, id);
  if (!movesInStack(order, id, by)) {
    emit order.refused(
        item == nullptr ? Sentence{"Pick what is to be laid elsewhere in the stack first.", {}}
        : item->kind != StackKind::laid
            ? Sentence{"Coats are put in order at Gauge, and finishes go on as the cup is divided.",
                       {}}
        : by > 0 ? Sentence{"It is laid after the last coat already. Add a coat at Gauge to lay it "
                            "later.",
                            {}}
                 : Sentence{"It is laid first of all already.", {}});
    return;
  }
  if (item->layer >= 0 && hasNeighbour(order, *item, by)) {
    raiseLayer(order, id, by);
  } else {
    // The coats may be others than when this was planned.
    const auto most = static_cast<int>(order.currentCup().buildUp.coats.size());
    const int after = std::clamp(item->after + by, 0, most);
    order.editCup(Order::tr("Lay after %1 coats").arg(after),
                  [&](Cup& cup) { layAfter(cup.buildUp, id, after); });
  }
  order.settle();
}

}  // namespace avrelt

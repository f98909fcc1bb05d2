// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/gauge/coats.h"

#include <algorithm>

#include "app/gauge/measures.h"
#include "app/order/phrases.h"
#include "job/mending.h"

namespace avrelt {
void addCoat(Order& order, const Coat& coat) {
  order.editCup(Order::tr("Add %1").arg(say(coatName(coat), order.unit())), [&](Cup& cup) {
    BuildUp& buildUp = cup.buildUp;
    const bool last = buildUp.laidAfter == static_cast<int>(buildUp.coats.size());
    buildUp.coats.push_back(coat);
    if (!last) return;
    const int before = buildUp.laidAfter++;
    // What is laid last of all stays so, too.
    for (OwnStage& own : buildUp.laid) {
      if (own.after == before) ++own.after;
    }
  });
}

void removeCoat(Order& order, int number) {
  const std::vector<Coat>& coats = order.currentCup().buildUp.coats;
  if (number < 1 || number > static_cast<int>(coats.size())) return;
  const Coat& gone = coats[static_cast<std::size_t>(number - 1)];
  order.editCup(Order::tr("Remove %1").arg(say(coatName(gone), order.unit())),
                [&](Cup& cup) { takeCoatOut(cup, number); });
}

int laidAfter(const Cup& cup, const std::string& thing) {
  return thing.empty() ? cup.buildUp.laidAfter : laidAfterOf(cup.buildUp, thing);
}

void layAfter(Order& order, int coats, const std::string& thing) {
  const int most = static_cast<int>(order.currentCup().buildUp.coats.size());
  const int after = std::clamp(coats, 0, most);
  if (after == laidAfter(order.currentCup(), thing)) return;
  order.editCup(
      Order::tr("Lay after %1 coats").arg(after),
      [&](Cup& cup) {
        if (!thing.empty()) return layAfter(cup.buildUp, thing, after);
        cup.buildUp.laidAfter = after;
      },
      QStringLiteral("laid after ") + QString::fromStdString(thing));
}

void setSizedFor(Order& order, SizedFor sizedFor) {
  order.editCup(sizedFor == SizedFor::laid ? Order::tr("Size for the cup when laid")
                                           : Order::tr("Size for the bare cup"),
                [&](Cup& cup) { cup.buildUp.sizedFor = sizedFor; });
}

void remeasure(Order& order, const WrittenLength& girth, int after) {
  const CupPlan* plan = order.plan();
  if (plan == nullptr || after == 0) return;
  order.editCup(
      Order::tr("Measured again: %1").arg(say(girth.length, order.unit())),
      [&](Cup& cup) {
        BuildUp& buildUp = cup.buildUp;
        std::erase_if(buildUp.measured,
                      [&](const Remeasure& measure) { return measure.after == after; });
        const WrittenLength rim = written(plan->bare.wall(), order.unit());
        buildUp.measured.push_back({after, {rim, girth, girthMeasured(cup), {}}, {}});
      },
      QStringLiteral("remeasure"));
}

std::optional<WrittenLength> remeasured(const Cup& cup, int after) {
  for (const Remeasure& measure : cup.buildUp.measured) {
    if (measure.after == after) return measure.station.girth;
  }
  return std::nullopt;
}

}  // namespace avrelt

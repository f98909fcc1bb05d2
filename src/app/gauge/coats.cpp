// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/gauge/coats.h"

#include <algorithm>

#include "app/gauge/measures.h"
#include "app/order/phrases.h"

namespace avrelt {
namespace {

bool atLaidStage(const BuildUp& buildUp, const Remeasure& measure) {
  return measure.after == buildUp.laidAfter;
}

}  // namespace

void addCoat(Order& order, const Coat& coat) {
  order.editCup(Order::tr("Add %1").arg(say(coatName(coat), order.unit())), [&](Cup& cup) {
    BuildUp& buildUp = cup.buildUp;
    const bool last = buildUp.laidAfter == static_cast<int>(buildUp.coats.size());
    buildUp.coats.push_back(coat);
    if (last) ++buildUp.laidAfter;
  });
}

void removeCoat(Order& order, int number) {
  const std::vector<Coat>& coats = order.currentCup().buildUp.coats;
  if (number < 1 || number > static_cast<int>(coats.size())) return;
  const Coat& gone = coats[static_cast<std::size_t>(number - 1)];
  order.editCup(Order::tr("Remove %1").arg(say(coatName(gone), order.unit())), [&](Cup& cup) {
    BuildUp& buildUp = cup.buildUp;
    buildUp.coats.erase(buildUp.coats.begin() + number - 1);
    if (buildUp.laidAfter >= number) --buildUp.laidAfter;
    std::erase_if(buildUp.measured,
                  [&](const Remeasure& measure) { return measure.after == number; });
    for (Remeasure& measure : buildUp.measured) {
      if (measure.after > number) --measure.after;
    }
  });
}

void layAfter(Order& order, int coats) {
  const int most = static_cast<int>(order.currentCup().buildUp.coats.size());
  order.editCup(Order::tr("Lay after %1 coats").arg(coats),
                [&](Cup& cup) { cup.buildUp.laidAfter = std::clamp(coats, 0, most); });
}

void setSizedFor(Order& order, SizedFor sizedFor) {
  order.editCup(sizedFor == SizedFor::laid ? Order::tr("Size for the cup when laid")
                                           : Order::tr("Size for the bare cup"),
                [&](Cup& cup) { cup.buildUp.sizedFor = sizedFor; });
}

void remeasure(Order& order, const WrittenLength& girth) {
  const CupPlan* plan = order.plan();
  if (plan == nullptr || order.currentCup().buildUp.laidAfter == 0) return;
  order.editCup(
      Order::tr("Measured again: %1").arg(say(girth.length, order.unit())),
      [&](Cup& cup) {
        BuildUp& buildUp = cup.buildUp;
        std::erase_if(buildUp.measured,
                      [&](const Remeasure& measure) { return atLaidStage(buildUp, measure); });
        const WrittenLength rim = written(plan->bare.wall(), order.unit());
        buildUp.measured.push_back({buildUp.laidAfter, {rim, girth, girthMeasured(cup), {}}, {}});
      },
      QStringLiteral("remeasure"));
}

std::optional<WrittenLength> remeasured(const Cup& cup) {
  for (const Remeasure& measure : cup.buildUp.measured) {
    if (atLaidStage(cup.buildUp, measure)) return measure.station.girth;
  }
  return std::nullopt;
}

}  // namespace avrelt

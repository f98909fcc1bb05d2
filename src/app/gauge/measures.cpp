// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/gauge/measures.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "app/order/phrases.h"

namespace avrelt {
namespace {

using std::numbers::pi;

/// A cup opened from a file with faults may lack stations; the fields bring them back.
void makeTwoStations(Cup& cup) {
  std::vector<Station>& stations = cup.blank.stations;
  while (stations.size() < 2) stations.emplace_back();
}

QString girthName(const Cup& cup, bool rim) {
  if (!isTapered(cup)) return Order::tr("girth");
  return rim ? Order::tr("rim girth") : Order::tr("base girth");
}

}  // namespace

bool isTapered(const Cup& cup) {
  return cup.blank.stations.size() > 1 && cup.blank.stations[1].girth.has_value();
}

Girth girthMeasured(const Cup& cup) {
  return cup.blank.stations.empty() ? Girth::around : cup.blank.stations[0].girthIs;
}

std::optional<WrittenLength> girthOf(const Cup& cup, bool rim) {
  const std::size_t index = rim && isTapered(cup) ? 1 : 0;
  if (index >= cup.blank.stations.size()) return std::nullopt;
  return cup.blank.stations[index].girth;
}

void setGirth(Order& order, bool rim, const WrittenLength& girth) {
  const Cup& now = order.currentCup();
  const bool atRim = rim && isTapered(now);
  order.editCup(
      Order::tr("Set %1 to %2").arg(girthName(now, rim), say(girth.length, order.unit())),
      [&](Cup& cup) {
        makeTwoStations(cup);
        cup.blank.stations[atRim ? 1 : 0].girth = girth;
      },
      atRim ? QStringLiteral("rim girth") : QStringLiteral("base girth"));
}

void setHeight(Order& order, const WrittenLength& height) {
  order.editCup(
      Order::tr("Set height to %1").arg(say(height.length, order.unit())),
      [&](Cup& cup) {
        makeTwoStations(cup);
        cup.blank.stations[1].at = height;
      },
      QStringLiteral("height"));
}

void dragGirth(Order& order, bool rim, Length radius) {
  const Cup& cup = order.currentCup();
  const bool atRim = rim && isTapered(cup);
  const Girth measure = cup.blank.stations[atRim ? 1 : 0].girthIs;
  const Length girth = radius * (measure == Girth::around ? 2 * pi : 2);
  setGirth(order, rim, written(nearestMark(girth, usualGraduation(order.unit())), order.unit()));
}

void dragPlumb(Order& order, Length plumb) {
  const CupPlan* plan = order.plan();
  if (plan == nullptr) return;
  const Length height = order.currentCup().blank.heightAlong == HeightAlong::plumb
                            ? plumb
                            : plan->bare.wallFor(plumb);
  setHeight(order, written(nearestMark(height, usualGraduation(order.unit())), order.unit()));
}

namespace {

WrittenLength stepped(const Order& order, Length now, int marks) {
  const Graduation graduation = usualGraduation(order.unit());
  const Length next = nearestMark(now, graduation) + step(graduation) * marks;
  return written(std::max(next, Length()), order.unit());
}

}  // namespace

void stepGirth(Order& order, bool rim, int marks) {
  const std::optional<WrittenLength> now = girthOf(order.currentCup(), rim);
  if (now) setGirth(order, rim, stepped(order, now->length, marks));
}

void stepHeight(Order& order, int marks) {
  const Cup& cup = order.currentCup();
  if (cup.blank.stations.size() < 2) return;
  setHeight(order, stepped(order, cup.blank.stations[1].at.length, marks));
}

void setTapered(Order& order, bool tapered) {
  order.editCup(tapered ? Order::tr("Make it tapered") : Order::tr("Make it straight"),
                [&](Cup& cup) {
                  makeTwoStations(cup);
                  Station& rim = cup.blank.stations[1];
                  rim.girth = tapered ? cup.blank.stations[0].girth : std::nullopt;
                  rim.girthIs = cup.blank.stations[0].girthIs;
                });
}

void setGirthMeasured(Order& order, Girth girth) {
  order.editCup(girth == Girth::around ? Order::tr("Measure round the body")
                                       : Order::tr("Measure across the body"),
                [&](Cup& cup) {
                  for (Station& station : cup.blank.stations) {
                    if (station.girthIs == girth) continue;
                    station.girthIs = girth;
                    if (!station.girth) continue;
                    const Length other = girth == Girth::around ? station.girth->length * pi
                                                                : station.girth->length / pi;
                    station.girth = written(other, order.unit());
                  }
                });
}

void setHeightAlong(Order& order, HeightAlong along) {
  order.editCup(along == HeightAlong::wall ? Order::tr("Height taken along the wall")
                                           : Order::tr("Height taken plumb"),
                [along](Cup& cup) { cup.blank.heightAlong = along; });
}

}  // namespace avrelt

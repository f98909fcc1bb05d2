// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/gauge/measures.h"

#include <algorithm>
#include <numbers>

#include "app/order/phrases.h"
#include "cup/reshape.h"

namespace avrelt {
namespace {

using std::numbers::pi;

/// A cup opened from a file with faults may lack stations; the fields bring them back.
void makeTwoStations(Cup& cup) {
  std::vector<Station>& stations = cup.blank.stations;
  while (stations.size() < 2) stations.emplace_back();
}

/// Whether the rim has a girth of its own.
bool isTapered(const Cup& cup) {
  return cup.blank.stations.size() > 1 && cup.blank.stations.back().girth.has_value();
}

QString girthName(const Cup& cup, bool rim) {
  if (!isTapered(cup)) return Order::tr("girth");
  return rim ? Order::tr("rim girth") : Order::tr("base girth");
}

}  // namespace

Shape shapeOf(const Cup& cup) {
  if (cup.blank.stations.size() > 2) return Shape::curved;
  return isTapered(cup) ? Shape::tapered : Shape::straight;
}

Girth girthMeasured(const Cup& cup) {
  return cup.blank.stations.empty() ? Girth::around : cup.blank.stations[0].girthIs;
}

std::optional<WrittenLength> girthOf(const Cup& cup, bool rim) {
  const std::size_t index = rim && isTapered(cup) ? cup.blank.stations.size() - 1 : 0;
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
        (atRim ? cup.blank.stations.back() : cup.blank.stations.front()).girth = girth;
      },
      atRim ? QStringLiteral("rim girth") : QStringLiteral("base girth"));
}

void setHeight(Order& order, const WrittenLength& height) {
  order.editCup(
      Order::tr("Set height to %1").arg(say(height.length, order.unit())),
      [&](Cup& cup) {
        makeTwoStations(cup);
        cup.blank.stations.back().at = height;
      },
      QStringLiteral("height"));
}

void dragGirth(Order& order, bool rim, Length radius) {
  const Cup& cup = order.currentCup();
  const bool atRim = rim && isTapered(cup);
  const std::vector<Station>& stations = cup.blank.stations;
  const Length girth = girthFor(radius, (atRim ? stations.back() : stations.front()).girthIs);
  setGirth(order, rim, written(nearestMark(girth, usualGraduation(order.unit())), order.unit()));
}

void dragPlumb(Order& order, Length plumb) {
  const CupPlan* plan = order.plan();
  if (plan == nullptr) return;
  const Body& bare = plan->bare;
  const Cup& cup = order.currentCup();
  const Blank moved = withStationAt(cup.blank, bare, cup.blank.stations.size() - 1, plumb,
                                    bare.radius(bare.wall()), order.unit());
  setHeight(order, moved.stations.back().at);
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
  setHeight(order, stepped(order, cup.blank.stations.back().at.length, marks));
}

void setShape(Order& order, Shape shape) {
  const CupPlan* plan = order.presentPlan();
  const bool curve = shape == Shape::curved && shapeOf(order.currentCup()) != Shape::curved;
  // A new station lies on the wall as it is: there has to be one.
  if (curve && plan == nullptr) return;
  const QString text = shape == Shape::straight  ? Order::tr("Make it straight")
                       : shape == Shape::tapered ? Order::tr("Make it tapered")
                                                 : Order::tr("Make it curved");
  order.editCup(text, [&](Cup& cup) {
    makeTwoStations(cup);
    Blank& blank = cup.blank;
    if (shape == Shape::curved) {
      if (curve) blank = withStationAfter(blank, plan->bare, 0, order.unit());
      blank.joined = Joined::smooth;
      return;
    }
    blank.stations.erase(blank.stations.begin() + 1, blank.stations.end() - 1);
    blank.joined = Joined::straight;
    Station& rim = blank.stations[1];
    if (shape == Shape::straight) {
      rim.girth = std::nullopt;
    } else if (!rim.girth) {
      rim.girth = blank.stations[0].girth;
    }
    rim.girthIs = blank.stations[0].girthIs;
  });
}

void setStationHeight(Order& order, std::size_t index, const WrittenLength& height) {
  order.editCup(
      Order::tr("Set station height to %1").arg(say(height.length, order.unit())),
      [&](Cup& cup) { cup.blank.stations.at(index).at = height; },
      QStringLiteral("station height %1").arg(index));
}

void setStationGirth(Order& order, std::size_t index, const WrittenLength& girth) {
  order.editCup(
      Order::tr("Set station girth to %1").arg(say(girth.length, order.unit())),
      [&](Cup& cup) { cup.blank.stations.at(index).girth = girth; },
      QStringLiteral("station girth %1").arg(index));
}

void dragStation(Order& order, std::size_t index, Length plumb, Length radius) {
  const CupPlan* plan = order.plan();
  if (plan == nullptr || index >= plan->bare.stations().size()) return;
  order.editCup(
      Order::tr("Move station"),
      [&](Cup& cup) {
        cup.blank = withStationAt(cup.blank, plan->bare, index, plumb, radius, order.unit());
      },
      QStringLiteral("station %1").arg(index));
}

void addStation(Order& order, std::size_t after) {
  const CupPlan* plan = order.presentPlan();
  if (plan == nullptr) return;
  order.editCup(Order::tr("Add station"), [&](Cup& cup) {
    cup.blank = withStationAfter(cup.blank, plan->bare, after, order.unit());
  });
}

void removeStation(Order& order, std::size_t index) {
  order.editCup(Order::tr("Remove station"),
                [&](Cup& cup) { cup.blank = withoutStation(cup.blank, index); });
}

void setJoined(Order& order, Joined joined) {
  order.editCup(joined == Joined::smooth ? Order::tr("Join smoothly") : Order::tr("Join straight"),
                [joined](Cup& cup) { cup.blank.joined = joined; });
}

void setStations(Order& order, const std::vector<Station>& stations) {
  order.editCup(Order::tr("Take the traced outline"), [&](Cup& cup) {
    cup.blank.stations = stations;
    cup.blank.heightAlong = HeightAlong::plumb;
    cup.blank.joined = Joined::smooth;
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

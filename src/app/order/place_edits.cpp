// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/order/place_edits.h"

#include <algorithm>
#include <cmath>
#include <map>

#include "app/order/phrases.h"
#include "decal/anchoring.h"
#include "decal/straight_edges.h"
#include "job/ids.h"

namespace avrelt {
namespace {

template <typename AnyCup>
auto rowCalled(AnyCup& cup, const std::string& id) -> decltype(cup.rows.data()) {
  for (auto& row : cup.rows) {
    if (row.id == id) return &row;
  }
  return nullptr;
}

/// Which line of its row a place stands in, from below.
int lineOf(const CupPlan& plan, const PlacePlan& place) {
  for (const RowPlan& row : plan.rows) {
    if (row.id != place.row || row.fit.at.empty()) continue;
    return place.index / static_cast<int>(row.fit.at.size());
  }
  return 0;
}

/// Round the cup from the front to the nearest mark at this height.
CupAngle onMark(const CupPlan& plan, Angle inFrame, Length s, Graduation graduation) {
  const Length radius = plan.wall.body.radius(std::clamp(s, Length(), plan.wall.body.wall()));
  const CupAngle onCup = plan.wall.onCup(inFrame.wrapped()).wrapped();
  const Length round = nearestMark(radius * std::abs(onCup.radians()), graduation);
  const double sign = onCup.radians() < 0 ? -1 : 1;
  return CupAngle::radians(sign * (round / radius)).wrapped();
}

}  // namespace

StandingSet placeInHand(const Order& order) {
  const SetPlan* set = setPlanInHand(order);
  if (set == nullptr || set->places.empty()) return {};
  const PlacePlan* picked = set->placeCalled(order.place());
  return {set, picked != nullptr ? picked : &set->places.front()};
}

const Place* ownPlaceInHand(const Order& order) {
  const StandingSet now = placeInHand(order);
  const DecalSet* set = setInHand(order);
  if (!now || set == nullptr) return nullptr;
  for (const Place& place : set->places) {
    if (place.id == now.place->id) return &place;
  }
  for (const Scatter& scatter : order.currentCup().scatters) {
    for (const ScatterItem& item : scatter.items) {
      if (item.place.id == now.place->id) return &item.place;
    }
  }
  return nullptr;
}

StandingSet placeAt(const Order& order, WallPoint at) {
  const CupPlan* plan = order.plan();
  if (plan == nullptr) return {};
  const auto topmost = [&](const auto& here) -> StandingSet {
    for (std::size_t i = plan->sets.size(); i-- > 0;) {
      const SetPlan& set = plan->sets[i];
      for (std::size_t k = set.places.size(); k-- > 0;) {
        if (here(set, set.places[k])) return {&set, &set.places[k]};
      }
    }
    return {};
  };
  const StandingSet on = topmost([&](const SetPlan& /*set*/, const PlacePlan& place) {
    return std::any_of(place.laid->layers.begin(), place.laid->layers.end(),
                       [&](const LaidLayer& layer) { return layer.region.contains(at); });
  });
  if (on) return on;
  // In a notch or an opening of one it is taken as well.
  return topmost([&](const SetPlan& /*set*/, const PlacePlan& place) {
    const WallReach& reach = place.laid->reach;
    const Angle right = (at.theta - place.anchor.theta).wrapped() + place.anchor.theta;
    return right >= reach.from && right <= reach.to && at.s >= reach.low && at.s <= reach.high;
  });
}

void pickPlace(Order& order, const StandingSet& standing) {
  if (!standing) return;
  // The plan may be another once the first of these is told.
  const std::string set = standing.set->id;
  const std::string place = standing.place->id;
  const std::string row = standing.place->row;
  const std::string scatter = standing.place->scatter;
  order.pickPlace(place);
  if (!row.empty()) order.pickRow(row);
  if (!scatter.empty()) order.pickScatter(scatter);
  order.pickSet(set);
}

void pickNextPlace(Order& order, int by) {
  const CupPlan* plan = order.plan();
  if (plan == nullptr) return;
  std::vector<StandingSet> all;
  for (const SetPlan& set : plan->sets) {
    for (const PlacePlan& place : set.places) all.push_back({&set, &place});
  }
  if (all.empty()) return;
  const StandingSet now = placeInHand(order);
  const auto here = std::find_if(all.begin(), all.end(),
                                 [&](const StandingSet& one) { return one.place == now.place; });
  const auto count = static_cast<int>(all.size());
  const int index = here == all.end() ? 0 : static_cast<int>(here - all.begin());
  pickPlace(order, all[static_cast<std::size_t>(((index + by) % count + count) % count)]);
}

void addPlace(Order& order) {
  const DecalSet* set = setInHand(order);
  const CupPlan* plan = order.plan();
  if (set == nullptr || plan == nullptr) return;
  const StandingSet now = placeInHand(order);
  Place next;
  if (now) {
    const Length s = now.place->anchor.s;
    const Length radius = plan->wall.body.radius(std::clamp(s, Length(), plan->wall.body.wall()));
    const WallReach& reach = now.place->laid->reach;
    // Beside it, with as much of a gap as is usual.
    const Angle by =
        reach.to - reach.from + Angle::radians(Length::mm(5) / std::max(radius, Length::mm(1)));
    const Graduation graduation = usualGraduation(order.unit());
    next.at = onMark(*plan, now.place->anchor.theta + by, s, graduation);
    next.up = written(s, order.unit());
    next.turn = now.place->turn;
    next.follows = now.place->follows;
  } else {
    next.up = written(nearestMark(plan->wall.body.wall() / 2, usualGraduation(order.unit())),
                      order.unit());
  }
  const bool done = editSet(order, Order::tr("Add a place"), {},
                            [&](DecalSet& changed) { changed.places.push_back(next); });
  if (done) order.pickPlace(setInHand(order)->places.back().id);
}

void removePlace(Order& order) {
  const StandingSet now = placeInHand(order);
  if (!now) return;
  if (!now.place->row.empty()) {
    emit order.refused(
        {"This place stands in a row. Take fewer in the row, or take the row apart first.", {}});
    return;
  }
  const std::string id = now.place->id;
  order.editCup(Order::tr("Remove a place"), [&](Cup& cup) { forget(cup, {id}); });
}

bool editPlace(Order& order, const QString& text, const QString& key,
               const std::function<void(Place&)>& change) {
  const StandingSet now = placeInHand(order);
  const CupPlan* plan = order.plan();
  if (!now || plan == nullptr) return false;
  const std::string id = now.place->id;
  if (!now.place->scatter.empty()) {
    return order.editCup(
        text,
        [&](Cup& cup) {
          for (Scatter& scatter : cup.scatters) {
            for (ScatterItem& item : scatter.items) {
              if (item.place.id != id) continue;
              change(item.place);
              item.byHand = true;
            }
          }
        },
        key.isEmpty() ? key : QString::fromStdString(id) + key);
  }
  if (now.place->row.empty()) {
    return editSet(order, text, key, [&](DecalSet& set) {
      for (Place& place : set.places) {
        if (place.id == id) change(place);
      }
    });
  }
  // The row goes along: round by as much as its place, up to where that line is to be.
  const int line = lineOf(*plan, *now.place);
  const Row* asked = rowCalled(order.currentCup(), now.place->row);
  if (asked == nullptr) return false;
  Place before;
  before.at = now.place->mark.onCup;
  before.up = {now.place->anchor.s, {}};
  before.turn = asked->turn;
  before.follows = asked->follows;
  Place after = before;
  change(after);
  const std::string row = asked->id;
  const bool lowest = line == 0;
  return order.editCup(
      text,
      [&](Cup& cup) {
        Row* moved = rowCalled(cup, row);
        if (moved == nullptr) return;
        moved->turn = after.turn;
        moved->follows = after.follows;
        if (after.up != before.up) {
          moved->up = lowest ? after.up
                             : written(after.up.length - moved->apart.length * line, order.unit());
        }
        const Angle by = (after.at - before.at).wrapped();
        if (by == Angle()) return;
        // A gap over the seam stays there; a row that is turned by hand does not.
        if (moved->start == RowStart::seam) {
          moved->start = RowStart::gap;
          moved->at = cup.wrap.seamAt;
        }
        moved->at = (moved->at + by).wrapped();
      },
      key.isEmpty() ? key : QString::fromStdString(row) + key);
}

Snap movePlace(Order& order, WallPoint to, Length reach) {
  const CupPlan* plan = order.plan();
  const StandingSet now = placeInHand(order);
  if (plan == nullptr || !now) return {};
  const Graduation graduation = usualGraduation(order.unit());
  const Length s = std::clamp(to.s, Length(), plan->wall.body.wall());
  Snap snap;
  if (reach > Length()) {
    snap = snapOf(plan->sets, plan->divided, plan->wall, *now.place, {to.theta, s}, reach);
  }
  const WrittenLength up = written(snap.up ? snap.up->s : nearestMark(s, graduation), order.unit());
  const CupAngle at = snap.round ? snap.round->onCup : onMark(*plan, to.theta, s, graduation);
  editPlace(order, Order::tr("Move a set"), QStringLiteral("place"), [&](Place& place) {
    place.at = at;
    place.up = up;
  });
  return snap;
}

bool tellByPoint(Order& order, WallPoint place) {
  // While a number is refused, by the last good plan, as it is drawn.
  const CupPlan* plan = order.presentPlan();
  if (plan == nullptr) plan = order.plan();
  const StandingSet now = placeInHand(order);
  if (plan == nullptr || !now) return false;
  const Anchor anchor = anchorUnder(*now.set, *now.place, place, plan->wall);
  std::map<std::string, Told> all;
  for (const PlacePlan& one : now.set->places) {
    if (!one.row.empty()) continue;
    const Told told = toldBy(anchor, *now.set, one, plan->wall);
    if (told.at.s < Length() || told.at.s > plan->wall.body.wall()) {
      emit order.refused({"At place %1 that point of “%2” is off the wall. Pick another.",
                          {static_cast<long>(one.number), now.set->name}});
      return false;
    }
    all.emplace(one.id, told);
  }
  const auto tell = [&](Place& one) {
    const auto told = all.find(one.id);
    if (told == all.end()) return;
    one.at = plan->wall.onCup(told->second.at.theta.wrapped());
    // Where it is, not the mark next to it.
    one.up = WrittenLength{told->second.at.s, {}};
    one.turn = told->second.turn;
  };
  const std::string id = now.set->id;
  order.editCup(Order::tr("Place a set by another point"), [&](Cup& cup) {
    for (DecalSet& set : cup.sets) {
      if (set.id != id) continue;
      set.anchor = anchor;
      for (Place& one : set.places) tell(one);
    }
    for (Scatter& scatter : cup.scatters) {
      for (ScatterItem& item : scatter.items) tell(item.place);
    }
  });
  order.settle();
  return true;
}

void alignEdge(Order& order, bool plumb) {
  const StandingSet now = placeInHand(order);
  if (!now) return;
  const std::optional<Angle> turn =
      turnedToEdge(straightEdges(now.set->made->artwork), now.place->turn, plumb);
  if (!turn) {
    emit order.refused(
        {"“%1” has no straight edge to stand by. Type how far it is turned.", {now.set->name}});
    return;
  }
  editPlace(order, plumb ? Order::tr("Stand an edge plumb") : Order::tr("Lay an edge level"), {},
            [&](Place& place) { place.turn = *turn; });
  order.settle();
}

void turnPlaceRound(Order& order, Angle by) {
  const CupPlan* plan = order.presentPlan();
  const StandingSet now = placeInHand(order);
  if (plan == nullptr || !now) return;
  const CupAngle at = (plan->wall.onCup(now.place->anchor.theta.wrapped()) + by).wrapped();
  // From wherever it stands to the next whole degree.
  const CupAngle whole = CupAngle::degrees(std::round(at.degrees()));
  editPlace(order, Order::tr("Move a set"), QStringLiteral("place"),
            [&](Place& place) { place.at = whole; });
}

void nudgePlace(Order& order, int right, int up) {
  const CupPlan* plan = order.presentPlan();
  const StandingSet now = placeInHand(order);
  if (plan == nullptr || !now) return;
  const Graduation graduation = usualGraduation(order.unit());
  const Length s = now.place->anchor.s + step(graduation) * up;
  const Length radius = plan->wall.body.radius(std::clamp(s, Length(), plan->wall.body.wall()));
  const Angle by = Angle::radians(step(graduation) * right / radius);
  movePlace(order, {now.place->anchor.theta + by, s});
}

const Row* rowInHand(const Order& order) {
  if (!order.hasCup()) return nullptr;
  const Cup& cup = order.currentCup();
  if (const Row* picked = rowCalled(cup, order.row())) return picked;
  const StandingSet now = placeInHand(order);
  if (now && !now.place->row.empty()) return rowCalled(cup, now.place->row);
  return cup.rows.empty() ? nullptr : &cup.rows.front();
}

const RowPlan* rowPlanInHand(const Order& order) {
  const CupPlan* plan = order.plan();
  const Row* row = rowInHand(order);
  if (plan == nullptr || row == nullptr) return nullptr;
  for (const RowPlan& one : plan->rows) {
    if (one.id == row->id) return &one;
  }
  return nullptr;
}

void pickRow(Order& order, const std::string& id) {
  const CupPlan* plan = order.plan();
  if (plan == nullptr) return;
  for (const SetPlan& set : plan->sets) {
    for (const PlacePlan& place : set.places) {
      if (place.row == id) return pickPlace(order, {&set, &place});
    }
  }
  order.pickRow(id);
}

WrittenLength usualLinesApart(Unit unit) {
  return unit == Unit::inch ? written(Length::inches(1), unit) : WrittenLength::mm(25);
}

void addRow(Order& order) {
  const DecalSet* set = setInHand(order);
  const CupPlan* plan = order.plan();
  if (set == nullptr || plan == nullptr) return;
  const Unit unit = order.unit();
  Row row;
  row.sets = {set->id};
  row.gap = unit == Unit::inch ? written(Length::inches(0.25), unit) : WrittenLength::mm(6);
  row.apart = usualLinesApart(unit);
  row.up = written(nearestMark(plan->wall.body.wall() / 2, usualGraduation(unit)), unit);
  // One that stands alone becomes the row's first; of several none is taken.
  const std::string id = set->id;
  const bool alone = set->places.size() == 1;
  if (!set->places.empty()) {
    row.up = set->places.front().up;
    row.at = set->places.front().at;
    row.turn = set->places.front().turn;
    row.follows = set->places.front().follows;
  }
  const QString text = Order::tr("Make a row");
  const QString key = QStringLiteral("make row");
  const bool done = order.editCup(
      text,
      [&](Cup& cup) {
        for (DecalSet& one : cup.sets) {
          if (one.id == id && alone) one.places.clear();
        }
        cup.rows.push_back(row);
      },
      key);
  if (!done) return;
  order.pickRow(order.currentCup().rows.back().id);
  // As many as fit, where seven do not: one step of the history with the row itself.
  const RowPlan* made = order.presentPlan() == nullptr ? nullptr : rowPlanInHand(order);
  if (made != nullptr && !made->fit.fits && made->fit.most > 0) {
    const int most = made->fit.most;
    order.editCup(
        text, [most](Cup& cup) { cup.rows.back().count = most; }, key);
  }
  order.settle();
}

void removeRow(Order& order) {
  const Row* row = rowInHand(order);
  if (row == nullptr) return;
  const std::string id = row->id;
  order.editCup(Order::tr("Remove a row"), [&](Cup& cup) { forget(cup, {id}); });
}

bool editRow(Order& order, const QString& text, const QString& key,
             const std::function<void(Row&)>& change) {
  const Row* inHand = rowInHand(order);
  if (inHand == nullptr) return false;
  const std::string id = inHand->id;
  return order.editCup(
      text,
      [&](Cup& cup) {
        if (Row* row = rowCalled(cup, id)) change(*row);
      },
      key.isEmpty() ? key : QString::fromStdString(id) + key);
}

void releaseRow(Order& order) {
  const CupPlan* plan = order.presentPlan();
  const Row* row = rowInHand(order);
  if (plan == nullptr || row == nullptr) return;
  const std::string id = row->id;
  const Unit unit = order.unit();
  std::vector<std::pair<std::string, Place>> places;
  for (const SetPlan& set : plan->sets) {
    for (const PlacePlan& one : set.places) {
      if (one.row != id) continue;
      Place place;
      place.at = one.mark.onCup;
      place.up = written(one.anchor.s, unit);
      place.turn = one.turn;
      place.follows = one.follows;
      places.emplace_back(set.id, place);
    }
  }
  order.editCup(Order::tr("Take a row apart"), [&](Cup& cup) {
    for (const auto& [set, place] : places) {
      for (DecalSet& one : cup.sets) {
        if (one.id == set) one.places.push_back(place);
      }
    }
    forget(cup, {id});
  });
}

void growToFit(Order& order) {
  const CupPlan* plan = order.presentPlan();
  const Row* row = rowInHand(order);
  if (plan == nullptr || row == nullptr || row->sets.empty()) return;
  Row asked = *row;
  const RowPlan* made = rowPlanInHand(order);
  if (!asked.count && made != nullptr) asked.count = static_cast<int>(made->fit.at.size());
  const std::optional<double> share = largestShare(asked, plan->of->sets, plan->wall);
  if (!share) {
    emit order.refused(
        {"At no size do so many fit with that gap. Take fewer, or a smaller gap.", {}});
    return;
  }
  const Unit unit = order.unit();
  const std::vector<std::string> sets = row->sets;
  order.editCup(Order::tr("Make a row as large as fits"), [&](Cup& cup) {
    for (DecalSet& set : cup.sets) {
      if (std::find(sets.begin(), sets.end(), set.id) == sets.end()) continue;
      // Down to a mark, so that it surely fits.
      const Length step = unit == Unit::inch ? Length::inches(1.0 / 64) : Length::mm(0.1);
      const Length size = step * std::floor(set.size.length * *share / step);
      set.size = written(std::max(size, step), unit);
    }
  });
}

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#include "watch/place_rules.h"

#include <algorithm>
#include <cmath>
#include <functional>

#include "cup/film_strain.h"

namespace avrelt {
namespace {

/// Less is the rounding of outlines.
constexpr Length tiny = Length::mm(0.01);

/// Which way a place is moved.
enum class Along { up, round };

class PlaceRules {
 public:
  PlaceRules(const PlacedSets& placed, std::vector<Watch>& watches)
      : placed_(placed), watches_(watches) {}

  void operator()() {
    for (const SetPlan& plan : placed_.plans) {
      const DecalSet& set = placed_.sets[static_cast<std::size_t>(plan.set)];
      if (plan.gone || set.layers.empty()) continue;
      if (plan.places.empty()) {
        put(Rule::setNoPlace, WatchLevel::warn, Where(Member::places, plan.id),
            {"“%1” stands nowhere, so nothing is cut of it. Add a place, or put it in a row.",
             {plan.name}});
        continue;
      }
      edges(plan);
      crossed(plan);
      others(plan);
      overAnother(plan);
      onItself(plan);
      width(plan);
      strain(plan);
    }
    for (const RowPlan& row : placed_.rowPlans) ofRow(row);
  }

 private:
  void put(Rule rule, WatchLevel level, Where where, Sentence sentence) {
    watches_.push_back({rule, level, std::move(where), std::move(sentence)});
  }

  /// How high or where round the cup a place stands is told of its row, where it is of one; what a
  /// scatter threw lies where it was thrown.
  static Where whereOf(const SetPlan& plan, const PlacePlan& place, Along along) {
    const bool up = along == Along::up;
    if (!place.row.empty()) return {up ? Member::rowUp : Member::rowAt, place.row};
    if (!place.scatter.empty()) return {Member::scatterItems, place.scatter};
    return place.id.empty() ? Where(Member::places, plan.id)
                            : Where(up ? Member::placeUp : Member::placeAt, place.id);
  }

  /// One watch for all places of a set that something is so of, at the worst of them.
  struct Told {
    const PlacePlan* worst = nullptr;
    Length by;
    long count = 0;

    void take(const PlacePlan& place, Length much) {
      ++count;
      if (worst != nullptr && much <= by) return;
      worst = &place;
      by = much;
    }
  };
  Told told(const SetPlan& plan, const std::function<Length(const PlacePlan&)>& much) const {
    Told all;
    for (const PlacePlan& place : plan.places) {
      const Length here = much(place);
      if (here > tiny) all.take(place, here);
    }
    return all;
  }
  /// `one` and `many` take the name, by how much, and how many.
  void tell(Rule rule, WatchLevel level, const SetPlan& plan, const Told& all, Along along,
            const char* one, const char* many) {
    if (all.count == 0) return;
    put(rule, level, whereOf(plan, *all.worst, along),
        {all.count == 1 ? one : many, {plan.name, all.by, all.count}});
  }

  /// Cut off flush at rim and base.
  bool mayRunOver(const SetPlan& plan, const PlacePlan& place) const {
    if (placed_.sets[static_cast<std::size_t>(plan.set)].flush) return true;
    return std::any_of(
        placed_.scatters.begin(), placed_.scatters.end(),
        [&](const Scatter& scatter) { return scatter.id == place.scatter && !scatter.whole; });
  }

  void edges(const SetPlan& plan) {
    tell(
        Rule::setOffWall, WatchLevel::warn, plan,
        told(plan,
             [&](const PlacePlan& place) {
               return mayRunOver(plan, place) ? Length() : -place.room.rim;
             }),
        Along::up,
        "“%1” reaches over the rim by %2. Set it lower, make it smaller, or have it cut off there.",
        "“%1” reaches over the rim at %3 places, by up to %2. Set them lower or make it smaller.");
    tell(Rule::setOffWall, WatchLevel::warn, plan,
         told(plan,
              [&](const PlacePlan& place) {
                return mayRunOver(plan, place) ? Length() : -place.room.base;
              }),
         Along::up, "“%1” reaches below the base edge by %2. Set it higher or make it smaller.",
         "“%1” reaches below the base edge at %3 places, by up to %2. Set them higher or make it "
         "smaller.");
    tell(Rule::setInBareEdge, WatchLevel::note, plan,
         told(plan,
              [](const PlacePlan& place) {
                return place.room.rim < Length() ? Length() : bareEnough - place.room.rim;
              }),
         Along::up,
         "“%1” comes %2 into what is left bare below the rim for the last coats. Set it lower.",
         "“%1” comes up to %2 into what is left bare below the rim, at %3 places. Set them lower.");
    tell(Rule::setOverSeam, WatchLevel::note, plan,
         told(plan,
              [](const PlacePlan& place) {
                const WallReach& reach = place.laid->reach;
                const bool over = reach.from < -Angle::halfTurn() || reach.to > Angle::halfTurn();
                return over ? Length::mm(1) : Length();
              }),
         Along::round,
         "“%1” lies across the seam, where it shows most. Turn it to the front, or the seam away "
         "from it.",
         "“%1” lies across the seam at %3 places, where it shows most. Turn them, or the seam "
         "away.");
  }

  void crossed(const SetPlan& plan) {
    const auto on = [](const std::optional<Apart>& apart) {
      return apart && apart->apart <= tiny ? Length::mm(1) : Length();
    };
    tell(Rule::setUnderHandle, WatchLevel::warn, plan,
         told(plan, [&](const PlacePlan& place) { return on(place.room.feature); }), Along::round,
         "“%1” lies where a handle, a spout or a place to stay clear is, and is lost there. Turn "
         "it away.",
         "“%1” lies where a handle, a spout or a place to stay clear is at %3 places, and is lost "
         "there. Turn them away.");
    // What is cut apart along the line is laid as the maker wants it.
    if (placed_.sets[static_cast<std::size_t>(plan.set)].parted) return;
    tell(
        Rule::setOverLine, WatchLevel::note, plan,
        told(plan, [&](const PlacePlan& place) { return on(place.room.line); }), Along::up,
        "“%1” lies across a line between zones. Lay it when both are done, have it cut there, or "
        "move it into one.",
        "“%1” lies across lines between zones at %3 places. Lay them when both are done, have them "
        "cut there, or move them into one.");
  }

  /// Only peekaboos must not touch: what is painted over one would hide the other.
  void others(const SetPlan& plan) {
    const bool hidden = std::any_of(plan.places.begin(), plan.places.end(),
                                    [](const PlacePlan& place) { return place.number > 0; });
    if (!hidden) return;
    tell(Rule::setOnAnother, WatchLevel::warn, plan,
         told(plan,
              [](const PlacePlan& place) {
                return place.room.place && place.room.place->apart <= tiny ? Length::mm(1)
                                                                           : Length();
              }),
         Along::round,
         "A peekaboo of “%1” lies on another set: lifted, it takes that along. Move one of them.",
         "%3 peekaboos of “%1” lie on other sets: lifted, they take those along. Move them apart.");
  }

  /// Told by what comes later, which is laid on what comes before it.
  void overAnother(const SetPlan& plan) {
    tell(Rule::setOverAnother, WatchLevel::note, plan,
         told(plan,
              [&](const PlacePlan& place) {
                const std::optional<Apart>& other = place.room.place;
                if (!other || other->apart > tiny || place.number > 0) return Length();
                const auto [set, index] = placeCalled(other->id);
                if (set == nullptr || set->places[index].number > 0) return Length();
                const bool before =
                    set->set < plan.set || (set == &plan && &set->places[index] < &place);
                return before ? Length::mm(1) : Length();
              }),
         Along::round,
         "“%1” lies on another set. Move one of them, unless that is meant: this one is laid over "
         "the other.",
         "“%1” lies on other sets, or on itself, at %3 places. Move them apart, unless that is "
         "meant: what comes later is laid over.");
  }

  /// The set that a place is of, and its index there.
  std::pair<const SetPlan*, std::size_t> placeCalled(const std::string& id) const {
    for (const SetPlan& plan : placed_.plans) {
      for (std::size_t i = 0; i < plan.places.size(); ++i) {
        if (plan.places[i].id == id) return {&plan, i};
      }
    }
    return {nullptr, 0};
  }

  /// Wider than its cup is round.
  void onItself(const SetPlan& plan) {
    const Body& body = placed_.wall.body;
    Length round;
    const Told all = told(plan, [&](const PlacePlan& place) {
      const WallReach& reach = place.laid->reach;
      const Length high = std::clamp(place.anchor.s, Length(), body.wall());
      return body.radius(high) * (reach.to - reach.from - Angle::turn()).radians();
    });
    if (all.count == 0) return;
    round = body.around(std::clamp(all.worst->anchor.s, Length(), body.wall()));
    put(Rule::setOnItself, WatchLevel::warn, Where(Member::setSize, plan.id),
        {"“%1” is %2 wide where the cup is %3 round: its ends lie over each other by %4. Make it "
         "smaller.",
         {plan.name, round + all.by, round, all.by}});
  }

  void width(const SetPlan& plan) {
    const Body& body = placed_.wall.body;
    const PlacePlan* widest = nullptr;
    Length beyond;
    for (const PlacePlan& place : plan.places) {
      const WallReach& reach = place.laid->reach;
      const Angle across = reach.to - reach.from;
      if (across <= seenToEachSide * 2 + Angle::degrees(0.5)) continue;
      const Length wide = wideOn(body, place);
      if (widest != nullptr && wide <= beyond) continue;
      widest = &place;
      beyond = wide;
    }
    if (widest == nullptr) return;
    put(Rule::setTooWide, WatchLevel::note, Where(Member::setSize, plan.id),
        {"“%1” is %2 wide, and %3 of this cup is seen at once from the front: its ends run out of "
         "sight. Make it smaller, or plan for the turn.",
         {plan.name, beyond, seenAtOnce(body, widest->anchor.s)}});
  }

  /// How wide what hangs together of a set lies: all of it, or the widest tongue where it is cut
  /// in.
  Length lyingWide(const SetPlan& plan, const PlacePlan& place) const {
    std::optional<Length> widest;
    for (const LayerPlan& layer : plan.makes[place.make].layers) {
      if (layer.tongue) widest = std::max(widest.value_or(Length()), *layer.tongue);
    }
    return widest.value_or(wideOn(placed_.wall.body, place));
  }

  void strain(const SetPlan& plan) {
    const Body& body = placed_.wall.body;
    if (body.isCone()) return;
    const PlacePlan* worst = nullptr;
    double most = bearsOf(placed_.film) * (1 + 1e-9);
    const double bent = sharpestBend(body, Length(), body.wall());
    for (const PlacePlan& place : plan.places) {
      const WallReach& reach = place.laid->reach;
      const Length wide = lyingWide(plan, place);
      // What is narrow enough anywhere is not looked at here.
      if (bent * wide.mm() * wide.mm() / 16 <= most) continue;
      const double here =
          strainOf(body, (reach.low + reach.high) / 2, wide, reach.high - reach.low);
      if (here <= most) continue;
      most = here;
      worst = &place;
    }
    if (worst == nullptr) return;
    // Cut apart, every part has to bear no more than its own size asks for.
    double apart = 0;
    const std::vector<Polygon> parts = partsOf(plan.makes[worst->make].made->outer);
    for (const Polygon& part : parts) {
      const Box box = boundsOf(part);
      apart = std::max(apart, strainOf(body, worst->anchor.s, Length::mm(box.width()),
                                       Length::mm(box.height())));
    }
    const bool cutIn = placed_.sets[static_cast<std::size_t>(plan.set)].relief;
    const char* pattern =
        parts.size() > 1 && apart <= bearsOf(placed_.film)
            ? "Where the wall curves both ways, the film of “%1” would have to give %2 %, and "
              "bears %3 %. Cut apart between its parts, each bears it."
        : cutIn ? "Where the wall curves both ways, the film of “%1” would have to give %2 %, and "
                  "bears %3 %, though it is cut in: its artwork is not. Make it smaller, or take a "
                  "film that gives."
                : "Where the wall curves both ways, the film of “%1” would have to give %2 %, and "
                  "bears %3 %. Make it smaller, have it cut in, or take a film that gives.";
    put(Rule::setStrained, WatchLevel::warn, Where(Member::setSize, plan.id),
        {pattern,
         {plan.name, numberText(most * 100, 1), numberText(bearsOf(placed_.film) * 100, 1)}});
  }

  void ofRow(const RowPlan& plan) {
    const Row& row = placed_.rows[static_cast<std::size_t>(plan.row)];
    if (plan.gone) {
      return put(Rule::rowOfNothing, WatchLevel::warn, Where(Member::rowSets, row.id),
                 {"A row has no set with anything to lay. Give it one, or remove the row.", {}});
    }
    if (!plan.fit.fits) {
      const auto most = static_cast<long>(plan.fit.most);
      const auto wanted = static_cast<long>(row.count.value_or(1));
      Sentence sentence{most == 0   ? "Not one of a row fits round the cup with %1 to itself."
                        : most == 1 ? "%2 of a row do not fit with %1 between them: 1 does, and "
                                      "stands there."
                                    : "%2 of a row do not fit with %1 between them: %3 do, and "
                                      "stand there.",
                        {row.gap.length, wanted, most}};
      if (plan.fitsAt) {
        sentence.pattern += most == 0 ? " At a size of %4 it does." : " At a size of %4 they do.";
        sentence.parts.emplace_back(*plan.fitsAt);
      } else {
        sentence.pattern += " Take a smaller gap.";
      }
      return put(Rule::rowTooMany, WatchLevel::warn, Where(Member::rowCount, row.id),
                 std::move(sentence));
    }
    linesNear(plan, row);
    if (!plan.closes) {
      put(Rule::rowNotClosing, WatchLevel::note, Where(Member::rowCount, row.id),
          {"A row of %1 breaks off its turn of %2 where it closes. Take a multiple of %2.",
           {static_cast<long>(plan.fit.at.size()), static_cast<long>(row.sets.size())}});
    }
  }

  /// In a line all keep the gap; from line to line nobody has seen to it.
  void linesNear(const RowPlan& plan, const Row& row) {
    if (plan.lines < 2) return;
    std::optional<Length> least;
    std::string name;
    for (const SetPlan& set : placed_.plans) {
      for (const PlacePlan& place : set.places) {
        const std::optional<Apart>& other = place.room.place;
        if (place.row != row.id || !other || other->apart >= row.gap.length - tiny) continue;
        const auto [otherSet, index] = placeCalled(other->id);
        if (otherSet == nullptr || otherSet->places[index].row != row.id) continue;
        if (least && *least <= other->apart) continue;
        least = other->apart;
        name = set.name;
      }
    }
    if (!least) return;
    put(Rule::rowLinesNear, WatchLevel::warn, Where(Member::rowApart, row.id),
        {*least <= tiny
             ? "Lines of the row of “%1” lie on each other, and %3 is wanted between any "
               "two. Set the lines farther apart, or take fewer."
             : "Lines of the row of “%1” come to %2 of each other, and %3 is wanted "
               "between any two. Set the lines farther apart, or take a smaller gap.",
         {name, *least, row.gap.length}});
  }

  const PlacedSets& placed_;
  std::vector<Watch>& watches_;
};

}  // namespace

Length seenAtOnce(const Body& body, Length s) {
  return body.radius(std::clamp(s, Length(), body.wall())) * (2 * seenToEachSide.radians());
}

Length looksAcross(const Body& body, Length s, Length wide) {
  const Length radius = body.radius(std::clamp(s, Length(), body.wall()));
  return radius * (2 * std::sin(std::min(wide / radius, Angle::halfTurn().radians()) / 2));
}

Length wideOn(const Body& body, const PlacePlan& place) {
  const WallReach& reach = place.laid->reach;
  return body.radius(std::clamp(place.anchor.s, Length(), body.wall())) *
         (reach.to - reach.from).radians();
}

Length runsOff(const Wall& wall, const PlacePlan& place) {
  const Development& ground = place.laid->ground;
  if (place.follows || ground.isCylinder()) return {};
  const WallReach& reach = place.laid->reach;
  const Length s = std::clamp(place.anchor.s, Length(), wall.body.wall());
  return s - Length::mm(ground.toFlat({(reach.to - reach.from) / 2, s}).y);
}

std::vector<Watch> watchPlaces(const PlacedSets& placed) {
  std::vector<Watch> watches;
  PlaceRules(placed, watches)();
  return watches;
}

}  // namespace avrelt

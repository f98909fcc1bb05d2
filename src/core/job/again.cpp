// SPDX-License-Identifier: GPL-3.0-or-later
#include "job/again.h"

#include <algorithm>
#include <cmath>
#include <set>

namespace avrelt {
namespace {

/// Lengths that differ by less are the same to a tape.
constexpr double same = 0.05;

// NOLINTNEXTLINE(misc-no-recursion): as deep as zones are cut, which reading limits.
void addPictures(const ZoneNode& node, std::set<std::string>& ids) {
  ids.insert(node.finish.picture.id);
  for (const ZoneNode& part : node.parts) addPictures(part, ids);
}

std::set<std::string> artworksOf(const Document& order, const Cup& cup) {
  std::set<std::string> ids;
  for (const DecalSet& set : cup.sets) ids.insert(set.artwork);
  // What is joined from others needs them to be joined anew.
  for (bool more = true; more;) {
    more = false;
    for (const SharedArt& artwork : order.artworks) {
      if (!ids.contains(artwork->id)) continue;
      for (const JoinedArt& part : artwork->joining.of)
        more = ids.insert(part.artwork).second || more;
    }
  }
  return ids;
}

/// What comes out otherwise on another cup.
class Comparison {
 public:
  Comparison(const CupPlan& was, const CupPlan& is) : was_(was), is_(is) {}

  std::vector<Sentence> operator()() {
    length("The girth at the base is %2; it was %1.", was_.bare.aroundBase(),
           is_.bare.aroundBase());
    length("The girth at the rim is %2; it was %1.", was_.bare.aroundRim(), is_.bare.aroundRim());
    length("The wall is %2 high; it was %1.", was_.bare.wall(), is_.bare.wall());
    cells();
    sets();
    watches();
    return std::move(told_);
  }

 private:
  void length(const char* words, Length before, Length now) {
    if (std::abs(before.mm() - now.mm()) >= same) told_.push_back({words, {before, now}});
  }

  void cells() {
    for (const FillPlan& now : is_.fills) {
      for (const FillPlan& before : was_.fills) {
        if (now.id != before.id || now.cells.size() == before.cells.size()) continue;
        told_.push_back({"The pattern in zone %1 has %3 cells; it had %2.",
                         {now.letter, static_cast<long>(before.cells.size()),
                          static_cast<long>(now.cells.size())}});
      }
    }
  }

  void sets() {
    for (const SetPlan& now : is_.sets) {
      for (const SetPlan& before : was_.sets) {
        if (now.id != before.id) continue;
        if (now.places.size() != before.places.size()) {
          told_.push_back({"“%1” lies %3 times; it lay %2 times.",
                           {now.name, static_cast<long>(before.places.size()),
                            static_cast<long>(now.places.size())}});
        }
      }
    }
  }

  void watches() {
    std::set<std::pair<Rule, Where>> known;
    for (const Watch& watch : was_.watches) known.insert({watch.rule, watch.where});
    for (const Watch& watch : is_.watches) {
      if (watch.level == WatchLevel::note || known.contains({watch.rule, watch.where})) {
        continue;
      }
      told_.push_back(watch.sentence);
    }
  }

  const CupPlan& was_;
  const CupPlan& is_;
  std::vector<Sentence> told_;
};

}  // namespace

Document alone(const Document& order, std::size_t cup) {
  Document single = order;
  const Cup& kept = order.cups[cup];
  single.cups = {kept};
  const std::set<std::string> artworks = artworksOf(order, kept);
  std::erase_if(single.artworks,
                [&](const SharedArt& artwork) { return !artworks.contains(artwork->id); });
  std::set<std::string> pictures;
  addPictures(kept.division.body, pictures);
  for (const Fill& fill : kept.fills) {
    for (const CellColour& colour : fill.colours) pictures.insert(colour.finish.picture.id);
  }
  for (const DecalSet& set : kept.sets) {
    for (const Layer& layer : set.layers) pictures.insert(layer.print.id);
  }
  std::erase_if(single.pictures,
                [&](const SharedPicture& picture) { return !pictures.contains(picture->id); });
  return single;
}

Document likeOf(const Document& order) {
  Document made = order;
  made.id.clear();
  made.bench.from.reset();
  made.bench.due.reset();
  made.bench.hours.away.clear();
  for (Cup& cup : made.cups) {
    cup.id.clear();
    cup.cuts.clear();
    cup.laidByHand.clear();
    cup.bench.done.clear();
    // It was asked then, of whoever it was for.
    cup.price.reset();
    for (StepChange& change : cup.bench.changes) change.notBefore.reset();
    std::erase_if(cup.bench.changes, [](const StepChange& change) {
      StepChange nothing;
      nothing.step = change.step;
      return change == nothing;
    });
  }
  return made;
}

Again againOf(const Document& past, const std::optional<Blank>& other, const Stock& stock) {
  Again again;
  if (past.cups.empty()) return again;
  again.order = likeOf(alone(past, 0));
  Cup& cup = again.order.cups.front();
  if (!other || *other == cup.blank) return again;
  cup.blank = *other;
  cup.buildUp.measured.clear();
  referToAll(again.order);
  const CheckedAll<CupPlan> is = planCup(cup, again.order.units, stock);
  if (!is) {
    for (const Fault& fault : is.error()) again.changed.push_back(fault.sentence);
    return again;
  }
  const CheckedAll<CupPlan> was = planCup(past.cups.front(), past.units, stock);
  if (was) again.changed = Comparison(*was, *is)();
  return again;
}

}  // namespace avrelt

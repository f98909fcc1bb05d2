// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/order/set_edits.h"

#include <algorithm>
#include <set>

#include "app/order/phrases.h"
#include "app/order/zone_edits.h"
#include "job/ids.h"
#include "measure/colour.h"
#include "sheet/decal_parts.h"

namespace avrelt {
namespace {

QString shownName(const std::string& name) {
  return QString::fromStdString(name);
}

DecalSet* setCalled(Cup& cup, const std::string& id) {
  for (DecalSet& set : cup.sets) {
    if (set.id == id) return &set;
  }
  return nullptr;
}

Layer* layerCalled(DecalSet& set, const std::string& id) {
  for (Layer& layer : set.layers) {
    if (layer.id == id) return &layer;
  }
  return nullptr;
}

/// Artworks joined from this one, and those joined from them, are made anew. What cannot be made
/// any more is said.
std::optional<Sentence> makeJoinedAnew(Document& document, const std::string& changed) {
  std::vector<std::string> open{changed};
  std::set<std::string> done;
  while (!open.empty()) {
    const std::string id = open.back();
    open.pop_back();
    if (!done.insert(id).second) continue;
    for (SharedArt& artwork : document.artworks) {
      const auto& of = artwork->joining.of;
      const bool uses = std::any_of(of.begin(), of.end(),
                                    [&](const JoinedArt& one) { return one.artwork == id; });
      if (!uses) continue;
      const Checked<Artwork> made = joinedArtwork(*artwork, document.artworks);
      if (!made) {
        return Sentence{"“%1” cannot be made so. %2",
                        {artwork->name, Phrase(made.error().sentence)}};
      }
      artwork = SharedArt(*made);
      open.push_back(made->id);
    }
  }
  return std::nullopt;
}

/// A new set of an artwork, at the front of the zone in hand.
DecalSet usualSet(const Order& order, const Artwork& artwork) {
  DecalSet set;
  set.artwork = artwork.id;
  const Unit unit = order.unit();
  const Box box = artwork.bounds();
  set.byHeight = box.height() > box.width();
  Length size = unit == Unit::inch ? Length::inches(2) : Length::mm(50);
  // Words keep the height they are set at.
  if (artwork.kind == ArtKind::lettering) {
    set.byHeight = false;
    size = Length::mm(std::clamp(box.width(), 2.0, 600.0));
  }
  set.size = written(size, unit);
  const CupPlan* plan = order.plan();
  const Zone* zone = zoneInHand(order);
  if (plan == nullptr) {
    set.places = {Place{}};
  } else {
    const Graduation graduation = usualGraduation(unit);
    Length middle = plan->wall.body.wall() / 2;
    CupAngle at;
    if (zone != nullptr) {
      const WallPoint front{plan->wall.inFrame(CupAngle::front()),
                            (zone->region.lowest() + zone->region.highest()) / 2};
      const WallPoint place = zone->region.contains(front) ? front : zone->label;
      middle = place.s;
      at = plan->wall.onCup(place.theta);
    }
    Place place;
    place.at = at;
    place.up = written(nearestMark(middle, graduation), unit);
    set.places = {place};
  }
  set.layers = {usualLayer(LayerKind::decal, set, unit)};
  // On a dark ground a light film is seen.
  if (zone != nullptr && luminanceOf(zone->finish.colour) < 0.25) {
    set.layers.front().film = "#F2ECE0";
  }
  return set;
}

}  // namespace

QString nameOf(const DecalSet& set) {
  return set.art ? shownName(set.art->name) : Order::tr("artwork gone");
}

const DecalSet* setInHand(const Order& order) {
  if (!order.hasCup()) return nullptr;
  const std::vector<DecalSet>& sets = order.currentCup().sets;
  for (const DecalSet& set : sets) {
    if (set.id == order.set()) return &set;
  }
  return sets.empty() ? nullptr : &sets.front();
}

const SetPlan* setPlanInHand(const Order& order) {
  const CupPlan* plan = order.plan();
  const DecalSet* set = setInHand(order);
  if (plan == nullptr || set == nullptr) return nullptr;
  for (const SetPlan& one : plan->sets) {
    if (one.id == set->id) return &one;
  }
  return nullptr;
}

std::size_t layerIndex(const Order& order) {
  const DecalSet* set = setInHand(order);
  if (set == nullptr) return 0;
  for (std::size_t i = 0; i < set->layers.size(); ++i) {
    if (set->layers[i].id == order.layer()) return i;
  }
  return 0;
}

const Layer* layerInHand(const Order& order) {
  const DecalSet* set = setInHand(order);
  return set == nullptr || set->layers.empty() ? nullptr : &set->layers[layerIndex(order)];
}

const Artwork* artInHand(const Order& order) {
  if (const Artwork* art = artCalled(order.document(), order.art())) return art;
  if (const DecalSet* set = setInHand(order)) {
    if (const Artwork* art = artCalled(order.document(), set->artwork)) return art;
  }
  return order.document().artworks.empty() ? nullptr : &*order.document().artworks.front();
}

bool addArtwork(Order& order, const Artwork& artwork) {
  Artwork named = artwork;
  std::string id;
  const DecalSet set = usualSet(order, artwork);
  const int cup = order.currentIndex();
  const bool done = order.edit(
      Order::tr("Take “%1” into the order").arg(shownName(artwork.name)), [&](Document& document) {
        named.id = id = newArtId(document);
        document.artworks.emplace_back(named);
        if (cup < 0) return;
        DecalSet own = set;
        own.artwork = id;
        document.cups[static_cast<std::size_t>(cup)].sets.push_back(std::move(own));
      });
  if (!done) return false;
  order.pickArt(id);
  if (order.hasCup() && !order.currentCup().sets.empty()) {
    order.pickSet(order.currentCup().sets.back().id);
  }
  return true;
}

bool changeArtwork(Order& order, const QString& text, const QString& key, const std::string& id,
                   const std::function<void(Artwork&)>& change,
                   const std::function<void(DecalSet&)>& changeSet) {
  Document next = order.document();
  for (SharedArt& artwork : next.artworks) {
    if (artwork->id != id) continue;
    Artwork changed = *artwork;
    change(changed);
    if (changed == *artwork) return true;
    artwork = SharedArt(std::move(changed));
  }
  if (std::optional<Sentence> fault = makeJoinedAnew(next, id)) {
    emit order.refused(*fault);
    return false;
  }
  return order.edit(
      text,
      [&](Document& document) {
        document.artworks = next.artworks;
        if (!changeSet) return;
        for (Cup& cup : document.cups) {
          for (DecalSet& set : cup.sets) {
            if (set.artwork == id) changeSet(set);
          }
        }
      },
      key.isEmpty() ? key : QString::fromStdString(id) + key);
}

void removeArtwork(Order& order, const std::string& id) {
  const Artwork* artwork = artCalled(order.document(), id);
  if (artwork == nullptr) return;
  for (const SharedArt& other : order.document().artworks) {
    for (const JoinedArt& one : other->joining.of) {
      if (one.artwork != id) continue;
      emit order.refused(
          {"“%1” is part of “%2”. Take that apart first.", {artwork->name, other->name}});
      return;
    }
  }
  order.edit(Order::tr("Remove “%1”").arg(shownName(artwork->name)), [&](Document& document) {
    std::erase_if(document.artworks, [&](const SharedArt& one) { return one->id == id; });
    for (Cup& cup : document.cups) {
      std::set<std::string> gone;
      for (const DecalSet& set : cup.sets) {
        if (set.artwork == id) gone.insert(set.id);
      }
      if (!gone.empty()) forget(cup, gone);
    }
  });
}

void copyArtwork(Order& order, const std::string& id) {
  const Artwork* artwork = artCalled(order.document(), id);
  if (artwork == nullptr) return;
  Artwork copy = *artwork;
  order.edit(Order::tr("Duplicate “%1”").arg(shownName(copy.name)), [&](Document& document) {
    copy.id = newArtId(document);
    for (int number = 2;; ++number) {
      copy.name = artwork->name + " " + std::to_string(number);
      const bool taken = std::any_of(document.artworks.begin(), document.artworks.end(),
                                     [&](const SharedArt& one) { return one->name == copy.name; });
      if (!taken) break;
    }
    document.artworks.emplace_back(copy);
  });
  order.pickArt(copy.id);
}

std::optional<Sentence> joinArtworks(Order& order, JoinKind kind,
                                     const std::vector<std::string>& ids) {
  static constexpr const char* names[] = {
      QT_TRANSLATE_NOOP("Order", "%1 and %2"), QT_TRANSLATE_NOOP("Order", "%1 without %2"),
      QT_TRANSLATE_NOOP("Order", "%1 within %2"), QT_TRANSLATE_NOOP("Order", "%1 on %2")};
  Artwork joined;
  joined.kind = ArtKind::joined;
  joined.joining.kind = kind;
  for (const std::string& id : ids) joined.joining.of.push_back({id, 0, 0, 100, 0});
  const Checked<Artwork> made = joinedArtwork(joined, order.document().artworks);
  if (!made) return made.error().sentence;
  joined = *made;
  const Artwork* first = artCalled(order.document(), ids[0]);
  const Artwork* second = artCalled(order.document(), ids[1]);
  // The last of a stack is the topmost.
  const bool stacked = kind == JoinKind::stacked;
  joined.name = Order::tr(names[static_cast<std::size_t>(kind)])
                    .arg(shownName((stacked ? second : first)->name),
                         shownName((stacked ? first : second)->name))
                    .toStdString();
  addArtwork(order, joined);
  return std::nullopt;
}

void takeApart(Order& order, const std::string& id) {
  const Artwork* artwork = artCalled(order.document(), id);
  if (artwork == nullptr || artwork->joining.of.empty()) return;
  for (const SharedArt& other : order.document().artworks) {
    for (const JoinedArt& one : other->joining.of) {
      if (one.artwork != id) continue;
      emit order.refused(
          {"“%1” is part of “%2”. Take that apart first.", {artwork->name, other->name}});
      return;
    }
  }
  const std::string first = artwork->joining.of.front().artwork;
  order.edit(Order::tr("Take “%1” apart").arg(shownName(artwork->name)), [&](Document& document) {
    std::erase_if(document.artworks, [&](const SharedArt& one) { return one->id == id; });
    for (Cup& cup : document.cups) {
      for (DecalSet& set : cup.sets) {
        if (set.artwork == id) set.artwork = first;
      }
    }
  });
  order.pickArt(first);
}

void addSet(Order& order, const std::string& artwork) {
  const Artwork* art = artCalled(order.document(), artwork);
  if (art == nullptr || !order.hasCup()) return;
  const DecalSet set = usualSet(order, *art);
  const bool done = order.editCup(Order::tr("Make a set of “%1”").arg(shownName(art->name)),
                                  [&](Cup& cup) { cup.sets.push_back(set); });
  if (done) order.pickSet(order.currentCup().sets.back().id);
}

void removeSet(Order& order, const std::string& id) {
  order.editCup(Order::tr("Remove a set"), [&](Cup& cup) { forget(cup, {id}); });
}

void copySetTo(Order& order, const std::string& id, int index) {
  if (!order.hasCup()) return;
  const Cup& from = order.currentCup();
  const auto found = std::find_if(from.sets.begin(), from.sets.end(),
                                  [&](const DecalSet& set) { return set.id == id; });
  if (found == from.sets.end()) return;
  DecalSet copy = *found;
  copy.id.clear();
  for (Layer& layer : copy.layers) layer.id.clear();
  for (Place& place : copy.places) place.id.clear();
  // One that stands in rows alone is put to the front: rows are not copied.
  if (copy.places.empty()) {
    Place place;
    const CupPlan* plan = order.plan();
    if (plan != nullptr) {
      place.up = written(nearestMark(plan->wall.body.wall() / 2, usualGraduation(order.unit())),
                         order.unit());
    }
    copy.places = {place};
  }
  const auto to = static_cast<std::size_t>(index);
  if (to >= order.document().cups.size()) return;
  order.edit(Order::tr("Copy a set to “%1”").arg(shownName(order.document().cups[to].name)),
             [&](Document& document) { document.cups[to].sets.push_back(copy); });
}

bool editSet(Order& order, const QString& text, const QString& key,
             const std::function<void(DecalSet&)>& change) {
  const DecalSet* inHand = setInHand(order);
  if (inHand == nullptr) return false;
  const std::string id = inHand->id;
  return order.editCup(
      text,
      [&](Cup& cup) {
        if (DecalSet* set = setCalled(cup, id)) change(*set);
      },
      key.isEmpty() ? key : QString::fromStdString(id) + key);
}

void addLayer(Order& order, LayerKind kind) {
  const DecalSet* set = setInHand(order);
  if (set == nullptr) return;
  const Layer layer = usualLayer(kind, *set, order.unit());
  editSet(order, Order::tr("Add a layer: %1").arg(say(layerTitle(kind), order.unit())), {},
          [&](DecalSet& changed) {
            // What is laid over a decal comes above it, what is larger below.
            const bool above =
                kind == LayerKind::outline || kind == LayerKind::inset || kind == LayerKind::ring;
            changed.layers.insert(above ? changed.layers.begin() : changed.layers.end(), layer);
          });
  const DecalSet* now = setInHand(order);
  if (now == nullptr) return;
  const bool above =
      kind == LayerKind::outline || kind == LayerKind::inset || kind == LayerKind::ring;
  if (!now->layers.empty()) order.pickLayer((above ? now->layers.front() : now->layers.back()).id);
}

void addColours(Order& order) {
  const DecalSet* set = setInHand(order);
  if (set == nullptr || !set->art) return;
  const Unit unit = order.unit();
  const WrittenLength trap = unit == Unit::inch ? WrittenLength{Length::inches(0.02), "0.02 in"}
                                                : WrittenLength{Length::mm(0.5), "0.5 mm"};
  std::vector<Layer> colours = colourLayers(*set->art, trap);
  editSet(order, Order::tr("Part a set by colour"), {}, [&](DecalSet& changed) {
    std::erase_if(changed.layers, [](const Layer& layer) {
      return layer.kind == LayerKind::decal || layer.kind == LayerKind::colour;
    });
    changed.layers.insert(changed.layers.begin(), colours.begin(), colours.end());
  });
}

void removeLayer(Order& order, const std::string& id) {
  order.editCup(Order::tr("Remove a layer"), [&](Cup& cup) { forget(cup, {id}); });
}

void raiseLayer(Order& order, const std::string& id, int by) {
  editSet(order, by > 0 ? Order::tr("Raise a layer") : Order::tr("Lower a layer"), {},
          [&](DecalSet& set) {
            for (std::size_t i = 0; i < set.layers.size(); ++i) {
              if (set.layers[i].id != id) continue;
              const std::size_t other = by > 0 ? i - 1 : i + 1;
              if (other < set.layers.size()) std::swap(set.layers[i], set.layers[other]);
              return;
            }
          });
}

bool editLayer(Order& order, const QString& text, const QString& key, const std::string& id,
               const std::function<void(Layer&)>& change) {
  return editSet(order, text, key.isEmpty() ? key : QString::fromStdString(id) + key,
                 [&](DecalSet& set) {
                   if (Layer* layer = layerCalled(set, id)) change(*layer);
                 });
}

}  // namespace avrelt

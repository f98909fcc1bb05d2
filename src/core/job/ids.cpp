// SPDX-License-Identifier: GPL-3.0-or-later
#include "job/ids.h"

#include <algorithm>
#include <charconv>
#include <functional>
#include <map>
#include <set>

#include "divide/part_ids.h"
#include "job/plan.h"

namespace avrelt {
namespace {

/// Calls with the id of everything in a cup that has one of its own.
template <typename Node, typename Call>
void eachIdOf(Node& node, const Call& call) {
  call(node.id, "zone");
  if (node.cut) call(node.cut->id, "cut");
  for (auto& part : node.parts) eachIdOf(part, call);
}
template <typename List, typename Call>
void eachIdOf(List& list, const char* kind, const Call& call) {
  for (auto& one : list) call(one.id, kind);
}
template <typename AnyCup, typename Call>
void eachId(AnyCup& cup, const Call& call) {
  eachIdOf(cup.division.body, call);
  eachIdOf(cup.division.stripes, "stripe", call);
  eachIdOf(cup.division.masks, "mask", call);
  eachIdOf(cup.fills, "fill", call);
  eachIdOf(cup.buildUp.coats, "coat", call);
  eachIdOf(cup.sets, "set", call);
  eachIdOf(cup.rows, "row", call);
  eachIdOf(cup.scatters, "scatter", call);
  for (auto& scatter : cup.scatters) {
    for (auto& item : scatter.items) call(item.place.id, "item");
  }
  for (auto& set : cup.sets) {
    eachIdOf(set.layers, "layer", call);
    eachIdOf(set.places, "place", call);
  }
}

std::set<std::string> usedIn(const Cup& cup) {
  std::set<std::string> used;
  eachId(cup, [&](const std::string& id, const char*) { used.insert(id); });
  return used;
}

std::string newId(int& ids, const std::set<std::string>& used, const char* kind) {
  for (;;) {
    std::string id = kind + ("-" + std::to_string(++ids));
    if (!used.contains(id)) return id;
  }
}

/// Cuts first, as their parts are called after them.
void giveTo(ZoneNode& node, PartIds& parts, const std::function<std::string()>& newCut) {
  if (!node.cut) return;
  if (node.cut->id.empty()) node.cut->id = newCut();
  for (std::size_t i = 0; i < node.parts.size(); ++i) {
    if (node.parts[i].id.empty()) node.parts[i].id = parts.ofPart(node.cut->id, i);
    giveTo(node.parts[i], parts, newCut);
  }
}

template <typename Call>
void eachNode(ZoneNode& node, const Call& call) {
  call(node);
  for (ZoneNode& part : node.parts) eachNode(part, call);
}

template <typename Node>
Node* called(Node& node, const std::string& id) {
  if (node.id == id) return &node;
  for (Node& part : node.parts) {
    if (Node* found = called(part, id)) return found;
  }
  return nullptr;
}

}  // namespace

std::string newId(Cup& cup, const char* kind) {
  return newId(cup.ids, usedIn(cup), kind);
}

std::string newArtId(Document& document) {
  std::set<std::string> used;
  for (const SharedArt& artwork : document.artworks) used.insert(artwork->id);
  return newId(document.ids, used, "art");
}

std::string newPictureId(Document& document) {
  std::set<std::string> used;
  for (const SharedPicture& picture : document.pictures) used.insert(picture->id);
  return newId(document.ids, used, "picture");
}

void giveCupIds(Document& document) {
  std::set<std::string> used;
  for (const Cup& cup : document.cups) used.insert(cup.id);
  std::set<std::string> given;
  for (Cup& cup : document.cups) {
    if (!cup.id.empty() && given.insert(cup.id).second) continue;
    cup.id = newId(document.ids, used, "cup");
    used.insert(cup.id);
    given.insert(cup.id);
  }
}

void giveIds(Cup& cup) {
  bool complete = true;
  eachId(cup, [&](const std::string& id, const char*) { complete = complete && !id.empty(); });
  if (complete) return;
  const std::set<std::string> used = usedIn(cup);
  if (cup.division.body.id.empty()) {
    cup.division.body.id = used.contains("body") ? newId(cup.ids, used, "zone") : "body";
  }
  PartIds parts(cup.division.body);
  giveTo(cup.division.body, parts, [&] { return newId(cup.ids, used, "cut"); });
  eachId(cup, [&](std::string& id, const char* kind) {
    if (id.empty()) id = newId(cup.ids, used, kind);
  });
}

std::optional<std::string> idAt(const ZoneNode& body, const ZonePath& path) {
  PartIds parts(body);
  const ZoneNode* node = &body;
  std::string id = body.id;
  for (const int part : path) {
    if (node == nullptr || !node->cut || part < 0) return std::nullopt;
    const std::string cut = cutIdOf(*node, id);
    const auto index = static_cast<std::size_t>(part);
    if (index < node->parts.size()) {
      node = &node->parts[index];
      id = node->id.empty() ? parts.ofPart(cut, index) : node->id;
    } else {
      // Parts before it that are not kept have their names first.
      for (std::size_t i = node->parts.size(); i <= index; ++i) id = parts.ofPart(cut, i);
      node = nullptr;
    }
  }
  return id;
}

const ZoneNode* nodeCalled(const ZoneNode& body, const std::string& id) {
  return called(body, id);
}

namespace {

/// The way of a reference of version 1; nothing where it is an id.
std::optional<ZonePath> wayOf(const std::string& reference) {
  if (reference.empty() || reference.front() != '@') return std::nullopt;
  ZonePath way;
  for (std::size_t i = 1; i < reference.size();) {
    const std::size_t end = std::min(reference.find('.', i), reference.size());
    int part = 0;
    const auto [stop, error] = std::from_chars(reference.data() + i, reference.data() + end, part);
    if (error != std::errc() || stop != reference.data() + end) return std::nullopt;
    way.push_back(part);
    i = end + 1;
  }
  return way;
}

}  // namespace

void followWays(Cup& cup) {
  const ZoneNode& body = cup.division.body;
  for (Fill& fill : cup.fills) {
    if (fill.zone.empty()) fill.zone = body.id;
    const std::optional<ZonePath> way = wayOf(fill.zone);
    if (way) fill.zone = idAt(body, *way).value_or(fill.zone);
  }
  for (Stripe& stripe : cup.division.stripes) {
    const std::optional<ZonePath> way = wayOf(stripe.of.empty() ? "@" : stripe.of);
    const ZoneNode* node = way ? nodeAt(body, *way) : nullptr;
    if (node != nullptr && node->cut) stripe.of = node->cut->id;
  }
}

void followLetters(Cup& cup, Unit unit) {
  if (cup.division.order.empty()) return;
  Cup plain = cup;
  plain.fills.clear();
  const CheckedAll<CupPlan> plan = planCup(plain, unit);
  if (!plan) return;
  for (std::string& letter : cup.division.order) {
    for (const Zone& zone : plan->divided.zones) {
      if (zone.letter != letter) continue;
      letter = zone.id;
      break;
    }
  }
}

ZoneNode* nodeCalled(ZoneNode& body, const std::string& id) {
  return called(body, id);
}

void addIdsBelow(const ZoneNode& node, std::set<std::string>& ids) {
  if (node.cut) ids.insert(node.cut->id);
  for (const ZoneNode& part : node.parts) {
    ids.insert(part.id);
    addIdsBelow(part, ids);
  }
}

void referTo(Cup& cup, const std::string& from, const std::string& to) {
  for (Fill& fill : cup.fills) {
    if (fill.zone == from) fill.zone = to;
  }
  std::replace(cup.division.order.begin(), cup.division.order.end(), from, to);
  for (Mask& mask : cup.division.masks) {
    std::replace(mask.zones.begin(), mask.zones.end(), from, to);
  }
  for (OwnStage& own : cup.buildUp.laid) {
    if (own.of == from) own.of = to;
  }
  for (Scatter& scatter : cup.scatters) {
    if (scatter.zone == from) scatter.zone = to;
  }
  for (CutRecord& cut : cup.cuts) std::replace(cut.of.begin(), cut.of.end(), from, to);
}

void forget(Cup& cup, const std::set<std::string>& gone) {
  std::set<std::string> lost = gone;
  for (const Fill& fill : cup.fills) {
    if (gone.contains(fill.zone)) lost.insert(fill.id);
  }
  for (const Stripe& stripe : cup.division.stripes) {
    if (gone.contains(stripe.of)) lost.insert(stripe.id);
  }
  std::erase_if(cup.fills, [&](const Fill& fill) { return lost.contains(fill.id); });
  std::erase_if(cup.division.order, [&](const std::string& id) { return gone.contains(id); });
  std::erase_if(cup.division.stripes,
                [&](const Stripe& stripe) { return lost.contains(stripe.id); });
  for (const DecalSet& set : cup.sets) {
    if (!gone.contains(set.id)) continue;
    for (const Layer& layer : set.layers) lost.insert(layer.id);
  }
  std::erase_if(cup.sets, [&](const DecalSet& set) { return gone.contains(set.id); });
  for (DecalSet& set : cup.sets) {
    std::erase_if(set.layers, [&](const Layer& layer) { return lost.contains(layer.id); });
    std::erase_if(set.places, [&](const Place& place) { return lost.contains(place.id); });
  }
  for (Row& row : cup.rows) {
    std::erase_if(row.sets, [&](const std::string& id) { return lost.contains(id); });
    if (row.sets.empty()) lost.insert(row.id);
  }
  for (Scatter& scatter : cup.scatters) {
    std::erase_if(scatter.sets, [&](const std::string& id) { return lost.contains(id); });
    std::erase_if(scatter.items, [&](const ScatterItem& item) {
      return lost.contains(item.set) || lost.contains(item.place.id);
    });
    if (gone.contains(scatter.zone)) scatter.zone.clear();
    if (scatter.sets.empty()) lost.insert(scatter.id);
  }
  std::erase_if(cup.scatters, [&](const Scatter& scatter) { return lost.contains(scatter.id); });
  std::erase_if(cup.rows, [&](const Row& row) { return lost.contains(row.id); });
  std::vector<Mask>& masks = cup.division.masks;
  for (Mask& mask : masks) {
    std::erase_if(mask.zones, [&](const std::string& id) { return lost.contains(id); });
  }
  for (const Mask& mask : masks) {
    if (mask.zones.empty()) lost.insert(mask.id);
  }
  std::erase_if(masks, [&](const Mask& mask) { return lost.contains(mask.id); });
  eachNode(cup.division.body, [&](ZoneNode& node) {
    std::erase_if(node.finish.edges, [&](const LineEdge& one) { return lost.contains(one.of); });
  });
  std::erase_if(cup.buildUp.laid, [&](const OwnStage& own) { return lost.contains(own.of); });
  std::erase_if(cup.cuts, [&](const CutRecord& cut) {
    return std::any_of(cut.of.begin(), cut.of.end(),
                       [&](const std::string& id) { return lost.contains(id); });
  });
}

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/decal_parts.h"

#include <algorithm>

#include "measure/colour.h"
#include "sheet/template_sheet.h"

namespace avrelt {
namespace {

/// Lines through the middle, drawn beyond what is cut.
constexpr double crossAway = 1.5;
constexpr double crossLong = 4;
constexpr Length numbersTall = Length::mm(2.4);
constexpr double lettersBelow = 8;

PartKind kindOf(LayerKind kind) {
  switch (kind) {
    case LayerKind::peekaboo:
      return PartKind::stencil;
    case LayerKind::knockOut:
      return PartKind::paper;
    default:
      return PartKind::decal;
  }
}

/// How many of its kind stand over it, itself counted: the first backing is next to the artwork.
int numberOf(const DecalSet& set, std::size_t layer) {
  return static_cast<int>(
      std::count_if(set.layers.begin(), set.layers.begin() + static_cast<std::ptrdiff_t>(layer) + 1,
                    [&](const Layer& other) { return other.kind == set.layers[layer].kind; }));
}

Sentence numbered(const Sentence& name, int number) {
  if (number == 1) return name;
  return {"%1 %2", {Phrase(name), static_cast<long>(number)}};
}

}  // namespace

void addShape(Part& part, const Polygon& shape) {
  for (const std::vector<Point>& outline : shape) {
    if (signedArea(outline) < 0) {
      part.holes.push_back(closedPath(outline));
    } else if (part.outline.stretches.empty()) {
      part.outline = closedPath(outline);
    } else {
      part.more.push_back(closedPath(outline));
    }
  }
}

Sentence layerWords(const DecalSet& set, std::size_t layer) {
  const Layer& one = set.layers[layer];
  if (one.kind == LayerKind::colour) return {"Colour: %1", {colourInWords(one.source)}};
  return numbered(layerTitle(one.kind), numberOf(set, layer));
}

Sentence layerWordsWithin(const DecalSet& set, std::size_t layer) {
  const Layer& one = set.layers[layer];
  if (one.kind == LayerKind::colour) return {"%1 colour", {colourInWords(one.source)}};
  return numbered(layerWord(one.kind), numberOf(set, layer));
}

std::string layerPartId(const std::string& set, const std::string& layer, std::size_t make) {
  return set + "-" + layer + (make == 0 ? "" : "-" + std::to_string(make + 1));
}

namespace {

/// The numbers of the places a cut is for: "1, 4, 5"; nothing for those that have none.
std::string numbersOf(const SetPlan& plan, std::size_t make) {
  std::vector<int> numbers;
  for (const PlacePlan& place : plan.places) {
    if (place.make == make && place.number > 0) numbers.push_back(place.number);
  }
  std::sort(numbers.begin(), numbers.end());
  std::string words;
  for (const int number : numbers) words += (words.empty() ? "" : ", ") + std::to_string(number);
  return words;
}

void addMake(std::vector<Part>& parts, const SetPlan& plan, std::size_t make, const DecalSet& set,
             const std::string& cupName) {
  const SetMake& made = plan.makes[make];
  if (made.places.empty()) return;
  const std::string numbers = numbersOf(plan, make);
  for (std::size_t i = 0; i < made.layers.size(); ++i) {
    const LayerPlan& layer = made.layers[i];
    if (layer.nothing) continue;
    const Layer& chosen = set.layers[i];
    Part part;
    part.id = layerPartId(plan.id, chosen.id, make);
    part.copies = static_cast<int>(made.places.size());
    part.name = {"%1, %2", {Phrase(layerWords(set, i)), plan.name}};
    part.kind = kindOf(chosen.kind);
    part.material = chosen.material;
    part.film = chosen.film;
    if (chosen.material == PartMaterial::printable) part.print = PartPrint{{}, {}, chosen.film};
    part.of = {chosen.id};
    part.spares = chosen.spares;
    part.mayTurn = chosen.material == PartMaterial::printed ? MayTurn::no : MayTurn::any;
    part.mirrored = layer.mirrored;
    addShape(part, layer.cut);
    for (const Polygon& mark : layer.marks) addShape(part, mark);
    const Box box = part.bounds();
    const double up = box.high.y + crossAway;
    const double down = box.low.y - crossAway;
    part.guides.push_back({GuideKind::front, {{0, up}, {{{0, up + crossLong}, 0}}}});
    part.guides.push_back({GuideKind::front, {{0, down}, {{{0, down - crossLong}, 0}}}});
    const Sentence name = layerWords(set, i);
    part.letterings.push_back(
        {{0, down - lettersBelow},
         numbersTall,
         Angle(),
         layer.mirrored ? Sentence{"%1, %2: %3, cut mirrored", {cupName, plan.name, Phrase(name)}}
                        : Sentence{"%1, %2: %3", {cupName, plan.name, Phrase(name)}}});
    if (!numbers.empty()) {
      part.letterings.push_back({{0, down - lettersBelow - 1.6 * numbersTall.mm()},
                                 numbersTall,
                                 Angle(),
                                 made.places.size() == 1 ? Sentence{"place %1", {numbers}}
                                                         : Sentence{"places %1", {numbers}}});
    }
    parts.push_back(std::move(part));
  }
}

}  // namespace

std::vector<Part> decalParts(const SetPlan& plan, const DecalSet& set, const std::string& cupName) {
  std::vector<Part> parts;
  for (std::size_t make = 0; make < plan.makes.size(); ++make) {
    addMake(parts, plan, make, set, cupName);
  }
  return parts;
}

}  // namespace avrelt

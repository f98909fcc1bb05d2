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
constexpr double shortestSlit = 0.5;

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

std::vector<std::string> layerPartIds(const SetPlan& plan, std::size_t layer, std::size_t make) {
  const SetMake& made = plan.makes[make];
  const LayerPlan& one = made.layers[layer];
  if (made.places.empty() || one.nothing) return {};
  const std::string id = layerPartId(plan.id, one.id, make);
  if (one.pieces.empty()) return {id};
  std::vector<std::string> ids;
  for (const LayerPiece& piece : one.pieces) ids.push_back(id + "-" + piece.zone);
  return ids;
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

/// What a part of a layer is called.
struct PartWords {
  Sentence layer;
  std::string set;
  std::string cup;
  std::string numbers;  ///< of the places it is for
};

/// What of a cut lies in a shape.
void addSlits(Part& part, const Polygon& shape, const ReliefCut& cut) {
  const Point along = cut.to - cut.from;
  const double length = norm(along);
  if (length <= 0) return;
  const Point way = along * (1 / length);
  // Along the x axis from the origin.
  const Transform flat{way.x,
                       -way.y,
                       way.y,
                       way.x,
                       -(way.x * cut.from.x + way.y * cut.from.y),
                       way.y * cut.from.x - way.x * cut.from.y};
  const std::vector<double> cuts = cutsAt(mapped(shape, flat), 0);
  for (std::size_t i = 0; i + 1 < cuts.size(); i += 2) {
    const double from = std::max(cuts[i], 0.0);
    const double to = std::min(cuts[i + 1], length);
    if (to - from < shortestSlit) continue;
    part.slits.push_back({cut.from + way * from, {{cut.from + way * to, 0}}});
  }
}

/// Puts a layer, or what of it lies in a zone, on a part, and says what it is.
void draw(Part& part, const Polygon& cut, const LayerPlan& layer, const PartWords& words,
          const std::string& zone) {
  part.name = zone.empty() ? Sentence{"%1, %2", {Phrase(words.layer), words.set}}
                           : Sentence{"%1, %2, zone %3", {Phrase(words.layer), words.set, zone}};
  addShape(part, cut);
  for (const Polygon& mark : layer.marks) addShape(part, mark);
  for (const ReliefCut& one : layer.relief) addSlits(part, cut, one);
  const Box box = part.bounds();
  const double up = box.high.y + crossAway;
  const double down = box.low.y - crossAway;
  part.guides.push_back({GuideKind::front, {{0, up}, {{{0, up + crossLong}, 0}}}});
  part.guides.push_back({GuideKind::front, {{0, down}, {{{0, down - crossLong}, 0}}}});
  // Right below it, also where it lies to one side.
  double below = down - lettersBelow;
  const double x = zone.empty() ? 0 : (box.low.x + box.high.x) / 2;
  const auto write = [&](Sentence sentence) {
    part.letterings.push_back({{x, below}, numbersTall, Angle(), std::move(sentence)});
    below -= 1.6 * numbersTall.mm();
  };
  write(part.mirrored
            ? Sentence{"%1, %2: %3, cut mirrored", {words.cup, words.set, Phrase(words.layer)}}
            : Sentence{"%1, %2: %3", {words.cup, words.set, Phrase(words.layer)}});
  if (!words.numbers.empty()) {
    write(part.copies == 1 ? Sentence{"place %1", {words.numbers}}
                           : Sentence{"places %1", {words.numbers}});
  }
  if (!zone.empty()) write({"zone %1", {zone}});
}

/// What goes on a layer's film before it is cut: its picture, or else its colour.
PartPrint printOf(const Layer& chosen, const LayerPlan& layer) {
  const LayerPrint* print = chosen.printedWith();
  if (print == nullptr) return {{}, {}, chosen.film};
  const Transform back = inverseOf(layer.fromSet);
  Box over;
  const Box cut = boundsOf(layer.cut).grownBy(printedBeyond.mm());
  for (const Point& corner :
       {cut.low, Point{cut.high.x, cut.low.y}, cut.high, Point{cut.low.x, cut.high.y}}) {
    over.add(back(corner));
  }
  return {print->picture, meshOf(*print, over, layer.fromSet), {}};
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
    part.copies = static_cast<int>(made.places.size());
    part.kind = kindOf(chosen.kind);
    part.material = chosen.material;
    part.film = chosen.film;
    if (chosen.material == PartMaterial::printable) part.print = printOf(chosen, layer);
    part.of = {chosen.id};
    part.spares = chosen.spares;
    part.mayTurn = chosen.material == PartMaterial::printed ? MayTurn::no : MayTurn::any;
    part.mirrored = layer.mirrored;
    const std::vector<std::string> ids = layerPartIds(plan, i, make);
    const PartWords words{layerWords(set, i), plan.name, cupName, numbers};
    if (layer.pieces.empty()) {
      part.id = ids.front();
      draw(part, layer.cut, layer, words, {});
      parts.push_back(std::move(part));
      continue;
    }
    for (std::size_t k = 0; k < ids.size(); ++k) {
      const LayerPiece& piece = layer.pieces[k];
      Part one = part;
      one.id = ids[k];
      one.zones = {piece.letter};
      draw(one, piece.cut, layer, words, piece.letter);
      parts.push_back(std::move(one));
    }
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

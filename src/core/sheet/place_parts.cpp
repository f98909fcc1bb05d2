// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/place_parts.h"

#include <algorithm>

#include "divide/flat_outline.h"
#include "sheet/decal_parts.h"
#include "sheet/marking_strip.h"
#include "sheet/template_sheet.h"

namespace avrelt {
namespace {

constexpr Length border = Length::mm(12);
constexpr Length lettersTall = Length::mm(2.6);
constexpr double lineTall = 4.4;

Polygon rectangle(Angle from, Angle to, Length low, Length high, const Development& flat) {
  return {inFlat({{from, low}, {to, low}, {to, high}, {from, high}}, true, flat, curveTolerance)};
}

/// A zone in the flat with a place of it turned to the front, carried on past the seam.
Polygon zoneAbout(const Region& region, Angle anchor, const Development& flat) {
  std::vector<Polygon> all;
  for (const double turns : {-1.0, 0.0, 1.0}) {
    Polygon here;
    for (WallLine line : region.outlines()) {
      for (WallPoint& p : line) p.theta = p.theta - anchor + Angle::turn() * turns;
      here.push_back(inFlat(line, true, flat, curveTolerance));
    }
    all.push_back(std::move(here));
  }
  return unionOf(all);
}

Path pathThrough(const std::vector<Point>& points) {
  Path path{points.front(), {}};
  for (std::size_t i = 1; i < points.size(); ++i) path.lineTo(points[i]);
  return path;
}

/// "2 in right of the front", in the midst of a sentence.
Sentence roundWords(const WallMark& mark) {
  if (abs(mark.fromFront) < Length::mm(0.05)) return {"on the front", {}};
  return mark.fromFront > Length() ? Sentence{"%1 right of the front", {mark.fromFront}}
                                   : Sentence{"%1 left of the front", {-mark.fromFront}};
}

Part maskOf(const SetPlan& set, const PlacePlan& place, const PlaceWork& work) {
  const Development& flat = place.laid->ground;
  const Length top = work.wall.body.wall();
  const WallReach& reach = place.laid->reach;
  const Angle aside = Angle::radians(
      border / std::max(flat.radius(std::clamp(place.anchor.s, Length(), top)), Length::mm(1)));
  const Angle from = std::max(reach.from - place.anchor.theta - aside, -Angle::halfTurn());
  const Angle to = std::min(reach.to - place.anchor.theta + aside, Angle::halfTurn());
  const Length low = std::clamp(reach.low - border, Length(), top);
  Polygon sheet = rectangle(from, to, low, top, flat);
  for (const Zone& zone : work.divided.zones) {
    if (zone.id != place.room.zone) continue;
    sheet = sheet & zoneAbout(zone.region, place.anchor.theta, flat);
  }
  sheet = sheet - withoutOpenings(place.laid->outline.shape());

  Part part;
  part.id = "mask-" + place.id;
  part.name = {"Placing mask, %1", {set.name}};
  part.kind = PartKind::paper;
  part.material = PartMaterial::paper;
  part.of = {place.id};
  addShape(part, sheet);
  if (part.outline.stretches.empty()) return part;
  const Box box = part.bounds();
  part.guides.push_back({GuideKind::front, {{0, box.low.y}, {{{0, box.high.y}, 0}}}});
  part.guides.push_back(
      {GuideKind::graduation, pathThrough(inFlat({{from, place.anchor.s}, {to, place.anchor.s}},
                                                 false, flat, curveTolerance))});
  auto words = [&, line = 0](Sentence sentence) mutable {
    part.letterings.push_back(
        {{0, box.low.y - lineTall * ++line}, lettersTall, Angle(), std::move(sentence)});
  };
  words({"%1: %2", {work.cupName, set.name}});
  words({"centre %1 up from the base, %2 down from the rim",
         {place.mark.fromBase, place.mark.fromRim}});
  words({"fold along the middle, which stands %1", {Phrase(roundWords(place.mark))}});
  return part;
}

}  // namespace

std::vector<Part> placingMasks(const SetPlan& set, const PlaceWork& work) {
  std::vector<Part> parts;
  for (const PlacePlan& place : set.places) {
    if (!place.own() || place.laid->outline.empty()) continue;
    Part mask = maskOf(set, place, work);
    // One that stands off the wall has nothing to be held to.
    if (!mask.outline.stretches.empty()) parts.push_back(std::move(mask));
  }
  return parts;
}

std::vector<Part> rowStrips(const std::vector<SetPlan>& sets, const std::vector<RowPlan>& rows,
                            const PlaceWork& work) {
  constexpr Length wide = Length::mm(12);
  std::vector<Part> strips;
  for (const RowPlan& row : rows) {
    std::vector<RoundMark> marks;
    Length up;
    std::string name;
    for (const SetPlan& set : sets) {
      for (const PlacePlan& place : set.places) {
        if (place.row != row.id || place.index >= static_cast<int>(row.fit.at.size())) continue;
        if (name.empty()) name = set.name;
        up = place.anchor.s;
        marks.push_back(
            {place.mark.onCup, GuideKind::trim, {"%1", {static_cast<long>(place.index + 1)}}});
      }
    }
    if (marks.empty()) continue;
    MarkingStrip strip;
    strip.at = WrittenLength{up, {}};
    strip.width = {std::min(wide, up), {}};
    CheckedAll<Part> made = markingStripPart(work.wall.body, strip, work.wall.seamAt, work.unit,
                                             work.cupName + ", " + name, marks);
    if (!made) continue;
    made->id = "strip-" + row.id;
    made->name = {"Strip for a row of %1", {name}};
    made->of = {row.id};
    strips.push_back(std::move(*made));
  }
  return strips;
}

std::vector<Part> peekabooMap(const std::vector<SetPlan>& sets, const PlaceWork& work) {
  const Development& flat = work.wall.flat;
  Part map;
  map.id = "peekaboos";
  map.kind = PartKind::paper;
  map.material = PartMaterial::paper;
  map.outline = flat.wallOutline();
  for (const SetPlan& set : sets) {
    for (const PlacePlan& place : set.places) {
      if (place.number == 0) continue;
      map.of.push_back(place.id);
      const std::vector<LayerPlan>& layers = set.makes[place.make].layers;
      for (std::size_t i = 0; i < layers.size(); ++i) {
        if (layers[i].kind != LayerKind::peekaboo) continue;
        for (const WallLine& line : place.laid->layers[i].region.outlines()) {
          map.guides.push_back(
              {GuideKind::graduation, closedPath(inFlat(line, true, flat, curveTolerance))});
        }
      }
      const Angle middle = place.anchor.theta.wrapped();
      const auto letter = [&](Length up, Length tall, Sentence words) {
        map.letterings.push_back(
            {flat.toFlat({middle, up}), tall, -flat.flatAngle(middle), std::move(words)});
      };
      letter(place.anchor.s, Length::mm(5), {"%1", {static_cast<long>(place.number)}});
      const Length below = place.laid->reach.low - Length::mm(lineTall);
      letter(below, lettersTall, {"%1 down", {place.mark.fromRim}});
      letter(below - Length::mm(lineTall), lettersTall, roundWords(place.mark));
    }
  }
  if (map.of.empty()) return {};
  map.letterings.push_back(
      {flat.toFlat({Angle(), work.wall.body.wall() - Length::mm(5)}),
       lettersTall,
       Angle(),
       {"%1: put a dot of glue on each stencil, to feel it by under paint", {work.cupName}}});
  return {map};
}

}  // namespace avrelt

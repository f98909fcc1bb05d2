// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/plan_sets_json.h"

#include "decal/coverage.h"
#include "decal/peekaboos.h"
#include "decal/print_cover.h"
#include "divide/flat_outline.h"
#include "files/picture_file.h"
#include "files/plan_figures.h"
#include "sheet/decal_parts.h"

namespace avrelt {
namespace {

/// The parts of a layer, one for each way it is cut.
Json partsOf(const SetPlan& plan, std::size_t layer) {
  Json parts = Json::array();
  for (std::size_t make = 0; make < plan.makes.size(); ++make) {
    for (std::string& id : layerPartIds(plan, layer, make)) parts.push_back(std::move(id));
  }
  return parts;
}

Json outlinesJson(const Polygon& shape) {
  Json outlines = Json::array();
  for (const std::vector<Point>& outline : shape) outlines.push_back(pointsOf(outline));
  return outlines;
}

Json apartJson(const std::optional<Apart>& apart) {
  if (!apart) return nullptr;
  return {{"of", apart->id}, {"mm", rounded(apart->apart.mm())}};
}

Json markJson(const WallMark& mark) {
  return {{"from_base_mm", rounded(mark.fromBase.mm())},
          {"from_rim_mm", rounded(mark.fromRim.mm())},
          {"on_cup_deg", rounded(mark.onCup.degrees())},
          {"from_front_mm", rounded(mark.fromFront.mm())},
          {"from_seam_mm", rounded(mark.fromSeam.mm())}};
}

Json placeJson(const CupPlan& cup, const SetPlan& set, const PlacePlan& place) {
  const PlaceRoom& room = place.room;
  Json json = Json::object();
  json["id"] = place.id;
  json["set"] = set.id;
  json["row"] = place.row.empty() ? Json() : Json(place.row);
  json["scatter"] = place.scatter.empty() ? Json() : Json(place.scatter);
  json["percent"] = rounded(place.percent);
  json["on_cup_deg"] = rounded(place.mark.onCup.degrees());
  json["up_mm"] = rounded(place.anchor.s.mm());
  json["turn_deg"] = rounded(place.turn.degrees());
  json["follows_wall"] = place.follows;
  json["outlines_mm"] = outlinesJson(onFlat(*place.laid, cup.wall));
  json["clearances_mm"] = {
      {"rim", rounded(room.rim.mm())},         {"base", rounded(room.base.mm())},
      {"seam", rounded(room.seam.apart.mm())}, {"line", apartJson(room.line)},
      {"covered", apartJson(room.feature)},    {"nearest", apartJson(room.place)}};
  json["zone"] = room.zone.empty() ? Json() : Json(room.zone);
  json["marks"] = markJson(place.mark);
  return json;
}

Json rowJson(const CupPlan& cup, const RowPlan& plan) {
  const Row& row = cup.of->rows[static_cast<std::size_t>(plan.row)];
  return {{"id", plan.id},
          {"wanted", row.count ? Json(*row.count) : Json()},
          {"count", plan.fit.at.size()},
          {"lines", plan.lines},
          {"gap_mm", rounded(plan.fit.gap.mm())},
          {"most", plan.fit.most},
          {"fits", plan.fit.fits},
          {"left_over_mm", rounded(plan.leftOver.mm())},
          {"fits_at_mm", plan.fitsAt ? Json(rounded(plan.fitsAt->mm())) : Json()},
          {"closes", plan.closes}};
}

/// Stencil, ring and place of each peekaboo, by its number.
Json numbersJson(const std::vector<int>& numbers) {
  Json list = Json::array();
  for (const int number : numbers) list.push_back(number);
  return list;
}

void addPairs(Json& json, const CupPlan& cup) {
  const std::vector<Peekaboo> peekaboos = peekaboosOf(cup.sets);
  json["pairs"] = Json::array();
  for (const Peekaboo& one : peekaboos) {
    const SetPlan& set = cup.sets[one.set];
    const PlacePlan& place = set.places[one.place];
    const auto part = [&](const std::string& layer) {
      return layer.empty() ? Json() : Json(layerPartId(set.id, layer, place.make));
    };
    Json shows;
    for (const Zone& zone : cup.divided.zones) {
      if (zone.id == one.zone)
        shows = {{"zone", zone.letter}, {"finish", finishWords(zone.finish)}};
    }
    json["pairs"].push_back({{"number", one.number},
                             {"stencil", part(one.stencil)},
                             {"ring", part(one.ring)},
                             {"place", place.id},
                             {"shows", shows},
                             {"alike", numbersJson(one.alike)}});
  }
  const LiftOrder order = liftOrderOf(peekaboos);
  json["lift"] = {{"at_once", numbersJson(order.atOnce)},
                  {"one_by_one", numbersJson(order.oneByOne)}};
}

const char* stackKindName(const StackItem& item) {
  switch (item.kind) {
    case StackKind::metal:
      return "metal";
    case StackKind::coat:
      return "coat";
    case StackKind::finish:
      return "finish";
    case StackKind::over:
      return "over";
    case StackKind::laid:
      break;
  }
  switch (item.thing) {
    case LaidKind::mask:
      return "mask";
    case LaidKind::pattern:
      return "pattern";
    case LaidKind::film:
      return "film";
    case LaidKind::stripe:
      return "stripe";
    case LaidKind::layer:
      return "layer";
    case LaidKind::wrap:
      break;
  }
  return "wrap";
}

Json stackJson(const CupPlan& cup, Unit unit) {
  Json stack = Json::array();
  for (const StackItem& item : cup.stack) {
    Json hides = Json::array();
    for (const Hidden& hidden : hiddenBelow(cup, item)) {
      hides.push_back({{"zone", hidden.letter},
                       {"mm2", rounded(hidden.area.mm2())},
                       {"share", rounded(hidden.share)}});
    }
    stack.push_back({{"kind", stackKindName(item)},
                     {"id", item.id},
                     {"what", inWords(item.name, unit)},
                     {"after", item.after},
                     {"lifted", item.lifted},
                     {"clear", item.clear},
                     {"hides_glitter", hides}});
  }
  return stack;
}

/// What the picture a layer is printed with leaves bare, at worst among the ways it is cut.
Json printJson(const SetPlan& plan, std::size_t layer, const LayerPrint& print,
               PictureDots& pictures) {
  const PictureSizes* dots = pictures(print.picture);
  if (dots == nullptr) return nullptr;
  PrintCover worst;
  for (const Polygon& shape : printedShapes(plan, layer)) {
    PrintCover cover = coverOf(shape, print, *dots);
    if (cover.bare > worst.bare) worst = std::move(cover);
  }
  Json spots = Json::array();
  for (const BareSpot& spot : worst.spots) {
    spots.push_back({{"mm2", rounded(spot.area.mm2())},
                     {"at_mm", {rounded(spot.middle.x), rounded(spot.middle.y)}}});
  }
  return {
      {"picture", print.id}, {"bare_mm2", rounded(worst.bare.mm2())}, {"spots", std::move(spots)}};
}

Json setJson(const SetPlan& plan, const DecalSet& set, PictureDots& pictures) {
  Json json = Json::object();
  json["id"] = plan.id;
  json["artwork"] = plan.artwork;
  json["scale"] = rounded(plan.scale);
  json["size_mm"] = {rounded(plan.box.width()), rounded(plan.box.height())};
  json["layers"] = Json::array();
  for (std::size_t i = 0; i < plan.layers().size(); ++i) {
    const LayerPlan& layer = plan.layers()[i];
    const Layer& chosen = set.layers[i];
    Json one = {{"kind", layerName(layer.kind)},
                {"offset_mm", rounded(chosen.offset.length.mm())},
                {"material", materialName(chosen.material)},
                {"mirrored", layer.mirrored},
                {"parts", partsOf(plan, i)},
                {"area_mm2", rounded(layer.area.mm2())},
                {"wider_mm", rounded(layer.wider.mm())},
                {"agrees", !layer.odd}};
    if (const LayerPrint* print = chosen.printedWith()) {
      one["print"] = printJson(plan, i, *print, pictures);
    }
    json["layers"].push_back(std::move(one));
  }
  const BladeFit& fit = plan.fit();
  json["thinnest_stroke_mm"] = fit.stroke ? Json(rounded(fit.stroke->width.mm())) : Json();
  json["thinnest_gap_mm"] = fit.gap ? Json(rounded(fit.gap->width.mm())) : Json();
  json["parts_to_weed"] = fit.toWeed();
  json["loose_parts"] = fit.parts;
  json["sharp_corners"] = fit.sharp;
  json["cut_mm"] = rounded(fit.cut.mm());
  json["nothing_thin_from_mm"] =
      plan.made->leastSize ? Json(rounded(plan.made->leastSize->mm())) : Json();
  return json;
}

}  // namespace

Json artworkJson(const Artwork& artwork) {
  const Box box = artwork.bounds();
  Json json = Json::object();
  json["id"] = artwork.id;
  json["name"] = artwork.name;
  json["kind"] = artKindName(artwork.kind);
  json["size_mm"] = {rounded(box.width()), rounded(box.height())};
  json["area_mm2"] = rounded(signedArea(artwork.silhouette()));
  json["colours"] = Json::array();
  for (const ColourArea& area : artwork.areas) json["colours"].push_back(area.colour);
  return json;
}

void addSets(Json& json, const CupPlan& cup, Unit unit) {
  json["sets"] = Json::array();
  PictureDots pictures;
  for (const SetPlan& set : cup.sets) {
    json["sets"].push_back(setJson(set, cup.of->sets[static_cast<std::size_t>(set.set)], pictures));
  }
  json["places"] = Json::array();
  for (const SetPlan& set : cup.sets) {
    for (const PlacePlan& place : set.places) json["places"].push_back(placeJson(cup, set, place));
  }
  json["rows"] = Json::array();
  for (const RowPlan& row : cup.rows) json["rows"].push_back(rowJson(cup, row));
  addPairs(json, cup);
  json["stack"] = stackJson(cup, unit);
  json["coverage"] = Json::array();
  const auto all = coverageOf(cup.sets, cup.divided, cup.wall.body);
  for (const Zone& zone : cup.divided.zones) {
    const auto covered = all.find(zone.id);
    if (covered == all.end()) continue;
    json["coverage"].push_back({{"zone", zone.letter},
                                {"sets_mm2", rounded(covered->second.mm2())},
                                {"share", rounded(covered->second.mm2() / zone.area.mm2())}});
  }
}

}  // namespace avrelt

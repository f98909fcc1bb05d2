// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/divide_json.h"

#include "files/json_writing.h"

namespace avrelt {
namespace {

constexpr int mostZoneParts = 500;
constexpr int mostStripes = 1000;

/// The members that rings and uprights share.
void placedMembers(ObjectReader& object, CutBy& by, int& count,
                   std::vector<std::optional<WrittenLength>>& widths, Unit unit) {
  object.choice("by",
                {{"equal", CutBy::equal},
                 {"places", CutBy::places},
                 {"widths", CutBy::widths},
                 {"spacers", CutBy::spacers}},
                by);
  object.wholeNumber("count", mostZoneParts, count);
  object.list("widths", [&](const Json& item, const std::string& path) {
    if (item == "rest") {
      widths.push_back(std::nullopt);
    } else if (std::optional<WrittenLength> width = object.lengthFrom(item, path, unit)) {
      widths.push_back(std::move(*width));
    }
  });
}

void members(ObjectReader& object, RingCut& cut, Unit unit) {
  placedMembers(object, cut.by, cut.count, cut.widths, unit);
  object.choice("from", {{"rim", true}, {"base", false}}, cut.fromRim);
  object.list("places", [&](const Json& item, const std::string& path) {
    if (std::optional<WrittenLength> place = object.lengthFrom(item, path, unit)) {
      cut.places.push_back(std::move(*place));
    }
  });
  object.length("tape", unit, cut.tape);
  object.length("spacer", unit, cut.spacer);
  object.wholeNumber("stripes", mostZoneParts, cut.stripes);
  object.choice("left_over",
                {{"top", Leftover::top}, {"base", Leftover::base}, {"both", Leftover::both}},
                cut.leftover);
}

void members(ObjectReader& object, UprightCut& cut, Unit unit) {
  placedMembers(object, cut.by, cut.count, cut.widths, unit);
  object.list("angles", [&](const Json& item, const std::string& path) {
    if (item.is_number() && std::abs(item.get<double>()) <= 360) {
      cut.angles.push_back(CupAngle::degrees(item.get<double>()));
    } else {
      object.fault(path, {"An angle in degrees is wanted, from -360 to 360.", {}});
    }
  });
  object.degrees("at", -360, 360, cut.at);
}

void members(ObjectReader& object, VeeCut& cut, Unit unit) {
  object.degrees("at", -360, 360, cut.at);
  object.wholeNumber("repeat", mostZoneParts, cut.repeat);
  object.length("wide", unit, cut.wide);
  object.choice("opens_at", {{"rim", true}, {"base", false}}, cut.opensAtRim);
  cut.deep = object.lengthIfGiven("deep", unit);
}

void members(ObjectReader& object, SlantCut& cut, Unit unit) {
  object.degrees("at", -360, 360, cut.at);
  object.degrees("to", -360, 360, cut.to);
  object.length("low", unit, cut.low);
  object.length("high", unit, cut.high);
}

void members(ObjectReader& object, WaveCut& cut, Unit unit) {
  object.choice("from", {{"rim", true}, {"base", false}}, cut.fromRim);
  object.degrees("at", -360, 360, cut.at);
  object.wholeNumber("repeat", mostZoneParts, cut.repeat);
  object.length("low", unit, cut.low);
  object.length("swing", unit, cut.swing);
  object.truth("zigzag", cut.zigzag);
}

/// What belongs to another kind of cut is kept like any member not known.
Cut cutMembers(ObjectReader object, Unit unit) {
  Cut cut;
  object.id(cut.id);
  object.choice<Cut::How>("kind",
                          {{"rings", RingCut()},
                           {"uprights", UprightCut()},
                           {"vee", VeeCut()},
                           {"slant", SlantCut()},
                           {"wave", WaveCut()}},
                          cut.how);
  std::visit([&](auto& how) { members(object, how, unit); }, cut.how);
  cut.kept = object.kept();
  return cut;
}

ZoneNode nodeMembers(ObjectReader object, Unit unit) {
  ZoneNode node;
  object.id(node.id);
  if (const Json* cut = object.find("cut")) {
    node.cut = cutMembers(object.on(*cut, object.pathOf("cut")), unit);
  }
  object.list("parts", [&](const Json& item, const std::string& path) {
    node.parts.push_back(nodeMembers(object.on(item, path), unit));
  });
  if (const Json* finish = object.find("finish")) {
    node.finish = finishMembers(object.on(*finish, object.pathOf("finish")), unit);
  }
  node.kept = object.kept();
  return node;
}

Stripe stripeMembers(ObjectReader object, Unit unit) {
  Stripe stripe;
  object.id(stripe.id);
  object.reference("of", stripe.of);
  object.wholeNumber("line", mostStripes, stripe.line);
  object.choice("kind", {{"tape", StripeKind::tape}, {"film", StripeKind::film}}, stripe.kind);
  object.length("width", unit, stripe.width);
  object.length("overlap", unit, stripe.overlap);
  object.choice("join", {{"seam", StripeJoin::seam}, {"hidden", StripeJoin::hidden}}, stripe.join);
  object.truth("butt", stripe.butt);
  object.text("colour", stripe.colour);
  if (object.find("spares") != nullptr) {
    int spares = 0;
    object.wholeNumber("spares", mostStripes, spares);
    stripe.spares = spares;
  }
  stripe.kept = object.kept();
  return stripe;
}

void writePlaced(Json& object, CutBy by, int count,
                 const std::vector<std::optional<WrittenLength>>& widths) {
  static constexpr const char* ways[] = {"equal", "places", "widths", "spacers"};
  object["by"] = ways[static_cast<std::size_t>(by)];
  if (by == CutBy::equal || count != RingCut().count) object["count"] = count;
  if (widths.empty()) return;
  object["widths"] = Json::array();
  for (const auto& width : widths) {
    object["widths"].push_back(width ? written(*width) : Json("rest"));
  }
}

void write(Json& object, const RingCut& cut) {
  static const RingCut usual;
  object["kind"] = "rings";
  writePlaced(object, cut.by, cut.count, cut.widths);
  if (!cut.fromRim) object["from"] = "base";
  if (!cut.places.empty()) {
    object["places"] = Json::array();
    for (const WrittenLength& place : cut.places) object["places"].push_back(written(place));
  }
  const bool spaced = cut.by == CutBy::spacers;
  if (spaced || !(cut.tape == usual.tape)) object["tape"] = written(cut.tape);
  if (spaced || !(cut.spacer == usual.spacer)) object["spacer"] = written(cut.spacer);
  if (cut.stripes != usual.stripes) object["stripes"] = cut.stripes;
  if (cut.leftover != usual.leftover) {
    object["left_over"] = cut.leftover == Leftover::top ? "top" : "both";
  }
}

void write(Json& object, const UprightCut& cut) {
  object["kind"] = "uprights";
  writePlaced(object, cut.by, cut.count, cut.widths);
  if (!cut.angles.empty()) {
    object["angles"] = Json::array();
    for (const CupAngle angle : cut.angles) object["angles"].push_back(number(degreesOf(angle)));
  }
  if (cut.at != UprightCut().at) object["at"] = number(degreesOf(cut.at));
}

void write(Json& object, const VeeCut& cut) {
  static const VeeCut usual;
  object["kind"] = "vee";
  if (cut.at != usual.at) object["at"] = number(degreesOf(cut.at));
  if (cut.repeat != usual.repeat) object["repeat"] = cut.repeat;
  object["wide"] = written(cut.wide);
  if (!cut.opensAtRim) object["opens_at"] = "base";
  if (cut.deep) object["deep"] = written(*cut.deep);
}

void write(Json& object, const SlantCut& cut) {
  static const SlantCut usual;
  object["kind"] = "slant";
  if (cut.at != usual.at) object["at"] = number(degreesOf(cut.at));
  if (cut.to != usual.to) object["to"] = number(degreesOf(cut.to));
  if (!(cut.low == usual.low)) object["low"] = written(cut.low);
  if (!(cut.high == usual.high)) object["high"] = written(cut.high);
}

void write(Json& object, const WaveCut& cut) {
  static const WaveCut usual;
  object["kind"] = "wave";
  if (!cut.fromRim) object["from"] = "base";
  if (cut.at != usual.at) object["at"] = number(degreesOf(cut.at));
  if (cut.repeat != usual.repeat) object["repeat"] = cut.repeat;
  if (!(cut.low == usual.low)) object["low"] = written(cut.low);
  if (!(cut.swing == usual.swing)) object["swing"] = written(cut.swing);
  if (cut.zigzag) object["zigzag"] = true;
}

Json written(const Cut& cut) {
  Json object = Json::object();
  if (!cut.id.empty()) object["id"] = cut.id;
  std::visit([&](const auto& how) { write(object, how); }, cut.how);
  addKept(object, cut.kept);
  return object;
}

Json written(const ZoneNode& node) {
  Json object = Json::object();
  if (!node.id.empty()) object["id"] = node.id;
  if (node.cut) object["cut"] = written(*node.cut);
  if (!node.parts.empty()) {
    object["parts"] = Json::array();
    for (const ZoneNode& part : node.parts) object["parts"].push_back(written(part));
  }
  if (!(node.finish == Finish())) object["finish"] = written(node.finish);
  addKept(object, node.kept);
  return object;
}

Json written(const Stripe& stripe) {
  Json object = Json::object();
  if (!stripe.id.empty()) object["id"] = stripe.id;
  object["of"] = stripe.of;
  object["line"] = stripe.line;
  object["kind"] = stripe.kind == StripeKind::tape ? "tape" : "film";
  object["width"] = written(stripe.width);
  object["overlap"] = written(stripe.overlap);
  if (stripe.join == StripeJoin::hidden) object["join"] = "hidden";
  if (stripe.butt) object["butt"] = true;
  if (stripe.colour != Stripe().colour) object["colour"] = stripe.colour;
  if (stripe.spares) object["spares"] = *stripe.spares;
  addKept(object, stripe.kept);
  return object;
}

void edgeChoice(ObjectReader& object, FilmEdge& edge) {
  object.choice("edge",
                {{"stripes", FilmEdge::stripes},
                 {"exact", FilmEdge::exact},
                 {"under", FilmEdge::under},
                 {"trim", FilmEdge::trim}},
                edge);
}
const char* edgeName(FilmEdge edge) {
  static constexpr const char* names[] = {"stripes", "exact", "under", "trim"};
  return names[static_cast<std::size_t>(edge)];
}

ZonePicture pictureMembers(ObjectReader object, Unit unit) {
  ZonePicture picture;
  object.text("picture", picture.id);
  object.choice("repeat",
                {{"tile", PictureRepeat::tile},
                 {"round", PictureRepeat::round},
                 {"once", PictureRepeat::once}},
                picture.repeat);
  object.truth("bent", picture.bent);
  object.length("wide", unit, picture.wide);
  object.degrees("at", -360, 360, picture.at);
  picture.up = object.lengthIfGiven("up", unit);
  object.degrees("turn", -360, 360, picture.turn);
  picture.kept = object.kept();
  return picture;
}

Json written(const ZonePicture& picture) {
  static constexpr const char* repeats[] = {"tile", "round", "once"};
  Json object = {{"picture", picture.id},
                 {"repeat", repeats[static_cast<std::size_t>(picture.repeat)]}};
  if (!picture.bent) object["bent"] = false;
  object["wide"] = written(picture.wide);
  if (picture.at != CupAngle::front()) object["at"] = number(degreesOf(picture.at));
  if (picture.up) object["up"] = written(*picture.up);
  if (picture.turn != Angle()) object["turn"] = number(degreesOf(picture.turn));
  addKept(object, picture.kept);
  return object;
}

}  // namespace

Finish finishMembers(ObjectReader object, Unit unit) {
  Finish finish;
  object.choice("kind",
                {{"none", FinishKind::none},
                 {"paint", FinishKind::paint},
                 {"glitter", FinishKind::glitter},
                 {"film", FinishKind::film},
                 {"bare", FinishKind::bare},
                 {"ink", FinishKind::ink},
                 {"dip", FinishKind::dip}},
                finish.kind);
  object.text("name", finish.name);
  object.text("colour", finish.colour);
  object.text("supply", finish.supply);
  object.choice("stick",
                {{"resin", Stick::resin},
                 {"brush_glue", Stick::brushGlue},
                 {"wet_paint", Stick::wetPaint},
                 {"spray_clear", Stick::sprayClear},
                 {"tacky_glue", Stick::tackyGlue},
                 {"uv_resin", Stick::uvResin}},
                finish.stick);
  object.choice(
      "grain",
      {{"fine", GlitterCut::fine}, {"medium", GlitterCut::medium}, {"chunky", GlitterCut::chunky}},
      finish.grain);
  object.truth("sprayed", finish.sprayed);
  object.truth("opaque", finish.opaque);
  object.truth("printed", finish.printed);
  if (const Json* picture = object.find("print")) {
    finish.picture = pictureMembers(object.on(*picture, object.pathOf("print")), unit);
  }
  edgeChoice(object, finish.edge);
  object.length("edge_by", unit, finish.edgeBy);
  object.list("edges", [&](const Json& item, const std::string& path) {
    ObjectReader members = object.on(item, path);
    LineEdge one;
    members.text("of", one.of);
    members.wholeNumber("line", mostZoneParts, one.line);
    edgeChoice(members, one.edge);
    members.length("edge_by", unit, one.by);
    one.kept = members.kept();
    finish.edges.push_back(std::move(one));
  });
  object.choice(
      "patch", {{"none", PatchShape::none}, {"disc", PatchShape::disc}, {"drop", PatchShape::drop}},
      finish.patch);
  object.length("patch_across", unit, finish.patchAcross);
  finish.kept = object.kept();
  return finish;
}

Json written(const Finish& finish) {
  Json object = Json::object();
  switch (finish.kind) {
    case FinishKind::none:
      object["kind"] = "none";
      break;
    case FinishKind::paint:
      object["kind"] = "paint";
      break;
    case FinishKind::glitter:
      object["kind"] = "glitter";
      break;
    case FinishKind::film:
      object["kind"] = "film";
      break;
    case FinishKind::bare:
      object["kind"] = "bare";
      break;
    case FinishKind::ink:
      object["kind"] = "ink";
      break;
    case FinishKind::dip:
      object["kind"] = "dip";
      break;
  }
  if (!finish.name.empty()) object["name"] = finish.name;
  object["colour"] = finish.colour;
  if (!finish.supply.empty()) object["supply"] = finish.supply;
  switch (finish.stick) {
    case Stick::resin:
      break;
    case Stick::brushGlue:
      object["stick"] = "brush_glue";
      break;
    case Stick::wetPaint:
      object["stick"] = "wet_paint";
      break;
    case Stick::sprayClear:
      object["stick"] = "spray_clear";
      break;
    case Stick::tackyGlue:
      object["stick"] = "tacky_glue";
      break;
    case Stick::uvResin:
      object["stick"] = "uv_resin";
      break;
  }
  if (finish.sprayed) object["sprayed"] = true;
  if (finish.grain != GlitterCut::fine) {
    object["grain"] = finish.grain == GlitterCut::medium ? "medium" : "chunky";
  }
  if (!finish.opaque) object["opaque"] = false;
  if (finish.printed) object["printed"] = true;
  if (!(finish.picture.id.empty() && finish.picture.kept.empty())) {
    object["print"] = written(finish.picture);
  }
  if (finish.edge != FilmEdge::stripes) object["edge"] = edgeName(finish.edge);
  if (!(finish.edgeBy == Finish().edgeBy)) object["edge_by"] = written(finish.edgeBy);
  for (const LineEdge& one : finish.edges) {
    Json item = {{"of", one.of}, {"line", one.line}, {"edge", edgeName(one.edge)}};
    item["edge_by"] = written(one.by);
    addKept(item, one.kept);
    object["edges"].push_back(std::move(item));
  }
  if (finish.patch != PatchShape::none) {
    object["patch"] = finish.patch == PatchShape::disc ? "disc" : "drop";
  }
  if (!(finish.patchAcross == Finish().patchAcross)) {
    object["patch_across"] = written(finish.patchAcross);
  }
  addKept(object, finish.kept);
  return object;
}

Mask maskMembers(ObjectReader object, Unit unit) {
  Mask mask;
  object.id(mask.id);
  object.choice("kind", {{"cover", MaskKind::cover}, {"window", MaskKind::window}}, mask.kind);
  object.ids("zones", mask.zones);
  object.length("margin", unit, mask.margin);
  object.choice("material", {{"removable_film", false}, {"paper", true}}, mask.paper);
  mask.kept = object.kept();
  return mask;
}

Division divisionMembers(ObjectReader object, Unit unit) {
  Division division;
  if (const Json* body = object.find("body")) {
    division.body = nodeMembers(object.on(*body, object.pathOf("body")), unit);
  }
  object.length("tape_width", unit, division.tapeWidth);
  object.list("masks", [&](const Json& item, const std::string& path) {
    division.masks.push_back(maskMembers(object.on(item, path), unit));
  });
  object.ids("order", division.order);
  object.list("stripes", [&](const Json& item, const std::string& path) {
    division.stripes.push_back(stripeMembers(object.on(item, path), unit));
  });
  if (object.find("tapes") != nullptr) {
    division.tapes.clear();
    object.list("tapes", [&](const Json& item, const std::string& path) {
      if (std::optional<WrittenLength> width = object.lengthFrom(item, path, unit)) {
        division.tapes.push_back(std::move(*width));
      }
    });
  }
  division.kept = object.kept();
  return division;
}

Json written(const Mask& mask) {
  Json object = Json::object();
  if (!mask.id.empty()) object["id"] = mask.id;
  object["kind"] = mask.kind == MaskKind::cover ? "cover" : "window";
  object["zones"] = mask.zones;
  if (mask.kind == MaskKind::window) object["margin"] = written(mask.margin);
  object["material"] = mask.paper ? "paper" : "removable_film";
  addKept(object, mask.kept);
  return object;
}

Json written(const Division& division) {
  Json object = Json::object();
  object["tape_width"] = written(division.tapeWidth);
  object["body"] = written(division.body);
  if (division.tapes != Division().tapes) {
    object["tapes"] = Json::array();
    for (const WrittenLength& width : division.tapes) object["tapes"].push_back(written(width));
  }
  if (!division.masks.empty()) {
    object["masks"] = Json::array();
    for (const Mask& mask : division.masks) object["masks"].push_back(written(mask));
  }
  if (!division.order.empty()) object["order"] = division.order;
  if (!division.stripes.empty()) {
    object["stripes"] = Json::array();
    for (const Stripe& stripe : division.stripes) object["stripes"].push_back(written(stripe));
  }
  addKept(object, division.kept);
  return object;
}

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/divide_json.h"

#include "files/json_writing.h"

namespace avrelt {
namespace {

constexpr int mostParts = 500;
constexpr int mostStripes = 1000;

Cut cutMembers(ObjectReader object, Unit unit) {
  Cut cut;
  object.choice("kind",
                {{"rings", CutKind::rings},
                 {"uprights", CutKind::uprights},
                 {"vee", CutKind::vee},
                 {"slant", CutKind::slant},
                 {"wave", CutKind::wave}},
                cut.kind);
  object.choice("by",
                {{"equal", CutBy::equal},
                 {"places", CutBy::places},
                 {"widths", CutBy::widths},
                 {"spacers", CutBy::spacers}},
                cut.by);
  object.wholeNumber("count", mostParts, cut.count);
  object.choice("from", {{"rim", true}, {"base", false}}, cut.fromRim);
  object.list("places", [&](const Json& item, const std::string& path) {
    if (std::optional<WrittenLength> place = object.lengthFrom(item, path, unit)) {
      cut.places.push_back(std::move(*place));
    }
  });
  object.list("widths", [&](const Json& item, const std::string& path) {
    if (item == "rest") {
      cut.widths.push_back(std::nullopt);
    } else if (std::optional<WrittenLength> width = object.lengthFrom(item, path, unit)) {
      cut.widths.push_back(std::move(*width));
    }
  });
  object.list("angles", [&](const Json& item, const std::string& path) {
    if (item.is_number() && std::abs(item.get<double>()) <= 360) {
      cut.angles.push_back(Angle::degrees(item.get<double>()));
    } else {
      object.fault(path, {"An angle in degrees is wanted, from -360 to 360.", {}});
    }
  });
  object.length("tape", unit, cut.tape);
  object.length("spacer", unit, cut.spacer);
  object.wholeNumber("stripes", mostParts, cut.stripes);
  object.choice("left_over",
                {{"top", Leftover::top}, {"base", Leftover::base}, {"both", Leftover::both}},
                cut.leftover);
  object.degrees("at", -360, 360, cut.at);
  object.degrees("to", -360, 360, cut.to);
  object.wholeNumber("repeat", mostParts, cut.repeat);
  object.length("wide", unit, cut.wide);
  object.choice("opens_at", {{"rim", true}, {"base", false}}, cut.opensAtRim);
  cut.deep = object.lengthIfGiven("deep", unit);
  object.length("low", unit, cut.low);
  object.length("high", unit, cut.high);
  object.length("swing", unit, cut.swing);
  object.truth("zigzag", cut.zigzag);
  cut.kept = object.kept();
  return cut;
}

ZoneNode nodeMembers(ObjectReader object, Unit unit) {
  ZoneNode node;
  if (const Json* cut = object.find("cut")) {
    node.cut = cutMembers(object.on(*cut, object.pathOf("cut")), unit);
  }
  object.list("parts", [&](const Json& item, const std::string& path) {
    node.parts.push_back(nodeMembers(object.on(item, path), unit));
  });
  if (const Json* finish = object.find("finish")) {
    node.finish = finishMembers(object.on(*finish, object.pathOf("finish")));
  }
  node.kept = object.kept();
  return node;
}

Stripe stripeMembers(ObjectReader object, Unit unit) {
  Stripe stripe;
  object.list("of", [&](const Json& item, const std::string& path) {
    if (item.is_number_integer() && item.get<double>() >= 0 && item.get<double>() < mostParts) {
      stripe.of.push_back(item.get<int>());
    } else {
      object.fault(path, {"The number of a part is wanted, from 0.", {}});
    }
  });
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

Json written(const Cut& cut) {
  static const Cut usual;
  Json object = Json::object();
  const bool lines = cut.kind == CutKind::rings || cut.kind == CutKind::uprights;
  switch (cut.kind) {
    case CutKind::rings:
      object["kind"] = "rings";
      break;
    case CutKind::uprights:
      object["kind"] = "uprights";
      break;
    case CutKind::vee:
      object["kind"] = "vee";
      break;
    case CutKind::slant:
      object["kind"] = "slant";
      break;
    case CutKind::wave:
      object["kind"] = "wave";
      break;
  }
  if (lines) {
    static constexpr const char* ways[] = {"equal", "places", "widths", "spacers"};
    object["by"] = ways[static_cast<std::size_t>(cut.by)];
  }
  // What differs from the usual is written, whatever the kind: a cut turned into another kind and
  // back keeps its numbers.
  if (cut.count != usual.count || (lines && cut.by == CutBy::equal)) object["count"] = cut.count;
  if (!cut.fromRim) object["from"] = "base";
  if (!cut.places.empty()) {
    object["places"] = Json::array();
    for (const WrittenLength& place : cut.places) object["places"].push_back(written(place));
  }
  if (!cut.widths.empty()) {
    object["widths"] = Json::array();
    for (const auto& width : cut.widths) {
      object["widths"].push_back(width ? written(*width) : Json("rest"));
    }
  }
  if (!cut.angles.empty()) {
    object["angles"] = Json::array();
    for (const Angle angle : cut.angles) object["angles"].push_back(number(degreesOf(angle)));
  }
  const bool spaced = cut.by == CutBy::spacers;
  if (spaced || !(cut.tape == usual.tape)) object["tape"] = written(cut.tape);
  if (spaced || !(cut.spacer == usual.spacer)) object["spacer"] = written(cut.spacer);
  if (cut.stripes != usual.stripes) object["stripes"] = cut.stripes;
  if (cut.leftover != usual.leftover) {
    object["left_over"] = cut.leftover == Leftover::top ? "top" : "both";
  }
  if (cut.at != usual.at) object["at"] = number(degreesOf(cut.at));
  if (cut.to != usual.to) object["to"] = number(degreesOf(cut.to));
  if (cut.repeat != usual.repeat) object["repeat"] = cut.repeat;
  if (!(cut.wide == usual.wide) || cut.kind == CutKind::vee) object["wide"] = written(cut.wide);
  if (!cut.opensAtRim) object["opens_at"] = "base";
  if (cut.deep) object["deep"] = written(*cut.deep);
  if (!(cut.low == usual.low)) object["low"] = written(cut.low);
  if (!(cut.high == usual.high)) object["high"] = written(cut.high);
  if (!(cut.swing == usual.swing)) object["swing"] = written(cut.swing);
  if (cut.zigzag) object["zigzag"] = true;
  addKept(object, cut.kept);
  return object;
}

Json written(const ZoneNode& node) {
  Json object = Json::object();
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

}  // namespace

Finish finishMembers(ObjectReader object) {
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
  object.truth("opaque", finish.opaque);
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
  if (finish.grain != GlitterCut::fine) {
    object["grain"] = finish.grain == GlitterCut::medium ? "medium" : "chunky";
  }
  if (!finish.opaque) object["opaque"] = false;
  addKept(object, finish.kept);
  return object;
}

Division divisionMembers(ObjectReader object, Unit unit) {
  Division division;
  if (const Json* body = object.find("body")) {
    division.body = nodeMembers(object.on(*body, object.pathOf("body")), unit);
  }
  object.length("tape_width", unit, division.tapeWidth);
  object.list("order", [&](const Json& item, const std::string& path) {
    if (item.is_string()) {
      division.order.push_back(item.get<std::string>());
    } else {
      object.fault(path, {"The letter of a zone is wanted, in quotes.", {}});
    }
  });
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

Json written(const Division& division) {
  Json object = Json::object();
  object["tape_width"] = written(division.tapeWidth);
  object["body"] = written(division.body);
  if (division.tapes != Division().tapes) {
    object["tapes"] = Json::array();
    for (const WrittenLength& width : division.tapes) object["tapes"].push_back(written(width));
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

// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/blank_json.h"

#include <array>

#include "files/json_writing.h"

namespace avrelt {
namespace {

struct FeatureName {
  const char* name;
  FeatureKind kind;
};
constexpr std::array<FeatureName, 6> featureNames{{{"front_mark", FeatureKind::frontMark},
                                                   {"lid_mouth", FeatureKind::lidMouth},
                                                   {"handle", FeatureKind::handle},
                                                   {"spout", FeatureKind::spout},
                                                   {"foot_lip", FeatureKind::footLip},
                                                   {"keep_clear", FeatureKind::keepClear}}};

Feature featureMembers(ObjectReader object, Unit unit) {
  Feature feature;
  object.choice("kind",
                {{"front_mark", FeatureKind::frontMark},
                 {"lid_mouth", FeatureKind::lidMouth},
                 {"handle", FeatureKind::handle},
                 {"spout", FeatureKind::spout},
                 {"foot_lip", FeatureKind::footLip},
                 {"keep_clear", FeatureKind::keepClear}},
                feature.kind);
  object.degrees("at", -360, 360, feature.at);
  object.degrees("wide", 0, 360, feature.wide);
  object.length("low", unit, feature.low);
  object.length("high", unit, feature.high);
  feature.kept = object.kept();
  return feature;
}

Json written(const Feature& feature) {
  Json object = Json::object();
  for (const FeatureName& name : featureNames) {
    if (name.kind == feature.kind) object["kind"] = name.name;
  }
  object["at"] = number(degreesOf(feature.at));
  object["wide"] = number(degreesOf(feature.wide));
  object["low"] = written(feature.low);
  object["high"] = written(feature.high);
  addKept(object, feature.kept);
  return object;
}

}  // namespace

Station stationMembers(ObjectReader& object, const Json& value, const std::string& path,
                       Unit unit) {
  Station station;
  if (value.is_object() && !value.contains("at")) {
    object.fault(path, {"The station has no \"at\": its height above the base edge.", {}});
  }
  object.length("at", unit, station.at);
  std::optional<WrittenLength> around = object.lengthIfGiven("around", unit);
  std::optional<WrittenLength> across = object.lengthIfGiven("across", unit);
  if (around && across) {
    object.fault(object.pathOf("across"),
                 {"The station has both \"around\" and \"across\". Keep the one measured.", {}});
  }
  if (across) station.girthIs = Girth::across;
  station.girth = across ? std::move(across) : std::move(around);
  return station;
}

Json written(const Station& station) {
  Json object = {{"at", written(station.at)}};
  if (station.girth) {
    object[station.girthIs == Girth::around ? "around" : "across"] = written(*station.girth);
  }
  addKept(object, station.kept);
  return object;
}

Blank blankMembers(ObjectReader object, const Json& value, Unit unit) {
  Blank blank;
  object.text("name", blank.name);
  object.choice("height_along", {{"wall", HeightAlong::wall}, {"plumb", HeightAlong::plumb}},
                blank.heightAlong);
  object.choice("joined", {{"straight", Joined::straight}, {"smooth", Joined::smooth}},
                blank.joined);
  if (value.is_object() && !value.contains("stations")) {
    object.fault(object.pathOf("stations"),
                 {"Here a list of stations in brackets [ ] is wanted, from the base up.", {}});
  }
  object.list("stations", [&](const Json& item, const std::string& path) {
    ObjectReader members = object.on(item, path);
    Station station = stationMembers(members, item, path, unit);
    station.kept = members.kept();
    blank.stations.push_back(std::move(station));
  });
  object.length("fillet", unit, blank.fillet);
  object.list("features", [&](const Json& item, const std::string& path) {
    blank.features.push_back(featureMembers(object.on(item, path), unit));
  });
  blank.kept = object.kept();
  return blank;
}

Json written(const Blank& blank) {
  Json object = Json::object();
  object["name"] = blank.name;
  object["height_along"] = blank.heightAlong == HeightAlong::wall ? "wall" : "plumb";
  if (blank.joined == Joined::smooth) object["joined"] = "smooth";
  object["stations"] = Json::array();
  for (const Station& station : blank.stations) object["stations"].push_back(written(station));
  if (blank.fillet.length > Length()) object["fillet"] = written(blank.fillet);
  if (!blank.features.empty()) {
    object["features"] = Json::array();
    for (const Feature& feature : blank.features) object["features"].push_back(written(feature));
  }
  addKept(object, blank.kept);
  return object;
}

std::string writeBlank(const Blank& blank) {
  return written(blank).dump();
}

tl::expected<Blank, ReadFaults> readBlank(std::string_view text) {
  tl::expected<ReadJson, ReadFault> json = readJson(text);
  if (!json) return tl::unexpected(ReadFaults{json.error()});
  ReadFaults faults;
  Blank blank = blankMembers({json->root, {}, json->lines, faults}, json->root, Unit::mm);
  if (!faults.empty()) return tl::unexpected(std::move(faults));
  return blank;
}

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/fill_json.h"

#include "files/divide_json.h"
#include "files/json_writing.h"

namespace avrelt {
namespace {

constexpr int mostParts = 500;
constexpr int mostSeed = 1'000'000;
constexpr int mostColours = 24;
constexpr std::size_t mostPins = 6000;

Pattern patternMembers(ObjectReader object, Unit unit) {
  Pattern pattern;
  object.choice("family",
                {{"bricks", Family::bricks},
                 {"check", Family::check},
                 {"diamonds", Family::diamonds},
                 {"hexagons", Family::hexagons},
                 {"triangles", Family::triangles},
                 {"herringbone", Family::herringbone},
                 {"chevrons", Family::chevrons},
                 {"weave", Family::weave},
                 {"scales", Family::scales},
                 {"crosses", Family::crosses},
                 {"pentagons", Family::pentagons},
                 {"uprights", Family::uprights},
                 {"slants", Family::slants},
                 {"pebbles", Family::pebbles}},
                pattern.family);
  object.length("size", unit, pattern.size);
  object.wholeNumber("repeats", mostParts, pattern.repeats);
  object.length("line", unit, pattern.line);
  if (object.find("ratio") != nullptr) {
    double ratio = 1;
    object.real("ratio", -10, 10, ratio);
    pattern.ratio = ratio;
  }
  object.real("along", 0, 1, pattern.along);
  object.real("up", 0, 1, pattern.up);
  object.truth("mirror", pattern.mirror);
  object.truth("turned", pattern.turned);
  object.choice("school", {{"narrow", School::narrow}, {"keep", School::keep}}, pattern.school);
  object.wholeNumber("seed", mostSeed, pattern.seed);
  pattern.kept = object.kept();
  return pattern;
}

Json written(const Pattern& pattern) {
  static const Pattern usual;
  Json object = Json::object();
  object["family"] = familyName(pattern.family);
  object["size"] = written(pattern.size);
  if (pattern.repeats != usual.repeats) object["repeats"] = pattern.repeats;
  object["line"] = written(pattern.line);
  if (pattern.ratio) object["ratio"] = number(*pattern.ratio);
  if (pattern.along != usual.along) object["along"] = number(pattern.along);
  if (pattern.up != usual.up) object["up"] = number(pattern.up);
  if (pattern.mirror) object["mirror"] = true;
  if (pattern.turned) object["turned"] = true;
  if (pattern.school == School::keep) object["school"] = "keep";
  if (pattern.seed != usual.seed) object["seed"] = pattern.seed;
  addKept(object, pattern.kept);
  return object;
}

}  // namespace

Fill fillMembers(ObjectReader object, Unit unit) {
  Fill fill;
  object.list("zone", [&](const Json& item, const std::string& path) {
    if (item.is_number_integer() && item.get<double>() >= 0 && item.get<double>() < mostParts) {
      fill.zone.push_back(item.get<int>());
    } else {
      object.fault(path, {"The number of a part is wanted, from 0.", {}});
    }
  });
  if (const Json* pattern = object.find("pattern")) {
    fill.pattern = patternMembers(object.on(*pattern, object.pathOf("pattern")), unit);
  }
  object.list("colours", [&](const Json& item, const std::string& path) {
    ObjectReader one = object.on(item, path);
    CellColour colour;
    if (const Json* finish = one.find("finish")) {
      colour.finish = finishMembers(one.on(*finish, one.pathOf("finish")));
    }
    one.real("share", 0, 1000, colour.share);
    fill.colours.push_back(std::move(colour));
  });
  object.choice("style",
                {{"scatter", ColourStyle::scatter},
                 {"rows", ColourStyle::rows},
                 {"gradient", ColourStyle::gradient},
                 {"symmetric", ColourStyle::symmetric},
                 {"random", ColourStyle::random}},
                fill.style);
  object.truth("corners", fill.corners);
  object.wholeNumber("seed", mostSeed, fill.seed);
  object.list("pins", [&](const Json& item, const std::string& path) {
    ObjectReader one = object.on(item, path);
    Pin pin;
    one.degrees("at", -360, 360, pin.onCup);
    one.length("up", unit, pin.up);
    one.wholeNumber("colour", mostColours, pin.colour);
    if (fill.pins.size() < mostPins) fill.pins.push_back(pin);
  });
  object.wholeNumber("coats", 20, fill.coats);
  fill.kept = object.kept();
  return fill;
}

Json written(const Fill& fill) {
  static constexpr const char* styles[] = {"scatter", "rows", "gradient", "symmetric", "random"};
  Json object = Json::object();
  object["zone"] = fill.zone;
  object["pattern"] = written(fill.pattern);
  object["colours"] = Json::array();
  for (const CellColour& colour : fill.colours) {
    object["colours"].push_back(
        {{"finish", written(colour.finish)}, {"share", number(colour.share)}});
  }
  if (fill.style != ColourStyle::scatter) {
    object["style"] = styles[static_cast<std::size_t>(fill.style)];
  }
  if (fill.corners) object["corners"] = true;
  if (fill.seed != 1) object["seed"] = fill.seed;
  if (!fill.pins.empty()) {
    object["pins"] = Json::array();
    for (const Pin& pin : fill.pins) {
      object["pins"].push_back(
          {{"at", number(degreesOf(pin.onCup))}, {"up", written(pin.up)}, {"colour", pin.colour}});
    }
  }
  if (fill.coats != 2) object["coats"] = fill.coats;
  addKept(object, fill.kept);
  return object;
}

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/fill_json.h"

#include "files/divide_json.h"
#include "files/json_writing.h"
#include "files/polygon_json.h"

namespace avrelt {
namespace {

constexpr int mostParts = 500;
constexpr int mostSeed = 1'000'000;
constexpr int mostColours = 24;
constexpr int mostSpares = 20;
constexpr std::size_t mostPins = 6000;

constexpr double mostMm = 10'000;
constexpr std::size_t mostArtCells = 6000;

SharedRepeat repeatMembers(ObjectReader object) {
  Repeat artwork;
  object.text("name", artwork.name);
  object.real("wide", 2, mostMm, artwork.wide);
  object.real("tall", 2, mostMm, artwork.tall);
  object.truth("picture", artwork.picture);
  object.list("cells", [&](const Json& item, const std::string& path) {
    if (!item.is_string() || artwork.cells.size() >= mostArtCells) {
      object.fault(path, {"A cell is wanted as path data, such as \"M0 0 10 0 10 10Z\"; up to %1.",
                          {static_cast<long>(mostArtCells)}});
      return;
    }
    std::optional<Polygon> read = outlinesFrom(object, item, path, 2 * mostMm);
    if (!read) return;
    Polygon cell;
    for (std::vector<Point>& outline : *read) {
      const double area = signedArea(outline);
      if (cell.empty() ? area <= 0 : area >= 0) {
        object.fault(path, {"An outline has to be closed and run counter-clockwise, the openings "
                            "after it clockwise.",
                            {}});
        return;
      }
      cell.push_back(std::move(outline));
    }
    if (!cell.empty()) artwork.cells.push_back(std::move(cell));
  });
  if (artwork.cells.empty() || artwork.wide < 2 || artwork.tall < 2) {
    object.fault(object.pathOf("cells"), {"An artwork wants its size and at least one cell.", {}});
    return {};
  }
  return SharedRepeat(std::move(artwork));
}

Json written(const Repeat& artwork) {
  Json object = Json::object();
  object["name"] = artwork.name;
  object["wide"] = number(artwork.wide);
  object["tall"] = number(artwork.tall);
  if (artwork.picture) object["picture"] = true;
  object["cells"] = Json::array();
  for (const Polygon& cell : artwork.cells) object["cells"].push_back(pathText(cell));
  return object;
}

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
                 {"pebbles", Family::pebbles},
                 {"artwork", Family::artwork}},
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
  object.choice("school", {{"narrow", TaperFit::narrow}, {"keep", TaperFit::keep}},
                pattern.taperFit);
  object.choice("rise",
                {{"sized", HeightFit::sized},
                 {"proportion", HeightFit::proportion},
                 {"whole", HeightFit::whole}},
                pattern.heightFit);
  object.wholeNumber("seed", mostSeed, pattern.seed);
  if (const Json* artwork = object.find("artwork")) {
    pattern.artwork = repeatMembers(object.on(*artwork, object.pathOf("artwork")));
  }
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
  if (pattern.taperFit == TaperFit::keep) object["school"] = "keep";
  if (pattern.heightFit != usual.heightFit) {
    object["rise"] = pattern.heightFit == HeightFit::whole ? "whole" : "proportion";
  }
  if (pattern.seed != usual.seed) object["seed"] = pattern.seed;
  if (pattern.artwork) object["artwork"] = written(*pattern.artwork);
  addKept(object, pattern.kept);
  return object;
}

}  // namespace

Fill fillMembers(ObjectReader object, Unit unit) {
  Fill fill;
  object.id(fill.id);
  object.reference("zone", fill.zone);
  if (const Json* pattern = object.find("pattern")) {
    fill.pattern = patternMembers(object.on(*pattern, object.pathOf("pattern")), unit);
  }
  object.list("colours", [&](const Json& item, const std::string& path) {
    ObjectReader one = object.on(item, path);
    CellColour colour;
    if (const Json* finish = one.find("finish")) {
      colour.finish = finishMembers(one.on(*finish, one.pathOf("finish")), unit);
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
  object.truth("beyond", fill.beyond);
  object.wholeNumber("seed", mostSeed, fill.seed);
  object.list("pins", [&](const Json& item, const std::string& path) {
    ObjectReader one = object.on(item, path);
    Pin pin;
    one.degrees("at", -360, 360, pin.onCup);
    one.length("up", unit, pin.up);
    one.wholeNumber("colour", mostColours, pin.colour);
    one.truth("not", pin.bar);
    if (fill.pins.size() < mostPins) fill.pins.push_back(pin);
  });
  object.wholeNumber("coats", 20, fill.coats);
  if (const Json* cutting = object.find("cutting")) {
    ObjectReader one = object.on(*cutting, object.pathOf("cutting"));
    one.wholeNumber("spares", mostSpares, fill.cutting.spares);
    one.truth("film_whole", fill.cutting.filmWhole);
    one.truth("double_sided", fill.cutting.doubleSided);
    one.truth("straight", fill.cutting.straight);
    one.choice("lines",
               {{"leave", LineWork::leave}, {"piece", LineWork::piece}, {"tape", LineWork::tape}},
               fill.cutting.lines);
  }
  fill.kept = object.kept();
  return fill;
}

Json written(const Fill& fill) {
  static constexpr const char* styles[] = {"scatter", "rows", "gradient", "symmetric", "random"};
  Json object = Json::object();
  if (!fill.id.empty()) object["id"] = fill.id;
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
  if (fill.beyond) object["beyond"] = true;
  if (fill.seed != 1) object["seed"] = fill.seed;
  if (!fill.pins.empty()) {
    object["pins"] = Json::array();
    for (const Pin& pin : fill.pins) {
      object["pins"].push_back(
          {{"at", number(degreesOf(pin.onCup))}, {"up", written(pin.up)}, {"colour", pin.colour}});
      if (pin.bar) object["pins"].back()["not"] = true;
    }
  }
  if (fill.coats != 2) object["coats"] = fill.coats;
  if (const FillCutting& cutting = fill.cutting; cutting != FillCutting()) {
    static constexpr const char* lines[] = {"leave", "piece", "tape"};
    Json& one = object["cutting"] = Json::object();
    if (cutting.spares > 0) one["spares"] = cutting.spares;
    if (cutting.filmWhole) one["film_whole"] = true;
    if (cutting.doubleSided) one["double_sided"] = true;
    if (cutting.straight) one["straight"] = true;
    if (cutting.lines != LineWork::leave) {
      one["lines"] = lines[static_cast<std::size_t>(cutting.lines)];
    }
  }
  addKept(object, fill.kept);
  return object;
}

}  // namespace avrelt

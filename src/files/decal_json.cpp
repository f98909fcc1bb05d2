// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/decal_json.h"

#include "files/divide_json.h"
#include "files/json_writing.h"
#include "files/polygon_json.h"
#include "shape/crossings.h"

namespace avrelt {
namespace {

constexpr double farthestPlace = 20'000;
constexpr std::size_t mostAreas = 2000;
constexpr int mostInks = 12;
constexpr int mostSpeck = 10'000;
constexpr int mostSetSpares = 50;
constexpr int mostScatterSeed = 1'000'000;

constexpr const char* joinKinds[] = {"together", "without", "common", "stacked"};
constexpr const char* aligns[] = {"left", "middle", "right"};

void colourMember(ObjectReader& object, const char* name, std::string& colour) {
  const std::string before = colour;
  object.text(name, colour);
  const bool good = colour.size() == 7 && colour[0] == '#' &&
                    colour.find_first_not_of("0123456789ABCDEFabcdef", 1) == std::string::npos;
  if (good) return;
  if (colour != before) {
    object.fault(object.pathOf(name), {"A colour is wanted, such as \"#1F5E6B\".", {}});
  }
  colour = before;
}

Words wordsMembers(ObjectReader object, Unit unit) {
  Words words;
  object.text("text", words.text);
  object.text("family", words.family);
  object.text("style", words.style);
  object.length("cap_height", unit, words.capHeight);
  object.choice(
      "align",
      {{"left", TextAlign::left}, {"middle", TextAlign::middle}, {"right", TextAlign::right}},
      words.align);
  object.real("spacing_percent", -200, 1000, words.spacingPercent);
  object.real("line_percent", 0, 1000, words.linePercent);
  words.arc = object.lengthIfGiven("arc", unit);
  object.truth("under", words.under);
  object.truth("merged", words.merged);
  words.kept = object.kept();
  return words;
}

Json written(const Words& words) {
  Json object = Json::object();
  object["text"] = words.text;
  object["family"] = words.family;
  object["style"] = words.style;
  object["cap_height"] = written(words.capHeight);
  if (words.align != TextAlign::middle) {
    object["align"] = aligns[static_cast<std::size_t>(words.align)];
  }
  if (words.spacingPercent != 0) object["spacing_percent"] = number(words.spacingPercent);
  if (words.linePercent != 160) object["line_percent"] = number(words.linePercent);
  if (words.arc) object["arc"] = written(*words.arc);
  if (words.under) object["under"] = true;
  if (!words.merged) object["merged"] = false;
  addKept(object, words.kept);
  return object;
}

TraceSetting traceMembers(ObjectReader object) {
  TraceSetting trace;
  object.wholeNumber("colours", mostInks, trace.colours);
  if (object.find("threshold_percent") != nullptr) {
    trace.threshold = 50;
    object.wholeNumber("threshold_percent", 100, trace.threshold);
  }
  object.truth("invert", trace.invert);
  object.wholeNumber("specks_dots", mostSpeck, trace.despeckle);
  object.wholeNumber("smooth_percent", 100, trace.smoothPercent);
  object.truth("without_background", trace.background);
  return trace;
}

Json written(const TraceSetting& trace) {
  Json object = Json::object();
  object["colours"] = trace.colours;
  if (trace.threshold >= 0) object["threshold_percent"] = trace.threshold;
  if (trace.invert) object["invert"] = true;
  object["specks_dots"] = trace.despeckle;
  object["smooth_percent"] = trace.smoothPercent;
  if (!trace.background) object["without_background"] = false;
  return object;
}

Joining joiningMembers(ObjectReader object) {
  Joining joining;
  object.choice("kind",
                {{"together", JoinKind::together},
                 {"without", JoinKind::without},
                 {"common", JoinKind::common},
                 {"stacked", JoinKind::stacked}},
                joining.kind);
  object.list("of", [&](const Json& item, const std::string& path) {
    ObjectReader one = object.on(item, path);
    JoinedArt art;
    one.text("artwork", art.artwork);
    one.real("right_mm", -farthestPlace, farthestPlace, art.right);
    one.real("up_mm", -farthestPlace, farthestPlace, art.up);
    one.real("percent", 1, 10'000, art.percent);
    one.real("turn_degrees", -360, 360, art.turnDegrees);
    joining.of.push_back(std::move(art));
  });
  return joining;
}

Json written(const Joining& joining) {
  Json object = Json::object();
  object["kind"] = joinKinds[static_cast<std::size_t>(joining.kind)];
  object["of"] = Json::array();
  for (const JoinedArt& art : joining.of) {
    Json one = {{"artwork", art.artwork}};
    if (art.right != 0) one["right_mm"] = number(art.right);
    if (art.up != 0) one["up_mm"] = number(art.up);
    if (art.percent != 100) one["percent"] = number(art.percent);
    if (art.turnDegrees != 0) one["turn_degrees"] = number(art.turnDegrees);
    object["of"].push_back(std::move(one));
  }
  return object;
}

/// Whether an outline runs clockwise that is no opening of another.
bool turnedRound(const Polygon& area) {
  std::vector<Box> boxes;
  for (const std::vector<Point>& outline : area) boxes.push_back(boundsOf(Polygon{outline}));
  for (std::size_t i = 0; i < area.size(); ++i) {
    if (area[i].empty() || signedArea(area[i]) >= 0) continue;
    bool within = false;
    for (std::size_t k = 0; k < area.size() && !within; ++k) {
      within = i != k && boxes[k].contains(area[i].front()) && signedArea(area[k]) > 0 &&
               contains({area[k]}, area[i].front());
    }
    if (!within) return true;
  }
  return false;
}

/// Outlines as files of other hands have them may cross, or run the other way round; then they are
/// resolved.
Polygon resolved(const Polygon& area) {
  std::vector<Polyline> lines;
  for (const std::vector<Point>& outline : area) lines.push_back({outline, true});
  if (turnedRound(area)) return enclosedBy(lines, false);
  return crossMoreOftenThan(0, lines) ? unionOf({area}) : area;
}

LayerPrint printMembers(ObjectReader object, Unit unit) {
  LayerPrint print;
  object.text("picture", print.id);
  object.truth("tiled", print.tiled);
  object.length("wide", unit, print.wide);
  object.offset("right", unit, print.right);
  object.offset("up", unit, print.up);
  object.degrees("turn", -360, 360, print.turn);
  print.kept = object.kept();
  return print;
}

Json written(const LayerPrint& print) {
  Json object = {{"picture", print.id}};
  if (print.tiled) object["tiled"] = true;
  object["wide"] = written(print.wide);
  if (print.right.length != Length()) object["right"] = written(print.right);
  if (print.up.length != Length()) object["up"] = written(print.up);
  if (print.turn != Angle()) object["turn"] = number(degreesOf(print.turn));
  addKept(object, print.kept);
  return object;
}

Layer layerMembers(ObjectReader object, Unit unit) {
  Layer layer;
  object.id(layer.id);
  object.choice("kind",
                {{"decal", LayerKind::decal},
                 {"colour", LayerKind::colour},
                 {"backing", LayerKind::backing},
                 {"ring", LayerKind::ring},
                 {"peekaboo", LayerKind::peekaboo},
                 {"knock_out", LayerKind::knockOut},
                 {"outline", LayerKind::outline},
                 {"inset", LayerKind::inset}},
                layer.kind);
  object.length("offset", unit, layer.offset);
  object.choice("corners", {{"round", Corners::round}, {"sharp", Corners::sharp}}, layer.corners);
  object.truth("fill_openings", layer.fillOpenings);
  object.length("smallest_opening", unit, layer.smallestOpening);
  object.length("lap", unit, layer.lap);
  colourMember(object, "source", layer.source);
  colourMember(object, "film", layer.film);
  object.choice("material",
                {{"permanent_film", PartMaterial::permanent},
                 {"printed_film", PartMaterial::printed},
                 {"clear_film", PartMaterial::clear},
                 {"printable_film", PartMaterial::printable},
                 {"heat_applied_film", PartMaterial::heatApplied},
                 {"stencil_film", PartMaterial::stencil},
                 {"removable_film", PartMaterial::removable},
                 {"double_sided_sheet", PartMaterial::doubleSided},
                 {"paper", PartMaterial::paper}},
                layer.material);
  if (const Json* print = object.find("print")) {
    layer.print = printMembers(object.on(*print, object.pathOf("print")), unit);
  }
  if (object.find("blade_sees") != nullptr) {
    BladeSees sees = BladeSees::front;
    object.choice("blade_sees", {{"front", BladeSees::front}, {"back", BladeSees::back}}, sees);
    layer.sees = sees;
  }
  if (object.find("mirrored") != nullptr) {
    bool mirrored = false;
    object.truth("mirrored", mirrored);
    layer.mirrored = mirrored;
  }
  object.wholeNumber("spares", mostSetSpares, layer.spares);
  layer.kept = object.kept();
  return layer;
}

Json written(const Layer& layer) {
  const Layer usual;
  Json object = Json::object();
  if (!layer.id.empty()) object["id"] = layer.id;
  object["kind"] = layerName(layer.kind);
  if (layer.offset.length != Length()) object["offset"] = written(layer.offset);
  if (layer.corners == Corners::sharp) object["corners"] = "sharp";
  if (layer.fillOpenings) object["fill_openings"] = true;
  if (layer.smallestOpening.length != Length()) {
    object["smallest_opening"] = written(layer.smallestOpening);
  }
  if (layer.lap.length != Length()) object["lap"] = written(layer.lap);
  if (!layer.source.empty()) object["source"] = layer.source;
  object["film"] = layer.film;
  object["material"] = materialName(layer.material);
  if (!(layer.print.id.empty() && layer.print.kept.empty())) object["print"] = written(layer.print);
  if (layer.sees) object["blade_sees"] = *layer.sees == BladeSees::front ? "front" : "back";
  if (layer.mirrored) object["mirrored"] = *layer.mirrored;
  if (layer.spares > 0) object["spares"] = layer.spares;
  addKept(object, layer.kept);
  return object;
}

Place placeMembers(ObjectReader object, Unit unit) {
  Place place;
  object.id(place.id);
  object.degrees("at", -360, 360, place.at);
  object.length("up", unit, place.up);
  object.degrees("turn", -360, 360, place.turn);
  object.truth("follows_ring", place.follows);
  place.kept = object.kept();
  return place;
}

Json written(const Place& place) {
  Json object = Json::object();
  if (!place.id.empty()) object["id"] = place.id;
  object["at"] = number(degreesOf(place.at));
  object["up"] = written(place.up);
  if (place.turn != Angle()) object["turn"] = number(degreesOf(place.turn));
  if (place.follows) object["follows_ring"] = true;
  addKept(object, place.kept);
  return object;
}

std::vector<std::string> setIds(ObjectReader& object) {
  std::vector<std::string> ids;
  object.list("sets", [&](const Json& item, const std::string& path) {
    if (item.is_string()) {
      ids.push_back(item.get<std::string>());
    } else {
      object.fault(path, {"The id of a set is wanted, such as \"set-1\".", {}});
    }
  });
  return ids;
}

}  // namespace

Artwork artworkMembers(ObjectReader object, Unit unit) {
  Artwork artwork;
  object.id(artwork.id);
  object.text("name", artwork.name);
  object.choice("kind",
                {{"drawing", ArtKind::drawing},
                 {"picture", ArtKind::picture},
                 {"lettering", ArtKind::lettering},
                 {"shape", ArtKind::shape},
                 {"joined", ArtKind::joined}},
                artwork.kind);
  object.list("areas", [&](const Json& item, const std::string& path) {
    ObjectReader one = object.on(item, path);
    ColourArea area{"#22262A", {}};
    colourMember(one, "colour", area.colour);
    const Json* outlines = one.find("outlines");
    if (outlines == nullptr || artwork.areas.size() >= mostAreas) {
      one.fault(path, {"The outlines of a colour are wanted; up to %1 of these.",
                       {static_cast<long>(mostAreas)}});
      return;
    }
    if (std::optional<Polygon> read =
            outlinesFrom(one, *outlines, one.pathOf("outlines"), farthestPlace)) {
      area.area = resolved(*read);
      artwork.areas.push_back(std::move(area));
    }
  });
  if (const Json* words = object.find("words")) {
    artwork.words = wordsMembers(object.on(*words, object.pathOf("words")), unit);
  }
  if (const Json* trace = object.find("trace")) {
    artwork.trace = traceMembers(object.on(*trace, object.pathOf("trace")));
  }
  if (const Json* joining = object.find("joining")) {
    artwork.joining = joiningMembers(object.on(*joining, object.pathOf("joining")));
  }
  artwork.kept = object.kept();
  if (const std::optional<Fault> fault = artworkFault(artwork)) {
    object.fault(object.pathOf("areas"), fault->sentence);
  }
  return artwork;
}

Json written(const Artwork& artwork) {
  Json object = Json::object();
  if (!artwork.id.empty()) object["id"] = artwork.id;
  object["name"] = artwork.name;
  object["kind"] = artKindName(artwork.kind);
  if (artwork.kind == ArtKind::lettering) object["words"] = written(artwork.words);
  if (artwork.kind == ArtKind::picture) object["trace"] = written(artwork.trace);
  if (artwork.kind == ArtKind::joined) object["joining"] = written(artwork.joining);
  object["areas"] = Json::array();
  for (const ColourArea& area : artwork.areas) {
    object["areas"].push_back({{"colour", area.colour}, {"outlines", pathText(area.area)}});
  }
  addKept(object, artwork.kept);
  return object;
}

std::string writeArtwork(const Artwork& artwork) {
  return written(artwork).dump();
}

tl::expected<Artwork, ReadFaults> readArtwork(std::string_view text) {
  const tl::expected<ReadJson, ReadFault> json = readJson(text);
  if (!json) return tl::unexpected(ReadFaults{json.error()});
  ReadFaults faults;
  Artwork artwork = artworkMembers(ObjectReader(json->root, {}, json->lines, faults), Unit::mm);
  if (!faults.empty()) return tl::unexpected(std::move(faults));
  return artwork;
}

DecalSet setMembers(ObjectReader object, Unit unit) {
  DecalSet set;
  object.id(set.id);
  object.text("artwork", set.artwork);
  object.length("size", unit, set.size);
  object.choice("size_is", {{"width", false}, {"height", true}}, set.byHeight);
  object.degrees("turn", -360, 360, set.turn);
  object.truth("flipped", set.flipped);
  if (const Json* anchor = object.find("anchor")) {
    ObjectReader one = object.on(*anchor, object.pathOf("anchor"));
    one.real("across", 0, 1, set.anchor.across);
    one.real("up", 0, 1, set.anchor.up);
  }
  // Orders from before a set could stand at several places told the one there was.
  if (object.find("places") == nullptr) {
    Place place;
    object.truth("follows_ring", place.follows);
    object.degrees("at", -360, 360, place.at);
    object.length("up", unit, place.up);
    set.places.push_back(std::move(place));
  }
  object.list("places", [&](const Json& item, const std::string& path) {
    set.places.push_back(placeMembers(object.on(item, path), unit));
  });
  object.real("shrinks_percent", 0, 20, set.shrinkPercent);
  object.truth("allow_growth", set.allowGrowth);
  object.truth("flush", set.flush);
  object.truth("cut_at_lines", set.parted);
  object.truth("cut_in", set.relief);
  object.length("limit", unit, set.limit);
  object.truth("thicken", set.thicken);
  object.truth("drop_specks", set.drop);
  if (const Json* over = object.find("over")) {
    set.over = finishMembers(object.on(*over, object.pathOf("over")), unit);
  }
  object.list("layers", [&](const Json& item, const std::string& path) {
    set.layers.push_back(layerMembers(object.on(item, path), unit));
  });
  set.kept = object.kept();
  return set;
}

Json written(const DecalSet& set) {
  Json object = Json::object();
  if (!set.id.empty()) object["id"] = set.id;
  object["artwork"] = set.artwork;
  object["size"] = written(set.size);
  if (set.byHeight) object["size_is"] = "height";
  if (set.turn != Angle()) object["turn"] = number(degreesOf(set.turn));
  if (set.flipped) object["flipped"] = true;
  if (set.anchor != Anchor()) {
    object["anchor"] = {{"across", number(set.anchor.across)}, {"up", number(set.anchor.up)}};
  }
  object["places"] = Json::array();
  for (const Place& place : set.places) object["places"].push_back(written(place));
  if (set.shrinkPercent != 0) object["shrinks_percent"] = number(set.shrinkPercent);
  if (!set.allowGrowth) object["allow_growth"] = false;
  if (set.flush) object["flush"] = true;
  if (set.parted) object["cut_at_lines"] = true;
  if (set.relief) object["cut_in"] = true;
  object["limit"] = written(set.limit);
  if (set.thicken) object["thicken"] = true;
  if (set.drop) object["drop_specks"] = true;
  if (set.over) object["over"] = written(*set.over);
  object["layers"] = Json::array();
  for (const Layer& layer : set.layers) object["layers"].push_back(written(layer));
  addKept(object, set.kept);
  return object;
}

Row rowMembers(ObjectReader object, Unit unit) {
  Row row;
  row.count.reset();
  object.id(row.id);
  row.sets = setIds(object);
  if (object.find("count") != nullptr) {
    row.count = 1;
    object.wholeNumber("count", mostInLine, *row.count);
  }
  object.length("gap", unit, row.gap);
  object.truth("even", row.even);
  object.choice("start",
                {{"first", RowStart::first},
                 {"middle", RowStart::middle},
                 {"gap", RowStart::gap},
                 {"seam", RowStart::seam}},
                row.start);
  object.degrees("at", -360, 360, row.at);
  object.length("up", unit, row.up);
  object.degrees("turn", -360, 360, row.turn);
  object.truth("follows_ring", row.follows);
  object.wholeNumber("lines", mostLines, row.lines);
  object.length("lines_apart", unit, row.apart);
  object.truth("staggered", row.staggered);
  row.kept = object.kept();
  return row;
}

Json written(const Row& row) {
  Json object = Json::object();
  if (!row.id.empty()) object["id"] = row.id;
  object["sets"] = row.sets;
  if (row.count) object["count"] = *row.count;
  object["gap"] = written(row.gap);
  if (!row.even) object["even"] = false;
  if (row.start != RowStart::first) object["start"] = startName(row.start);
  object["at"] = number(degreesOf(row.at));
  object["up"] = written(row.up);
  if (row.turn != Angle()) object["turn"] = number(degreesOf(row.turn));
  if (row.follows) object["follows_ring"] = true;
  if (row.lines != 1) object["lines"] = row.lines;
  if (row.apart.length != Length()) object["lines_apart"] = written(row.apart);
  if (row.staggered) object["staggered"] = true;
  addKept(object, row.kept);
  return object;
}

Scatter scatterMembers(ObjectReader object, Unit unit) {
  Scatter scatter;
  object.id(scatter.id);
  scatter.sets = setIds(object);
  object.text("zone", scatter.zone);
  object.wholeNumber("seed", mostScatterSeed, scatter.seed);
  object.wholeNumber("count", mostScattered, scatter.count);
  object.real("cover_percent", 0, 80, scatter.coverPercent);
  object.length("gap", unit, scatter.gap);
  object.length("away", unit, scatter.away);
  object.real("smallest_percent", 10, 100, scatter.smallestPercent);
  object.degrees("turns", 0, 180, scatter.turns);
  object.choice("density",
                {{"even", ScatterDensity::even},
                 {"rim", ScatterDensity::rim},
                 {"base", ScatterDensity::base},
                 {"front", ScatterDensity::front}},
                scatter.density);
  object.truth("whole", scatter.whole);
  object.truth("off_seam", scatter.offSeam);
  object.list("items", [&](const Json& item, const std::string& path) {
    ObjectReader one = object.on(item, path);
    ScatterItem read;
    one.text("set", read.set);
    one.real("percent", 1, 1000, read.percent);
    one.truth("by_hand", read.byHand);
    read.place = placeMembers(one, unit);
    scatter.items.push_back(std::move(read));
  });
  scatter.kept = object.kept();
  return scatter;
}

Json written(const Scatter& scatter) {
  Json object = Json::object();
  if (!scatter.id.empty()) object["id"] = scatter.id;
  object["sets"] = scatter.sets;
  if (!scatter.zone.empty()) object["zone"] = scatter.zone;
  object["seed"] = scatter.seed;
  object["count"] = scatter.count;
  if (scatter.coverPercent > 0) object["cover_percent"] = number(scatter.coverPercent);
  object["gap"] = written(scatter.gap);
  if (scatter.away.length != Length()) object["away"] = written(scatter.away);
  object["smallest_percent"] = number(scatter.smallestPercent);
  object["turns"] = number(degreesOf(scatter.turns));
  if (scatter.density != ScatterDensity::even) object["density"] = densityName(scatter.density);
  if (!scatter.whole) object["whole"] = false;
  if (scatter.offSeam) object["off_seam"] = true;
  object["items"] = Json::array();
  for (const ScatterItem& item : scatter.items) {
    Json one = written(item.place);
    one["set"] = item.set;
    if (item.percent != 100) one["percent"] = number(item.percent);
    if (item.byHand) one["by_hand"] = true;
    object["items"].push_back(std::move(one));
  }
  addKept(object, scatter.kept);
  return object;
}

}  // namespace avrelt

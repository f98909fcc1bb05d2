// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>
#include <map>

#include "divide/flat_outline.h"
#include "files/json_reader.h"
#include "files/outputs.h"
#include "files/plan_figures.h"
#include "files/plan_sets_json.h"
#include "files/schedule_json.h"
#include "files/where_text.h"
#include "job/bench_plan.h"

namespace avrelt {
namespace {

/// How far the polyline in the plan may stray from the true arc; a twentieth of what it promises.
constexpr Length polylineTolerance = Length::mm(0.0005);

Json points(const Path& path) {
  Json list = Json::array();
  for (const Point& p : flattened(path, polylineTolerance)) {
    list.push_back({rounded(p.x), rounded(p.y)});
  }
  return list;
}

/// The same for an open line, which ends elsewhere than it starts.
Json openPoints(const Path& path) {
  Json list = Json::array();
  list.push_back({rounded(path.start.x), rounded(path.start.y)});
  for (const Stretch& stretch : path.stretches) {
    list.push_back({rounded(stretch.end.x), rounded(stretch.end.y)});
  }
  return list;
}

/// What the wall is, and the figures of the cone it is or is most like.
Json surfaceJson(const CupPlan& cup) {
  const Body& body = cup.wall.body;
  const Development& flat = cup.wall.flat;
  const bool cylinder = flat.isCylinder() && body.isCone();
  Json json = Json::object();
  json["kind"] = cylinder ? "cylinder" : body.isCone() ? "cone" : "curved";
  json["wall_mm"] = rounded(body.wall().mm());
  json["plumb_mm"] = rounded(body.plumb().mm());
  json["around_base_mm"] = rounded(body.aroundBase().mm());
  json["around_rim_mm"] = rounded(body.aroundRim().mm());
  json["area_mm2"] = rounded(body.area().mm2());
  const bool noCone = flat.isCylinder();
  json["sector_deg"] = noCone ? Json(0) : rounded(abs(flat.flatAngle(Angle::turn())).degrees());
  json["radius_base_mm"] = noCone ? Json() : rounded(flat.apexDistance(Length()).mm());
  json["radius_rim_mm"] = noCone ? Json() : rounded(flat.apexDistance(flat.wall()).mm());
  return json;
}

Json stageJson(const CupPlan& cup, const Stage& stage) {
  const Body then = cup.bare.grownBy(stage.thickness);
  const Body wider = cup.bare.grownBy(stage.thickness + stage.spread * 2);
  Json json = Json::object();
  json["after"] = stage.after;
  json["thickness_mm"] = rounded(stage.thickness.mm());
  json["around_base_mm"] = rounded(then.aroundBase().mm());
  json["around_rim_mm"] = rounded(then.aroundRim().mm());
  json["give_or_take_mm"] = rounded((wider.aroundRim() - then.aroundRim()).mm());
  json["stations"] = Json::array();
  for (const Length at : cup.bare.stations()) {
    json["stations"].push_back(
        {{"at_mm", rounded(at.mm())},
         {"around_mm", rounded(then.around(at).mm())},
         {"give_or_take_mm", rounded((wider.around(at) - then.around(at)).mm())}});
  }
  json["measured"] = stage.measured || stage.after == 0;
  json["laid"] = stage.after == cup.laidAfter;
  return json;
}

Json optionJson(const Laying& laying) {
  Json json = Json::object();
  json["kind"] = layingName(laying.kind);
  json["possible"] = laying.possible;
  json["bears"] = laying.bears;
  json["pieces"] = laying.pieces;
  json["stretch_percent"] = rounded(laying.most * 100);
  json["fullness_percent"] = rounded(-laying.least * 100);
  json["joins_mm"] = rounded(laying.joins.mm());
  json["film_mm2"] = rounded(laying.film.mm2());
  if (laying.kind == LayingKind::slits) {
    json["slits"] = Json::array();
    for (const SlitRow& row : laying.slits) {
      json["slits"].push_back({{"from", row.atRim ? "rim" : "base"},
                               {"count", row.count},
                               {"depth_mm", rounded(row.depth.mm())},
                               {"laps_mm", rounded(row.each.mm())}});
    }
  }
  if (laying.kind == LayingKind::bands) {
    json["bands"] = Json::array();
    for (const RingFit& ring : laying.rings) {
      json["bands"].push_back({{"low_mm", rounded(ring.low)},
                               {"high_mm", rounded(ring.high)},
                               {"stretch_percent", rounded(ring.most * 100)},
                               {"fullness_percent", rounded(-ring.least * 100)}});
    }
  }
  return json;
}

Json layingJson(const CupPlan& cup) {
  Json json = Json::object();
  json["taken"] = layingName(cup.laid);
  json["recommended"] = layingName(cup.layings.recommended);
  json["straight_sheet_runs_off_mm"] = rounded(cup.layings.runsOff.mm());
  json["options"] = Json::array();
  for (const Laying& option : cup.layings.options) json["options"].push_back(optionJson(option));
  json["stretch_map"] = Json::array();
  for (const StretchRow& row : cup.laying().map) {
    json["stretch_map"].push_back({{"at_mm", rounded(row.s.mm())},
                                   {"middle_percent", rounded(row.middle * 100)},
                                   {"edge_percent", rounded(row.edge * 100)}});
  }
  return json;
}

/// As close to the true curve as an area to a millionth asks.
constexpr Length zoneTolerance = Length::mm(0.0001);

const char* finishName(FinishKind kind) {
  switch (kind) {
    case FinishKind::none:
      return "none";
    case FinishKind::paint:
      return "paint";
    case FinishKind::glitter:
      return "glitter";
    case FinishKind::film:
      return "film";
    case FinishKind::ink:
      return "ink";
    case FinishKind::dip:
      return "dip";
    case FinishKind::bare:
      break;
  }
  return "bare";
}

Json zoneJson(const Zone& zone, const CupPlan& cup) {
  Json json = Json::object();
  json["id"] = zone.letter;
  json["node"] = zone.id;
  json["finish"] = {{"kind", finishName(zone.finish.kind)},
                    {"name", zone.finish.name},
                    {"colour", zone.finish.colour}};
  std::vector<WallLine> outlines = zone.region.joined();
  std::stable_sort(outlines.begin(), outlines.end(), [&](const WallLine& a, const WallLine& b) {
    return Region({a}).area(cup.wall.body) > Region({b}).area(cup.wall.body);
  });
  json["outline_mm"] = pointsOf(inFlat(outlines.front(), true, cup.wall.flat, zoneTolerance));
  json["others_mm"] = Json::array();
  for (std::size_t i = 1; i < outlines.size(); ++i) {
    json["others_mm"].push_back(pointsOf(inFlat(outlines[i], true, cup.wall.flat, zoneTolerance)));
  }
  json["area_mm2"] = rounded(zone.area.mm2());
  return json;
}

Json lineJson(const DivideLine& line, const CupPlan& cup) {
  static constexpr const char* kinds[] = {"rings", "uprights", "vee", "slant", "wave"};
  Json json = Json::object();
  json["id"] = line.id;
  json["cut"] = line.cut;
  json["kind"] = kinds[static_cast<std::size_t>(line.kind)];
  json["length_mm"] = rounded(line.length.mm());
  json["stretches_mm"] = Json::array();
  for (const WallLine& stretch : line.stretches) {
    json["stretches_mm"].push_back(pointsOf(inFlat(stretch, false, cup.wall.flat, zoneTolerance)));
  }
  return json;
}

Json markJson(const LineMark& mark, Unit unit) {
  const Graduation graduation = usualGraduation(unit);
  Json json = Json::object();
  json["line"] = mark.line;
  json["what"] = markName(mark.at);
  json["from_base_mm"] = rounded(mark.fromBase.mm());
  json["from_rim_mm"] = rounded(mark.fromRim.mm());
  json["on_cup_deg"] = rounded(mark.onCup.degrees());
  json["from_front_mm"] = rounded(mark.fromFront.mm());
  json["from_seam_mm"] = rounded(mark.fromSeam.mm());
  if (mark.leg > Length()) json["leg_mm"] = rounded(mark.leg.mm());
  json["on_tape"] = {{"from_base", readTape(mark.fromBase, graduation).text},
                     {"from_rim", readTape(mark.fromRim, graduation).text},
                     {"from_front", readTape(abs(mark.fromFront), graduation).text},
                     {"from_seam", readTape(mark.fromSeam, graduation).text}};
  return json;
}

Json moveJson(const TapeMove& move, Unit unit) {
  Json json = Json::object();
  json["number"] = move.number;
  json["kind"] = moveName(move.kind);
  json["zones"] = move.zones;
  if (move.kind == MoveKind::tape || move.kind == MoveKind::leave) {
    json["lines"] = move.lines;
    json["keeps"] = move.keeps;
    json["width_mm"] = rounded(move.width.mm());
    json["tape_mm"] = rounded(move.tape.mm());
    if (move.sameAs > 0) json["same_as"] = move.sameAs;
  }
  json["text"] = inWords(move.words, unit);
  return json;
}

Json stripeJson(const StripePlan& stripe, Unit unit) {
  Json json = Json::object();
  json["line"] = stripe.line;
  json["kind"] = stripe.kind == StripeKind::tape ? "tape" : "film";
  json["width_mm"] = rounded(stripe.width.mm());
  json["length_mm"] = rounded(stripe.length.mm());
  json["layer"] = stripe.layer;
  if (stripe.closed) {
    json["join"] = stripe.joinUnder.empty() ? "seam" : "hidden";
    if (!stripe.joinUnder.empty()) json["join_under"] = stripe.joinUnder;
  }
  json["text"] = inWords(stripe.laying, unit);
  return json;
}

Json stripJson(const StripCut& cut) {
  Json json = Json::object();
  json["kind"] = cut.kind == StripeKind::tape ? "tape" : "film";
  json["width_mm"] = rounded(cut.width.mm());
  json["length_mm"] = rounded(cut.length.mm());
  json["lines"] = cut.lines;
  json["copies"] = cut.copies;
  json["spares"] = cut.spares;
  return json;
}

Json liquidJson(const Liquid& liquid) {
  const LiquidMix mix = mixOf(liquid);
  return {{"water_ml", rounded(mix.water.ml())},
          {"glycerin_ml", rounded(mix.glycerin.ml())},
          {"water_g", rounded(mix.waterMass.grams())},
          {"glycerin_g", rounded(mix.glycerinMass.grams())},
          {"first_ml", rounded(mix.first.ml())},
          {"rest_ml", rounded(mix.rest.ml())},
          {"free_ml", rounded(mix.free.ml())},
          {"grows_percent", rounded(mix.grows * 100)},
          {"seal_mm", rounded(liquid.sealAt.length.mm())}};
}

void addDivision(Json& json, const CupPlan& cup, Unit unit) {
  for (const char* list : {"zones", "lines", "marks", "tape_moves", "stripes", "strips"}) {
    json[list] = Json::array();
  }
  for (const Zone& zone : cup.divided.zones) json["zones"].push_back(zoneJson(zone, cup));
  for (const DivideLine& line : cup.divided.lines) json["lines"].push_back(lineJson(line, cup));
  for (const LineMark& mark : cup.divided.marks) json["marks"].push_back(markJson(mark, unit));
  for (const TapeMove& move : cup.tapeMoves) json["tape_moves"].push_back(moveJson(move, unit));
  for (const StripePlan& stripe : cup.stripes) json["stripes"].push_back(stripeJson(stripe, unit));
  for (const StripCut& cut : cup.cutList) json["strips"].push_back(stripJson(cut));
}

Json cellJson(const Cell& cell, const FillPlan& fill, const CupPlan& cup) {
  Json json = Json::object();
  json["id"] = cell.label;
  json["zone"] = fill.letter;
  json["label"] = cell.label;
  json["colour"] = cell.colour;
  json["on_seam"] = cell.onSeam;
  const auto points = [&cup](const WallLine& line) {
    return pointsOf(inFlat(line, true, cup.wall.flat, Length::mm(0.001)));
  };
  json["outline_mm"] = points(cell.drawn.outline);
  json["others_mm"] = Json::array();
  for (const WallLine& opening : cell.drawn.openings) json["others_mm"].push_back(points(opening));
  json["area_mm2"] = rounded(cell.area.mm2());
  return json;
}

/// How a pattern is fitted and what is to be weeded.
Json fillJson(const FillPlan& fill) {
  Json json = Json::object();
  json["zone"] = fill.letter;
  json["pattern"] = familyName(fill.family);
  json["repeats"] = fill.fit.around;
  json["wider_percent"] = rounded(fill.fit.stretchWide * 100);
  json["taller_percent"] = rounded(fill.fit.stretchTall * 100);
  json["narrowing_percent"] = rounded(fill.fit.narrowing * 100);
  json["seam_rest_mm"] = rounded(fill.fit.seamRest.mm());
  json["cells"] = fill.cells.size();
  json["clashes"] = fill.colouring.clashes.size();
  json["merged"] = fill.merged;
  json["dropped"] = fill.dropped;
  json["dropped_mm2"] = rounded(fill.droppedArea.mm2());
  json["lines_mm2"] = rounded(fill.lineArea.mm2());
  json["strays"] = fill.strays;
  json["styled"] = fill.styled;
  json["shares"] = Json::array();
  for (const double share : fill.shares) json["shares"].push_back(rounded(share));
  json["thinnest_mm"] = rounded(fill.thinnest.mm());
  json["islands"] = fill.islands;
  json["cut_length_mm"] = rounded(fill.cutLength.mm());
  json["work_min"] = rounded(fill.work.minutes());
  json["strips"] = Json::array();
  for (const FillStrip& strip : fill.strips.strips) {
    Json cells = Json::array();
    for (const std::size_t cell : strip.cells) cells.push_back(fill.cells[cell].label);
    json["strips"].push_back({{"as", layingName(strip.kind)},
                              {"cells", std::move(cells)},
                              {"strain_percent", rounded(strip.strain * 100)},
                              {"misfit_mm", rounded(strip.misfit.mm())}});
  }
  json["line_tape"] = {{"width_mm", rounded(fill.tape.width.mm())},
                       {"total_mm", rounded(fill.tape.total.mm())},
                       {"runs", Json::array()}};
  for (const LineRun& run : fill.tape.runs) {
    json["line_tape"]["runs"].push_back(
        {{"length_mm", rounded(run.length.mm())}, {"count", run.count}});
  }
  return json;
}

/// Cells, neighbours, the order of colours, what is lifted for each and what each takes.
void addFills(Json& json, const CupPlan& cup) {
  for (const char* list :
       {"fills", "cells", "neighbours", "colour_order", "peel_lists", "quantities"}) {
    json[list] = Json::array();
  }
  for (const FillPlan& fill : cup.fills) {
    json["fills"].push_back(fillJson(fill));
    for (const Cell& cell : fill.cells) json["cells"].push_back(cellJson(cell, fill, cup));
    for (const auto& [a, b] : fill.neighbours) {
      json["neighbours"].push_back({fill.cells[a].label, fill.cells[b].label});
    }
    for (const ColourNeed& need : fill.needs) {
      json["colour_order"].push_back({{"zone", fill.letter}, {"colour", need.colour}});
      Json labels = Json::array();
      for (const std::size_t cell : need.cells) labels.push_back(fill.cells[cell].label);
      json["peel_lists"].push_back(
          {{"zone", fill.letter}, {"colour", need.colour}, {"cells", std::move(labels)}});
      json["quantities"].push_back({{"zone", fill.letter},
                                    {"colour", need.colour},
                                    {"area_mm2", rounded(need.area.mm2())},
                                    {"glitter_g", rounded(need.glitter.grams())},
                                    {"paint_ml", rounded(need.paint.ml())}});
    }
  }
}

Json partJson(const Part& part) {
  const Box bounds = part.bounds();
  Json json = Json::object();
  json["id"] = part.id;
  json["kind"] = kindName(part.kind);
  json["for"] = part.of;
  json["zones"] = part.zones;
  json["material"] = materialName(part.material);
  json["copies"] = part.copies;
  json["spares"] = part.spares;
  json["may_turn"] = turnName(part.mayTurn);
  json["mirrored"] = part.mirrored;
  json["laid_after"] = part.laidAfter;
  json["outline_mm"] = points(part.outline);
  json["more_mm"] = Json::array();
  for (const Path& one : part.more) json["more_mm"].push_back(points(one));
  json["holes_mm"] = Json::array();
  for (const Path& hole : part.holes) json["holes_mm"].push_back(points(hole));
  json["slits_mm"] = Json::array();
  for (const Path& slit : part.slits) json["slits_mm"].push_back(openPoints(slit));
  json["trim_mm"] = Json::array();
  for (const Guide& guide : part.guides) {
    if (guide.kind == GuideKind::trim) json["trim_mm"].push_back(openPoints(guide.path));
  }
  json["area_mm2"] = rounded(part.area().mm2());
  json["size_mm"] = {rounded(bounds.width()), rounded(bounds.height())};
  return json;
}

Json watchJson(const Watch& watch, const Cup& cup, Unit unit) {
  Json json = Json::object();
  json["rule"] = idOf(watch.rule);
  json["level"] = levelName(watch.level);
  json["field"] = pathOf(watch.where, cup);
  json["text"] = inWords(watch.sentence, unit);
  return json;
}

void addSteps(Json& json, const CupPlan& cup, const Plan& plan) {
  const Unit unit = plan.units;
  json["steps"] = Json::array();
  json["mixes"] = Json::array();
  for (const Step& step : benchSteps(cup, plan.bench, plan.stock).steps) {
    Json item = {{"id", step.id},
                 {"cup", cup.slug},
                 {"kind", stepName(step.kind)},
                 {"text", inWords(step.words, unit)},
                 {"hands_on_min", rounded(step.handsOn.minutes())},
                 {"wait_min",
                  {{"least", rounded(step.wait.least.minutes())},
                   {"most", step.wait.most ? Json(rounded(step.wait.most->minutes())) : Json()}}},
                 {"after", step.after},
                 {"for", step.of},
                 {"cautions", Json::array()}};
    for (const Caution caution : step.cautions) {
      item["cautions"].push_back(inWords(cautionWords(caution), unit));
    }
    json["steps"].push_back(std::move(item));
    if (step.mix.empty()) continue;
    Json mix = {{"steps", {step.id}}, {"parts", Json::array()}};
    for (const MixPart& part : step.mix.parts) {
      Json one = {{"name", mixKindName(part.kind)},
                  {"of", part.of},
                  {"ml", part.volume ? Json(rounded(part.volume->ml())) : Json()},
                  {"g", part.mass ? Json(rounded(part.mass->grams())) : Json()}};
      if (!part.supply.empty()) one["supply"] = part.supply;
      mix["parts"].push_back(std::move(one));
    }
    json["mixes"].push_back(std::move(mix));
  }
}

}  // namespace

std::string planJson(const Plan& plan, const std::vector<Output>& outputs) {
  Json root = Json::object();
  root["avrelt_plan"] = 2;
  root["units"] = plan.units == Unit::inch ? "in" : "mm";
  root["paper"] = paperName(plan.paper);
  root["artworks"] = Json::array();
  for (const SharedArt& artwork : plan.artworks) root["artworks"].push_back(artworkJson(*artwork));
  root["cups"] = Json::array();
  for (const CupPlan& cup : plan.cups) {
    Json json = Json::object();
    json["name"] = cup.name;
    json["surface"] = surfaceJson(cup);
    json["stages"] = Json::array();
    for (const Stage& stage : cup.stages) json["stages"].push_back(stageJson(cup, stage));
    json["seam_doubt"] = {{"tape_mm", rounded(cup.seamDoubt.tape.mm())},
                          {"round_mm", rounded(cup.seamDoubt.round.mm())},
                          {"film_mm", rounded(cup.seamDoubt.film.mm())},
                          {"growth_mm", rounded(cup.seamDoubt.growth.mm())},
                          {"worst_mm", rounded(cup.seamDoubt.worst.mm())},
                          {"cover_mm", rounded(cup.seamDoubt.cover.mm())}};
    json["laying"] = layingJson(cup);
    json["snips"] = {{"count", cup.snips.count},
                     {"depth_mm", rounded(cup.snips.depth.mm())},
                     {"each_mm", rounded(cup.snips.each.mm())}};
    if (cup.of->liquid) json["liquid"] = liquidJson(*cup.of->liquid);
    addDivision(json, cup, plan.units);
    addFills(json, cup);
    addSets(json, cup, plan.units);
    json["parts"] = Json::array();
    for (const Purpose& purpose : purposes()) {
      for (const Part& part : cup.parts(purpose.id)) json["parts"].push_back(partJson(part));
    }
    json["laid"] = Json::array();
    for (const LaidThing& thing : cup.things) {
      json["laid"].push_back({{"id", thing.id},
                              {"what", inWords(thing.name, plan.units)},
                              {"after", thing.after},
                              {"own_stage", thing.own}});
    }
    addSteps(json, cup, plan);
    json["watches"] = Json::array();
    for (const Watch& watch : cup.watches) {
      json["watches"].push_back(watchJson(watch, *cup.of, plan.units));
    }
    root["cups"].push_back(std::move(json));
  }
  root["files"] = Json::array();
  for (const Output& output : outputs) {
    root["files"].push_back({{"path", output.file.name},
                             {"kind", kindName(output.kind)},
                             {"cup", output.cup},
                             {"part", output.part}});
  }
  // At the first hour of work, whenever it is asked for.
  if (plan.bench.from) root["schedule"] = scheduleList(benchPlan(plan, *plan.bench.from));
  return root.dump(1) + "\n";
}

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#include <cmath>

#include "files/json_reader.h"
#include "files/outputs.h"

namespace avrelt {
namespace {

/// How far the polyline in the plan may stray from the true arc; a quarter of what it promises.
constexpr Length polylineTolerance = Length::mm(0.0025);

/// A picometre is where the last bits of a sine begin to differ between machines.
Json rounded(double value) {
  const double short_ = std::round(value * 1e9) / 1e9;
  return short_ == 0 ? 0.0 : short_;
}

Json points(const Path& path) {
  Json list = Json::array();
  for (const Point& p : flattened(path, polylineTolerance)) {
    list.push_back({rounded(p.x), rounded(p.y)});
  }
  return list;
}

Json surfaceJson(const Development& body) {
  const bool cylinder = body.isCylinder();
  Json json = Json::object();
  json["kind"] = cylinder ? "cylinder" : "cone";
  json["wall_mm"] = rounded(body.wall().mm());
  json["plumb_mm"] = rounded(body.plumb().mm());
  json["around_base_mm"] = rounded(body.aroundBase().mm());
  json["around_rim_mm"] = rounded(body.aroundRim().mm());
  json["sector_deg"] = cylinder ? Json(0) : rounded(abs(body.flatAngle(Angle::turn())).degrees());
  json["radius_base_mm"] = cylinder ? Json() : rounded(body.apexDistance(Length()).mm());
  json["radius_rim_mm"] = cylinder ? Json() : rounded(body.apexDistance(body.wall()).mm());
  return json;
}

Json stageJson(const CupPlan& cup, const Stage& stage) {
  const Development then = cup.bare.grownBy(stage.thickness);
  const Development wider = cup.bare.grownBy(stage.thickness + stage.spread * 2);
  Json json = Json::object();
  json["after"] = stage.after;
  json["thickness_mm"] = rounded(stage.thickness.mm());
  json["around_base_mm"] = rounded(then.aroundBase().mm());
  json["around_rim_mm"] = rounded(then.aroundRim().mm());
  json["give_or_take_mm"] = rounded((wider.aroundRim() - then.aroundRim()).mm());
  json["measured"] = stage.measured || stage.after == 0;
  json["laid"] = stage.after == cup.laidAfter;
  return json;
}

Json pieceJson(const Piece& piece) {
  const Box bounds = piece.bounds();
  Json json = Json::object();
  json["id"] = piece.id;
  json["role"] = roleName(piece.role);
  json["outline_mm"] = points(piece.outline);
  json["holes_mm"] = Json::array();
  for (const Path& hole : piece.holes) json["holes_mm"].push_back(points(hole));
  json["area_mm2"] = rounded(piece.area().mm2());
  json["size_mm"] = {rounded(bounds.width()), rounded(bounds.height())};
  return json;
}

Json watchJson(const Watch& watch, Unit unit) {
  Json json = Json::object();
  json["rule"] = watch.rule;
  json["level"] = levelName(watch.level);
  json["field"] = watch.field;
  json["text"] = inWords(watch.sentence, unit);
  return json;
}

}  // namespace

std::string planJson(const Plan& plan, const std::vector<Output>& outputs) {
  Json root = Json::object();
  root["avrelt_plan"] = 1;
  root["units"] = plan.units == Unit::inch ? "in" : "mm";
  root["paper"] = paperName(plan.paper);
  root["cups"] = Json::array();
  for (const CupPlan& cup : plan.cups) {
    Json json = Json::object();
    json["name"] = cup.name;
    json["surface"] = surfaceJson(cup.surface);
    json["stages"] = Json::array();
    for (const Stage& stage : cup.stages) json["stages"].push_back(stageJson(cup, stage));
    json["seam_doubt"] = {{"tape_mm", rounded(cup.seamDoubt.tape.mm())},
                          {"round_mm", rounded(cup.seamDoubt.round.mm())},
                          {"film_mm", rounded(cup.seamDoubt.film.mm())},
                          {"growth_mm", rounded(cup.seamDoubt.growth.mm())},
                          {"worst_mm", rounded(cup.seamDoubt.worst.mm())},
                          {"cover_mm", rounded(cup.seamDoubt.cover.mm())}};
    json["pieces"] = Json::array();
    for (const Piece& piece : cup.pieces) json["pieces"].push_back(pieceJson(piece));
    json["watches"] = Json::array();
    for (const Watch& watch : cup.watches) json["watches"].push_back(watchJson(watch, plan.units));
    root["cups"].push_back(std::move(json));
  }
  root["files"] = Json::array();
  for (const Output& output : outputs) {
    root["files"].push_back({{"path", output.file.name},
                             {"kind", kindName(output.kind)},
                             {"cup", output.cup},
                             {"piece", output.piece}});
  }
  return root.dump(1) + "\n";
}

}  // namespace avrelt

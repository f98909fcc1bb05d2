// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/cut_film_json.h"

#include <cmath>

#include "files/plan_figures.h"

namespace avrelt {
namespace {

constexpr double secondsInMinute = 60;
/// 250 m.
constexpr double farthest = 250'000;

bool readPoints(const Json& json, std::vector<Point>& points) {
  if (!json.is_array()) return false;
  for (const Json& one : json) {
    if (!one.is_array() || one.size() != 2 || !one[0].is_number() || !one[1].is_number()) {
      return false;
    }
    const Point p{one[0].get<double>(), one[1].get<double>()};
    if (std::abs(p.x) > farthest || std::abs(p.y) > farthest) return false;
    points.push_back(p);
  }
  return true;
}

bool readLines(const Json& json, const char* name, std::vector<Polyline>& lines) {
  if (!json.contains(name)) return true;
  if (!json[name].is_array()) return false;
  for (const Json& one : json[name]) {
    Polyline line;
    if (!readPoints(one, line.points)) return false;
    lines.push_back(std::move(line));
  }
  return true;
}

double figure(const Json& json, const char* name) {
  return json.contains(name) && json[name].is_number() ? json[name].get<double>() : 0;
}

}  // namespace

std::string cutFilmJson(const CutFilm& film) {
  Json json = Json::object();
  json["shapes"] = Json::array();
  for (const CutShape& shape : film.shapes) {
    json["shapes"].push_back({{"outline_mm", pointsOf(shape.outline)}, {"passes", shape.passes}});
  }
  for (const auto& [name, lines] : {std::pair("open_mm", &film.open), {"drawn_mm", &film.drawn}}) {
    json[name] = Json::array();
    for (const Polyline& line : *lines) json[name].push_back(pointsOf(line.points));
  }
  json["said"] = film.said;
  json["cut_mm"] = rounded(film.cut.mm());
  json["took_s"] = rounded(film.took.minutes() * secondsInMinute);
  return json.dump();
}

tl::expected<CutFilm, Sentence> readCutFilm(std::string_view text) {
  const tl::unexpected<Sentence> refused(
      Sentence{"What the cutter answered cannot be read. Send the sheet again.", {}});
  const Json json = Json::parse(text, nullptr, false);
  if (!json.is_object() || !json.contains("shapes") || !json["shapes"].is_array()) return refused;
  CutFilm film;
  for (const Json& one : json["shapes"]) {
    CutShape shape;
    if (!one.is_object() || !one.contains("outline_mm") ||
        !readPoints(one["outline_mm"], shape.outline) || shape.outline.size() < 3) {
      return refused;
    }
    if (one.contains("passes") && one["passes"].is_number_integer()) {
      shape.passes = one["passes"].get<int>();
    }
    film.shapes.push_back(std::move(shape));
  }
  if (!readLines(json, "open_mm", film.open) || !readLines(json, "drawn_mm", film.drawn)) {
    return refused;
  }
  if (json.contains("said") && json["said"].is_array()) {
    for (const Json& words : json["said"]) {
      if (words.is_string()) film.said.push_back(words.get<std::string>());
    }
  }
  film.cut = Length::mm(figure(json, "cut_mm"));
  film.took = Duration::minutes(figure(json, "took_s") / secondsInMinute);
  return film;
}

}  // namespace avrelt

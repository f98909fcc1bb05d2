// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/sheet_files.h"

#include "files/generation.h"
#include "files/plan_figures.h"
#include "files/svg.h"

namespace avrelt {
namespace {

/// "permanent-film-22262a-sheet-2": fit for a file.
std::string sheetId(const FilmSheets& film, std::size_t sheet) {
  std::string id = slugOf(materialName(film.material));
  if (film.film.size() > 1) id += "-" + slugOf(film.film.substr(1));
  return id + "-sheet-" + std::to_string(sheet + 1);
}

Json placementJson(const SheetPlan& sheets, const FilmSheets& film, const Laid& laid) {
  const SheetPart& one = film.parts[laid.piece];
  return {{"part", one.part->id},
          {"cup", sheets.plan->cups[one.cup].slug},
          {"for", one.purpose},
          {"copy", laid.copy + 1},
          {"at_mm", {rounded(laid.at.x), rounded(laid.at.y)}},
          {"turn_deg", rounded(laid.turn.degrees())},
          {"outline_mm", pointsOf(shapeAt(film.pieces[laid.piece], laid).front())}};
}

}  // namespace

std::vector<OutputFile> sheetFiles(const SheetPlan& sheets, Unit unit) {
  std::vector<OutputFile> files;
  const SheetSize& size = sheets.choices.size;
  Json root = Json::object();
  root["avrelt_sheets"] = 1;
  root["gap_mm"] = rounded(sheets.choices.rules.gap.mm());
  root["margin_mm"] = rounded(size.margin.mm());
  root["sheets"] = Json::array();
  root["unplaced"] = Json::array();
  const Box page{{0, 0}, {size.wide.mm(), size.tall.mm()}};
  for (const FilmSheets& film : sheets.films) {
    std::vector<Json> placements(film.arrangement.sheets, Json::array());
    for (const Laid& laid : film.arrangement.laid) {
      placements[laid.sheet].push_back(placementJson(sheets, film, laid));
    }
    for (std::size_t i = 0; i < film.arrangement.sheets; ++i) {
      const std::string id = sheetId(film, i);
      files.push_back({id + ".svg", svgOf(onSheet(film, i), unit, id, page)});
      root["sheets"].push_back({{"id", id},
                                {"file", id + ".svg"},
                                {"material", materialName(film.material)},
                                {"film", film.film.empty() ? Json() : Json(film.film)},
                                {"size_mm", {rounded(size.wide.mm()), rounded(size.tall.mm())}},
                                {"used", rounded(film.used[i])},
                                {"placements", placements[i]}});
    }
    for (const NotLaid& one : film.arrangement.notLaid) {
      const SheetPart& part = film.parts[one.piece];
      root["unplaced"].push_back(
          {{"part", part.part->id},
           {"cup", sheets.plan->cups[part.cup].slug},
           {"for", part.purpose},
           {"copies", one.copies},
           {"why", one.why == NotLaid::Why::tooLarge ? "too_large" : "too_many"}});
    }
  }
  files.push_back({"sheets.json", root.dump(1) + "\n"});
  return files;
}

std::vector<std::string> sheetsListedIn(const std::string& sheetsJson) {
  std::vector<std::string> names;
  const Json root = Json::parse(sheetsJson, nullptr, false);
  if (!root.is_object() || !root.contains("avrelt_sheets") || !root.contains("sheets") ||
      !root["sheets"].is_array()) {
    return names;
  }
  for (const Json& sheet : root["sheets"]) {
    if (!sheet.is_object() || !sheet.contains("file") || !sheet["file"].is_string()) continue;
    const auto name = sheet["file"].get<std::string>();
    // Never another folder's, nor a file of a kind that is not made here.
    const bool svg = name.size() > 4 && name.substr(name.size() - 4) == ".svg";
    if (svg && name.find('/') == std::string::npos) names.push_back(name);
  }
  return names;
}

tl::expected<std::vector<std::string>, Sentence> saveSheets(const std::filesystem::path& folder,
                                                            const SheetPlan& sheets, Unit unit) {
  for (const FilmSheets& film : sheets.films) {
    const Length least = leastBetween(film.pieces, film.arrangement);
    if (least < sheets.choices.rules.gap) {
      return tl::unexpected(
          Sentence{"Two parts would lie %1 apart, nearer than %2. Nothing was written; arrange the "
                   "sheets again with a wider gap.",
                   {least, sheets.choices.rules.gap}});
    }
  }
  const std::vector<OutputFile> files = sheetFiles(sheets, unit);
  if (std::optional<Sentence> fault = writeGeneration(folder, files, sheetsListedIn)) {
    return tl::unexpected(std::move(*fault));
  }
  std::vector<std::string> names;
  names.reserve(files.size());
  for (const OutputFile& file : files) names.push_back(file.name);
  return names;
}

}  // namespace avrelt

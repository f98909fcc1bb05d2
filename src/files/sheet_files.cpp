// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/sheet_files.h"

#include <algorithm>
#include <array>
#include <map>
#include <set>
#include <string_view>

#include "files/dxf.h"
#include "files/generation.h"
#include "files/pdf.h"
#include "files/picture_file.h"
#include "files/plan_figures.h"
#include "files/plotter_file.h"
#include "files/print_files.h"
#include "files/sheet_overview.h"
#include "files/svg.h"

namespace avrelt {
namespace {

/// Endings of what is written here.
constexpr std::array<std::string_view, 6> kinds{".svg", ".dxf", ".plt", ".pdf", ".csv", ".png"};

Json placementJson(const SheetPlan& sheets, const PartOnSheet& laid) {
  const SheetPart& one = *laid.part;
  return {{"part", one.whole->id},
          {"piece", one.piece},
          {"pieces", one.pieces},
          {"cup", sheets.plan->cups[one.cup].slug},
          {"for", one.purpose},
          {"copy", laid.copy + 1},
          {"at_mm", {rounded(laid.at.x), rounded(laid.at.y)}},
          {"turn_deg", rounded(laid.turn.degrees())},
          {"outline_mm", pointsOf(outlineOf(laid))}};
}

/// What lies on a film's sheets, sheet by sheet; of a stack every strip, with the stack's id.
std::vector<Json> placementsOn(const SheetPlan& sheets, const FilmSheets& film) {
  std::vector<Json> placements(film.arrangement.sheets.size(), Json::array());
  for (const Laid& laid : film.arrangement.laid) {
    const SheetPart& part = film.parts[laid.piece];
    for (const PartOnSheet& one : partsAt(film, laid)) {
      placements[laid.sheet].push_back(placementJson(sheets, one));
      if (part.stack) placements[laid.sheet].back()["stack"] = part.part->id;
    }
  }
  return placements;
}

/// What each sheet's files are called, film by film: two films of one name would write over each
/// other.
std::vector<std::vector<std::string>> namesOf(const SheetPlan& sheets, const std::string& order) {
  std::set<std::string> taken;
  std::vector<std::vector<std::string>> names;
  for (const FilmSheets& film : sheets.films) {
    std::vector<std::string>& its = names.emplace_back();
    for (std::size_t i = 0; i < film.arrangement.sheets.size(); ++i) {
      const std::string first = sheetName(film, i, order);
      std::string name = first;
      for (int n = 2; !taken.insert(name).second; ++n) name = first + "-" + std::to_string(n);
      its.push_back(std::move(name));
    }
  }
  return names;
}

/// As tables are written (RFC 4180).
std::string cell(const std::string& text) {
  if (text.find_first_of(",\"\r\n") == std::string::npos) return text;
  std::string quoted = "\"";
  for (const char c : text) quoted += c == '"' ? std::string("\"\"") : std::string(1, c);
  return quoted + "\"";
}

/// A row a part on a sheet, with a place to tick it off.
std::string listOf(const SheetPlan& sheets, const SheetOutput& output) {
  std::string list = "sheet,cup,part,for,copies,width_mm,height_mm,done\r\n";
  for (const FilmSheets& film : sheets.films) {
    for (std::size_t i = 0; i < film.arrangement.sheets.size(); ++i) {
      // In the order of the film's parts; strips of stacks by what they are of.
      std::map<std::pair<std::size_t, const Part*>, std::pair<const SheetPart*, int>> copies;
      for (const Laid& laid : film.arrangement.laid) {
        if (laid.sheet != i) continue;
        for (const PartOnSheet& one : partsAt(film, laid)) {
          auto& [part, count] = copies[{laid.piece, one.part->part}];
          part = one.part;
          ++count;
        }
      }
      for (const auto& [which, listed] : copies) {
        const auto& [of, count] = listed;
        const SheetPart& part = *of;
        const Box box = part.part->bounds();
        const std::string name =
            part.part->name.pattern.empty() ? part.part->id : inWords(part.part->name, output.unit);
        for (const std::string& text :
             {sheetName(film, i, output.order), sheets.plan->cups[part.cup].name, name,
              part.purpose, std::to_string(count), numberText(box.width(), 1),
              numberText(box.height(), 1)}) {
          list += cell(text) + ",";
        }
        list += "\r\n";
      }
    }
  }
  return list;
}

Json printJson(const Printer& printer, const SheetSize& size, const std::string& id) {
  Json print = {{"file", id + "-print.png"},
                {"dots_per_inch", rounded(printer.dotsPerInch)},
                {"bleed_mm", rounded(printer.bleed.mm())},
                {"marks_mm", Json::array()}};
  if (printer.marks) {
    for (const Point at : markPlaces(printer, size.wide, size.tall)) {
      print["marks_mm"].push_back({rounded(at.x), rounded(at.y)});
    }
  }
  return print;
}

const char* shapeOf(const FilmPiece& piece) {
  if (piece.roll) return shapeName(StockShape::roll);
  return shapeName(piece.outline.empty() ? StockShape::sheet : StockShape::offcut);
}

}  // namespace

std::string sheetName(const FilmSheets& film, std::size_t sheet, const std::string& order) {
  std::string id = order.empty() ? std::string() : slugOf(order) + "-";
  id += film.film && !film.film->name.empty() ? slugOf(film.film->name)
                                              : slugOf(materialName(film.wanted.kind));
  if (film.wanted.colour.size() > 1) id += "-" + slugOf(film.wanted.colour.substr(1));
  return id + "-" + std::to_string(sheet + 1) + "-of-" +
         std::to_string(film.arrangement.sheets.size());
}

CutJob jobOf(const FilmSheets& film, std::size_t sheet, const std::string& name,
             const PrintShift& printed) {
  const SheetSize size = film.sizeOf(sheet);
  CutJob job = cutJobOf(onSheet(film, sheet), size.wide, size.tall, name);
  const Transform map = transformOf(printed);
  if (map == Transform()) return job;
  for (Stroke& stroke : job.strokes) {
    for (Point& p : stroke.points) p = map(p);
  }
  return job;
}

Cutter cutterFor(const Cutter& cutter, const FilmSheets& film) {
  Cutter set = cutter;
  if (film.film && film.film->faceDown) set.mirrored = true;
  return set;
}

tl::expected<std::vector<OutputFile>, Sentence> sheetFiles(const SheetPlan& sheets,
                                                           const SheetOutput& output) {
  std::vector<OutputFile> files;
  Json root = Json::object();
  root["avrelt_sheets"] = 1;
  root["gap_mm"] = rounded(sheets.choices.rules.gap.mm());
  root["margin_mm"] = rounded(sheets.choices.size.margin.mm());
  root["sheets"] = Json::array();
  root["unplaced"] = Json::array();
  root["apart"] = Json::array();
  const std::vector<std::vector<std::string>> names = namesOf(sheets, output.order);
  PictureDots dots;
  for (std::size_t at = 0; at < sheets.films.size(); ++at) {
    const FilmSheets& film = sheets.films[at];
    std::vector<Json> placements = placementsOn(sheets, film);
    const Cutter cutter = cutterFor(output.cutter, film);
    for (std::size_t i = 0; i < film.arrangement.sheets.size(); ++i) {
      const std::string& id = names[at][i];
      const SheetSize size = film.sizeOf(i);
      const Box page{{0, 0}, {size.wide.mm(), size.tall.mm()}};
      const PartSet set = onSheet(film, i);
      const CutJob job = jobOf(film, i, id);
      const std::vector<Stroke> path = machinePath(job, cutter);
      const CutFigures figures = figuresOf(path, cutter);
      const auto map = pdfOf(mapOf(sheets, film, i), tileOver(page, output.paper), output.unit, id);
      if (!map) return tl::unexpected(map.error());
      Json print;
      if (film.prints()) {
        const auto printed = printOfSheet(
            sheets, film, i, [&dots](const SharedPicture& picture) { return dots(picture); });
        if (!printed) return tl::unexpected(printed.error());
        const Printer& printer = sheets.choices.printer;
        files.push_back({id + "-print.png", pngOf(*printed, printer.dotsPerInch)});
        files.push_back({id + "-print.pdf", printPdf(*printed, size.wide, size.tall, id)});
        if (files.back().bytes.empty() || files[files.size() - 2].bytes.empty()) {
          return tl::unexpected(
              Sentence{"There is too little memory for a print of so many dots. Print fewer to the "
                       "inch.",
                       {}});
        }
        print = printJson(printer, size, id);
      }
      files.push_back({id + ".svg", svgOf(set, output.unit, id, page,
                                          film.prints() ? id + "-print.png" : std::string())});
      files.push_back({id + ".dxf", dxfOf(set, output.unit)});
      files.push_back({id + ".plt", plotterFile(path, cutter)});
      files.push_back({id + "-map.pdf", *map});
      Json extra = Json::array();
      for (const char* ending : {".dxf", ".plt", "-map.pdf"}) extra.push_back(id + ending);
      if (film.prints()) {
        for (const char* ending : {"-print.png", "-print.pdf"}) extra.push_back(id + ending);
      }
      const FilmPiece& piece = film.from[film.arrangement.sheets[i].film];
      root["sheets"].push_back(
          {{"id", id},
           {"file", id + ".svg"},
           {"more_files", extra},
           {"material", materialName(film.wanted.kind)},
           {"film", film.wanted.colour.empty() ? Json() : Json(film.wanted.colour)},
           {"name", film.film ? Json(film.film->name) : Json()},
           {"from", film.isPlain(i) ? "plain" : shapeOf(piece)},
           {"size_mm", {rounded(size.wide.mm()), rounded(size.tall.mm())}},
           {"used", rounded(film.used[i])},
           {"mirrored", cutter.mirrored},
           {"cut_mm", rounded(figures.cut.mm())},
           {"minutes", rounded(figures.takes.minutes())},
           {"pieces", static_cast<long>(job.shapes().size()) + stripsFreed(film, i)},
           {"placements", placements[i]}});
      if (!print.is_null()) root["sheets"].back()["print"] = std::move(print);
      if (i < film.likeSheets.size()) {
        const auto& [prints, sheet] = film.likeSheets[i];
        root["sheets"].back()["laid_as"] = names[prints][sheet];
      }
    }
    for (const LaidApart& one : laidApart(sheets, film)) {
      root["apart"].push_back({{"cup", sheets.plan->cups[one.who->cup].slug},
                               {"set", one.who->set.empty() ? Json() : Json(one.who->set)},
                               {"material", materialName(film.wanted.kind)},
                               {"sheets", one.sheets}});
    }
    for (const PartsNotLaid& one : notLaidOf(film)) {
      const SheetPart& part = *one.part;
      root["unplaced"].push_back(
          {{"part", part.part->id},
           {"cup", sheets.plan->cups[part.cup].slug},
           {"for", part.purpose},
           {"copies", one.copies},
           {"why", one.why == NotLaid::Why::tooLarge ? "too_large" : "too_many"}});
    }
  }
  files.push_back({"parts.csv", listOf(sheets, output)});
  root["list"] = "parts.csv";
  files.push_back({"overview.pdf", sheetOverviewPdf(sheets, output)});
  root["overview"] = "overview.pdf";
  if (files.back().bytes.empty()) {
    return tl::unexpected(
        Sentence{"The overview could not be made; memory may have run out. Save again.", {}});
  }
  files.push_back({"sheets.json", root.dump(1) + "\n"});
  return files;
}

std::optional<std::vector<std::string>> sheetsListedIn(const std::string& sheetsJson) {
  std::vector<std::string> names;
  const Json root = Json::parse(sheetsJson, nullptr, false);
  if (!root.is_object() || !root.contains("avrelt_sheets") || !root.contains("sheets") ||
      !root["sheets"].is_array()) {
    return std::nullopt;
  }
  const auto add = [&names](const Json& json) {
    if (!json.is_string()) return;
    const auto name = json.get<std::string>();
    // Never another folder's, nor a file of a kind that is not made here.
    const bool ours = std::any_of(kinds.begin(), kinds.end(),
                                  [&](std::string_view kind) { return name.ends_with(kind); });
    if (ours && name.find('/') == std::string::npos) names.push_back(name);
  };
  for (const Json& sheet : root["sheets"]) {
    if (!sheet.is_object()) continue;
    if (sheet.contains("file")) add(sheet["file"]);
    if (!sheet.contains("more_files") || !sheet["more_files"].is_array()) continue;
    for (const Json& more : sheet["more_files"]) add(more);
  }
  for (const char* one : {"list", "overview"}) {
    if (root.contains(one)) add(root[one]);
  }
  return names;
}

tl::expected<std::vector<std::string>, Sentence> saveSheets(const std::filesystem::path& folder,
                                                            const SheetPlan& sheets,
                                                            const SheetOutput& output) {
  if (std::optional<Sentence> fault = tooNear(sheets)) return tl::unexpected(std::move(*fault));
  const auto files = sheetFiles(sheets, output);
  if (!files) return tl::unexpected(files.error());
  if (std::optional<Sentence> fault = writeGeneration(folder, *files, sheetsListedIn)) {
    return tl::unexpected(std::move(*fault));
  }
  std::vector<std::string> names;
  names.reserve(files->size());
  for (const OutputFile& file : *files) names.push_back(file.name);
  return names;
}

}  // namespace avrelt

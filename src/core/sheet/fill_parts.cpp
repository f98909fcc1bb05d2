// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/fill_parts.h"

#include <algorithm>

namespace avrelt {
namespace {

/// A template: its edge and every cell cut, the labels drawn.
Part templateOf(const TemplateSheet& sheet, PartKind kind, PartMaterial material, const char* id) {
  Part part = sheet.part(kind, material, id);
  for (std::size_t i = 0; i < sheet.count(); ++i) {
    for (std::vector<Point>& outline : sheet.outlines(i)) {
      std::reverse(outline.begin(), outline.end());  // as a hole runs
      part.slits.push_back(closedPath(outline));
    }
    sheet.label(part, i, sheet.cell(i).label);
  }
  return part;
}

/// What is left of a template when all its cells are weeded. Where lines end at the zone's edge and
/// the part would fall apart, it still is cut as one and laid by its transfer tape.
Part lineWork(const TemplateSheet& sheet) {
  Part part = sheet.part(PartKind::film, PartMaterial::permanent, "line-work");
  for (std::size_t i = 0; i < sheet.count(); ++i) {
    for (std::vector<Point>& outline : sheet.outlines(i)) {
      std::reverse(outline.begin(), outline.end());
      part.holes.push_back(closedPath(outline));
    }
  }
  return part;
}

bool isFilm(const Cell& cell, const Fill& fill) {
  return fill.colours[static_cast<std::size_t>(cell.colour)].finish.kind == FinishKind::film;
}

bool hasFilm(const FillWork& work) {
  return std::any_of(work.plan.cells.begin(), work.plan.cells.end(),
                     [&](const Cell& cell) { return isFilm(cell, work.fill); });
}

}  // namespace

std::string colourLetter(int colour) {
  return std::string(1, static_cast<char>('a' + colour % 26));
}

std::vector<Part> stencilParts(const FillWork& work) {
  std::vector<Part> parts;
  for (const TemplateSheet& sheet : sheetsOf(work)) {
    parts.push_back(templateOf(sheet, PartKind::stencil, PartMaterial::stencil, "stencil"));
  }
  return parts;
}

std::vector<Part> furtherTemplates(Template which, const FillWork& work) {
  const FillCutting& cutting = work.fill.cutting;
  std::vector<Part> parts;
  switch (which) {
    case Template::straight:
      if (cutting.straight && !work.wall.flat.isCylinder()) {
        const Region& region = work.zone.region;
        const Length middle = (region.lowest() + region.highest()) / 2;
        const Development upright =
            Development::cone(work.wall.body.radius(middle), 0, work.wall.body.wall());
        parts.push_back(templateOf(TemplateSheet(work, upright), PartKind::stencil,
                                   PartMaterial::stencil, "straight-stencil"));
      }
      break;
    case Template::film:
      if (!cutting.filmWhole || !hasFilm(work)) break;
      for (const TemplateSheet& sheet : sheetsOf(work)) {
        parts.push_back(templateOf(sheet, PartKind::film, PartMaterial::printed, "film-template"));
        Part& part = parts.back();
        part.mayTurn = MayTurn::no;
        // The whole is of one film: printed, where any of its colours is.
        for (const CellColour& colour : work.fill.colours) {
          const auto lie = lieOf(colour.finish, work.wall, work.zone.region);
          if (!lie || part.print) continue;
          part.material = PartMaterial::printable;
          part.mayTurn = MayTurn::any;
          part.print = sheet.printOf(*lie);
        }
      }
      break;
    case Template::doubleSided:
      if (!cutting.doubleSided) break;
      for (const TemplateSheet& sheet : sheetsOf(work)) {
        parts.push_back(
            templateOf(sheet, PartKind::film, PartMaterial::doubleSided, "double-sided"));
      }
      break;
    case Template::lines:
      if (cutting.lines != LineWork::piece) break;
      for (const TemplateSheet& sheet : sheetsOf(work)) parts.push_back(lineWork(sheet));
      break;
  }
  return parts;
}

std::vector<Part> filmCells(const FillWork& work) {
  std::vector<Part> parts;
  const Fill& fill = work.fill;
  const FillPlan& plan = work.plan;
  if (fill.cutting.filmWhole) return parts;
  const auto films = std::count_if(
      fill.colours.begin(), fill.colours.end(),
      [](const CellColour& colour) { return colour.finish.kind == FinishKind::film; });
  if (films == 0 || !hasFilm(work)) return parts;
  std::vector<std::optional<PictureLie>> lies;
  for (const CellColour& colour : fill.colours) {
    lies.push_back(lieOf(colour.finish, work.wall, work.zone.region));
  }
  // Each as it lies on its sheet, but never cut by the seam.
  const std::vector<TemplateSheet> sheets = sheetsOf(work);
  std::vector<std::pair<const TemplateSheet*, std::size_t>> places(plan.cells.size());
  for (const TemplateSheet& sheet : sheets) {
    for (std::size_t i = 0; i < sheet.count(); ++i) {
      places[static_cast<std::size_t>(&sheet.cell(i) - plan.cells.data())] = {&sheet, i};
    }
  }
  for (const ColourNeed& need : plan.needs) {
    for (const std::size_t index : need.cells) {
      const Cell& cell = plan.cells[index];
      if (!isFilm(cell, fill)) continue;
      const auto& [sheet, place] = places[index];
      Part part = sheet->whole(place);
      const auto colour = static_cast<std::size_t>(cell.colour);
      if (const std::optional<PictureLie>& lie = lies[colour]) {
        part.material = PartMaterial::printable;
        part.print = sheet->printOf(place, *lie);
      } else {
        part.material = PartMaterial::printed;
        part.mayTurn = MayTurn::no;
      }
      part.of = {plan.id, plan.zone};
      part.zones = {plan.letter};
      part.id = "cell-" + cell.label;
      part.spares = fill.cutting.spares;
      // With more than one film, the film's letter tells whose it is.
      sheet->label(part, part.bounds(),
                   films > 1 ? cell.label + colourLetter(cell.colour) : cell.label);
      parts.push_back(std::move(part));
    }
  }
  return parts;
}

}  // namespace avrelt

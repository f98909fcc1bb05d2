// SPDX-License-Identifier: GPL-3.0-or-later
#include "job/sheets.h"

#include <algorithm>
#include <map>

namespace avrelt {
namespace {

/// Curves are followed so closely that what they stand out beyond their chords is less than
/// `arrange` keeps to spare.
constexpr Length outlineTolerance = Length::mm(0.005);

Polygon shapeOf(const Part& part) {
  Polygon shape{flattened(part.outline, outlineTolerance)};
  for (const std::vector<Path>* paths : {&part.more, &part.holes}) {
    for (const Path& path : *paths) shape.push_back(flattened(path, outlineTolerance));
  }
  return shape;
}

const Finish* finishOf(const CupPlan& cup, const std::vector<std::string>& of) {
  for (const Zone& zone : cup.divided.zones) {
    if (std::find(of.begin(), of.end(), zone.id) != of.end()) return &zone.finish;
  }
  return nullptr;
}

/// The colour of the film of a pattern's cell, by its label.
std::string cellFilm(const CupPlan& cup, const Part& part) {
  for (const FillPlan& fill : cup.fills) {
    if (std::find(part.of.begin(), part.of.end(), fill.id) == part.of.end()) continue;
    const Fill& chosen = cup.of->fills[static_cast<std::size_t>(fill.fill)];
    for (const Cell& cell : fill.cells) {
      if (part.id != "cell-" + cell.label) continue;
      const auto colour = static_cast<std::size_t>(cell.colour);
      return colour < chosen.colours.size() ? chosen.colours[colour].finish.colour : std::string();
    }
  }
  return {};
}

/// Whether it matters which colour a film is.
bool isSeen(PartMaterial material) {
  return material != PartMaterial::stencil && material != PartMaterial::removable &&
         material != PartMaterial::clear && material != PartMaterial::doubleSided;
}

std::string filmOf(const CupPlan& cup, const std::string& purpose, const Part& part) {
  if (!isSeen(part.material)) return {};
  if (!part.film.empty()) return part.film;
  if (purpose == purpose::film || purpose == purpose::patch) {
    const Finish* finish = finishOf(cup, part.of);
    return finish != nullptr ? finish->colour : std::string();
  }
  if (purpose == purpose::filmCell) return cellFilm(cup, part);
  if (purpose == purpose::stripe) {
    for (const StripePlan& stripe : cup.stripes) {
      if (std::find(part.of.begin(), part.of.end(), stripe.id) != part.of.end()) {
        return stripe.colour;
      }
    }
  }
  const Finish& whole = cup.of->division.body.finish;
  const bool own = purpose == purpose::wrap && cup.of->wrap.over == WrapOver::none;
  return own && whole.kind == FinishKind::film ? whole.colour : std::string();
}

void check(const SheetChoices& choices, Faults& faults) {
  const auto refuseIf = [&](bool wrong, const char* field, const char* words) {
    if (wrong) faults.push_back({field, {words, {}}});
  };
  constexpr Length least = Length::mm(20);
  constexpr Length most = Length::mm(3000);
  const SheetSize& size = choices.size;
  refuseIf(size.wide < least || size.wide > most, "sheet.wide",
           "How wide is a sheet? Give 20 mm to 3 m.");
  refuseIf(size.tall < least || size.tall > most, "sheet.tall",
           "How tall is a sheet? Give 20 mm to 3 m.");
  refuseIf(size.margin < Length() || size.margin * 2 >= std::min(size.wide, size.tall),
           "sheet.margin", "The margins leave nothing of the sheet. Give less.");
  refuseIf(choices.rules.gap < Length() || choices.rules.gap > Length::mm(50), "sheet.gap",
           "How far apart are parts to lie? Give up to 50 mm.");
}

}  // namespace

SheetChoices usualSheets(Unit unit) {
  SheetChoices choices;
  const bool inches = unit == Unit::inch;
  choices.size = inches ? SheetSize{Length::inches(12), Length::inches(24), Length::inches(0.25)}
                        : SheetSize{Length::mm(300), Length::mm(600), Length::mm(6)};
  choices.rules.gap = inches ? Length::inches(1.0 / 16) : Length::mm(1.5);
  return choices;
}

double FilmSheets::usedOfAll() const {
  double sum = 0;
  for (const double share : used) sum += share;
  return used.empty() ? 0 : sum / static_cast<double>(used.size());
}

std::size_t SheetPlan::sheets() const {
  std::size_t sum = 0;
  for (const FilmSheets& film : films) sum += film.arrangement.sheets;
  return sum;
}

CheckedAll<SheetPlan> sheetsOf(const std::shared_ptr<const Plan>& plan, const SheetChoices& choices,
                               const SheetsGoing& going) {
  Faults faults;
  check(choices, faults);
  if (!faults.empty()) return tl::unexpected(std::move(faults));
  SheetPlan sheets{plan, choices, {}};
  std::map<std::pair<PartMaterial, std::string>, std::size_t> known;
  std::size_t all = 0;
  for (std::size_t i = 0; i < plan->cups.size(); ++i) {
    const CupPlan& cup = plan->cups[i];
    for (const Purpose& purpose : purposes()) {
      for (const PartEntry& entry : entriesOf(cup, purpose.id)) {
        if (isCut(*cup.of, entry)) continue;
        for (const Part* part : entry.parts) {
          if (part->material == PartMaterial::paper) continue;
          const auto [found, isNew] =
              known.try_emplace({part->material, filmOf(cup, purpose.id, *part)}, known.size());
          if (isNew) {
            sheets.films.push_back({found->first.first, found->first.second, {}, {}, {}, {}});
          }
          FilmSheets& film = sheets.films[found->second];
          film.parts.push_back({i, purpose.id, part});
          film.pieces.push_back({shapeOf(*part), part->copies + part->spares, part->mayTurn});
          ++all;
        }
      }
    }
  }
  std::size_t done = 0;
  const double sheetArea = choices.size.wide.mm() * choices.size.tall.mm();
  for (FilmSheets& film : sheets.films) {
    if (going && !going(done, all)) break;
    film.arrangement = arrange(film.pieces, choices.size, choices.rules);
    film.used.assign(film.arrangement.sheets, 0);
    for (const Laid& laid : film.arrangement.laid) {
      film.used[laid.sheet] += signedArea(film.pieces[laid.piece].shape) / sheetArea;
    }
    done += film.parts.size();
  }
  return sheets;
}

PartSet onSheet(const FilmSheets& film, std::size_t sheet) {
  PartSet set;
  for (const Laid& laid : film.arrangement.laid) {
    if (laid.sheet != sheet) continue;
    const SheetPart& one = film.parts[laid.piece];
    Part part = laidOut(*one.part, laid.turn, laid.at);
    // Two cups may have parts of one name.
    part.id = "cup-" + std::to_string(one.cup + 1) + "-" + part.id;
    if (laid.copy > 0) part.id += "-copy-" + std::to_string(laid.copy + 1);
    set.parts.push_back(std::move(part));
  }
  return set;
}

}  // namespace avrelt

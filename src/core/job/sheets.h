// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <memory>
#include <string>
#include <vector>

#include "job/plan.h"
#include "sheet/arrange.h"

namespace avrelt {

/// What parts are laid on, the same for all films.
struct SheetChoices {
  SheetSize size;
  ArrangeRules rules;
};
/// Sheets of 12 by 24 in, or 300 by 600 mm, a quarter of an inch or 6 mm of margin, 1/16 in or
/// 1.5 mm from part to part: what plain sheets are cut to, common practice.
SheetChoices usualSheets(Unit unit);

/// A part to be laid, of one of the cups.
struct SheetPart {
  std::size_t cup = 0;
  std::string purpose;
  const Part* part = nullptr;  ///< of the plan
};

/// All that is cut from one film, across cups.
struct FilmSheets {
  PartMaterial material = PartMaterial::permanent;
  std::string film;  ///< #RRGGBB; empty where its colour is not known or of no matter
  std::vector<SheetPart> parts;
  std::vector<Piece> pieces;  ///< of each part
  Arrangement arrangement;
  std::vector<double> used;  ///< of each sheet, the share its parts cover

  double usedOfAll() const;
};

/// Every part of an order on sheets, film by film.
struct SheetPlan {
  std::shared_ptr<const Plan> plan;
  SheetChoices choices;
  std::vector<FilmSheets> films;

  std::size_t sheets() const;
};

/// Told how many parts are laid of how many; false stops.
using SheetsGoing = std::function<bool(std::size_t done, std::size_t all)>;

/// Lays every part of every cup that is cut and is not ticked as cut, paper left out, each with its
/// copies and spares. Faults name the choice: "sheet.wide", "sheet.gap".
CheckedAll<SheetPlan> sheetsOf(const std::shared_ptr<const Plan>& plan, const SheetChoices& choices,
                               const SheetsGoing& going = {});

/// What lies on one sheet, each part where it lies, the sheet's lower left at 0.
PartSet onSheet(const FilmSheets& film, std::size_t sheet);

}  // namespace avrelt

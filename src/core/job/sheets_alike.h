// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <set>
#include <vector>

#include "job/sheets.h"

namespace avrelt {

/// The backings of sets that are printed, each with the print it goes under: of the same cut and
/// zone, mirrored or not as the print is.
std::vector<LaidAlike> alikeOf(const Plan& plan);

/// Which of a film's parts lie as their prints do.
std::set<std::size_t> laidAlike(const FilmSheets& film, const std::vector<LaidAlike>& alike);

/// Keeps clear round prints what their backings take on their own sheets.
void keepClear(const FilmSheets& film, std::vector<Piece>& pieces,
               const std::vector<LaidAlike>& alike, Length margin);
/// Lets go of that where a print fits no sheet with it; whether there was any such.
bool dropClear(const FilmSheets& film, std::vector<Piece>& pieces);

/// A film's backings where their prints lie, on sheets as large as those, one for each; marks them.
/// What may not lie so is counted.
Arrangement likePrints(FilmSheets& film, const SheetPlan& sheets);

}  // namespace avrelt

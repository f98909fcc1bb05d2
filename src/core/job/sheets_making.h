// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "job/sheets.h"

namespace avrelt {

/// Puts down what there is of a film, in the order it is used up. What is printed first goes on
/// what the printer takes; what it does not take is counted.
void takeStock(FilmSheets& film, const FilmShelf& shelf, const SheetChoices& choices);

/// Parts what lies nowhere because no sheet is long enough; whether there was any such.
bool partLongOnes(FilmSheets& film, std::vector<Piece>& pieces, Length lap);

/// Lays one of a film's parts besides those that lie, where it may lie and be turned so; whether it
/// may.
bool layOne(FilmSheets& film, const Laid& laid);

/// Finds out again how much of each sheet its parts cover.
void measure(FilmSheets& film);

}  // namespace avrelt

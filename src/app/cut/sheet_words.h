// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QString>
#include <QStringList>

#include "job/sheets.h"
#include "sheet/cutter.h"

namespace avrelt {

/// The shelf's film by its name, else what kind and colour is wanted.
QString filmTitle(const FilmSheets& film, Unit unit);
/// A sheet among others: "Vinyl, dusk: sheet 1 of 2, 64 % used".
QString sheetLine(const FilmSheets& film, std::size_t sheet, Unit unit);
/// What is to be known of all of them: what is parted, laid apart or on none.
QStringList sheetNotes(const SheetPlan& sheets, Unit unit);
/// What cutting a sheet takes: its length, time and pieces, and what the film costs.
QString sheetFigures(const FilmSheets& film, std::size_t sheet, const Cutter& cutter, Unit unit);

}  // namespace avrelt

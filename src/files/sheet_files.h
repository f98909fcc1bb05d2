// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "files/disk.h"
#include "job/sheets.h"
#include "sheet/cut_job.h"

namespace avrelt {

/// How sheets are written.
struct SheetOutput {
  std::string order;  ///< what the order is called: files begin with it
  Unit unit = Unit::mm;
  Paper paper = Paper::a4;
  Cutter cutter;
};

/// For every sheet, at true size, its page the whole sheet: SVG, DXF, a plotter file for the
/// cutter, and a PDF map on pages of paper with every part's name; of film that is printed first
/// the print as PNG and PDF; a list of all parts as CSV; all sheets
/// small on a few pages as `overview.pdf`; then `sheets.json`, which lists them and
/// says what lies where (`docs/format.md`). Names say order, film and sheet. Refused in words: a
/// map that cannot be printed, a picture that cannot be read.
tl::expected<std::vector<OutputFile>, Sentence> sheetFiles(const SheetPlan& sheets,
                                                           const SheetOutput& output);

/// What goes to the cutter for one sheet; of a sheet that was printed a little off, where its print
/// is.
CutJob jobOf(const FilmSheets& film, std::size_t sheet, const std::string& name,
             const PrintShift& printed = {});
/// The cutter as it is set for a film: mirrored where the film's back is cut.
Cutter cutterFor(const Cutter& cutter, const FilmSheets& film);
/// What a sheet's files are called, without an ending: "open-night-permanent-film-e8b64a-2-of-3".
std::string sheetName(const FilmSheets& film, std::size_t sheet, const std::string& order);

/// The files a `sheets.json` lists; none where it cannot be read.
std::optional<std::vector<std::string>> sheetsListedIn(const std::string& sheetsJson);

/// Proves before anything is written that no two parts come nearer than the gap, then writes all
/// files into a folder as one generation; their names, or why nothing was written.
tl::expected<std::vector<std::string>, Sentence> saveSheets(const std::filesystem::path& folder,
                                                            const SheetPlan& sheets,
                                                            const SheetOutput& output);

}  // namespace avrelt

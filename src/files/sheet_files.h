// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "files/disk.h"
#include "job/sheets.h"

namespace avrelt {

/// One SVG a sheet at true size, its page the whole sheet, then `sheets.json`, which lists them and
/// says what lies where (`docs/format.md`).
std::vector<OutputFile> sheetFiles(const SheetPlan& sheets, Unit unit);

/// The files a `sheets.json` lists; none where it cannot be read.
std::vector<std::string> sheetsListedIn(const std::string& sheetsJson);

/// Proves before anything is written that no two parts come nearer than the gap, then writes all
/// files into a folder as one generation; their names, or why nothing was written.
tl::expected<std::vector<std::string>, Sentence> saveSheets(const std::filesystem::path& folder,
                                                            const SheetPlan& sheets, Unit unit);

}  // namespace avrelt

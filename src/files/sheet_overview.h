// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "files/sheet_files.h"

namespace avrelt {

/// All sheets of an order on a few pages, small, film by film: each as it is cut, its parts
/// numbered where there is room, and beside it what the numbers are, of which cup, and how many lie
/// on that sheet; last what lies nowhere. At what scale a sheet is drawn is said. The same
/// arguments give the same bytes; empty where the page cannot be drawn.
std::string sheetOverviewPdf(const SheetPlan& sheets, const SheetOutput& output);

}  // namespace avrelt

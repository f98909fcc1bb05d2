// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <tl/expected.hpp>

#include "sheet/part_set.h"
#include "sheet/tiling.h"

namespace avrelt {

/// Pieces as PDF at true size on the pages of a tiling. Every page carries a 100 mm and a 4 in
/// bar, the reminder to print at 100 %, their name, and, where there are several, the page
/// map and the join marks. The face is embedded. The same parts give the same bytes: the file
/// carries no date but the epoch's.
///
/// Refused in words: a tiling without pages, which is a part too large for 400 of them.
tl::expected<std::string, Sentence> pdfOf(const PartSet& set, const Tiling& tiling, Unit unit,
                                          const std::string& title);

}  // namespace avrelt

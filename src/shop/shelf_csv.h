// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <string_view>

#include "files/read_fault.h"
#include "shop/shelf_blank.h"

namespace avrelt {

/// Blanks as a table, one row a station, the rows of a blank together:
///
///     name, capacity, notes, height_along, joined, fillet, at, around, across
///
/// The first row names the columns, in any order and capitals; `name`, `at` and one of `around` and
/// `across` have to be there. Commas, semicolons or tabs part them, whichever the first row has
/// most of; quotes as RFC 4180 has them. Lengths as they are typed anywhere ("9 3/8 in", "23,8
/// cm"), bare numbers in mm. What a blank says once, its capacity for one, is taken from its first
/// row.
///
/// All faults come at once, each with its line, up to 50 of them. UTF-8, with or without a mark.
tl::expected<std::vector<ShelfBlank>, ReadFaults> readShelfCsv(std::string_view text);

/// The same, with commas. Features and photos are not in it; JSON has the features.
std::string writeShelfCsv(const std::vector<ShelfBlank>& blanks);

}  // namespace avrelt

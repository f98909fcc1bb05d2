// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <string_view>

namespace avrelt {

/// Whether a spreadsheet would take a text for a formula; one that begins with apostrophes before
/// it counts too, so that what is written with one more can be told from what had one.
bool looksLikeFormula(std::string_view text);

/// A text as a cell of a CSV table (RFC 4180), quoted; one more apostrophe before what looks like a
/// formula.
std::string csvCell(const std::string& text);

}  // namespace avrelt

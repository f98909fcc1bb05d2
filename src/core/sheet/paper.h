// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string_view>

#include "measure/length.h"

namespace avrelt {

/// The papers people have in the printer. A4 by ISO 216: 210 mm × 297 mm. Letter by ANSI/ASME
/// Y14.1, size A: 8.5 in × 11 in.
enum class Paper { a4, letter };

/// Upright: the short side is the width.
struct PaperSize {
  Length width;
  Length height;
};

PaperSize sizeOf(Paper paper);
/// "A4", "Letter".
const char* paperName(Paper paper);
/// From a name as a document writes it, capitals or not; nothing for a name not known.
std::optional<Paper> paperFromName(std::string_view name);
/// What a maker who works in this unit most likely has.
Paper usualPaper(Unit unit);

}  // namespace avrelt

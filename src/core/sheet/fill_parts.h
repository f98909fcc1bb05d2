// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "sheet/template_sheet.h"

namespace avrelt {

/// The stencil of a filled zone: the zone's outline with a cut round every cell, and the cells'
/// labels drawn. Laid whole; cells are lifted when their colour's turn comes, the lines last. On a
/// wall that curves both ways it is in the plan's strips, with their joins numbered.
std::vector<Part> stencilParts(const FillWork& work);

/// The template once more, as a pattern's cutting asks for.
enum class Template {
  /// Straight, for a cup that is covered as if its wall were upright, as wide as the zone is
  /// half-way up and of the same height along the wall.
  straight,
  film,         ///< whole in film
  doubleSided,  ///< whole in double-sided sheet
  lines,        ///< its lines as one part, or one a strip
};
std::vector<Part> furtherTemplates(Template which, const FillWork& work);

/// Every cell whose colour is film as a part of its own, outlined as in the stencil and under the
/// same label, with the spares asked for. None where the whole template is cut again in film.
std::vector<Part> filmCells(const FillWork& work);

/// "a", "b" …: a colour's letter on keys and in lists.
std::string colourLetter(int colour);

}  // namespace avrelt

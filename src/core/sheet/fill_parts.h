// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "pattern/fill.h"
#include "sheet/part.h"

namespace avrelt {

/// The stencil of every filled zone: the zone's outline with a cut round every cell, and the cells'
/// labels drawn. Laid whole; cells are lifted when their colour's turn comes, the lines last.
std::vector<Part> stencilParts(const std::vector<FillPlan>& plans, const Divided& divided,
                               const Development& flat);

/// The template once more, as a pattern's cutting asks for.
enum class Template {
  /// Straight, for a cup that is covered as if its wall were upright, as wide as the zone is
  /// half-way up and of the same height along the wall.
  straight,
  film,         ///< whole in film
  doubleSided,  ///< whole in double-sided sheet
  lines,        ///< its lines as one part
};
std::vector<Part> furtherTemplates(Template which, const std::vector<FillPlan>& plans,
                                   const std::vector<Fill>& fills, const Divided& divided,
                                   const Wall& wall);

/// The key of every filled zone on paper, true size: the stencil drawn, each cell with its label
/// and its colour's letter, and hatched by its colour, so that it reads in black and white.
std::vector<Part> keyParts(const std::vector<FillPlan>& plans, const std::vector<Fill>& fills,
                           const Divided& divided, const Development& flat,
                           const std::string& cupName);

/// Keys too large for a page of either paper, made smaller until they fit; their words say by how
/// much.
std::vector<Part> pageKeys(const std::vector<Part>& keys);

/// The cells of film colours as they lie in the flat, labelled and not turned: what is printed on
/// the film keeps its direction. Film by film, each cell with its spares; none of a pattern whose
/// whole template is cut in film.
std::vector<Part> filmCells(const std::vector<FillPlan>& plans, const std::vector<Fill>& fills,
                            const Development& flat);

/// The letter of a colour on a key: "a" for the first.
std::string colourLetter(int colour);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "pattern/fill.h"
#include "sheet/piece.h"

namespace avrelt {

/// The stencil of every filled zone: the zone's outline with a cut round every cell, and the cells'
/// labels drawn. Laid whole; cells are lifted when their colour's turn comes, the lines last.
std::vector<Piece> stencilPieces(const std::vector<FillPlan>& plans, const Divided& divided,
                                 const Development& flat);

/// The same template once more as each pattern's cutting asks for: straight, for a cup that is
/// covered as if its wall were upright, as wide as the zone is half-way up and of the same height
/// along the wall; whole in film; whole in double-sided sheet; its lines as one piece.
std::vector<Piece> furtherTemplates(const std::vector<FillPlan>& plans,
                                    const std::vector<Fill>& fills, const Divided& divided,
                                    const Wall& wall);

/// The key of every filled zone on paper, true size: the stencil drawn, each cell with its label
/// and its colour's letter, and hatched by its colour, so that it reads in black and white.
std::vector<Piece> keyPieces(const std::vector<FillPlan>& plans, const std::vector<Fill>& fills,
                             const Divided& divided, const Development& flat,
                             const std::string& cupName);

/// Keys too large for a page of either paper, made smaller until they fit; their words say by how
/// much.
std::vector<Piece> pageKeys(const std::vector<Piece>& keys);

/// The cells of film colours as they lie in the flat, labelled and not turned: what is printed on
/// the film keeps its direction. Film by film, each cell with its spares; none of a pattern whose
/// whole template is cut in film.
std::vector<Piece> filmCells(const std::vector<FillPlan>& plans, const std::vector<Fill>& fills,
                             const Development& flat);

/// The letter of a colour on a key: "a" for the first.
std::string colourLetter(int colour);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "divide/stripes.h"
#include "sheet/piece.h"

namespace avrelt {

/// A paper strip as long as the wall, to be held upright against it: ticked as a tape from the base
/// up, with every height a line has to be marked at. Nothing where no line has one.
std::vector<Piece> uprightGauge(const Divided& divided, const Body& body, Unit unit,
                                const std::string& cupName);

/// The film strips of every stripe, copies and spares side by side on one piece each: one cut parts
/// two of them, so no film between is lost.
std::vector<Piece> stripePieces(const std::vector<StripePlan>& stripes, const std::string& cupName);

/// Draws where upright lines meet the base edge on a base disc: to carry them up the wall with a
/// square, as a paper disc folded into parts would.
void drawUprights(Piece& disc, const Divided& divided);

}  // namespace avrelt

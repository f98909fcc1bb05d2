// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "sheet/piece.h"

namespace avrelt {

/// A piece as SVG 1.1 at true size: width and height in mm, one user unit a millimetre, y turned
/// down. The page is exactly the piece's own rectangle.
///
/// Two layers: `cut` holds the edge and the holes, arcs as arcs; `guide` what is drawn and never
/// cut, lettering included. Stretches that stand off their chord by under a nanometre are written
/// as lines, since a radius of kilometres loses the place in other people's readers.
std::string svgOf(const Piece& piece, Unit unit, const std::string& title);

}  // namespace avrelt

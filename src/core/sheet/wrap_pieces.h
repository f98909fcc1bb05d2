// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "cup/wrap.h"
#include "sheet/piece.h"

namespace avrelt {

/// The wrap as a piece to cut. Drawn on it: seam, front, quarters, and a bar of 50 mm or 2 in to
/// prove its scale by where it is large enough to carry one.
Piece wrapPiece(const WrapLayout& layout, Unit unit, const std::string& cupName);

/// The same outline for paper. It says so, and what to look for when it is tried.
Piece testPiece(const WrapLayout& layout, Unit unit, const std::string& cupName);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "sheet/piece.h"

namespace avrelt {

/// The pieces that serve one purpose together, a wrap in bands for one, as they lie side by side to
/// be cut from one sheet and printed as one.
struct PieceSet {
  PieceRole role = PieceRole::wrap;
  std::string id;  ///< of the piece, where it is one; else what their ids begin with
  std::vector<Piece> pieces;

  Box bounds() const;
};

/// One piece by itself, where it is.
PieceSet setOf(const Piece& piece);

/// Those of `pieces` with this role. A lone piece stays where it is; several are laid in rows of at
/// most 560 mm from the upper left, 6 mm apart, in their order: strips side by side, bands one
/// below the other.
PieceSet setOf(const std::vector<Piece>& pieces, PieceRole role);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/piece_set.h"

#include <algorithm>

namespace avrelt {

Box PieceSet::bounds() const {
  Box box;
  for (const Piece& piece : pieces) box.add(piece.bounds());
  return box;
}

PieceSet setOf(const Piece& piece) {
  return {piece.role, piece.id, {piece}};
}

PieceSet setOf(const std::vector<Piece>& pieces, PieceRole role) {
  constexpr double widest = 560;
  constexpr double apart = 6;
  PieceSet set;
  set.role = role;
  double x = 0;
  double y = 0;
  double rowHeight = 0;
  for (const Piece& piece : pieces) {
    if (piece.role != role) continue;
    const Box box = piece.bounds();
    if (x > 0 && x + box.width() > widest) {
      y -= rowHeight + apart;
      x = rowHeight = 0;
    }
    set.pieces.push_back(movedBy(piece, {x - box.low.x, y - box.high.y}));
    x += box.width() + apart;
    rowHeight = std::max(rowHeight, box.height());
  }
  if (set.pieces.size() == 1) {
    const auto lone = std::find_if(pieces.begin(), pieces.end(),
                                   [role](const Piece& piece) { return piece.role == role; });
    return setOf(*lone);
  }
  if (!set.pieces.empty()) {
    const std::string& first = set.pieces.front().id;
    set.id = first.substr(0, first.rfind('-'));
  }
  return set;
}

}  // namespace avrelt

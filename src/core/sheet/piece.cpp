// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/piece.h"

namespace avrelt {

const char* roleName(PieceRole role) {
  switch (role) {
    case PieceRole::wrap:
      return "wrap";
    case PieceRole::testPiece:
      return "test_piece";
    case PieceRole::markingStrip:
      break;
  }
  return "marking_strip";
}

Sentence roleTitle(PieceRole role) {
  switch (role) {
    case PieceRole::wrap:
      return {"Wrap", {}};
    case PieceRole::testPiece:
      return {"Paper test piece", {}};
    case PieceRole::markingStrip:
      break;
  }
  return {"Marking strip", {}};
}

Area Piece::area() const {
  Area total = areaOf(outline);
  for (const Path& hole : holes) total = total + areaOf(hole);  // clockwise: negative
  return total;
}

}  // namespace avrelt

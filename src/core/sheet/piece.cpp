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
      return "marking_strip";
    case PieceRole::baseDisc:
      return "base_disc";
    case PieceRole::uprightGauge:
      return "upright_gauge";
    case PieceRole::ringStrip:
      return "ring_strip";
    case PieceRole::marksSheet:
      return "marks_sheet";
    case PieceRole::stripe:
      return "stripe";
    case PieceRole::stencil:
      return "stencil";
    case PieceRole::straight:
      return "straight_stencil";
    case PieceRole::key:
      return "key";
    case PieceRole::pageKey:
      return "page_key";
    case PieceRole::filmCell:
      return "film_cell";
    case PieceRole::filmWhole:
      return "film_template";
    case PieceRole::doubleSided:
      return "double_sided";
    case PieceRole::lineWork:
      break;
  }
  return "line_work";
}

Sentence roleTitle(PieceRole role) {
  switch (role) {
    case PieceRole::wrap:
      return {"Wrap", {}};
    case PieceRole::testPiece:
      return {"Paper test piece", {}};
    case PieceRole::markingStrip:
      return {"Marking strip", {}};
    case PieceRole::baseDisc:
      return {"Base disc", {}};
    case PieceRole::uprightGauge:
      return {"Upright gauge", {}};
    case PieceRole::ringStrip:
      return {"Ring strips", {}};
    case PieceRole::marksSheet:
      return {"Marks sheet", {}};
    case PieceRole::stripe:
      return {"Stripes", {}};
    case PieceRole::stencil:
      return {"Stencil", {}};
    case PieceRole::straight:
      return {"Straight stencil", {}};
    case PieceRole::key:
      return {"Key", {}};
    case PieceRole::pageKey:
      return {"Key on a page", {}};
    case PieceRole::filmCell:
      return {"Film cells", {}};
    case PieceRole::filmWhole:
      return {"Film template", {}};
    case PieceRole::doubleSided:
      return {"Double-sided sheet", {}};
    case PieceRole::lineWork:
      break;
  }
  return {"Line work", {}};
}

Area Piece::area() const {
  Area total = areaOf(outline);
  for (const Path& hole : holes) total = total + areaOf(hole);  // clockwise: negative
  return total;
}

Piece movedBy(const Piece& piece, Point offset) {
  Piece moved = piece;
  moved.outline = movedBy(piece.outline, offset);
  for (Path& hole : moved.holes) hole = movedBy(hole, offset);
  for (Path& slit : moved.slits) slit = movedBy(slit, offset);
  for (Tint& tint : moved.tints) {
    for (Path& edge : tint.edges) edge = movedBy(edge, offset);
  }
  for (Guide& guide : moved.guides) guide.path = movedBy(guide.path, offset);
  for (Lettering& lettering : moved.letterings) lettering.at = lettering.at + offset;
  return moved;
}

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <string>
#include <vector>

#include "measure/angle.h"
#include "measure/sentence.h"
#include "shape/path.h"

namespace avrelt {

/// What a piece is for.
enum class PieceRole {
  wrap,          ///< the film that goes round the cup
  testPiece,     ///< the same outline in paper, to try before film is spent
  markingStrip,  ///< a paper band once round the body, ticked as a tape
  baseDisc,      ///< the film that covers the base
  uprightGauge,  ///< a paper strip with the heights of all lines, where there are any
  ringStrip,     ///< paper bands whose upper edges lie on the ring lines, where there are any
  marksSheet,    ///< a page that says where every line is marked
  stripe,        ///< film strips that cover lines, where any are laid
  stencil,       ///< a pattern's cells and lines, to be laid and lifted, where a zone has one
  straight,     ///< the same as if the wall were upright, of the same height, where it is asked for
  key,          ///< the same on paper with every cell's colour
  pageKey,      ///< the key made small enough for one page, where it is larger
  filmCell,     ///< cells that are film
  filmWhole,    ///< the whole template again in film, where that is asked for
  doubleSided,  ///< and in double-sided sheet
  lineWork,     ///< the lines between cells in one piece of film, where they are asked for
};

/// All of them, in the order they are shown and written.
inline constexpr std::array<PieceRole, 16> pieceRoles{
    PieceRole::wrap,         PieceRole::testPiece, PieceRole::markingStrip, PieceRole::baseDisc,
    PieceRole::uprightGauge, PieceRole::ringStrip, PieceRole::marksSheet,   PieceRole::stripe,
    PieceRole::stencil,      PieceRole::straight,  PieceRole::key,          PieceRole::pageKey,
    PieceRole::filmCell,     PieceRole::filmWhole, PieceRole::doubleSided,  PieceRole::lineWork};

/// "wrap", "test_piece", "marking_strip", "base_disc", "upright_gauge", "ring_strip",
/// "marks_sheet", "stripe", "stencil", "straight_stencil", "key", "page_key", "film_cell",
/// "film_template", "double_sided", "line_work": the role as files write it.
const char* roleName(PieceRole role);
/// The role as a person says it.
Sentence roleTitle(PieceRole role);

enum class GuideKind {
  seam,
  front,
  quarter,
  graduation,
  scaleBar,
  keepClear,  ///< round a handle or a logo the piece has to leave free
};

/// A line drawn on a piece, never cut.
struct Guide {
  GuideKind kind = GuideKind::graduation;
  Path path;
};

/// A part of a piece filled with a colour, under all lines: an outline, and its openings after it.
struct Tint {
  std::vector<Path> edges;
  std::string colour;  ///< #RRGGBB
};

/// Words drawn on a piece, never cut, centred on a place.
struct Lettering {
  Point at;
  Length height;
  /// The direction the words run in, turned left from the x axis.
  Angle turn;
  Sentence words;
};

/// One thing to cut: its edge, and what is drawn inside. All in the flat, y up, in mm, with the
/// front of the base edge near the origin.
struct Piece {
  std::string id;
  PieceRole role = PieceRole::wrap;
  Path outline;             ///< counter-clockwise
  std::vector<Path> holes;  ///< clockwise
  std::vector<Path> slits;  ///< cut like the edge, but open: the piece stays whole
  std::vector<Tint> tints;
  std::vector<Guide> guides;
  std::vector<Lettering> letterings;

  Box bounds() const { return boundsOf(outline); }
  Area area() const;
};

Piece movedBy(const Piece& piece, Point offset);

}  // namespace avrelt

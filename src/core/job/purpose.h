// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "measure/sentence.h"

namespace avrelt {

/// What parts are for, as they are listed, shown, saved and printed together. Its id names their
/// files; nothing is decided by it outside of where they are made.
struct Purpose {
  std::string id;  ///< "wrap", "marking_strip"
  Sentence title;  ///< as a person says it
};

/// All of them, in the order they are shown and written; a cup has parts for some.
const std::vector<Purpose>& purposes();

namespace purpose {
inline constexpr char wrap[] = "wrap";             ///< the film that goes round the cup
inline constexpr char film[] = "film";             ///< of every zone that is film
inline constexpr char testPiece[] = "test_piece";  ///< the same in paper, to try first
inline constexpr char patch[] = "patch";           ///< discs and drops in a zone's film
inline constexpr char cover[] = "cover";
inline constexpr char window[] = "window";
inline constexpr char markingStrip[] = "marking_strip";
inline constexpr char baseDisc[] = "base_disc";
inline constexpr char uprightGauge[] = "upright_gauge";  ///< the heights of all lines
inline constexpr char ringStrip[] = "ring_strip";        ///< bands whose upper edges lie on rings
inline constexpr char marksSheet[] = "marks_sheet";      ///< says where every line is marked
inline constexpr char stripe[] = "stripe";
inline constexpr char coverBand[] = "cover_band";  ///< over the line a liquid is sealed in along
inline constexpr char layer[] = "layer";           ///< of sets made from artworks
inline constexpr char placingMask[] = "placing_mask";  ///< paper to put sets on their places by
inline constexpr char rowStrip[] = "row_strip";        ///< all places of a row on one strip
inline constexpr char peekabooMap[] = "peekaboo_map";  ///< where stencils lie under paint
inline constexpr char stencil[] = "stencil";
inline constexpr char straight[] = "straight_stencil";  ///< as if the wall were upright
inline constexpr char key[] = "key";           ///< the stencil on paper, every cell's colour
inline constexpr char pageKey[] = "page_key";  ///< the key made small enough for a page
inline constexpr char filmCell[] = "film_cell";
inline constexpr char filmWhole[] = "film_template";  ///< the whole template again in film
inline constexpr char doubleSided[] = "double_sided";
inline constexpr char lineWork[] = "line_work";  ///< the lines between cells as one part
}  // namespace purpose

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

namespace avrelt {

/// What can be picked out in the flat and in the round, and in both at once.
enum class GaugeLine { none, rimClearance, baseClearance, overlap, seam, strip };

/// What of a cup is in hand.
struct InHand {
  GaugeLine gaugeLine = GaugeLine::none;
  std::string zone;   ///< its id; where there is no such zone, the first is
  std::string line;   ///< the cut line's number; empty for none
  int move = 0;       ///< the number of the tape move being looked at; 0 for none
  std::string art;    ///< the id of an artwork; where there is no such one, the set's or the first
  std::string set;    ///< and of a set, or the first
  std::string layer;  ///< and of a layer of that, or the first
  std::string place;  ///< and of where that stands, or the first
  std::string row;    ///< and of a row, or the first
  std::string scatter;    ///< and of a scatter, or the first
  std::string outermost;  ///< the id of the stack's outermost item that is shown; empty for all
  int peel = -1;          ///< the colour whose cells are being lifted; −1 for none

  /// As another cup is taken in hand; the gauge line is one of every cup, artworks are the order's.
  void letGo() {
    InHand next;
    next.gaugeLine = gaugeLine;
    next.art = art;
    *this = std::move(next);
  }
};

}  // namespace avrelt

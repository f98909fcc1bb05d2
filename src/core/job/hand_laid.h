// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "measure/angle.h"
#include "shape/point.h"

namespace avrelt {

/// A part of a cup that was put where it lies on a sheet by hand.
struct HandLaid {
  std::string purpose;
  std::string part;     ///< its id
  int piece = 0;        ///< of one that is longer than any sheet, from 1; else 0
  int copy = 0;         ///< from 0
  int strips = 0;       ///< of a stack of strips how many, the rest is of its first; else 0
  long long stock = 0;  ///< the shelf's key of what it lies on; 0 for plain sheets
  int sheet = 0;        ///< what has the same lies on the same sheet of that
  Angle turn{};         ///< to the left, about the part's origin, then moved
  Point at{};           ///< mm, the sheet's lower left at 0
  std::string kept{};

  /// Whether they are of the same copy of the same part.
  bool isOf(const HandLaid& other) const {
    return purpose == other.purpose && part == other.part && piece == other.piece &&
           copy == other.copy && strips == other.strips;
  }

  friend bool operator==(const HandLaid&, const HandLaid&) = default;
};

}  // namespace avrelt

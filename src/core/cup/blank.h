// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "measure/length_text.h"

namespace avrelt {

/// How the tape was held to find a height: against the wall, or plumb beside the cup. On a taper
/// the wall is the longer of the two.
enum class HeightAlong { wall, plumb };

/// How the girth was found: the tape round the body, or a rule across it.
enum class Girth { around, across };

/// One place up the wall where the cup was measured.
struct Station {
  /// From the base edge, along the wall or plumb as the blank says.
  WrittenLength at;
  /// Circumference or diameter. Left out on a straight cup's second station: the same as below.
  std::optional<WrittenLength> girth;
  Girth girthIs = Girth::around;
  /// Members of the file this version does not know, kept as they stood.
  std::string kept;

  friend bool operator==(const Station&, const Station&) = default;
};

/// The undecorated cup as its maker measured it: facts, nothing computed.
struct Blank {
  std::string name;
  HeightAlong heightAlong = HeightAlong::wall;
  std::vector<Station> stations;
  std::string kept;

  friend bool operator==(const Blank&, const Blank&) = default;
};

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "measure/angle.h"
#include "measure/length_text.h"

namespace avrelt {

/// How the tape was held to find a height: against the wall, or plumb beside the cup. On a taper
/// the wall is the longer of the two.
enum class HeightAlong { wall, plumb };

/// How the girth was found: the tape round the body, or a rule across it.
enum class Girth { around, across };

/// How the wall runs from one station to the next: straight, or in one smooth line through all.
enum class Joined { straight, smooth };

/// One place up the wall where the cup was measured.
struct Station {
  /// From the base edge, along the wall or plumb as the blank says.
  WrittenLength at;
  /// Circumference or diameter. Left out above the base: the same as the station below.
  std::optional<WrittenLength> girth;
  Girth girthIs = Girth::around;
  /// Members of the file this version does not know, kept as they stood.
  std::string kept;

  friend bool operator==(const Station&, const Station&) = default;
};

/// What a body carries besides its wall.
enum class FeatureKind {
  frontMark,  ///< a print or a logo that says where the front is
  lidMouth,   ///< where the lid is drunk from; on the rim
  handle,
  spout,
  footLip,    ///< a rim all round the foot, from the base edge up to `high`
  keepClear,  ///< an engraved logo, a dent: nothing is laid over it
};

/// One of them: where it stands round the cup, how wide, from where to where up the wall.
struct Feature {
  FeatureKind kind = FeatureKind::handle;
  CupAngle at;                      ///< its middle
  Angle wide = Angle::degrees(30);  ///< from one side of it to the other
  WrittenLength low;                ///< up the wall from the base edge
  WrittenLength high;
  std::string kept{};

  friend bool operator==(const Feature&, const Feature&) = default;
};

/// Whether a feature of this kind covers a part of wall that parts have to keep clear of.
bool coversWall(FeatureKind kind);

/// The undecorated cup as its maker measured it: facts, nothing computed.
struct Blank {
  std::string name;
  HeightAlong heightAlong = HeightAlong::wall;
  Joined joined = Joined::straight;
  /// From the base edge up, at least two.
  std::vector<Station> stations;
  /// The rounding between base and wall. The base station is measured at the corner that wall and
  /// base would meet in without it.
  WrittenLength fillet;
  std::vector<Feature> features;
  std::string kept;

  friend bool operator==(const Blank&, const Blank&) = default;
};

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "cup/growth_habits.h"
#include "measure/angle.h"
#include "measure/length_text.h"
#include "measure/sentence.h"

namespace avrelt {

/// One dividing act on a zone.
enum class CutKind {
  rings,     ///< lines once round, from the zone's upper edge down
  uprights,  ///< lines up the wall
  vee,       ///< triangles standing on their point, straight in the flat
  slant,     ///< one straight tape across
  wave,      ///< a ring that swings, in curves or zigzag
};

/// How rings and uprights are placed; only rings by tape and spacer.
enum class CutBy { equal, places, widths, spacers };

/// Where the height goes that stripes by tape and spacer leave over.
enum class Leftover { top, base, both };

/// A cut as its maker meant it: rules, not results, so that it stays what it was when the cup's
/// size changes. Which members count depends on the kind.
struct Cut {
  CutKind kind = CutKind::rings;

  CutBy by = CutBy::equal;
  int count = 2;  ///< equal parts
  /// Rings by places: how far from the rim, or from the base. Uprights by widths and rings by
  /// widths: each part, from the top down or from `at` to the right; nothing stands for the rest.
  std::vector<WrittenLength> places;
  std::vector<std::optional<WrittenLength>> widths;
  bool fromRim = true;
  std::vector<Angle> angles;  ///< uprights by places
  /// Rings by tape and spacer: how wide both are, and how many stripes; 0 for as many as fit.
  WrittenLength tape{Length::inches(0.25), "1/4 in"};
  WrittenLength spacer{Length::inches(0.25), "1/4 in"};
  int stripes = 0;
  Leftover leftover = Leftover::base;

  /// Uprights: where the first line stands. V: its middle. Slant: where it begins.
  Angle at = Angle::halfTurn();
  int repeat = 1;  ///< V: how many round the cup; wave: how many swings
  WrittenLength wide{Length::inches(2), "2 in"};  ///< V, at its open end
  bool opensAtRim = true;                         ///< V
  std::optional<WrittenLength>
      deep;  ///< V, from its open end to its point; nothing: to the far edge
  /// Slant: where it begins and ends up the wall; wave: its middle height.
  WrittenLength low;
  WrittenLength high;
  Angle to;                                            ///< slant: where it ends
  WrittenLength swing{Length::inches(0.5), "1/2 in"};  ///< wave, from trough to crest
  bool zigzag = false;
  std::string kept{};

  friend bool operator==(const Cut&, const Cut&) = default;
};

/// "3 rings", "V": a cut in the middle of a sentence.
Sentence cutName(const Cut& cut);

/// How glitter is made to stick; each has its own moment to pull tape.
enum class Stick { resin, brushGlue, wetPaint, sprayClear, tackyGlue, uvResin };

/// Ink is dripped and tilted, a dip is floated on water and picked up.
enum class FinishKind { none, paint, glitter, film, bare, ink, dip };

/// What fills a zone.
struct Finish {
  FinishKind kind = FinishKind::none;
  std::string name;                ///< "midnight", as the maker calls it
  std::string colour = "#9AA7AD";  ///< #RRGGBB
  Stick stick = Stick::resin;      ///< glitter
  GlitterCut grain = GlitterCut::fine;
  bool opaque = true;  ///< film
  std::string kept{};

  friend bool operator==(const Finish&, const Finish&) = default;
};

/// Its name, or its colour in words where it has none.
std::string finishWords(const Finish& finish);

/// A zone as it was made: cut further, or filled.
struct ZoneNode {
  std::optional<Cut> cut;
  /// What the cut leaves, from the top down or from left to right; as many as it makes. One that is
  /// missing is a zone without a finish.
  std::vector<ZoneNode> parts;
  Finish finish;
  std::string kept{};

  friend bool operator==(const ZoneNode&, const ZoneNode&) = default;
};

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <type_traits>
#include <utility>
#include <variant>
#include <vector>

#include "cup/growth_habits.h"
#include "divide/picture_lay.h"
#include "measure/angle.h"
#include "measure/length_text.h"
#include "measure/sentence.h"

namespace avrelt {

/// One dividing act on a zone.
enum class CutKind { rings, uprights, vee, slant, wave };

/// How rings and uprights are placed; only rings by tape and spacer.
enum class CutBy { equal, places, widths, spacers };

/// Where the height goes that stripes by tape and spacer leave over.
enum class Leftover { top, base, both };

/// Lines once round, from the zone's upper edge down.
struct RingCut {
  CutBy by = CutBy::equal;
  int count = 2;  ///< equal parts
  /// How far each line is from the rim, or from the base.
  std::vector<WrittenLength> places{};
  bool fromRim = true;
  /// Each part, from the top down; nothing stands for the rest.
  std::vector<std::optional<WrittenLength>> widths{};
  /// By tape and spacer: how wide both are, and how many stripes; 0 for as many as fit.
  WrittenLength tape{Length::inches(0.25), "1/4 in"};
  WrittenLength spacer{Length::inches(0.25), "1/4 in"};
  int stripes = 0;
  Leftover leftover = Leftover::base;

  friend bool operator==(const RingCut&, const RingCut&) = default;
};

/// Lines up the wall.
struct UprightCut {
  CutBy by = CutBy::equal;
  int count = 2;                                       ///< equal parts
  CupAngle at = CupAngle::back();                      ///< where the first line stands
  std::vector<CupAngle> angles{};                      ///< by places
  std::vector<std::optional<WrittenLength>> widths{};  ///< to the right, from `at` on

  friend bool operator==(const UprightCut&, const UprightCut&) = default;
};

/// Triangles standing on their point, straight in the flat.
struct VeeCut {
  CupAngle at = CupAngle::back();                 ///< its middle
  int repeat = 1;                                 ///< how many round the cup
  WrittenLength wide{Length::inches(2), "2 in"};  ///< at its open end
  bool opensAtRim = true;
  /// From its open end to its point; nothing: to the far edge.
  std::optional<WrittenLength> deep{};

  friend bool operator==(const VeeCut&, const VeeCut&) = default;
};

/// One straight tape across.
struct SlantCut {
  CupAngle at = CupAngle::back();  ///< where it begins, and how far up the wall
  WrittenLength low{};
  CupAngle to{};  ///< where it ends
  WrittenLength high{};

  friend bool operator==(const SlantCut&, const SlantCut&) = default;
};

/// A ring that swings.
struct WaveCut {
  CupAngle at = CupAngle::back();  ///< where it goes up through its middle height
  int repeat = 1;                  ///< how many swings round the cup
  WrittenLength low{};             ///< its middle height, from the base or from the rim
  bool fromRim = true;
  WrittenLength swing{Length::inches(0.5), "1/2 in"};  ///< from trough to crest
  bool zigzag = false;

  friend bool operator==(const WaveCut&, const WaveCut&) = default;
};

/// A cut as its maker meant it: rules, not results, so that it stays what it was when the cup's
/// size changes.
struct Cut {
  /// In the order of `CutKind`.
  using How = std::variant<RingCut, UprightCut, VeeCut, SlantCut, WaveCut>;

  Cut() = default;
  template <typename Kind>
  requires std::is_constructible_v<How, Kind> Cut(Kind of) : how(std::move(of)) {}

  How how;
  std::string id{};  ///< lasting; empty: that of its node
  std::string kept{};

  CutKind kind() const { return static_cast<CutKind>(how.index()); }

  friend bool operator==(const Cut&, const Cut&) = default;
};

/// What a cut is by, where its kind has a choice of that.
std::optional<CutBy> placedBy(const Cut& cut);

/// "3 rings", "V": a cut in the middle of a sentence.
Sentence cutName(const Cut& cut);

/// How glitter is made to stick; each has its own moment to pull tape.
enum class Stick { resin, brushGlue, wetPaint, sprayClear, tackyGlue, uvResin };

/// Ink is dripped and tilted, a dip is floated on water and picked up.
enum class FinishKind { none, paint, glitter, film, bare, ink, dip };

/// How far film goes at the lines of its zone.
enum class FilmEdge {
  stripes,  ///< half a stripe's width under every stripe, exact where there is none
  exact,
  under,  ///< by so much over every line, to lie under what covers it
  trim,   ///< by so much over every line, to be trimmed along it once it is laid
};

/// How far film goes at one line, where that is not as at the zone's others.
struct LineEdge {
  std::string of;  ///< the id of the cut the line is of
  int line = 0;    ///< among that cut's lines
  FilmEdge edge = FilmEdge::exact;
  WrittenLength by{Length::mm(2), "2 mm"};
  std::string kept{};

  friend bool operator==(const LineEdge&, const LineEdge&) = default;
};

/// A small piece of a zone's film laid where its ends meet and would show: at the point of a V, at
/// a seam.
enum class PatchShape { none, disc, drop };
/// Smaller it could not be laid, and larger it hides nothing.
inline constexpr Length leastPatch = Length::mm(2);
inline constexpr Length mostPatch = Length::mm(60);

/// What fills a zone.
struct Finish {
  FinishKind kind = FinishKind::none;
  std::string name;                ///< "midnight", as the maker calls it
  std::string colour = "#9AA7AD";  ///< #RRGGBB
  std::string supply{};            ///< the id of the shop's it is; a name and colour may do
  Stick stick = Stick::resin;      ///< glitter
  GlitterCut grain = GlitterCut::fine;
  bool sprayed = false;   ///< paint, from a can
  bool opaque = true;     ///< film
  bool printed = false;   ///< film that is bought with a print
  ZonePicture picture{};  ///< film that is printed first
  FilmEdge edge = FilmEdge::stripes;
  WrittenLength edgeBy{Length::mm(2), "2 mm"};  ///< under a line, or to be trimmed
  std::vector<LineEdge> edges{};                ///< lines where it is not so
  PatchShape patch = PatchShape::none;
  WrittenLength patchAcross{Length::mm(10), "10 mm"};
  std::string kept{};

  friend bool operator==(const Finish&, const Finish&) = default;
};

/// Its name, or its colour in words where it has none.
std::string finishWords(const Finish& finish);

/// A zone as it was made: cut further, or filled.
struct ZoneNode {
  std::string id{};  ///< lasting; the whole body may do without
  std::optional<Cut> cut;
  /// What the cut leaves, from the top down or from left to right; as many as it makes. One that is
  /// missing is a zone without a finish.
  std::vector<ZoneNode> parts;
  Finish finish;
  std::string kept{};

  friend bool operator==(const ZoneNode&, const ZoneNode&) = default;
};

}  // namespace avrelt

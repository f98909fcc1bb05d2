// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "divide/split.h"
#include "measure/tape.h"

namespace avrelt {

/// Which node of the tree: the part taken at each cut from the body down. Empty is the body.
using ZonePath = std::vector<int>;

/// A leaf of the tree, on the wall.
struct Zone {
  std::string id;      ///< of its node; of a part nobody has touched by its place in its cut
  std::string letter;  ///< "A", "B" …: from the top down and from left to right, for people
  ZonePath path;
  Region region;
  Area area;
  WallPoint label;    ///< well inside, for its letter
  WallPoint namedAt;  ///< where that stands on the flat: in its larger part if the seam cuts it
  Finish finish;
};

/// A line cut, on the wall.
struct DivideLine {
  std::string id;   ///< "1", "2" …, for people
  ZonePath of;      ///< the node whose cut it is
  std::string cut;  ///< the cut's id
  CutKind kind = CutKind::rings;
  int index = 0;  ///< among the lines of that cut
  std::vector<WallLine> stretches;
  Length length;        ///< on the cup
  bool spaced = false;  ///< an edge of a stripe by tape and spacer
};

/// Which place of a line is marked.
enum class MarkAt {
  ring,
  upright,
  leftCorner,
  rightCorner,
  point,
  leftEnd,
  rightEnd,
  crest,
  trough,
};
/// "ring", "left corner": as files write it and people say it.
const char* markName(MarkAt at);

/// Where to put the pencil for a line: always a place of it.
/// For a ring it is the front itself where it passes there.
struct LineMark : WallMark {
  std::string line;
  MarkAt at = MarkAt::ring;
  Length leg{};  ///< of a V's corner: along the wall from there to its point; else 0
};

/// A node that was cut, as it lay on the wall before.
struct CutNode {
  ZonePath path;
  Region region;
};

/// Which zones lie along a line: to the left as one goes along it, and to the right. Above and
/// below a ring.
struct Sides {
  std::vector<std::size_t> first;
  std::vector<std::size_t> second;
};

struct Divided {
  std::vector<Zone> zones;
  std::vector<CutNode> cutNodes;
  std::vector<DivideLine> lines;
  std::vector<Sides> sides;  ///< of each line
  std::vector<LineMark> marks;
};

/// More than any maker tapes; beyond it a plan would take longer than anybody waits.
inline constexpr std::size_t mostZones = 1000;
/// How many cuts may lie in each other; files can hold a few more.
inline constexpr std::size_t deepestCut = 24;

/// The body cut as the tree says. Faults name the member from the tree's root:
/// "parts[1].cut.places[0]". Refused also: more than `mostZones`,
/// deeper than `deepestCut`.
CheckedAll<Divided> divide(const ZoneNode& body, const Wall& wall);

/// "A" … "Z", "AA" …: the letters of a zone or a row, from 0.
std::string lettersOf(std::size_t index);

/// The node at a path; nothing where the tree does not go so far.
const ZoneNode* nodeAt(const ZoneNode& body, const ZonePath& path);
/// The same, with the parts on the way made if they are missing.
ZoneNode& nodeAt(ZoneNode& body, const ZonePath& path);

/// How a row of bands falls on the marks of a tape, with what each loses or gains.
struct TapedBands {
  std::vector<Length> marks;   ///< lines between, from the top down, measured from the top
  std::vector<Length> errors;  ///< band by band: taped less exact
};
enum class Absorb {
  spread,  ///< every line on its nearest mark
  rim,     ///< all bands alike on the mark, the top one takes what is left
  base,    ///< the same, the bottom one takes it
};
/// For bands of these heights, from the top down. "8 in in three is 2.667 in, taped at 2 5/8":
/// common practice, no published source.
TapedBands tapedBands(const std::vector<Length>& bands, Graduation graduation, Absorb absorb);

/// How much the edges of a tape of this width are strained when it is laid along a ring at this
/// height: w / 2ρ, ρ = r / |k| being how far the ring's arc in the flat is from its centre. On a
/// cylinder 0. Bending of a flat strip in its own plane (Timoshenko, "Strength of Materials", pure
/// bending: strain = distance from the middle over the radius; from memory).
double tapeStrain(const Body& body, Length s, Length width);
/// The widest tape whose edges stay within this strain there; 10 m where any does.
Length widestTape(const Body& body, Length s, double strain);
/// Above this paper tape puckers, and stretchy tape lifts: a guess, common practice.
inline constexpr double paperTapeBears = 0.006;
inline constexpr double stretchyTapeBears = 0.06;

}  // namespace avrelt

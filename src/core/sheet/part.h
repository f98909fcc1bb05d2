// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "cup/part_material.h"
#include "divide/cut.h"
#include "measure/angle.h"
#include "measure/sentence.h"
#include "shape/path.h"
#include "shape/picture_mesh.h"

namespace avrelt {

/// What is done with a part.
enum class PartKind {
  film,     ///< it goes onto the cup and stays
  stencil,  ///< it is laid and lifted again
  strip,    ///< a film strip over a line
  decal,    ///< a drawing in film
  paper,    ///< printed or cut to measure, mark, try or read by
};
/// "film", "stencil" …: as files write it.
const char* kindName(PartKind kind);

/// How a part may lie on a sheet.
enum class MayTurn {
  any,
  half,  ///< upside down
  no,    ///< a print keeps its direction
};
const char* turnName(MayTurn turn);

enum class GuideKind {
  seam,
  front,
  quarter,
  graduation,
  scaleBar,
  trim,       ///< to be cut along once it is laid
  keepClear,  ///< round a handle or a logo the part has to leave free
};

/// A line drawn on a part, never cut.
struct Guide {
  GuideKind kind = GuideKind::graduation;
  Path path;

  /// Whether it is drawn in dashes.
  bool dashed() const {
    return kind == GuideKind::seam || kind == GuideKind::keepClear || kind == GuideKind::trim;
  }
};

/// Some of a part filled with a colour, under all lines: an outline, and its openings after it.
struct Tint {
  std::vector<Path> edges;
  std::string colour;  ///< #RRGGBB
};

/// Words drawn on a part, never cut, centred on a place.
struct Lettering {
  Point at;
  Length height;
  /// The direction the words run in, turned left from the x axis.
  Angle turn;
  Sentence words;
};

/// What is printed on a part before it is cut: a picture over it and well beyond its edge, or one
/// colour.
struct PartPrint {
  SharedPicture picture{};
  PictureMesh mesh{};
  std::string colour{};  ///< #RRGGBB, where there is no picture
};

/// One thing to cut: its edge, and what is drawn inside. All in the flat, y up, in mm, with the
/// front of the base edge near the origin.
struct Part {
  std::string id;
  Sentence name{};  ///< what it is called where a purpose has several: "Backing, comet"
  PartKind kind = PartKind::film;
  PartMaterial material = PartMaterial::permanent;
  std::string film{};              ///< #RRGGBB, where parts of a purpose are of several films
  std::vector<std::string> of;     ///< ids of what in the order it is for
  std::vector<std::string> zones;  ///< letters of the zones it is for
  int copies = 1;
  int spares = 0;  ///< besides
  MayTurn mayTurn = MayTurn::any;
  bool mirrored = false;    ///< cut as seen in a mirror
  int laidAfter = 0;        ///< coats on the cup when it is laid, or put to use
  Path outline;             ///< counter-clockwise
  std::vector<Path> more;   ///< further ones, where it is several that keep their places
  std::vector<Path> holes;  ///< clockwise
  std::vector<Path> slits;  ///< cut like the edge, but open: the part stays whole
  std::vector<Tint> tints;
  std::optional<PartPrint> print{};
  std::vector<Guide> guides;
  std::vector<Lettering> letterings;

  Box bounds() const;
  Area area() const;
};

/// What a zone's film is cut from.
PartMaterial materialOf(const Finish& finish);

/// So far beyond a part's edge its print is known: more than any bleed.
inline constexpr Length printedBeyond = Length::mm(6);

Part movedBy(const Part& part, Point offset);

}  // namespace avrelt

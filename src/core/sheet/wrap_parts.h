// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "cup/base.h"
#include "cup/laying.h"
#include "cup/wrap.h"
#include "divide/picture_lie.h"
#include "sheet/part.h"

namespace avrelt {

/// All that a wrap's parts are made from.
struct WrapWork {
  const Body& body;  ///< the cup they are cut for
  const Laying& laying;
  /// The wrap on the cone the body is, or is most like: where it begins and ends, and its seam.
  const WrapLayout& layout;
  Length overhang;
  const std::vector<Feature>& features;
  Length runsOff;  ///< of a straight sheet
  Sentence stage;  ///< which cup they are cut for, in words
  Unit unit;
  std::string cupName;
  std::string of;                   ///< the id of what is wrapped
  std::optional<PictureLie> lie{};  ///< of the picture that is printed on it
};

/// The wrap as parts to cut in film, or the same outlines in paper to try first, which say what to
/// look for. One part for a sheet or a sector, with its slits; bands from the
/// rim down; gores from the seam round. Drawn on them: seam, front, quarters, what to keep clear
/// of, the number of every join, the stage, and a bar of 50 mm or 2 in to prove the scale by where
/// there is room for one.
///
/// A straight sheet on a taper is taller than its range by what it runs off, to be trimmed. An
/// overhang is snipped on sheet, sector, slits and the lowest band; gores fold as they are.
std::vector<Part> wrapParts(const WrapWork& work, bool paper);

/// The disc that covers the base, with the lines that part it in halves and quarters and the front.
Part baseDiscPart(Length radius, Unit unit, const std::string& cupName);

}  // namespace avrelt

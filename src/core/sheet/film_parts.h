// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "cup/laying.h"
#include "cup/wrap.h"
#include "divide/division.h"
#include "sheet/part.h"

namespace avrelt {

/// All that films for zones are made from.
struct FilmWork {
  const Wall& wall;  ///< the cup they are cut for
  const Divided& divided;
  const std::vector<StripePlan>& stripes;
  const WrapLayout& layout;  ///< between which heights film may lie, its seam and overlap
  const Film& film;
  std::optional<LayingKind> laying;  ///< the maker's way; left out, as recommended for each zone
  const std::vector<Feature>& features;
  Sentence stage;  ///< which cup they are cut for, in words
  Unit unit;
  std::string cupName;
  Region taken{};  ///< what knock-outs that are laid later take out of films of zones
};

/// Where the film of a zone lies: the zone, kept clear of rim and base as a wrap is, or hanging
/// over the base edge as that does, and half a stripe's width more along every line that a stripe
/// covers, less what knock-outs take. Its other edges are exact.
Region filmOf(const Zone& zone, const FilmWork& work);

/// The films of every zone whose finish is film, one after the other, or the same outlines in paper
/// to try first. Each is brought onto the wall by the way that suits its own heights: as one ring
/// sector, with slits, in bands from the rim down, or in gores from the seam round. Where it goes
/// all round it has the wrap's overlap at the seam; one open at the seam ends there; one that only
/// crosses it is not cut. An arrow shows which way is up; printed film may not be turned.
std::vector<Part> filmParts(const FilmWork& work, bool paper);
/// The same of one zone.
std::vector<Part> filmParts(const Zone& zone, const FilmWork& work, bool paper);

/// A small disc or drop in a zone's film, to hide a V's point or a seam; none where none is asked
/// for, or one that is too small or too large. A drop is as wide as asked and half as tall again,
/// its tip up.
std::optional<Part> patchPart(const Zone& zone);

/// Where a mask lies: on its zones, or round them up to its margin and to rim and base. A cover and
/// a window of the same zones have their edge in common to the bit.
Region maskOf(const Mask& mask, const Divided& divided, const Body& body);
/// A mask brought onto the wall as films of zones are. None where no zone of it is left.
std::vector<Part> maskParts(const Mask& mask, const FilmWork& work);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#include "cup/seam_doubt.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace avrelt {

SeamDoubt seamDoubt(const Body& body, Girth measured, const Stage& laid, SizedFor sizedFor,
                    const Doubt& doubt, Graduation graduation) {
  using std::numbers::pi;
  const bool across = measured == Girth::across;
  const Length widest = body.widestRadius() * (2 * pi);
  const auto growthOf = [&](Length thickness) {
    return body.grownBy(thickness).aroundRim() - body.aroundRim();
  };

  SeamDoubt seam;
  seam.tape = step(graduation) * doubt.tapeMarks * (across ? pi : 1);
  seam.round = across ? doubt.outOfRound.length * (pi / 2) : Length();
  seam.film = widest * (doubt.filmShrinksPercent / 100);
  // A girth measured at this very stage is predicted by nobody; what its tape leaves open is the
  // tape's own line above.
  const Length predicted = laid.measured ? Length() : laid.spread * 2;
  seam.growth = growthOf(sizedFor == SizedFor::laid ? predicted : laid.thickness);
  seam.worst = seam.tape + seam.round + seam.film + seam.growth;
  // Up to the next mark, with a hair's grace for what already lies on one.
  const double marks = std::ceil(seam.worst / step(graduation) - 1e-9);
  seam.cover = step(graduation) * marks;
  return seam;
}

}  // namespace avrelt

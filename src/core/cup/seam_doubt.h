// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "cup/build_up.h"
#include "measure/tape.h"

namespace avrelt {

/// How wrong the maker thinks things may be.
struct Doubt {
  int tapeMarks = 1;              ///< marks the tape may be misread by, 0 to 8
  WrittenLength outOfRound{};     ///< largest less smallest diameter
  double filmShrinksPercent = 0;  ///< of its length, 0 to 20
  std::string kept{};

  friend bool operator==(const Doubt&, const Doubt&) = default;
};

/// What each doubt does at the seam of a wrap, as the gap it opens where the cup is widest. Each
/// may as well come out the other way, as so much more overlap.
struct SeamDoubt {
  Length tape;
  Length round;
  Length film;
  Length growth;  ///< twice the spread of the girth that coats are predicted to reach
  Length worst;   ///< all of them at once, the same way
  Length cover;   ///< the overlap that hides the worst, on the next mark of the tape
};

/// - A tape held round the body is off by its marks; a rule across it by π times as much.
/// - Out of round: the tape goes round whatever the shape, so to first order nothing; a rule across
///   may have met the largest or the smallest diameter, half the difference from the mean, π/2 of
///   it in girth.
/// - Film: its share of the girth.
/// - Growth: from the stage the parts are laid at, when sized for it.
///
/// Arithmetic of the circle; no published source.
SeamDoubt seamDoubt(const Body& body, Girth measured, const Stage& laid, SizedFor sizedFor,
                    const Doubt& doubt, Graduation graduation);

}  // namespace avrelt

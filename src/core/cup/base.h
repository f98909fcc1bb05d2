// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>

#include "cup/body.h"

namespace avrelt {

/// What the maker chooses for the underside.
struct Base {
  /// How far the wrap hangs over the base edge, to be snipped and folded under. 0 for none.
  WrittenLength overhang;
  /// Bare base left round the disc: nothing decorative crosses the outer edge (common practice, no
  /// published source).
  WrittenLength discClearance{Length::inches(3.0 / 32), "3/32 in"};
  std::string kept{};

  friend bool operator==(const Base&, const Base&) = default;
};

/// The triangles cut from an overhang so that it folds under the base without a crease.
struct Snips {
  int count = 0;
  Length depth;
  Length each;  ///< how wide each triangle is at the free edge
};

/// An overhang `depth` deep on a cone of this base radius and taper has to lose 2π · depth · (1 −
/// taper) of its free edge. It is shared by so many snips that the fold of the tab between two
/// stays within 0.5 mm of the base edge: count = π / acos(1 − 0.5 mm / r), 8 at least. Arithmetic
/// of the circle; no published source.
Snips snipsFor(Length radius, double taper, Length overhang);

/// The disc that covers the base, inside its fillet and its clearance.
///
/// Refused, naming the field: a clearance that leaves a disc under 10 mm across.
Checked<Length> baseDiscRadius(const Body& body, const Base& base);

/// What makes this overhang unfit for this body, if anything.
std::optional<Fault> overhangFault(const Body& body, const Base& base, Length baseClearance);

}  // namespace avrelt

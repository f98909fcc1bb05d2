// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "shape/clearance.h"

namespace avrelt {

/// What a blade and a weeding hook ask of a shape.
struct BladeFit {
  std::optional<Facing> stroke;          ///< the thinnest, by true clearance
  std::optional<Facing> gap;             ///< the thinnest between two edges
  std::vector<ThinStretch> thinStrokes;  ///< under the limit
  std::vector<ThinStretch> thinGaps;
  int parts = 0;     ///< that hang together
  int openings = 0;  ///< to be picked out with the hook, besides what lies all round
  int sharp = 0;     ///< corners sharper than 45°
  Length cut;        ///< all edges

  /// What has to be lifted off round it: the openings, and what lies all round.
  int toWeed() const { return parts == 0 ? 0 : openings + 1; }

  /// The size at which its thinnest stroke and gap are both as wide as the limit, where it is now
  /// of this size; nothing for a shape without either.
  std::optional<Length> leastSize(Length size, Length limit) const;
};
BladeFit fitOf(const Polygon& shape, Length limit);
/// The same where its clearance is known already.
BladeFit fitOf(const Polygon& shape, const Clearance& clearance, Length limit);

/// A shape without the parts and openings whose area is under that of a square as wide as the
/// limit; how many went.
struct WithoutSpecks {
  Polygon shape;
  int dropped = 0;
};
WithoutSpecks withoutSpecks(const Polygon& shape, Length limit);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <optional>
#include <vector>

#include "sheet/lattice.h"

namespace avrelt {

/// Lays so many of one shape on a rectangle from 0 all at once, where rows leave a little at the
/// edges: it begins with rows that are too tight, turned and shifted by chance, and lets each give
/// way to those it lies on till none lies on another by more than `squeezeLeaves`, as far as a grid
/// tells: who uses it looks at it exactly. Nothing where that does not come about; another seed
/// begins otherwise; the same gives the same.
///
/// Overlaps fall by the fast inertial relaxation engine of E. Bitzek, P. Koskinen, F. Gähler,
/// M. Moseler and P. Gumbsch, Physical Review Letters 97, 170201 (2006).
std::optional<std::vector<LatticePlace>> squeezedOn(const std::vector<Point>& outline,
                                                    const std::vector<Lattice>& lattices,
                                                    Length wide, Length tall, MayTurn mayTurn,
                                                    std::size_t count, long seed);

/// By so much two of what is squeezed may still lie on each other, or beyond the edge.
inline constexpr Length squeezeLeaves = Length::mm(0.004);
/// More at once would take too long.
inline constexpr std::size_t mostSqueezed = 400;

}  // namespace avrelt

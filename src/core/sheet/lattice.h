// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "measure/angle.h"
#include "measure/length.h"
#include "shape/point.h"
#include "sheet/part.h"

namespace avrelt {

/// A shape laid again and again over the plane: at every sum of whole multiples of two steps, once,
/// or twice, the second turned by half.
struct Lattice {
  struct Member {
    Angle turn;  ///< 0 or half
    Point at;
  };
  Point along;
  Point across;
  std::vector<Member> members;

  /// What one takes.
  Area areaEach() const;
};

/// The densest lattices found for an outline, no two of which lie on each other: of one, and of
/// pairs of it and itself turned by half. The steps are tried round all directions, each with the
/// nearest row that fits beside it; the densest first, at most `most` of them.
std::vector<Lattice> denseLattices(const std::vector<Point>& outline, std::size_t most);

/// Where one lies: turned to the left about its origin, then moved.
struct LatticePlace {
  Angle turn;
  Point at;
};

/// Lattices, turned as pieces may be and shifted, on a rectangle from 0: those that hold most, up
/// to `wanted`; of equals those that end lowest first; at most `most` of them, each from the lowest
/// place up.
std::vector<std::vector<LatticePlace>> latticesOn(const std::vector<Point>& outline,
                                                  const std::vector<Lattice>& lattices, Length wide,
                                                  Length tall, MayTurn mayTurn, std::size_t wanted,
                                                  std::size_t most);

}  // namespace avrelt

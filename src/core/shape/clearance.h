// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "shape/polygon.h"

namespace avrelt {

/// Where two edges face each other: the middle between them, and how far apart they are there.
struct Facing {
  Point at;
  Length width;
};

/// A stretch of the line half-way between two edges that face each other, and how far apart these
/// are at both ends of it.
struct ThinStretch {
  Point from;
  Point to;
  Length fromWidth;
  Length toWidth;
};

/// How wide a shape is, and what is open beside and in it, as true clearance: the discs that touch
/// its edge on two sides, along its medial axis (Blum 1967), by the Voronoi diagram of its edges.
///
/// Edges face each other where the disc touches them more than 120° apart, so a corner of 60° or
/// more is no stroke. What runs out into a point has no least width: where a stroke's width grows
/// from its end to twice that end it is a *tip*, told apart from the thinnest stroke. A part
/// that is nothing but corners and tips is as wide as the largest disc in it. Outlines are taken to
/// 0.001 mm, widths to twice that.
class Clearance {
 public:
  /// `shape` is simple: outlines neither cross nor lie on each other.
  explicit Clearance(const Polygon& shape);

  /// None for an empty shape.
  const std::optional<Facing>& thinnestStroke() const { return stroke_; }
  /// Between two edges outside, openings too; none round a single shape that has nothing to face.
  const std::optional<Facing>& thinnestGap() const { return gap_; }

  /// Where it is narrower than this. Tips count from where they are sharper than 30°.
  std::vector<ThinStretch> strokesUnder(Length limit) const { return under(limit, true); }
  std::vector<ThinStretch> gapsUnder(Length limit) const { return under(limit, false); }

 private:
  struct Node {
    Point at;
    double r = 0;
  };
  /// Along which the radius grows from the first node to the second.
  struct Edge {
    std::size_t small = 0;
    std::size_t large = 0;
    bool inside = false;
    bool acute = false;  ///< of a corner sharper than 30°, or of none
    bool tip = false;
  };

  class Builder;
  std::vector<ThinStretch> under(Length limit, bool inside) const;

  std::vector<Node> nodes_;
  std::vector<Edge> edges_;
  std::optional<Facing> stroke_;
  std::optional<Facing> gap_;
};

/// The shape with its thin places drawn as wide as the limit, everything else as it was.
Polygon thickened(const Polygon& shape, const Clearance& clearance, Length limit);

}  // namespace avrelt

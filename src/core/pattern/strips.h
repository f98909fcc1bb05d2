// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "cup/laying.h"
#include "divide/divide.h"

namespace avrelt {

struct Cell;

/// Some cells of a pattern that come onto film together: as a ring sector on its own cone, or as a
/// gore. Where the wall curves both ways, a template is parted into several, along its own lines.
struct FillStrip {
  std::vector<std::size_t> cells;
  /// By how many turns each is carried on from where it was drawn to where it lies in the strip.
  std::vector<int> turns;
  LayingKind kind = LayingKind::bands;
  RingFit ring;  ///< of a band
  Angle middle;  ///< of a gore, in the frame
  /// What of the zone it takes besides its cells: lines and bits no cell has.
  Angle from;
  Angle to;
  Length low;
  Length high;
  double strain = 0;  ///< the largest, a share
  Length misfit;      ///< the most its film comes out longer or shorter than the wall it lies on
};

struct FillStrips {
  std::vector<FillStrip> strips;  ///< from the rim down, or from the seam to the right
  /// The largest of them.
  double strain = 0;
  Length misfit;
  bool bears = true;  ///< whether the film does
  /// A cell that alone is too much for the film; nothing where none is.
  std::optional<std::size_t> tooMuch;
};

/// How the template of a zone is parted so that every part of it lies on the wall: in rows, each
/// flattened as a ring sector, or in columns, as gores. Taken is what the maker lays wraps by,
/// where that is one of the two; else the one that the film bears; of two that it bears the one of
/// fewer parts, of none the one that strains it less.
///
/// Between two parts runs the shortest chain of lines about the height, or the direction, where the
/// wall is best parted: a least cut through the neighbourhood of cells (Ford and Fulkerson 1956;
/// found as Boykov and Kolmogorov 2004 do, by Boost.Graph). No cell is cut, at the seam neither.
/// Empty on a true cone, where one sheet fits.
///
/// Misfit of a ring: the most by which its arc on the film differs from the wall's; of a gore: by
/// how much its edge does, summed along it.
FillStrips stripsOf(const std::vector<Cell>& cells, bool apart, const Zone& zone, const Body& body,
                    const Film& film, const std::optional<LayingKind>& laying);

/// What of a zone belongs to one of its strips, edge to edge with the others, in the strip's own
/// frame, where its cells lie together: outlines counter-clockwise, openings clockwise.
std::vector<WallLine> stripEdge(const FillStrip& strip, const std::vector<Cell>& cells,
                                const Zone& zone);

}  // namespace avrelt

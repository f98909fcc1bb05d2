// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "decal/blade_fit.h"
#include "decal/decal_set.h"

namespace avrelt {

/// A layer as it is to look on the cup, about the middle of the set: mm, x to the right, y up.
struct LayerShape {
  Polygon shape;
  std::vector<Polygon> marks;  ///< to lay it on others by: cut with it, lifted again
  bool nothing = false;        ///< its offset leaves nothing of it
};

/// The layers of a set, all from one outline at one scale.
struct SetShape {
  double scale = 1;  ///< of the artwork as it was drawn
  Box box;           ///< of the artwork so, its middle at the origin but for what is turned
  Box own;           ///< the artwork's before it is turned: its named points lie on its sides
  Polygon artwork;   ///< its silhouette, mended where that is asked for
  std::vector<LayerShape> layers;
  Polygon outer;                    ///< all that lies on the cup of it
  BladeFit fit;                     ///< of what is cut of the artwork
  std::optional<Length> leastSize;  ///< at which nothing is thin, without mending
  int dropped = 0;                  ///< specks that were left out
  bool thickened = false;           ///< whether strokes were drawn wider
};

/// A shape with its openings filled.
Polygon withoutOpenings(const Polygon& shape);

/// Works the layers of a set out. `curve` is one over the radius, in mm, of the ring it follows
/// where the wall is rolled out; 0 for a straight one, positive where the middle of the ring is
/// below. Nothing for a set whose artwork is gone.
SetShape shapeOf(const DecalSet& set, double curve = 0);
/// The same with nothing measured: `fit` and `leastSize` stay empty.
SetShape unmeasuredShapeOf(const DecalSet& set, double curve = 0);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "decal/set_plan.h"
#include "shape/polygon.h"

namespace avrelt {

/// A spot of what is cut that nothing is printed on.
struct BareSpot {
  Polygon shape;  ///< in the set's plane
  Point middle;
  Area area;
};

/// What a layer's print is to cover, in the set's plane: a shape for each that places make of it.
std::vector<Polygon> printedShapes(const SetPlan& plan, std::size_t layer);

/// How a print covers what is cut out of it, by places a quarter of a millimetre apart, coarser on
/// large ones.
struct PrintCover {
  std::vector<BareSpot> spots;  ///< the largest first
  Area bare;                    ///< of all of them
  double share = 0;             ///< of the shape
};

/// What is smaller is not seen, and is no spot: a guess.
inline constexpr Area leastSpot = Area::mm2(0.5);

/// Bare is what lies off the picture, what is more clear than opaque in it, and what is white,
/// since nothing is printed there.
PrintCover coverOf(const Polygon& shape, const LayerPrint& print, const PictureSizes& dots);

/// A print that leaves less bare.
struct CoverOffer {
  LayerPrint print;
  PrintCover cover;
};

/// It moved to where it leaves least bare, as near to where it is as can be: within one picture,
/// where it is tiled, else within half of one each way. Nothing where no move is any better.
std::optional<CoverOffer> movedToCover(const Polygon& shape, const LayerPrint& print,
                                       const PictureSizes& dots);
/// It made larger about its middle, up to three times, by the least at which nothing is bare.
/// Nothing where there is none.
std::optional<CoverOffer> grownToCover(const Polygon& shape, const LayerPrint& print,
                                       const PictureSizes& dots);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <polyclipping/clipper.hpp>
#include <vector>

#include "shape/corner.h"

namespace avrelt {

/// Polygons in whole numbers, as Clipper takes them: the one place where booleans and offsets are
/// made. Who has lengths or angles brings them onto a grid first.
using WholePoint = ClipperLib::IntPoint;
using WholePath = ClipperLib::Path;
using WholePaths = ClipperLib::Paths;

/// One outline, counter-clockwise, and the openings in it, clockwise.
struct WholePart {
  WholePath outline;
  WholePaths openings;

  WholePaths paths() const;
};

enum class Combine { both, first, either };

/// What both have, what the first has and the second has not, what either has. Outlines come out
/// simple: where one would touch itself in a point, it is parted there. Those smaller than `dust`,
/// in square units, are left out. With `evenOdd` every second crossing counts of the first, else
/// whatever is wound round.
WholePaths combined(const WholePaths& first, const WholePaths& second, Combine how, double dust,
                    bool evenOdd = false);
/// The same in its separate parts.
std::vector<WholePart> combinedParts(const WholePaths& first, const WholePaths& second, Combine how,
                                     double dust);
/// What of an open line lies inside, each stretch in the line's direction, in no order.
WholePaths openWithin(const WholePath& line, const WholePaths& inside);
/// Closed outlines drawn out by so much, or in below 0; corners stay sharp up to four times as far.
WholePaths drawnOut(const WholePaths& paths, double by);
/// The same with corners of either kind; round ones true to `roundTo`.
WholePaths drawnOut(const WholePaths& paths, double by, Corners corners, double roundTo);
/// The area lines cover when drawn this far to both sides. A bevel is cut off at the line's own
/// half width, which is a little farther out than SVG has it.
WholePaths drawnWide(const WholePaths& closed, const WholePaths& open, double half,
                     const LineStyle& style, double roundTo);

}  // namespace avrelt

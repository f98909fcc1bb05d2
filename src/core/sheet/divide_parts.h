// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "divide/stripes.h"
#include "sheet/part.h"

namespace avrelt {

/// A paper strip as long as the wall, to be held upright against it: ticked as a tape from the base
/// up, with every height a line has to be marked at. Nothing where no line has one.
std::vector<Part> uprightGauge(const Divided& divided, const Body& body, Unit unit,
                               const std::string& cupName);

/// A paper strip for every ring line, its upper edge on the line: once round the body, curved where
/// the wall tapers, ticked from the front, with every upright line named. A line under 5 mm up the
/// wall gets none.
std::vector<Part> ringStrips(const Divided& divided, const Body& body, CupAngle seamAt, Unit unit,
                             const std::string& cupName);

/// A page, or as many as there are rows for, 180 × 240 mm: the wall rolled out in a small picture,
/// and every mark on the tape and exactly. Nothing where no line is cut.
std::vector<Part> marksSheets(const Divided& divided, const Development& flat, Unit unit,
                              const std::string& cupName);

/// The film strips that are cut, those of one size side by side on one part: one cut parts two of
/// them, so no film between is lost.
std::vector<Part> stripeParts(const std::vector<StripCut>& cuts, const std::string& cupName);

/// Draws where upright lines meet the base edge on a base disc: to carry them up the wall with a
/// square, as a paper disc folded into parts would.
void drawUprights(Part& disc, const Divided& divided);

}  // namespace avrelt

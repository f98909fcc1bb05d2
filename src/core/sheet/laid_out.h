// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "measure/angle.h"
#include "shape/polygon.h"
#include "sheet/part.h"

namespace avrelt {

/// What a part takes of a sheet: all its outlines, its openings left out. Curves are followed so
/// closely that what they stand out beyond their chords is less than is kept to spare.
Polygon pieceShape(const Part& part);
/// A part turned to the left about its origin, then moved: with all that is drawn on it.
Part laidOut(const Part& part, Angle turn, Point at);

}  // namespace avrelt

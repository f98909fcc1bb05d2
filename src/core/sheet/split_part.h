// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "shape/polygon.h"
#include "sheet/part.h"

namespace avrelt {

/// A part too long for any sheet in pieces that fit one of this size: each the largest that can be
/// cut off straight across, lapping over what is left, on which a dashed line shows how far;
/// numbered. Joins keep off the part's front where they can.
///
/// Nothing where it fits as it is, where no such pieces fit either, or more than 40 would be
/// needed. The sheet's size is without its margins.
std::vector<Part> splitToFit(const Part& part, Length wide, Length tall, Length lap);

/// By how much a shape is turned to the left to fit a sheet by its sides, in steps of 7.5°, or
/// where it fits in none of these in between; nothing where it does at no turn.
std::optional<Angle> turnToFit(const Polygon& shape, Length wide, Length tall, bool mayTurn);

}  // namespace avrelt

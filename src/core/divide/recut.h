// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "divide/division.h"
#include "divide/split.h"

namespace avrelt {

/// Puts another cut in the place of a node's, keeping what each part and line is: where a ring is
/// added or taken away, every other part keeps its finish, its own cuts, its pattern, and every
/// other line its stripes. Rings by places are the same where their place is, bands by widths
/// where their width is, uprights by places where they stand; what lies between such is taken from
/// the base up. A part that is cut no more waits behind the others and comes back when one more is
/// cut. Other kinds of cut, and as many lines as before, keep parts and lines by their number.
///
/// `node` is a node of `division.body`, and is cut; `zone` is how far it goes round: where that is
/// the whole cup, uprights have a line for every part.
void recut(Division& division, ZoneNode& node, const Cut& next, const UprightRoom& zone);

}  // namespace avrelt

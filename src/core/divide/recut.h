// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "divide/division.h"

namespace avrelt {

/// Puts another cut in the place of a node's, keeping what each part and line is: where a ring is
/// added or taken away, every other part keeps its finish, its own cuts, its pattern, and every
/// other line its stripes. Rings by places are the same where their place is, bands by widths
/// where their width is; what lies between such is taken from the base up. A part that is cut no
/// more waits behind the others and comes back when one more is cut. Other kinds of cut, and as
/// many lines as before, keep parts and lines by their number.
///
/// `node` is a node of `division.body`, and is cut; `allRound` says whether it goes all round the
/// cup, where uprights have a line for every part.
void recut(Division& division, ZoneNode& node, const Cut& next, bool allRound);

}  // namespace avrelt

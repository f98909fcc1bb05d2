// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <set>
#include <utility>
#include <vector>

#include "job/sheets.h"

namespace avrelt {

/// Puts strips of one length edge to edge, in the stacks by which a film's parts lie with no more
/// film than they take one by one, and lays all anew; leaves them as they are where that takes
/// more. Those of parts in `leave`, by their place among the film's, stay by themselves.
void stackStrips(FilmSheets& film, const ArrangeRules& rules, const std::set<std::size_t>& leave);

}  // namespace avrelt

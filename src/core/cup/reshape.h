// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "cup/blank.h"
#include "cup/body.h"
#include "measure/tape.h"

namespace avrelt {

/// What a hand does to a blank's stations. Each gives the blank as it then is; nothing is checked
/// but that the station exists.

/// Station `index` moved to this plumb height and radius, as a drag on the side view means it: its
/// height and girth in the ways this blank was measured, on the marks of `graduation`, and no
/// nearer to its neighbours than one mark. The base station keeps its height.
Blank withStationAt(const Blank& blank, const Body& body, std::size_t index, Length plumb,
                    Length radius, Unit unit);

/// One more station half-way between `index` and the one above, on the wall as it is; above the
/// last, the one below it is used.
Blank withStationAfter(const Blank& blank, const Body& body, std::size_t index, Unit unit);

/// Without station `index`; two always stay, and the base edge stays at 0.
Blank withoutStation(const Blank& blank, std::size_t index);

/// The girth of a radius as this station measures it.
Length girthFor(Length radius, Girth girth);

}  // namespace avrelt

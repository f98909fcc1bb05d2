// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "cup/body.h"
#include "watch/watch.h"

namespace avrelt {

/// Something that is cut already, and the cup it was cut for.
struct CutThing {
  Sentence name;     ///< "film of zone C"
  Length base;       ///< the girth it was cut for there
  Length rim;        ///< and there
  double round = 1;  ///< how much of the way round it covers
  Length overlap;    ///< where it closes on itself
};

/// Whether something that is already cut still fits the cup as it is now known at the stage it is
/// laid. Rules, all common practice with no published source; under 1/64 in nothing is said:
///
/// - `cut_short`: the cup has outgrown the part by more than its overlap; cut it again.
/// - `cut_laps_less`: it has outgrown it, and the overlap still closes it.
/// - `cut_long`: the cup is smaller; trim so much at its end, more at one height of a taper.
std::vector<Watch> watchCut(const CutThing& cut, const Body& body);

}  // namespace avrelt

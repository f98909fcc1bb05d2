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
/// laid, by the rules under “What is cut already”; under 1/64 in nothing is said.
std::vector<Watch> watchCut(const CutThing& cut, const Body& body);

}  // namespace avrelt

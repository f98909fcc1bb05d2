// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "cup/body.h"
#include "cup/wrap.h"
#include "watch/watch.h"

namespace avrelt {

/// The girths a wrap was cut for.
struct CutGirths {
  Length base;
  Length rim;
};

/// Whether a wrap that is already cut still fits the cup as it is now known. Rules, all common
/// practice with no published source; under 1/64 in nothing is said:
///
/// - `cut_short`: the cup has outgrown the part by more than its overlap; cut it again.
/// - `cut_laps_less`: it has outgrown it, and the overlap still closes it.
/// - `cut_long`: the cup is smaller; trim so much at the seam, more at one end of a taper.
std::vector<Watch> watchCut(const CutGirths& cut, const Body& body, const Wrap& wrap);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "decal/set_plan.h"
#include "watch/watch.h"

namespace avrelt {

/// What to watch about the sets of a cup, by the rules under “Sets”.
std::vector<Watch> watchSets(const std::vector<DecalSet>& sets, const std::vector<SetPlan>& plans);

/// A layer that is cut already, and how large its set was then.
struct CutLayer {
  Sentence name;  ///< "backing of comet"
  Length size;
};
/// `set_cut_otherwise`: layers of one set are cut already for another size than it has now.
std::vector<Watch> watchCutLayers(const std::vector<CutLayer>& cut, Length size);

}  // namespace avrelt

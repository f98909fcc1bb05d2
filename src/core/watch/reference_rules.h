// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "decal/decal_set.h"
#include "decal/row.h"
#include "decal/scatter.h"
#include "divide/division.h"
#include "watch/watch.h"

namespace avrelt {

/// What was chosen for things that may be gone.
struct Referring {
  const Division& division;
  const Divided& divided;
  const std::vector<DecalSet>& sets;
  const std::vector<Row>& rows;
  const std::vector<Scatter>& scatters;
};

/// What refers to something that is not there, by the rules under “What waits for something that is
/// gone”: it waits, nothing is made of it, and it comes back with what it is for. Patterns, masks
/// and turns of filling have their rules beside their others.
std::vector<Watch> watchReferences(const Referring& referring);

}  // namespace avrelt

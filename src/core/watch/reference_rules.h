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

/// What refers to something that is not there: it waits, nothing is made of it, and it comes back
/// with what it is for. Patterns, masks and turns of filling have their rules beside their others.
///
/// - `stripe_waits`: a stripe on a line that is not cut.
/// - `edge_waits`: how far film goes at a line that is not cut.
/// - `row_waits`, `scatter_waits`: a set of theirs that is not there; the others are laid.
/// - `scatter_zone_waits`: a zone that is not there; nothing more is thrown.
std::vector<Watch> watchReferences(const Referring& referring);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "decal/set_plan.h"
#include "sheet/part.h"

namespace avrelt {

/// One part for each layer of a set and each way it is cut, one copy for each place: all about the
/// set's middle, which is marked on each; marks to lay colours by are cut with them. A layer of
/// which nothing is left gives none, a set that stands nowhere none.
std::vector<Part> decalParts(const SetPlan& plan, const DecalSet& set, const std::string& cupName);

/// Adds outlines to a part: its edge, further ones, and openings.
void addShape(Part& part, const Polygon& shape);

/// What the part of a layer is called, as it is cut for the set's first places, or for others.
std::string layerPartId(const std::string& set, const std::string& layer, std::size_t make = 0);
/// The ids of all parts of a layer, by its index, as it is cut for some of the set's places; none
/// where there is nothing of it.
std::vector<std::string> layerPartIds(const SetPlan& plan, std::size_t layer, std::size_t make);

/// "Backing", "Backing 2", "Colour #A8741A": what a layer is called within its set, the first of a
/// kind by the kind alone.
Sentence layerWords(const DecalSet& set, std::size_t layer);
/// The same in the midst of a sentence: "backing 2".
Sentence layerWordsWithin(const DecalSet& set, std::size_t layer);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "cup/body.h"
#include "measure/sentence.h"

namespace avrelt {

/// What is wrong with a stated capacity, if anything: more than the body could hold with a wall of
/// 0.5 mm, or less than it would with a double wall of 12 mm and a floor of 25 mm. By integration
/// of the profile; how thick walls are is common practice, no published source.
std::optional<Sentence> capacityNote(const Body& body, Volume stated);

}  // namespace avrelt

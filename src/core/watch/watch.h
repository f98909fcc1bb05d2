// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "cup/wrap.h"

namespace avrelt {

/// How much a watch matters: worth knowing, likely to spoil the cup, not to be done.
enum class WatchLevel { note, warn, stop };

/// "note", "warn", "stop".
const char* levelName(WatchLevel level);

/// A warning: what, why and what to do, in a whole sentence, and the field it is about.
struct Watch {
  std::string rule;
  WatchLevel level = WatchLevel::note;
  std::string field;
  Sentence sentence;
};

/// What nothing decorative covers at rim and base, so that the last coats seal onto metal: common
/// practice, no published source. Whoever works in millimetres leaves 3 mm, and is not told off.
inline constexpr Length bareEdge = Length::inches(1.0 / 8);
inline constexpr Length bareEnough = Length::mm(2.99);

/// Worst first; within a level in the order given.
void sortWorstFirst(std::vector<Watch>& watches);

}  // namespace avrelt

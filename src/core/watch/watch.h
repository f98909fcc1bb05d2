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

/// Worst first; within a level in the order given.
void sortWorstFirst(std::vector<Watch>& watches);

}  // namespace avrelt

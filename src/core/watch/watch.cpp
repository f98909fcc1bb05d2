// SPDX-License-Identifier: GPL-3.0-or-later
#include "watch/watch.h"

#include <algorithm>

namespace avrelt {

const char* levelName(WatchLevel level) {
  switch (level) {
    case WatchLevel::note:
      return "note";
    case WatchLevel::warn:
      return "warn";
    case WatchLevel::stop:
      break;
  }
  return "stop";
}

void sortWorstFirst(std::vector<Watch>& watches) {
  std::stable_sort(watches.begin(), watches.end(),
                   [](const Watch& a, const Watch& b) { return a.level > b.level; });
}

}  // namespace avrelt

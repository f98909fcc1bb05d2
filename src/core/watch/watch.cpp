// SPDX-License-Identifier: GPL-3.0-or-later
#include "watch/watch.h"

#include <algorithm>

namespace avrelt {

void sortWorstFirst(std::vector<Watch>& watches) {
  std::stable_sort(watches.begin(), watches.end(), [](const Watch& a, const Watch& b) {
    return a.level != b.level ? a.level > b.level : a.rule < b.rule;
  });
}

}  // namespace avrelt

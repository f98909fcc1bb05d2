// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/part_set.h"

#include <algorithm>

namespace avrelt {

Box PartSet::bounds() const {
  Box box;
  for (const Part& part : parts) box.add(part.bounds());
  return box;
}

PartSet setOf(const std::vector<Part>& parts, Sentence title) {
  constexpr double widest = 560;
  constexpr double apart = 6;
  if (parts.empty()) return {{}, std::move(title), {}};
  const bool lone = parts.size() == 1 && parts.front().copies + parts.front().spares == 1;
  if (lone) return {parts.front().id, std::move(title), parts};
  const std::string& first = parts.front().id;
  PartSet set{first.substr(0, first.rfind('-')), std::move(title), {}};
  double x = 0;
  double y = 0;
  double rowHeight = 0;
  for (const Part& part : parts) {
    const Box box = part.bounds();
    for (int copy = 0; copy < part.copies + part.spares; ++copy) {
      if (x > 0 && x + box.width() > widest) {
        y -= rowHeight + apart;
        x = rowHeight = 0;
      }
      set.parts.push_back(movedBy(part, {x - box.low.x, y - box.high.y}));
      if (copy >= part.copies) {
        set.parts.back().id += "-spare-" + std::to_string(copy - part.copies + 1);
      } else if (copy > 0) {
        set.parts.back().id += "-copy-" + std::to_string(copy + 1);
      }
      x += box.width() + apart;
      rowHeight = std::max(rowHeight, box.height());
    }
  }
  return set;
}

}  // namespace avrelt

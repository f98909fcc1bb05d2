// SPDX-License-Identifier: GPL-3.0-or-later
#include "divide/part_ids.h"

namespace avrelt {

void PartIds::take(const ZoneNode& node) {
  used_.insert(node.id);
  for (const ZoneNode& part : node.parts) take(part);
}

std::string PartIds::ofPart(const std::string& cut, std::size_t index) {
  for (;; ++index) {
    std::string id = cut + "." + std::to_string(index);
    if (used_.insert(id).second) return id;
  }
}

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#include "cup/part_material.h"

#include <cstddef>

namespace avrelt {

const char* materialName(PartMaterial material) {
  static constexpr const char* names[] = {"permanent_film", "printed_film",       "clear_film",
                                          "printable_film", "heat_applied_film",  "stencil_film",
                                          "removable_film", "double_sided_sheet", "paper"};
  return names[static_cast<std::size_t>(material)];
}

Sentence materialTitle(PartMaterial material) {
  static const Sentence titles[] = {
      {"Film that stays", {}},     {"Printed film", {}},       {"Clear film", {}},
      {"Film to print on", {}},    {"Film set by heat", {}},   {"Stencil film", {}},
      {"Film that comes off", {}}, {"Double-sided sheet", {}}, {"Paper", {}}};
  return titles[static_cast<std::size_t>(material)];
}

}  // namespace avrelt

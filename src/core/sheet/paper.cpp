// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/paper.h"

#include <algorithm>

namespace avrelt {

PaperSize sizeOf(Paper paper) {
  if (paper == Paper::a4) return {Length::mm(210), Length::mm(297)};
  return {Length::inches(8.5), Length::inches(11)};
}

const char* paperName(Paper paper) {
  return paper == Paper::a4 ? "A4" : "Letter";
}

std::optional<Paper> paperFromName(std::string_view name) {
  const auto same = [name](std::string_view known) {
    return std::equal(name.begin(), name.end(), known.begin(), known.end(), [](char a, char b) {
      return (a >= 'A' && a <= 'Z' ? static_cast<char>(a - 'A' + 'a') : a) == b;
    });
  };
  if (same("a4")) return Paper::a4;
  if (same("letter")) return Paper::letter;
  return std::nullopt;
}

Paper usualPaper(Unit unit) {
  return unit == Unit::inch ? Paper::letter : Paper::a4;
}

}  // namespace avrelt

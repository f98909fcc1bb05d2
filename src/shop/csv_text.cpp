// SPDX-License-Identifier: GPL-3.0-or-later
#include "shop/csv_text.h"

#include <csv.h>

namespace avrelt {

bool looksLikeFormula(std::string_view text) {
  const std::size_t begin = text.find_first_not_of('\'');
  return begin != std::string_view::npos &&
         std::string_view("=+-@\t\r").find(text[begin]) != std::string_view::npos;
}

std::string csvCell(const std::string& plain) {
  const std::string text = looksLikeFormula(plain) ? "'" + plain : plain;
  std::string out(text.size() * 2 + 2, '\0');
  out.resize(csv_write(out.data(), out.size(), text.data(), text.size()));
  return out;
}

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#include "shop/words_wanted.h"

namespace avrelt {

std::vector<std::string> patternsOf(const std::string& wanted) {
  std::vector<std::string> patterns;
  std::string word;
  const auto finish = [&] {
    if (!word.empty()) patterns.push_back("%" + word + "%");
    word.clear();
  };
  for (const char c : wanted) {
    if (c == ' ' || c == '\t') {
      finish();
    } else {
      if (c == '%' || c == '_' || c == '\\') word += '\\';
      word += c;
    }
  }
  finish();
  return patterns;
}

}  // namespace avrelt

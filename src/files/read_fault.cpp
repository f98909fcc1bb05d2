// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/read_fault.h"

namespace avrelt {

std::string inWords(const ReadFault& fault, const std::string& fileName, Unit unit) {
  std::string text = fileName;
  if (fault.line > 0) text += ", line " + std::to_string(fault.line);
  if (!fault.path.empty()) text += ", " + fault.path;
  return text + ": " + inWords(fault.sentence, unit);
}

int FieldLines::lineOf(std::string field) const {
  while (!field.empty()) {
    const auto found = lines_.find(field);
    if (found != lines_.end()) return found->second;
    const std::size_t cut = field.find_last_of(".[");
    field.resize(cut == std::string::npos ? 0 : cut);
  }
  return 1;
}

}  // namespace avrelt

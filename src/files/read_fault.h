// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>
#include <string>
#include <vector>

#include "measure/sentence.h"

namespace avrelt {

/// Something wrong in a file: the line it stands on (from 1; 0 where the file as a whole is meant),
/// and the path of the member there ("cups[0].wrap.overlap").
struct ReadFault {
  int line = 0;
  std::string path;
  Sentence sentence;
};

using ReadFaults = std::vector<ReadFault>;

/// "order.avrelt, line 12, cups[0].wrap.overlap: …": one line, the whole story.
std::string inWords(const ReadFault& fault, const std::string& fileName, Unit unit);

/// On which line of a file each field stands, by its path ("cups[0].wrap.overlap").
class FieldLines {
 public:
  void note(const std::string& field, int line) { lines_.emplace(field, line); }
  /// The line of a field, or of the nearest thing round it that the file does write.
  int lineOf(std::string field) const;

 private:
  std::map<std::string, int> lines_;
};

}  // namespace avrelt

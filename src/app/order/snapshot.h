// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <vector>

#include "job/document.h"

namespace avrelt {

/// A document as the history keeps it, with the cup in hand: cups that are the same from one change
/// to the next are kept once, so that a change takes the room of what it changes.
class Snapshot {
 public:
  Snapshot() = default;
  /// Cups that are in `before` too are shared with it.
  Snapshot(const Document& document, int current, const Snapshot& before);

  Document document() const;
  int current() const { return current_; }
  void choose(int current) { current_ = current; }
  const std::vector<std::shared_ptr<const Cup>>& cups() const { return cups_; }
  bool sameDocument(const Snapshot& other) const;

 private:
  Document rest_;  ///< but for its cups
  std::vector<std::shared_ptr<const Cup>> cups_;
  int current_ = -1;
};

}  // namespace avrelt

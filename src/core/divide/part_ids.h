// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <set>
#include <string>

#include "divide/cut.h"

namespace avrelt {

/// Ids for parts that have none: a part nobody has touched is not kept in the order, and still is
/// referred to. It is called after its cut and its place in it, "cut-3.0", or after the next place
/// that no node of the tree is called by already.
class PartIds {
 public:
  explicit PartIds(const ZoneNode& body) { take(body); }

  std::string ofPart(const std::string& cut, std::size_t index);

 private:
  void take(const ZoneNode& node);

  std::set<std::string> used_;
};

/// What lines and parts of a node's cut are called after: the cut's id, or the node's own where it
/// has none.
inline const std::string& cutIdOf(const ZoneNode& node, const std::string& id) {
  return node.cut && !node.cut->id.empty() ? node.cut->id : id;
}

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "cup/wrap.h"
#include "rules/catalogue.h"
#include "watch/mend.h"

namespace avrelt {

/// A warning: what, why and what to do, in a whole sentence, and where.
struct Watch {
  Rule rule;
  WatchLevel level;  ///< the rule's, or a softer one
  Where where;
  Sentence sentence;
  std::vector<std::string> items{};  ///< ids of the stack's, where it is of some
  std::optional<Mend> mend{};        ///< what one press does about it
};

/// What nothing decorative covers at rim and base, so that the last coats seal onto metal: common
/// practice, no published source. Whoever works in millimetres leaves 3 mm, and is not told off.
inline constexpr Length bareEdge = Length::inches(1.0 / 8);
inline constexpr Length bareEnough = Length::mm(2.99);

/// Worst first; within a level by the order of rules, and by the order given within a rule.
void sortWorstFirst(std::vector<Watch>& watches);

}  // namespace avrelt

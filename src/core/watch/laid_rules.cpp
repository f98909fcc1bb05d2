// SPDX-License-Identifier: GPL-3.0-or-later
#include "watch/laid_rules.h"

namespace avrelt {

std::vector<Watch> watchLaid(const LaidOn& laid, const Body& bare, const Stage& stage,
                             SizedFor sizedFor) {
  std::vector<Watch> watches;
  if (sizedFor == SizedFor::bare || stage.after == 0 || stage.measured) return watches;
  const Length rim = bare.grownBy(stage.thickness).aroundRim();
  const Length either = bare.grownBy(stage.thickness + stage.spread * 2).aroundRim() - rim;
  const Length opens = either * laid.round;
  if (laid.overlap > Length() && opens > laid.overlap) {
    watches.push_back({Rule::laidOpens,
                       WatchLevel::warn,
                       Member::laid,
                       {"The %1 closes with %2 of overlap, and the rim may come out %3 larger than "
                        "it is taken for after %4 coats. Measure again then, or let it overlap "
                        "more.",
                        {Phrase(laid.name), laid.overlap, opens, static_cast<long>(stage.after)}}});
  } else if (laid.ownStage) {
    watches.push_back({Rule::laidGuessed,
                       WatchLevel::note,
                       Member::laid,
                       {"The %1 is laid after %2 coats, the rim then taken for %3, give or take "
                        "%4. Measure again at that stage.",
                        {Phrase(laid.name), static_cast<long>(stage.after), rim, either}}});
  }
  return watches;
}

Watch laidNothing() {
  return {Rule::laidNothing,
          WatchLevel::note,
          Member::laid,
          {"A place among the coats is kept for something that is gone. It has no effect.", {}}};
}

}  // namespace avrelt

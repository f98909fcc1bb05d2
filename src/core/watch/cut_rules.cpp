// SPDX-License-Identifier: GPL-3.0-or-later
#include "watch/cut_rules.h"

#include <algorithm>

namespace avrelt {

std::vector<Watch> watchCut(const CutThing& cut, const Body& body) {
  constexpr Length tellable = Length::inches(1.0 / 64);
  const Length atBase = (body.aroundBase() - cut.base) * cut.round;
  const Length atRim = (body.aroundRim() - cut.rim) * cut.round;
  const Length shortBy = std::max(atBase, atRim);
  const Length longBy = -std::min(atBase, atRim);
  const Length overlap = cut.overlap;
  std::vector<Watch> watches;
  if (shortBy > std::max(overlap, tellable)) {
    Sentence words{
        "The %5 was cut for %1 round the rim; the cup is now %2. It is short by %3, more than its "
        "overlap of %4: cut it again.",
        {cut.rim, body.aroundRim(), shortBy, overlap, Phrase(cut.name)}};
    if (overlap == Length()) {
      words = {
          "The %4 was cut for %1 round the rim; the cup is now %2. It is short by %3: cut it "
          "again.",
          {cut.rim, body.aroundRim(), shortBy, Phrase(cut.name)}};
    }
    watches.push_back({Rule::cutShort, WatchLevel::warn, Member::cutRecord, std::move(words)});
  } else if (shortBy > tellable) {
    watches.push_back({Rule::cutLapsLess,
                       WatchLevel::note,
                       Member::cutRecord,
                       {"The %4 was cut for %1 round the rim; the cup is now %2. It still closes, "
                        "with %3 of overlap left.",
                        {cut.rim, body.aroundRim(), overlap - shortBy, Phrase(cut.name)}}});
  }
  if (longBy > tellable && shortBy <= std::max(overlap, tellable)) {
    watches.push_back(
        {Rule::cutLong,
         WatchLevel::note,
         Member::cutRecord,
         {"The %5 was cut for %1 round the rim; the cup is now %2. Trim %3 at the base and %4 at "
          "the rim from its right-hand end.",
          {cut.rim, body.aroundRim(), std::max(-atBase, Length()), std::max(-atRim, Length()),
           Phrase(cut.name)}}});
  }
  return watches;
}

}  // namespace avrelt

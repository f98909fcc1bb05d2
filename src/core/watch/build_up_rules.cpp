// SPDX-License-Identifier: GPL-3.0-or-later
#include "watch/build_up_rules.h"

#include <algorithm>

namespace avrelt {
namespace {

/// As much as a tape can show: half a sixteenth of an inch.
constexpr Length tellable = Length::inches(1.0 / 32);

/// "after 3 coats", as a part of a sentence; the count is all that matters.
Sentence::Part countOf(int coats) {
  return static_cast<long>(coats);
}

}  // namespace

std::vector<Watch> watchBuildUp(const Body& bare, const BuildUp& buildUp,
                                const std::vector<Stage>& stages) {
  std::vector<Watch> watches;
  const Stage& laid = stages[static_cast<std::size_t>(buildUp.laidAfter)];
  const Body grown = bare.grownBy(laid.thickness);
  const Length growth = grown.aroundRim() - bare.aroundRim();
  const Length either =
      bare.grownBy(laid.thickness + laid.spread * 2).aroundRim() - grown.aroundRim();

  if (buildUp.sizedFor == SizedFor::bare && growth > tellable) {
    watches.push_back({Rule::cutForBare,
                       WatchLevel::warn,
                       Member::sizedFor,
                       {"Sized for the bare cup, but laid after %1 coats: the wrap will be about "
                        "%2 short. Size it for the cup as it will be, or add that to the overlap.",
                        {countOf(buildUp.laidAfter), growth}}});
  } else if (buildUp.sizedFor == SizedFor::laid && buildUp.laidAfter > 0 && !laid.measured) {
    const bool earlier = std::any_of(stages.begin(), stages.begin() + buildUp.laidAfter,
                                     [](const Stage& stage) { return stage.measured; });
    if (earlier) {
      watches.push_back({Rule::measuredEarly,
                         WatchLevel::note,
                         Member::measured,
                         {"Coats went on after the last measurement; the rim is taken for %1, give "
                          "or take %2. Measure again after the last smooth coat.",
                          {grown.aroundRim(), either}}});
    } else {
      watches.push_back({Rule::growthGuessed,
                         WatchLevel::note,
                         Member::measured,
                         {"The rim is taken for %1, give or take %2: a guess from the coats, not a "
                          "measure. Measure again after the last smooth coat.",
                          {grown.aroundRim(), either}}});
    }
  }
  for (const Stage& stage : stages) {
    if (stage.measured && bare.grownBy(stage.thickness).aroundRim() < bare.aroundRim() - tellable) {
      watches.push_back({Rule::shrunk,
                         WatchLevel::warn,
                         Member::measured,
                         {"After %1 coats the cup was measured smaller than bare. Measure both "
                          "again at the same place.",
                          {countOf(stage.after)}}});
    }
  }
  return watches;
}

}  // namespace avrelt

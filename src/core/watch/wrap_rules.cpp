// SPDX-License-Identifier: GPL-3.0-or-later
#include "watch/wrap_rules.h"

#include <algorithm>

namespace avrelt {

std::vector<Watch> watchWrap(const WrapLayout& layout, const Wrap& wrap) {
  constexpr Length thinnest = Length::mm(0.5);
  constexpr Length wideSheet = Length::mm(600);

  std::vector<Watch> watches;
  const auto watch = [&](Rule rule, WatchLevel level, Where where, Sentence sentence) {
    watches.push_back({rule, level, std::move(where), std::move(sentence)});
  };

  const Length rim = wrap.rimClearance.length;
  // A hundredth of a millimetre of grace: 3.17 mm is meant as 1/8 in.
  if (rim < bareEnough) {
    watch(Rule::rimLine, WatchLevel::warn, Member::rimClearance,
          {"The wrap comes within %1 of the rim, and the last coats have to seal onto bare steel "
           "there. Leave about %2.",
           {rim, bareEdge}});
  }

  const Angle offBack = abs((wrap.seamAt - CupAngle::back()).wrapped());
  if (offBack > Angle::degrees(90)) {
    watch(Rule::seamFront, WatchLevel::warn, Member::seamAt,
          {"The seam stands at %1, on the side people see. Put it at 180°, the back.",
           {wrap.seamAt.wrapped()}});
  } else if (offBack > Angle::degrees(1)) {
    watch(Rule::seamNotBack, WatchLevel::note, Member::seamAt,
          {"The seam stands at %1, off the back by %2. Leave it only where something hides it.",
           {wrap.seamAt.wrapped(), offBack}});
  }

  const Length overlap = wrap.overlap.length;
  const Length narrow =
      std::min(layout.body().around(layout.low()), layout.body().around(layout.high()));
  if (overlap == Length()) {
    watch(Rule::noOverlap, WatchLevel::note, Member::overlap,
          {"The edges only meet, so a tape read one mark short shows as a gap. Add an overlap of "
           "%1, or try the paper piece first.",
           {bareEdge}});
  } else if (overlap < thinnest) {
    watch(Rule::thinOverlap, WatchLevel::warn, Member::overlap,
          {"An overlap of %1 is thinner than a blade can follow. Was %2 meant?",
           {overlap, overlap * 10}});
  } else if (overlap > narrow * 0.1) {
    watch(Rule::wideOverlap, WatchLevel::note, Member::overlap,
          {"%1 of the wrap lies double, of %2 round. 1/8 in is common.", {overlap, narrow}});
  }

  const Angle lean = abs(layout.body().lean());
  if (lean > Angle::degrees(30)) {
    watch(Rule::steepTaper, WatchLevel::warn, Where(Member::stationGirth, std::size_t{1}),
          {"The wall leans by %1, more than cups do. Check both girths and the height, then try "
           "the paper piece.",
           {lean}});
  }

  const Length width = Length::mm(boundsOf(layout.outline()).width());
  if (width > wideSheet) {
    watch(Rule::largeSheet, WatchLevel::note, Where(Member::stationGirth, std::size_t{0}),
          {"The part is %1 wide. Check that your cutter and sheet take it.", {width}});
  }
  return watches;
}

}  // namespace avrelt

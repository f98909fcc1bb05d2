// SPDX-License-Identifier: GPL-3.0-or-later
#include "watch/wrap_rules.h"

#include <algorithm>

namespace avrelt {

std::vector<Watch> watchWrap(const WrapLayout& layout, const Wrap& wrap) {
  constexpr Length thinnest = Length::mm(0.5);
  constexpr Length wideSheet = Length::mm(600);

  std::vector<Watch> watches;
  const auto watch = [&](const char* rule, WatchLevel level, const char* field, Sentence sentence) {
    watches.push_back({rule, level, field, std::move(sentence)});
  };

  const Length rim = wrap.rimClearance.length;
  // A hundredth of a millimetre of grace: 3.17 mm is meant as 1/8 in.
  if (rim < bareEnough) {
    watch("rim_line", WatchLevel::warn, "wrap.rim_clearance",
          {"The wrap comes within %1 of the rim, and the last coats have to seal onto bare steel "
           "there. Leave about %2.",
           {rim, bareEdge}});
  }

  const Angle offBack = abs((wrap.seamAt - Angle::halfTurn()).wrapped());
  if (offBack > Angle::degrees(90)) {
    watch("seam_front", WatchLevel::warn, "wrap.seam_at",
          {"The seam stands at %1, on the side people see. Put it at 180°, the back.",
           {wrap.seamAt.wrapped()}});
  } else if (offBack > Angle::degrees(1)) {
    watch("seam_not_back", WatchLevel::note, "wrap.seam_at",
          {"The seam stands at %1, off the back by %2. Leave it only where something hides it.",
           {wrap.seamAt.wrapped(), offBack}});
  }

  const Length overlap = wrap.overlap.length;
  const Length narrow =
      std::min(layout.body().around(layout.low()), layout.body().around(layout.high()));
  if (overlap == Length()) {
    watch("no_overlap", WatchLevel::note, "wrap.overlap",
          {"The edges only meet, so a tape read one mark short shows as a gap. Add an overlap of "
           "%1, or try the paper piece first.",
           {bareEdge}});
  } else if (overlap < thinnest) {
    watch("thin_overlap", WatchLevel::warn, "wrap.overlap",
          {"An overlap of %1 is thinner than a blade can follow. Was %2 meant?",
           {overlap, overlap * 10}});
  } else if (overlap > narrow * 0.1) {
    watch("wide_overlap", WatchLevel::note, "wrap.overlap",
          {"%1 of the wrap lies double, of %2 round. 1/8 in is common.", {overlap, narrow}});
  }

  const Angle lean = abs(layout.body().lean());
  if (lean > Angle::degrees(30)) {
    watch("steep_taper", WatchLevel::warn, "blank.stations[1].around",
          {"The wall leans by %1, more than cups do. Check both girths and the height, then try "
           "the paper piece.",
           {lean}});
  }

  const Length width = Length::mm(boundsOf(layout.outline()).width());
  if (width > wideSheet) {
    watch("large_sheet", WatchLevel::note, "blank.stations[0].around",
          {"The part is %1 wide. Check that your cutter and sheet take it.", {width}});
  }
  return watches;
}

}  // namespace avrelt

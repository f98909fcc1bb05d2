// SPDX-License-Identifier: GPL-3.0-or-later
#include "watch/wrap_rules.h"

#include <algorithm>
#include <catch2/catch.hpp>

#include "core/cups.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

std::vector<std::string> rulesFor(const Blank& blank, const Wrap& wrap) {
  const WrapLayout layout = laidOut(developed(blank), wrap);
  std::vector<std::string> rules;
  for (const Watch& watch : watchWrap(layout, wrap)) {
    rules.emplace_back(idOf(watch.rule));
    CHECK_FALSE(inWords(watch.sentence, Unit::inch).empty());
    CHECK_FALSE(watch.where.empty());
  }
  return rules;
}

const Length eighth = Length::inches(0.125);

}  // namespace

// The rules are common practice, no published source.

TEST_CASE("a usual wrap has nothing to watch") {
  CHECK(rulesFor(all()[1].blank, wrapOf({}, eighth, eighth)).empty());
  CHECK(rulesFor(all()[1].blank, wrapOf({}, Length::mm(3.17), Length::mm(3))).empty());
}

TEST_CASE("each risk is named once") {
  const Blank& cup = all()[1].blank;
  using Rules = std::vector<std::string>;
  CHECK(rulesFor(cup, wrapOf({}, Length::mm(2), eighth)) == Rules{"rim_line"});
  CHECK(rulesFor(cup, wrapOf({}, eighth, eighth, CupAngle::degrees(10))) == Rules{"seam_front"});
  CHECK(rulesFor(cup, wrapOf({}, eighth, eighth, CupAngle::degrees(-172))) ==
        Rules{"seam_not_back"});
  CHECK(rulesFor(cup, wrapOf({}, eighth, eighth, CupAngle::degrees(-180))).empty());
  CHECK(rulesFor(cup, wrapOf({}, eighth, {})) == Rules{"no_overlap"});
  CHECK(rulesFor(cup, wrapOf({}, eighth, Length::inches(0.0125))) == Rules{"thin_overlap"});
  CHECK(rulesFor(cup, wrapOf({}, eighth, Length::inches(1.5))) == Rules{"wide_overlap"});
  CHECK(rulesFor(body(Length::mm(60), Length::mm(300), Length::mm(60)),
                 wrapOf({}, eighth, eighth)) == Rules{"steep_taper"});
  CHECK(rulesFor(body(Length::mm(700), Length::mm(700), Length::mm(60)),
                 wrapOf({}, eighth, eighth)) == Rules{"large_sheet"});
}

TEST_CASE("0.0125 in is asked about as a slip for 0.125 in") {
  const Wrap wrap = wrapOf({}, eighth, Length::inches(0.0125));
  const std::vector<Watch> watches = watchWrap(laidOut(developed(all()[0].blank), wrap), wrap);
  REQUIRE(watches.size() == 1);
  CHECK_THAT(inWords(watches[0].sentence, Unit::inch), Catch::Contains("Was 1/8 in meant?"));
}

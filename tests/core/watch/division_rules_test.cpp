// SPDX-License-Identifier: GPL-3.0-or-later
#include "watch/division_rules.h"

#include <catch2/catch.hpp>

#include "job/plan.h"

using namespace avrelt;

TEST_CASE("an order of filling that names what is not there says so, and where") {
  Cup cup = newCup("Cup", Unit::mm);
  cup.division.body.cut = RingCut{.count = 2};
  cup.division.order = {".1", "B", ".0"};
  const CheckedAll<CupPlan> plan = planCup(cup, Unit::mm);
  REQUIRE(plan.has_value());
  std::vector<Where> told;
  for (const Watch& watch : plan->watches) {
    if (watch.rule == Rule::turnOfNone) told.push_back(watch.where);
  }
  CHECK(told == std::vector{Where(Member::fillingOrder, std::size_t{1})});
}

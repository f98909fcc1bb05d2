// SPDX-License-Identifier: GPL-3.0-or-later
#include "watch/reference_rules.h"

#include <catch2/catch.hpp>
#include <string>
#include <vector>

#include "core/decal_cups.h"
#include "job/purpose.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

/// Three rings, film in the middle one, a stripe on the upper line; a star, in a row and scattered.
Cup referring() {
  Cup cup = straight();
  cup.division.body.cut = RingCut{.count = 3};
  cup.division.body.parts.assign(3, ZoneNode());
  cup.division.body.parts[1].finish.kind = FinishKind::film;
  cup.sets = {setAt(named("star"), 20, {placeAt(0, 90)})};
  giveIds(cup);
  Stripe stripe;
  stripe.of = cup.division.body.cut->id;
  cup.division.stripes = {stripe};
  Row row;
  row.sets = {cup.sets[0].id};
  row.count = 4;
  row.up = WrittenLength::mm(30);
  cup.rows = {row};
  Scatter scatter;
  scatter.sets = row.sets;
  cup.scatters = {scatter};
  giveIds(cup);
  return cup;
}

std::size_t waiting(const CupPlan& plan) {
  return static_cast<std::size_t>(std::count_if(
      plan.watches.begin(), plan.watches.end(),
      [](const Watch& watch) { return idOf(watch.rule).find("_wait") != std::string_view::npos; }));
}

}  // namespace

TEST_CASE("what refers to something that is gone waits, is told, and comes back with it") {
  const Cup whole = referring();
  CHECK(waiting(planned(whole)) == 0);
  SECTION("a stripe, where its line is cut no more") {
    Cup cup = whole;
    cup.division.stripes.push_back(cup.division.stripes[0]);
    cup.division.stripes[1].id = "low";
    cup.division.stripes[1].line = 1;
    CHECK(planned(cup).stripes.size() == 2);
    std::get<RingCut>(cup.division.body.cut->how).count = 2;
    const CupPlan plan = planned(cup);
    REQUIRE(told(plan, "stripe_waits"));
    CHECK(watchOf(plan, "stripe_waits")->where.member == Member::stripeLine);
    CHECK(plan.stripes.size() == 1);
    CHECK(waiting(plan) == 1);
  }
  SECTION("an edge of film") {
    Cup cup = whole;
    cup.division.body.parts[1].finish.edges = {{"cut-none", 0, FilmEdge::exact}};
    CHECK(told(planned(cup), "edge_waits"));
    cup.division.body.parts[1].finish.edges[0].of = cup.division.body.cut->id;
    CHECK(waiting(planned(cup)) == 0);
  }
  SECTION("a row goes round with the sets it has") {
    Cup cup = whole;
    cup.rows[0].sets.emplace_back("set-none");
    const CupPlan plan = planned(cup);
    CHECK(told(plan, "row_waits"));
    CHECK(std::count_if(plan.sets[0].places.begin(), plan.sets[0].places.end(),
                        [&](const PlacePlan& place) { return place.row == cup.rows[0].id; }) == 4);
    cup.rows[0].sets = {"set-none"};
    CHECK(told(planned(cup), "row_of_nothing"));
    CHECK_FALSE(told(planned(cup), "row_waits"));
  }
  SECTION("a scatter throws the sets it has, and none where its zone is gone") {
    Cup cup = whole;
    cup.scatters[0].sets.emplace_back("set-none");
    CHECK(told(planned(cup), "scatter_waits"));
    cup.scatters[0].sets = {"set-none"};
    CHECK(watchOf(planned(cup), "scatter_waits")->level == WatchLevel::warn);
    cup.scatters[0].sets = whole.scatters[0].sets;
    cup.scatters[0].zone = "zone-none";
    const CupPlan plan = planned(cup);
    CHECK(told(plan, "scatter_zone_waits"));
    cup.scatters[0].items = {{placeAt(10, 40), cup.sets[0].id}};
    const ScatterGround ground{*plan.landmarks, plan.divided, cup.sets, {}};
    CHECK(scattered(cup.scatters[0], ground) == cup.scatters[0].items);
    cup.scatters[0].zone.clear();
    CHECK(scattered(cup.scatters[0], ground).size() > 1);
  }
}

TEST_CASE("two stripes as wide as each other on one line are told") {
  Cup cup = referring();
  cup.division.stripes.push_back(cup.division.stripes[0]);
  cup.division.stripes[1].id = "second";
  CHECK(told(planned(cup), "stripe_twice"));
  cup.division.stripes[1].width = WrittenLength::mm(1);
  CHECK_FALSE(told(planned(cup), "stripe_twice"));
}

TEST_CASE("there are no parts for a purpose of a later version") {
  const CupPlan plan = planned(referring());
  CHECK(plan.parts("engraving").empty());
  CHECK(plan.set("engraving").parts.empty());
}

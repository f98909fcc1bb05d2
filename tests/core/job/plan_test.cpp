// SPDX-License-Identifier: GPL-3.0-or-later
#include "job/plan.h"

#include <catch2/catch.hpp>

#include "core/cups.h"

using namespace avrelt;

namespace {

Document orderOf(std::initializer_list<const char*> names) {
  Document document;
  for (const char* name : names) document.cups.push_back(newCup(name, document.units));
  return document;
}

}  // namespace

TEST_CASE("every cup that can be measured can be planned, with its pieces") {
  for (const cups::Named& named : cups::all()) {
    INFO(named.name);
    Cup cup = newCup(named.name, Unit::mm);
    cup.blank = named.blank;
    if (cup.blank.stations[1].at.length < Length::mm(10)) {
      cup.wrap.rimClearance = {};
      cup.wrap.overlap = {};
      cup.strip.width = WrittenLength::mm(5);
    }
    const CheckedAll<CupPlan> plan = planCup(cup, Unit::mm);
    REQUIRE(plan.has_value());
    std::size_t parts = 0;
    for (const Purpose& purpose : purposes()) parts += plan->parts(purpose.id).size();
    CHECK(parts == 4);
    for (const char* purpose : {purpose::wrap, purpose::testPiece, purpose::markingStrip}) {
      CHECK(plan->part(purpose).area() > Area());
    }
  }
}

TEST_CASE("more cups than an order holds are refused at once") {
  Document document;
  for (int i = 0; i < 201; ++i) {
    document.cups.push_back(newCup("Cup " + std::to_string(i), Unit::mm));
  }
  const CheckedAll<Plan> plan = planDocument(document);
  REQUIRE_FALSE(plan.has_value());
  CHECK(plan.error().size() == 1);
  CHECK(plan.error()[0].where.member == Member::cups);
}

TEST_CASE("more zones or cuts in each other than a plan bears are refused, not worked out") {
  Cup cup = newCup("Comet", Unit::mm);
  ZoneNode row;
  row.cut = UprightCut{.count = 60};
  cup.division.body.cut = RingCut{.count = 60};
  cup.division.body.parts.assign(60, row);
  const CheckedAll<CupPlan> many = planCup(cup, Unit::mm);
  REQUIRE_FALSE(many.has_value());
  REQUIRE(many.error().size() == 1);
  CHECK(many.error()[0].where.member == Member::cut);
  cup.division.body = ZoneNode();
  ZoneNode* node = &cup.division.body;
  for (std::size_t depth = 0; depth <= deepestCut; ++depth) {
    node->cut = UprightCut{.by = CutBy::widths, .widths = {std::nullopt, WrittenLength::mm(1)}};
    node->parts.resize(1);
    node = &node->parts[0];
  }
  const CheckedAll<CupPlan> deep = planCup(cup, Unit::mm);
  REQUIRE_FALSE(deep.has_value());
  CHECK_THAT(inWords(deep.error()[0].sentence, Unit::mm), Catch::Contains("24 deep"));
}

TEST_CASE("faults of wrap and strip are told together") {
  Cup cup = newCup("Comet", Unit::mm);
  cup.wrap.overlap = WrittenLength::mm(500);
  cup.strip.at = WrittenLength::mm(500);
  const CheckedAll<CupPlan> plan = planCup(cup, Unit::mm);
  REQUIRE_FALSE(plan.has_value());
  REQUIRE(plan.error().size() == 2);
  CHECK(plan.error()[0].where.member == Member::overlap);
  CHECK(plan.error()[1].where.member == Member::stripAt);
}

TEST_CASE("faults of an order name their cup") {
  Document document = orderOf({"A", "B", "A"});
  document.cups[1].blank.stations[0].girth = WrittenLength::mm(0);
  const CheckedAll<Plan> plan = planDocument(document);
  REQUIRE_FALSE(plan.has_value());
  std::vector<Where> places;
  for (const Fault& fault : plan.error()) places.push_back(fault.where);
  std::vector<Where> wanted{Member::name, {Member::stationGirth, std::size_t{0}}, Member::name};
  for (std::size_t i = 0; i < 3; ++i) wanted[i].cup = static_cast<int>(i);
  CHECK(places == wanted);
}

TEST_CASE("cups whose names differ only in what files cannot carry get names apart") {
  const CheckedAll<Plan> plan = planDocument(orderOf({"Comet", "comet!", "Комета", "彗星"}));
  REQUIRE(plan.has_value());
  std::vector<std::string> slugs;
  for (const CupPlan& cup : plan->cups) slugs.push_back(cup.slug);
  CHECK(slugs == std::vector<std::string>{"comet", "comet-2", "cup", "cup-2"});
}

TEST_CASE("a slug is lower case, digits and hyphens") {
  CHECK(slugOf("Tapered 350") == "tapered-350");
  CHECK(slugOf("../../etc/passwd") == "etc-passwd");
  CHECK(slugOf("  --  ") == "cup");
}

TEST_CASE("an empty order has an empty plan") {
  const CheckedAll<Plan> plan = planDocument(Document{});
  REQUIRE(plan.has_value());
  CHECK(plan->cups.empty());
}

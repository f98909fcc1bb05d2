// SPDX-License-Identifier: GPL-3.0-or-later
#include "job/ids.h"

#include <algorithm>
#include <catch2/catch.hpp>

#include "files/disk.h"
#include "files/document_json.h"
#include "files/outputs.h"

using namespace avrelt;

namespace {

Document readOrder(const std::string& text) {
  const auto document = readDocument(text);
  REQUIRE(document.has_value());
  return document->document;
}

Document dividedOnce() {
  return readOrder(*readFile(AVRELT_TEST_DATA "/version-1-divided.avrelt"));
}

const Cup& called(const Document& document, const std::string& name) {
  return *std::find_if(document.cups.begin(), document.cups.end(),
                       [&](const Cup& cup) { return cup.name == name; });
}

CupPlan planned(const Cup& cup) {
  CheckedAll<CupPlan> plan = planCup(cup, Unit::mm);
  REQUIRE(plan.has_value());
  return std::move(*plan);
}

/// The letters of the zones that patterns fill, in their order.
std::string filledIn(const CupPlan& plan) {
  std::string letters;
  for (const FillPlan& fill : plan.fills) letters += fill.letter;
  return letters;
}

std::string oneCup(const std::string& members) {
  return R"({"avrelt": 2, "units": "mm", "cups": [{"name": "A", "blank": {"stations":
      [{"at": 0, "around": 230}, {"at": 180}]}, )" +
         members + "}]}";
}

std::string idFaultsOf(const std::string& text) {
  const auto document = readDocument(text);
  REQUIRE_FALSE(document.has_value());
  return inWords(document.error().front(), "it", Unit::mm);
}

}  // namespace

TEST_CASE("an order of version 1 keeps its meaning when its ways become ids") {
  const Document document = dividedOnce();
  const Cup& nested = called(document, "Nested");
  // Zones: A the top band, B and C and D and E the middle one, F the lowest.
  CHECK(filledIn(planned(nested)) == "FA");
  CHECK(nested.fills[0].zone == nested.division.body.parts[2].id);
  CHECK(nested.division.stripes[0].of == nested.division.body.cut->id);
  CHECK(nested.division.stripes[1].of == nested.division.body.parts[1].cut->id);
  // Zone E is a part nobody has touched.
  CHECK(nested.division.order ==
        std::vector<std::string>{nested.division.body.parts[1].cut->id + ".2",
                                 nested.division.body.parts[0].id});
  CHECK(filledIn(planned(called(document, "V"))) == "C");
  CHECK(filledIn(planned(called(document, "Wave"))) == "B");
  CHECK(filledIn(planned(called(document, "Spacers"))) == "D");
  CHECK(filledIn(planned(called(document, "Whole"))) == "A");
}

TEST_CASE("an order of version 1 saved as version 2 plans to the byte as before") {
  const Document document = dividedOnce();
  const std::string saved = writeDocument(document);
  CHECK_THAT(saved, Catch::StartsWith("{\n  \"avrelt\": 2"));
  const Document again = readOrder(saved);
  CHECK(again == document);
  CHECK(planJson(*planDocument(document), {}) == planJson(*planDocument(again), {}));
  CHECK(writeDocument(again) == saved);
}

TEST_CASE("a reference of version 1 that leads nowhere is told with its place and kept") {
  const Document document = dividedOnce();
  const Cup& gone = called(document, "Gone");
  const CupPlan plan = planned(gone);
  CHECK(filledIn(plan) == "B");
  const auto told = std::find_if(plan.watches.begin(), plan.watches.end(), [](const Watch& watch) {
    return watch.rule == Rule::patternWaits && watch.where.member == Member::fillZone;
  });
  CHECK(told != plan.watches.end());
  CHECK_THAT(writeDocument(document), Catch::Contains("\"mark\": \"kept\"") &&
                                          Catch::Contains("\"zone\": \"@4.1\"") &&
                                          Catch::Contains("\"due\": \"kept\""));
}

TEST_CASE("an id told twice is refused with both places") {
  const std::string fault = idFaultsOf(oneCup(
      R"("divide": {"body": {"id": "all", "cut": {"id": "c"}, "parts": [{"id": "x"}, {"id": "x"}]}})"));
  CHECK_THAT(fault, Catch::Contains("cups[0].divide.body.parts[1].id") &&
                        Catch::Contains("cups[0].divide.body.parts[0].id"));
  CHECK_THAT(idFaultsOf(oneCup(R"("fills": [{"id": ""}])")), Catch::Contains("fills[0].id"));
  CHECK_THAT(idFaultsOf(oneCup(R"("fills": [{"zone": 7}])")), Catch::Contains("fills[0].zone"));
  CHECK_THAT(idFaultsOf(oneCup(R"("fills": [{"zone": [0, -1]}])")),
             Catch::Contains("fills[0].zone[1]"));
}

TEST_CASE("ids a hand has written are kept, the others are made, and none is made twice") {
  Document document = readOrder(oneCup(R"("ids": 4, "divide": {"body": {"id": "wall", "cut":
      {"kind": "rings", "count": 3}, "parts": [{"id": "cut-5"}, {}]}},
      "fills": [{"zone": "cut-5", "colours": [{"share": 1}]}, {"id": "mine", "zone": "@x.y"}])"));
  Cup& cup = document.cups[0];
  CHECK(cup.division.body.id == "wall");
  CHECK(cup.division.body.cut->id == "cut-6");
  CHECK(cup.division.body.parts[1].id == "cut-6.1");
  CHECK(cup.fills[0].id == "fill-7");
  CHECK(cup.fills[1].id == "mine");
  CHECK(filledIn(planned(cup)) == "A");
  CHECK(newId(cup, "cut") == "cut-8");
  cup.fills.clear();
  CHECK(newId(cup, "cut") == "cut-9");
}

// SPDX-License-Identifier: GPL-3.0-or-later
#include "job/document.h"

#include <catch2/catch.hpp>

#include "job/plan.h"

using namespace avrelt;

TEST_CASE("a new cup can be planned at once and has nothing to watch, in either unit") {
  for (const Unit unit : {Unit::inch, Unit::mm}) {
    const CheckedAll<CupPlan> plan = planCup(newCup("New", unit), unit);
    REQUIRE(plan.has_value());
    for (const Watch& watch : plan->watches) CHECK(watch.rule == Rule::rimLine);
  }
}

TEST_CASE("a free name is the wanted one, or the first numbered one") {
  Document document;
  CHECK(freeName(document, "Comet") == "Comet");
  document.cups = {newCup("Comet", Unit::inch), newCup("Comet 2", Unit::inch)};
  CHECK(freeName(document, "Comet") == "Comet 3");
  CHECK(freeName(document, "Dome") == "Dome");
}

TEST_CASE("a name has to be there, short, and the cup's own") {
  Document document;
  document.cups = {newCup("Comet", Unit::inch), newCup("Dome", Unit::inch)};
  CHECK_FALSE(nameFault(document, 0, "Comet").has_value());
  CHECK(nameFault(document, 1, "Comet").has_value());
  CHECK(nameFault(document, 1, "  ").has_value());
  CHECK(nameFault(document, 1, std::string(61, 'x')).has_value());
  CHECK_FALSE(nameFault(document, 1, std::string(60, 'x')).has_value());
}

TEST_CASE("the paper follows the unit until one is chosen") {
  Document document;
  CHECK(document.printPaper() == Paper::letter);
  document.units = Unit::mm;
  CHECK(document.printPaper() == Paper::a4);
  document.paper = Paper::letter;
  CHECK(document.printPaper() == Paper::letter);
}

// SPDX-License-Identifier: GPL-3.0-or-later
#include "measure/sentence.h"

#include <catch2/catch.hpp>

using namespace avrelt;

TEST_CASE("a sentence shows its lengths in the reader's unit") {
  const Sentence sentence{"Leave %1 at %2.", {Length::inches(0.125), std::string("the rim")}};
  CHECK(inWords(sentence, Unit::inch) == "Leave 1/8 in at the rim.");
  CHECK(inWords(sentence, Unit::mm) == "Leave 3.18 mm at the rim.");
}

TEST_CASE("a translated pattern may turn the places round") {
  const Sentence sentence{"%1 of %2", {3L, 7L}};
  CHECK(inWords("%2, davon %1", sentence.parts, Unit::mm) == "7, davon 3");
}

TEST_CASE("a place without a part, and a lone percent sign, do no harm") {
  CHECK(inWords(Sentence{"100 % of %3", {1L}}, Unit::mm) == "100 % of ");
  CHECK(inWords(Sentence{"%", {}}, Unit::mm) == "%");
}

TEST_CASE("an angle carries its sign and one decimal at most") {
  CHECK(angleText(Angle::degrees(180)) == "180°");
  CHECK(angleText(Angle::degrees(15.06)) == "15.1°");
  CHECK(angleText(Angle::degrees(-0.001)) == "0°");
}

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
  const auto german = [](const std::string& pattern) {
    return pattern == "%1 of %2" ? std::string("%2, davon %1") : pattern;
  };
  CHECK(inWords(sentence, Unit::mm, german) == "7, davon 3");
}

TEST_CASE("a phrase within a sentence speaks the sentence's language and unit") {
  const Sentence film{"film of zone %1, %2 wide", {std::string("C"), Length::inches(2)}};
  const Sentence sentence{"The %1 is short.", {Phrase(film)}};
  CHECK(inWords(sentence, Unit::inch) == "The film of zone C, 2 in wide is short.");
  const auto loud = [](const std::string& pattern) { return pattern + "!"; };
  CHECK(inWords(sentence, Unit::mm, loud) == "The film of zone C, 50.8 mm wide! is short.!");
  CHECK(sentence == Sentence{"The %1 is short.", {Phrase(film)}});
  CHECK_FALSE(sentence == Sentence{"The %1 is short.", {Phrase({"film", {}})}});
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

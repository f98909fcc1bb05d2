// SPDX-License-Identifier: GPL-3.0-or-later
#include "measure/length_text.h"

#include <rapidcheck.h>

#include <catch2/catch.hpp>

#include "measure/tape.h"

using namespace avrelt;

namespace {

double mmOf(const char* text, Unit unit = Unit::inch) {
  const Checked<Length> length = parseLength(text, unit);
  INFO(text);
  REQUIRE(length.has_value());
  return length->mm();
}

std::string whyNot(const char* text, Unit unit = Unit::inch) {
  const Checked<Length> length = parseSize(text, unit);
  INFO(text);
  REQUIRE_FALSE(length.has_value());
  return inWords(length.error().sentence, unit);
}

}  // namespace

TEST_CASE("an inch is 25.4 mm exactly") {
  // NIST Handbook 44, Appendix C.
  CHECK(Length::inches(1).mm() == 25.4);
  CHECK(mmOf("1 in") == 25.4);
}

TEST_CASE("three eighths of an inch are 0.375 in") {
  // Common practice, no published source.
  CHECK(parseLength("3/8", Unit::inch)->inches() == Approx(0.375).epsilon(1e-15));
}

TEST_CASE("a length is read as people write it off a tape") {
  const double nineThreeEighths = 9.375 * 25.4;
  for (const char* text : {"9 3/8", "9-3/8\"", "9 3/8 in", "9⅜", "9 ⅜", "9⅜\"", "9.375in",
                           "9.375 in", "9,375 in", "9 3/8 inches", "  9  3 / 8  IN. ", "9 3⁄8″",
                           "+9 3/8", "9 6/16", "9\u00a03/8", "9 3/8''"}) {
    CHECK(mmOf(text) == nineThreeEighths);
  }
  CHECK(mmOf(".375") == 0.375 * 25.4);
  CHECK(mmOf("7/16") == 7.0 / 16 * 25.4);
  CHECK(mmOf("⅜") == 0.375 * 25.4);
  CHECK(mmOf("238 mm") == 238);
  CHECK(mmOf("23,8 cm") == 238);
  CHECK(mmOf("23.8cm") == 238);
  CHECK(mmOf("0") == 0);
  CHECK(mmOf("5.") == 5 * 25.4);
  CHECK(mmOf("-1/8") == -0.125 * 25.4);
  CHECK(mmOf("−1/8") == -0.125 * 25.4);
}

TEST_CASE("without a unit the document's unit is meant") {
  CHECK(mmOf("9", Unit::inch) == 9 * 25.4);
  CHECK(mmOf("9", Unit::mm) == 9);
  CHECK(mmOf("9 in", Unit::mm) == 9 * 25.4);
  CHECK(mmOf("9 mm", Unit::inch) == 9);
}

TEST_CASE("what is no length is refused with what would be accepted") {
  CHECK_THAT(whyNot(""), Catch::Contains("No length is given"));
  CHECK_THAT(whyNot("   "), Catch::Contains("No length is given"));
  CHECK_THAT(whyNot("9 3/0"), Catch::Contains("divides by zero"));
  CHECK_THAT(whyNot("9 3/8/2"), Catch::Contains("one stroke too many"));
  CHECK_THAT(whyNot("9 miles"), Catch::Contains("in, mm or cm"));
  CHECK_THAT(whyNot("9'"), Catch::Contains("in, mm or cm"));
  CHECK_THAT(whyNot("-3"), Catch::Contains("zero or more"));
  CHECK_THAT(whyNot("10001 mm"), Catch::Contains("longer than 10 m"));
  CHECK_THAT(whyNot("394 in"), Catch::Contains("longer than 10 m"));
  CHECK_THAT(whyNot((std::string(400, '9')).c_str()), Catch::Contains("longer than 10 m"));
  for (const char* text : {"--", "nan", "inf", "1e999", "1e3", "9 8", "9 3/", "/8", "3//8", ".",
                           ",", "1,234.5", "9-", "in", "0x10", "9 3/8 3/8", "9 in 3/8", "½ ½"}) {
    CHECK_THAT(whyNot(text), Catch::Contains("Type it as a tape reads") ||
                                 Catch::Contains("stroke") || Catch::Contains("in, mm or cm"));
  }
}

TEST_CASE("a long slip is quoted short and stays whole characters") {
  const std::string said = whyNot((std::string(39, 'x') + "⅜⅜⅜⅜").c_str());
  CHECK(said.size() < 180);
  CHECK(said.find("…") != std::string::npos);
}

TEST_CASE("ten metres are the last length accepted") {
  CHECK(mmOf("10000 mm") == 10000);
  CHECK_FALSE(parseLength("10000.001 mm", Unit::mm).has_value());
  CHECK_FALSE(parseLength("-10000.001 mm", Unit::mm).has_value());
}

TEST_CASE("every thirty-second of an inch up to forty inches survives text and back exactly") {
  for (int mark = 0; mark <= 40 * 32; ++mark) {
    const Length length = Length::inches(mark / 32.0);
    const std::string text = readTape(length, Graduation::thirtySecond).text;
    const Checked<Length> again = parseSize(text, Unit::mm);
    INFO(text);
    REQUIRE(again.has_value());
    REQUIRE(*again == length);
    REQUIRE(readTape(*again, Graduation::thirtySecond).text == text);
    REQUIRE(plainText(length, Unit::inch) == text);
  }
}

TEST_CASE("any text is either a length within ten metres or a fault with words") {
  const bool holds = rc::check([](const std::string& text) {
    for (const Unit unit : {Unit::inch, Unit::mm}) {
      const Checked<Length> length = parseLength(text, unit);
      if (length) {
        RC_ASSERT(abs(*length) <= longestLength);
      } else {
        RC_ASSERT(!inWords(length.error().sentence, unit).empty());
      }
    }
  });
  CHECK(holds);
}

TEST_CASE("what is typed keeps its words and gains its unit") {
  CHECK(writtenSize("9 3/8", Unit::inch)->text == "9 3/8 in");
  CHECK(writtenSize(" 9 3/8 ", Unit::inch)->text == "9 3/8 in");
  CHECK(writtenSize("9.375in", Unit::mm)->text == "9.375in");
  CHECK(writtenSize("238", Unit::mm)->text == "238 mm");
  CHECK(writtenSize("0", Unit::inch)->text == "0 in");
  CHECK(writtenSize("0 mm", Unit::inch)->length == Length());
  CHECK_FALSE(writtenSize("-1", Unit::mm).has_value());
}

TEST_CASE("a written length means the same whichever unit the reader is in") {
  const bool holds = rc::check([] {
    const int marks = *rc::gen::inRange(0, 40 * 64);
    const Unit unit = *rc::gen::element(Unit::inch, Unit::mm);
    const WrittenLength length = written(Length::inches(marks / 64.0), unit);
    if (length.text.empty()) return;  // the bare number stands in the file
    RC_ASSERT(*parseLength(length.text, Unit::inch) == length.length);
    RC_ASSERT(*parseLength(length.text, Unit::mm) == length.length);
  });
  CHECK(holds);
}

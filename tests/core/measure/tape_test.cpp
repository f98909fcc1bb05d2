// SPDX-License-Identifier: GPL-3.0-or-later
#include "measure/tape.h"

#include <rapidcheck.h>

#include <catch2/catch.hpp>

#include "measure/sentence.h"

using namespace avrelt;

TEST_CASE("fractions are reduced") {
  CHECK(readTape(Length::inches(9.375), Graduation::sixteenth).text == "9 3/8 in");
  CHECK(readTape(Length::inches(0.5), Graduation::thirtySecond).text == "1/2 in");
  CHECK(readTape(Length::inches(9), Graduation::eighth).text == "9 in");
  CHECK(readTape(Length(), Graduation::eighth).text == "0 in");
  CHECK(readTape(Length::inches(-0.25), Graduation::eighth).text == "-1/4 in");
  CHECK(readTape(Length::mm(237.6), Graduation::millimetre).text == "238 mm");
}

TEST_CASE("eight inches in three leaves a twenty-fourth of an inch when taped at 2 5/8") {
  // 8/3 − 2 5/8 = 1/24. Common practice, no published source, for the taping; the rest is
  // arithmetic.
  const TapeReading third = readTape(Length::inches(8.0 / 3), Graduation::eighth);
  CHECK(third.text == "2 5/8 in");
  CHECK(third.error.inches() == Approx(-1.0 / 24));
}

TEST_CASE("the error is never more than half a step") {
  const bool holds = rc::check([] {
    const Length length = Length::mm(*rc::gen::inRange(-100'000, 100'000) / 97.0);
    for (const Graduation graduation : {Graduation::eighth, Graduation::sixteenth,
                                        Graduation::thirtySecond, Graduation::millimetre}) {
      const TapeReading reading = readTape(length, graduation);
      RC_ASSERT(abs(reading.error) <= step(graduation) / 2 + Length::mm(1e-9));
      RC_ASSERT(reading.mark == nearestMark(length, graduation));
      RC_ASSERT(abs(reading.mark - reading.error - length) < Length::mm(1e-9));
    }
  });
  CHECK(holds);
}

TEST_CASE("a length is written plainly") {
  CHECK(plainText(Length::inches(9.375), Unit::inch) == "9 3/8 in");
  CHECK(plainText(Length::inches(9 + 1.0 / 64), Unit::inch) == "9 1/64 in");
  CHECK(plainText(Length::inches(9.38), Unit::inch) == "9.38 in");
  CHECK(plainText(Length::inches(9.375), Unit::mm) == "238.13 mm");
  CHECK(plainText(Length::mm(80), Unit::mm) == "80 mm");
  CHECK(plainText(Length::mm(-0.0001), Unit::mm) == "0 mm");
}

TEST_CASE("a decimal length carries at most the digits asked for") {
  CHECK(decimalText(Length::mm(1.0 / 3), Unit::mm, 3) == "0.333 mm");
  CHECK(decimalText(Length::inches(1.5), Unit::inch, 3) == "1.5 in");
  CHECK(decimalText(Length::mm(100), Unit::mm, 0) == "100 mm");
}

TEST_CASE("an error carries its sign, and none where it rounds to nothing") {
  CHECK(errorText(Length::mm(0.44), Unit::mm) == "+0.4 mm");
  CHECK(errorText(Length::mm(-0.44), Unit::mm) == "−0.4 mm");
  CHECK(errorText(Length::mm(0.01), Unit::mm) == "0 mm");
  CHECK(errorText(Length::inches(0.016), Unit::inch) == "+0.016 in");
}

TEST_CASE("people tape by sixteenths or millimetres") {
  CHECK(usualGraduation(Unit::inch) == Graduation::sixteenth);
  CHECK(usualGraduation(Unit::mm) == Graduation::millimetre);
  CHECK(step(Graduation::thirtySecond) == Length::inches(1.0 / 32));
}

TEST_CASE("papers say no more of a length than a tape or a knife can do") {
  CHECK(tapeText(Length::mm(28.58), Unit::mm) == "28.6 mm");
  CHECK(tapeText(Length::mm(0.5), Unit::mm) == "0.5 mm");
  CHECK(tapeText(Length::inches(4.095), Unit::inch) == "4 1/8 in");
  CHECK(tapeText(Length::inches(0.28), Unit::inch) == "9/32 in");
  CHECK(tapeText(Length::inches(0.02), Unit::inch) == "0.02 in");
  CHECK(wordsOnPaper({"%1 down", {Length::mm(28.58)}}, Unit::mm) == "28.6 mm down");
  CHECK(wordsOnPaper({"%1!", {Phrase({"%1 down", {Length::mm(28.58)}})}}, Unit::mm) ==
        "28.6 mm down!");
}

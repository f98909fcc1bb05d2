// SPDX-License-Identifier: GPL-3.0-or-later
#include "measure/volume.h"

#include <catch2/catch.hpp>

using namespace avrelt;

TEST_CASE("a US fluid ounce is 29.5735 ml") {
  // NIST Handbook 44, Appendix C.
  CHECK(parseVolume("1 fl oz")->ml() == Approx(29.5735));
  CHECK(Volume::fluidOunces(2).ml() == Approx(59.147));
}

TEST_CASE("amounts are read as people write them, millilitres unless said otherwise") {
  for (const char* text : {"22.5", "22,5 ml", "22.5ml", " 22.5 mL "}) {
    INFO(text);
    CHECK(parseVolume(text)->ml() == 22.5);
  }
  CHECK(parseVolume("1.5 oz")->ml() == Approx(44.36025));
  CHECK(parseVolume("2 fl. oz.")->ml() == Approx(59.147));
  CHECK(parseVolume("0")->ml() == 0);
}

TEST_CASE("what is no amount is refused") {
  for (const char* text : {"", "ml", "-5", "5001", "nan", "inf", "30 g", "1e3", "3 4", "--"}) {
    INFO(text);
    const Checked<Volume> volume = parseVolume(text);
    REQUIRE_FALSE(volume.has_value());
    CHECK_THAT(inWords(volume.error().sentence, Unit::mm), Catch::Contains("ml"));
  }
}

TEST_CASE("an amount prints with one decimal at most") {
  CHECK(volumeText(Volume::ml(30)) == "30 ml");
  CHECK(volumeText(Volume::ml(22.46)) == "22.5 ml");
}

// SPDX-License-Identifier: GPL-3.0-or-later
// Amounts and money: read as they are written, mixed-up units found.
#include "log/amount.h"

#include <catch2/catch.hpp>

#include "measure/money.h"

using namespace avrelt;

TEST_CASE("Amounts are read in the units people write", "[log]") {
  struct Case {
    const char* text;
    MeasuredBy by;
    double units;
  };
  // NIST Handbook 44, Appendix C: 1 oz (avoirdupois) = 28.349523125 g, 1 US fl oz = 29.5735 ml,
  // 1 ft = 304.8 mm.
  for (const Case& one :
       {Case{"12.5", MeasuredBy::weight, 12.5}, Case{" 12,5 g ", MeasuredBy::weight, 12.5},
        Case{"2 oz", MeasuredBy::weight, 56.69904625}, Case{"0.5kg", MeasuredBy::weight, 500},
        Case{"16 fl oz", MeasuredBy::volume, 473.176}, Case{"1 l", MeasuredBy::volume, 1000},
        Case{"60 ft", MeasuredBy::length, 18288}, Case{"20 m", MeasuredBy::length, 20000}}) {
    INFO(one.text);
    const auto read = parseAmount(one.text, one.by, Unit::mm);
    REQUIRE(read);
    CHECK(read->units() == Approx(one.units).epsilon(1e-12));
    CHECK(read->by() == one.by);
  }
  CHECK(parseAmount("3", MeasuredBy::length, Unit::inch)->units() == Approx(914.4));
  CHECK(parseAmount("3", MeasuredBy::length, Unit::mm)->units() == Approx(3000));
}

TEST_CASE("What is no amount is refused with what would be", "[log]") {
  for (const char* text :
       {"", "g", "-1", "nan", "inf", "1e9 kg", "12 ml", "12 g g", "1/2", "ten"}) {
    INFO(text);
    CHECK_FALSE(parseAmount(text, MeasuredBy::weight, Unit::mm));
  }
  CHECK(parseAmount("5 kg", MeasuredBy::volume, Unit::mm).error().sentence.pattern.find("fl oz") !=
        std::string::npos);
}

TEST_CASE("What is written is read back", "[log]") {
  for (const MeasuredBy by : {MeasuredBy::weight, MeasuredBy::volume, MeasuredBy::length}) {
    for (const Unit unit : {Unit::inch, Unit::mm}) {
      for (const double units : {1.0, 9.87, 45.6, 123.0, 40000.0}) {
        const Amount amount = Amount::ofUnits(by, units);
        const auto read = parseAmount(amountText(amount, unit), by, unit);
        REQUIRE(read);
        // To the digits shown: a tenth of a foot, a hundredth of a metre.
        CHECK(read->units() == Approx(units).margin(by == MeasuredBy::length ? 16 : 0.51));
      }
    }
  }
}

TEST_CASE("A unit that was mixed up is asked about, and only then", "[log]") {
  const auto grams = [](double units) { return Amount::ofUnits(MeasuredBy::weight, units); };
  const auto ml = [](double units) { return Amount::ofUnits(MeasuredBy::volume, units); };
  // Two ounces typed as grams, where 56 g should be.
  const auto ounces = mixedUpUnit(grams(2), grams(56));
  REQUIRE(ounces);
  CHECK(ounces->units() == Approx(56.699046).epsilon(1e-6));
  // 473 ml typed into a field that took fluid ounces: 14 000 ml.
  const auto fluid = mixedUpUnit(ml(473 * 29.5735), ml(480));
  REQUIRE(fluid);
  CHECK(fluid->units() == Approx(473));
  const auto inches = mixedUpUnit(Amount::ofUnits(MeasuredBy::length, 20000 * 25.4),
                                  Amount::ofUnits(MeasuredBy::length, 21000));
  REQUIRE(inches);
  CHECK(inches->units() == Approx(20000));
  CHECK_FALSE(mixedUpUnit(grams(30), grams(56)));
  CHECK_FALSE(mixedUpUnit(grams(0), grams(56)));
  CHECK_FALSE(mixedUpUnit(grams(1), grams(500)));
  CHECK_FALSE(mixedUpUnit(grams(2), ml(56)));
}

TEST_CASE("Money is told to the cent", "[log]") {
  CHECK(moneyText(Money::of(12.5)) == "12.50");
  CHECK(moneyText(Money::of(0.005)) == "0.01");
  CHECK(moneyText(Money::of(1234567.891)) == "1234567.89");
  CHECK(moneyText(Money::of(-0.5)) == "−0.50");
}

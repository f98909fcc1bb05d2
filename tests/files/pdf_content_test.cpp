// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/pdf_content.h"

#include <catch2/catch.hpp>
#include <cmath>
#include <cstdlib>
#include <limits>
#include <random>

using namespace avrelt;

namespace {

std::string written(double value, int decimals = 3) {
  PdfContent content;
  content.number(value, decimals);
  return content.text();
}

}  // namespace

TEST_CASE("numbers in a PDF are read back to half their last place, as short as they can be") {
  std::mt19937 random(3);
  std::uniform_real_distribution<double> mantissa(-1, 1);
  std::uniform_int_distribution<int> exponent(-8, 8);
  for (int i = 0; i < 20'000; ++i) {
    const double value = mantissa(random) * std::pow(10, exponent(random));
    const int decimals = i % 7;
    const std::string text = written(value, decimals);
    INFO(value << " to " << decimals << " places is " << text);
    REQUIRE(text.back() == ' ');
    REQUIRE(text.find_first_not_of("-0123456789. ") == std::string::npos);
    const double half = 0.5 * std::pow(10, -decimals);
    CHECK(std::abs(std::strtod(text.c_str(), nullptr) - value) <=
          half * (1 + 1e-9) + std::abs(value) * 1e-15);
    const std::size_t point = text.find('.');
    if (point == std::string::npos) continue;
    CHECK(text[text.size() - 2] != '0');
    CHECK(text.size() - 2 - point <= static_cast<std::size_t>(decimals));
  }
}

TEST_CASE("small, round, negative and impossible numbers in a PDF") {
  CHECK(written(0) == "0 ");
  CHECK(written(-0.0001) == "0 ");
  CHECK(written(0.05) == "0.05 ");
  CHECK(written(-0.25) == "-0.25 ");
  CHECK(written(100) == "100 ");
  CHECK(written(12.3) == "12.3 ");
  CHECK(written(7.6, 0) == "8 ");
  CHECK(written(std::numeric_limits<double>::quiet_NaN()) == "0 ");
  CHECK(written(std::numeric_limits<double>::infinity()) == "1000000000 ");
  CHECK(written(-1e300, 6) == "-1000000000 ");
}

TEST_CASE("glyphs and maps in a PDF") {
  PdfContent content;
  content.hex(0x00AF);
  content.hex(0xBEEF);
  content.say("");
  content.map({1, 0, 0, -1, 2.5, 3});
  content.say("cm");
  CHECK(content.text() == "00AFBEEF\n1 0 0 -1 2.5 3 cm\n");
}

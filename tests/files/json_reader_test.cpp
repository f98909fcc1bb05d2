// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/json_reader.h"

#include <catch2/catch.hpp>
#include <cmath>
#include <random>

#include "files/json_writing.h"

using namespace avrelt;

namespace {

ReadFault readFaultOf(const std::string& text) {
  const auto read = readJson(text);
  REQUIRE_FALSE(read.has_value());
  return read.error();
}

}  // namespace

TEST_CASE("every member's line is known, numbers at the end of a line too") {
  const auto read = readJson(
      "{\n \"a\": 1,\n \"b\": [\n  {\"c\": 2\n  },\n  {\n   \"d\": 3}],\n"
      " \"e\": 4\n}\n");
  REQUIRE(read.has_value());
  CHECK(read->lines.lineOf("a") == 2);
  CHECK(read->lines.lineOf("b") == 3);
  CHECK(read->lines.lineOf("b[0]") == 4);
  CHECK(read->lines.lineOf("b[0].c") == 4);
  CHECK(read->lines.lineOf("b[1]") == 6);
  CHECK(read->lines.lineOf("b[1].d") == 7);
  CHECK(read->lines.lineOf("e") == 8);
}

TEST_CASE("a field that is not there has the line of what surrounds it") {
  const auto read = readJson("{\n \"b\": [\n  {\n  }]}");
  REQUIRE(read.has_value());
  CHECK(read->lines.lineOf("b[0].missing.deep") == 3);
  CHECK(read->lines.lineOf("nowhere") == 1);
}

TEST_CASE("broken JSON is refused on its line, in words") {
  CHECK(readFaultOf("{\n\"a\": 1\n\"b\": 2}").line == 3);
  CHECK_THAT(inWords(readFaultOf("{\"a\" 1}").sentence, Unit::mm), Catch::Contains("not JSON"));
  CHECK_THAT(inWords(readFaultOf("").sentence, Unit::mm), Catch::Contains("empty"));
  CHECK_THAT(inWords(readFaultOf(" \n ").sentence, Unit::mm), Catch::Contains("empty"));
  CHECK_THAT(inWords(readFaultOf("{\"a\": [1, 2").sentence, Unit::mm), Catch::Contains("cut off"));
  CHECK_THAT(inWords(readFaultOf("{\"a\": \"\xff\"}").sentence, Unit::mm),
             Catch::Contains("not JSON"));
  CHECK_THAT(inWords(readFaultOf("{} {}").sentence, Unit::mm), Catch::Contains("not JSON"));
}

TEST_CASE("half of any document is refused and never taken for a whole one") {
  const std::string whole =
      "{\"avrelt\": 1, \"cups\": [{\"name\": \"Comet\", \"blank\": {\"stations\": [{\"at\": "
      "0}]}}]}";
  for (std::size_t length = 0; length < whole.size(); ++length) {
    INFO(length);
    REQUIRE_FALSE(readJson(whole.substr(0, length)).has_value());
  }
  CHECK(readJson(whole).has_value());
}

TEST_CASE("fifty megabytes of nesting are refused at the sixty-fifth level") {
  const std::string deep(50'000'000, '[');
  const ReadFault fault = readFaultOf(deep);
  CHECK_THAT(inWords(fault.sentence, Unit::mm), Catch::Contains("deeper than 64"));
  CHECK(readJson(std::string(64, '[') + std::string(64, ']')).has_value());
  CHECK_FALSE(readJson(std::string(65, '[') + std::string(65, ']')).has_value());
}

TEST_CASE("a member that stands twice is refused") {
  const ReadFault fault = readFaultOf("{\"a\": 1,\n\"a\": 2}");
  CHECK(fault.line == 2);
  CHECK(fault.path == "a");
}

TEST_CASE("a number no double holds is refused") {
  CHECK(readFaultOf("{\"a\":\n1e999}").path == "a");
}

TEST_CASE("more members or things than an order has are refused before they take memory") {
  std::string many = "{";
  for (int i = 0; i < 40'000; ++i) many += "\"m" + std::to_string(i) + "\": 0,\n";
  const auto members = readJson(many + "\"last\": 0}");
  REQUIRE_FALSE(members.has_value());
  CHECK(members.error().line == 2001);
  CHECK_THAT(inWords(members.error(), "order", Unit::mm), Catch::Contains("2000 members"));
  std::string lists = "[";
  for (int i = 0; i < 600'000; ++i) lists += "[],";
  const auto things = readJson(lists + "[]]");
  REQUIRE_FALSE(things.has_value());
  CHECK_THAT(inWords(things.error(), "order", Unit::mm), Catch::Contains("any order holds"));
}

TEST_CASE("any angle that is written reads back as one that is written alike") {
  std::mt19937 random(7);
  std::uniform_real_distribution<double> radians(-2 * M_PI, 2 * M_PI);
  int same = 0;
  constexpr int many = 200000;
  for (int i = 0; i < many; ++i) {
    const Angle angle = Angle::radians(radians(random));
    const double degrees = degreesOf(angle);
    const Angle read = Angle::degrees(degrees);
    REQUIRE(degreesOf(read) == degrees);
    REQUIRE(std::abs((read - angle).radians()) < 1e-14);
    if (read == angle) ++same;
  }
  // Most come back as they were; the others are a bit of rounding off.
  CHECK(same > many * 0.7);
  // One that no number of degrees is.
  const Angle odd = Angle::radians(-2.595671757265955);
  CHECK(degreesOf(Angle::degrees(degreesOf(odd))) == degreesOf(odd));
}

// SPDX-License-Identifier: GPL-3.0-or-later
#include "shop/shelf_csv.h"

#include <catch2/catch.hpp>

#include "shop/shop.h"

using namespace avrelt;

namespace {

std::vector<ShelfBlank> read(const std::string& text) {
  const auto blanks = readShelfCsv(text);
  if (!blanks) FAIL(inWords(blanks.error().front(), "shelf.csv", Unit::mm));
  return *blanks;
}

std::string firstFault(const std::string& text) {
  const auto blanks = readShelfCsv(text);
  REQUIRE_FALSE(blanks.has_value());
  return inWords(blanks.error().front(), "shelf.csv", Unit::mm);
}

}  // namespace

TEST_CASE("a table written by a maker is read, a row a station") {
  const std::vector<ShelfBlank> blanks = read(
      "Name,At,Around,Capacity,Notes\n"
      "Moon,0,9 1/4 in,600 ml,\"steel, dull\"\n"
      "Moon,8 in,9 1/4 in\n"
      "Star,0,200\nStar,120,238.5\n");
  REQUIRE(blanks.size() == 2);
  CHECK(blanks[0].blank.name == "Moon");
  CHECK(blanks[0].notes == "steel, dull");
  CHECK(blanks[0].capacity->ml() == 600);
  CHECK(blanks[0].blank.stations[1].at.length == Length::inches(8));
  CHECK(blanks[1].blank.stations[1].girth->length == Length::mm(238.5));
}

TEST_CASE("lines are counted alike whichever way they end") {
  for (const std::string end : {"\n", "\r\n", "\r"}) {
    const std::string text =
        "name,at,around" + end + "Moon,0,200" + end + end + "Moon,100,broad" + end;
    CHECK_THAT(firstFault(text), Catch::Contains("line 4"));
  }
}

TEST_CASE("semicolons with decimal commas and tabs are read as well") {
  const std::vector<ShelfBlank> semicolons = read(
      "\xEF\xBB\xBFname;at;across;joined;height_along\r\n"
      "Mond;0;7,5 cm;smooth;plumb\r\nMond;12,5 cm;82,3\r\n");
  REQUIRE(semicolons.size() == 1);
  CHECK(semicolons[0].blank.joined == Joined::smooth);
  CHECK(semicolons[0].blank.heightAlong == HeightAlong::plumb);
  CHECK(semicolons[0].blank.stations[0].girthIs == Girth::across);
  CHECK(semicolons[0].blank.stations[1].at.length == Length::mm(125));
  CHECK(semicolons[0].blank.stations[1].girth->length == Length::mm(82.3));
  CHECK(read("name\tat\taround\nA\t0\t240\nA\t200\t240\n").size() == 1);
}

TEST_CASE("what is missing is named with its line") {
  CHECK_THAT(firstFault(""), Catch::Contains("The table is empty"));
  CHECK_THAT(firstFault("at,around\n0,240\n"), Catch::Contains("column “name” is missing"));
  CHECK_THAT(firstFault("name,at\nA,0\n"), Catch::Contains("Neither “around” nor “across”"));
  CHECK_THAT(firstFault("name,at,around\nA,0,240\n,5,240\n"),
             Catch::Contains("line 3") && Catch::Contains("no name"));
  CHECK_THAT(firstFault("name,at,around\nA,,240\n"), Catch::Contains("no height"));
  CHECK_THAT(firstFault("name,at,around\nA,0,wide\n"),
             Catch::Contains("line 2") && Catch::Contains("around"));
  CHECK_THAT(firstFault("name,at,around,across\nA,0,240,76\n"), Catch::Contains("both"));
  CHECK_THAT(firstFault("name,at,around,capacity\nA,0,240,lots\n"), Catch::Contains("capacity"));
  CHECK_THAT(firstFault("name,at,around,joined\nA,0,240,wavy\n"),
             Catch::Contains("straight or smooth"));
}

TEST_CASE("a table in another encoding is refused at its line, UTF-8 names are read") {
  CHECK_THAT(firstFault("name,at,around\nCaf\xE9,0,240\n"),
             Catch::Contains("line 2") && Catch::Contains("UTF-8"));
  for (const char* bad : {"\xC0\xAF", "\xED\xA0\x80", "\xF5\x80\x80\x80", "\xE2\x82", "\x80"}) {
    CHECK_THAT(firstFault(std::string("name,at,around\n") + bad + ",0,240\n"),
               Catch::Contains("UTF-8"));
  }
  CHECK(read("name,at,around\nCafé ⅜ 🌕,0,240\n")[0].blank.name == "Café ⅜ 🌕");
}

TEST_CASE("all faults come at once, and a flood of them ends") {
  std::string text = "name,at,around\n";
  for (int i = 0; i < 10000; ++i) text += "A,x,240\n";
  const auto blanks = readShelfCsv(text);
  REQUIRE_FALSE(blanks.has_value());
  CHECK(blanks.error().size() == 50);
}

TEST_CASE("ten thousand rows are read, and lines count past quoted line feeds") {
  std::string text = "name,at,around,notes\nA,0,240,\"two\nlines\"\n";
  for (int i = 1; i < 5000; ++i) {
    text += "B" + std::to_string(i) + ",0,240\nB" + std::to_string(i) + ",200,240\n";
  }
  CHECK(read(text).size() == 5000);
  CHECK_THAT(firstFault("name,at,around,notes\nA,0,240,\"two\nlines\"\nA,x,240\n"),
             Catch::Contains("line 4"));
}

TEST_CASE("no cell written out is a formula to a spreadsheet, and each comes back as it was") {
  std::vector<ShelfBlank> blanks;
  for (const char* text : {"=1+1", "+49 30", "-dull", "@home", "\ttab", "'=quoted", "''+twice",
                           "'plain", "it's", "a=b"}) {
    ShelfBlank shelved = starterBlanks().front();
    shelved.blank.name = std::string("Blank ") + text;
    shelved.notes = text;
    blanks.push_back(shelved);
    shelved.blank.name = text;
    blanks.push_back(shelved);
  }
  const std::string csv = writeShelfCsv(blanks);
  bool begins = true;
  for (std::size_t i = csv.find('\n') + 1; i < csv.size(); ++i) {
    const bool quote = csv[i] == '"';
    if (begins && !quote) CHECK(std::string("=+-@\t").find(csv[i]) == std::string::npos);
    if (begins && quote && i + 1 < csv.size()) {
      CHECK(std::string("=+-@\t").find(csv[i + 1]) == std::string::npos);
    }
    begins = csv[i] == ',' || csv[i] == '\n';
  }
  const std::vector<ShelfBlank> again = read(csv);
  REQUIRE(again.size() == blanks.size());
  for (std::size_t i = 0; i < again.size(); ++i) {
    CHECK(again[i].blank.name == blanks[i].blank.name);
    CHECK(again[i].notes == blanks[i].notes);
  }
}

TEST_CASE("written and read again a shelf is the same, but for features") {
  std::vector<ShelfBlank> shelf = starterBlanks();
  for (ShelfBlank& shelved : shelf) shelved.blank.features.clear();
  shelf[0].notes = "says \"hello\", twice\nover";
  const std::vector<ShelfBlank> again = read(writeShelfCsv(shelf));
  REQUIRE(again.size() == shelf.size());
  for (std::size_t i = 0; i < shelf.size(); ++i) {
    INFO(shelf[i].blank.name);
    CHECK(again[i].blank.stations == shelf[i].blank.stations);
    CHECK(again[i].notes == shelf[i].notes);
    CHECK(again[i] == shelf[i]);
  }
}

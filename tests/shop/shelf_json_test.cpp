// SPDX-License-Identifier: GPL-3.0-or-later
#include "shop/shelf_json.h"

#include <catch2/catch.hpp>

#include "shop/shop.h"

using namespace avrelt;

namespace {

std::string firstJsonFault(const std::string& text) {
  const auto blanks = readShelf(text);
  REQUIRE_FALSE(blanks.has_value());
  return inWords(blanks.error().front(), "shelf.json", Unit::mm);
}

}  // namespace

TEST_CASE("a shelf written as JSON is read again, features and all") {
  const std::vector<ShelfBlank> shelf = starterBlanks();
  const auto blanks = readShelf(writeShelfJson(shelf));
  REQUIRE(blanks.has_value());
  CHECK(*blanks == shelf);
}

TEST_CASE("members not known are kept") {
  const auto blanks =
      readShelf(R"({"avrelt_shelf":1,"blanks":[{"name":"A","shop":"north","stations":[]}]})");
  REQUIRE(blanks.has_value());
  CHECK_THAT(writeShelfJson(*blanks), Catch::Contains("\"shop\": \"north\""));
}

TEST_CASE("what is no shelf is refused with its line") {
  CHECK_THAT(firstJsonFault("{}"), Catch::Contains("no shelf"));
  CHECK_THAT(firstJsonFault(R"({"avrelt_shelf":2,"blanks":[]})"), Catch::Contains("newer Avrelt"));
  CHECK_THAT(firstJsonFault(R"({"avrelt_shelf":1})"), Catch::Contains("\"blanks\" is missing"));
  CHECK_THAT(firstJsonFault("{\"avrelt_shelf\":1,\n\"blanks\":[{\"stations\":[]}]}"),
             Catch::Contains("line 2") && Catch::Contains("no name"));
  CHECK_THAT(
      firstJsonFault(R"({"avrelt_shelf":1,"blanks":[{"name":"A","stations":[{"at":"x"}]}]})"),
      Catch::Contains("blanks[0].stations[0].at"));
  CHECK_THAT(firstJsonFault("{\"avrelt_shelf\":1,"), Catch::Contains("line"));
}

// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/where_text.h"

#include <catch2/catch.hpp>
#include <map>
#include <nlohmann/json.hpp>
#include <set>
#include <string>

#include "files/disk.h"
#include "files/document_json.h"
#include "rules/catalogue.h"

using namespace avrelt;

namespace {

using Written = nlohmann::json;

Document demo() {
  const auto read = readDocument(*readFile(AVRELT_DATA "/demo/Brackwater open night.avrelt"));
  REQUIRE(read.has_value());
  return read->document;
}

/// What stands in a file at a path, by JSON's own pointers ("/sets/2/layers/0"); nothing where
/// nothing does.
const Written* at(const Written& root, const std::string& path) {
  std::string pointer = "/";
  for (const char c : path) {
    if (c == ']') continue;
    pointer += c == '.' || c == '[' ? '/' : c;
  }
  const Written::json_pointer where(pointer);
  return root.contains(where) ? &root.at(where) : nullptr;
}

/// Every name of a member that the published schema knows, wherever.
void namesIn(const Written& schema, std::set<std::string>& names) {
  if (schema.is_array()) {
    for (const Written& one : schema) namesIn(one, names);
  }
  if (!schema.is_object()) return;
  for (const auto& [key, value] : schema.items()) {
    if (key == "properties") {
      for (const auto& [name, of] : value.items()) names.insert(name);
    }
    namesIn(value, names);
  }
}

void zonesOf(const ZoneNode& node, std::vector<Where>& all) {
  if (!node.id.empty()) all.emplace_back(Member::zone, node.id);
  if (node.cut) all.emplace_back(Member::cut, node.cut->id);
  for (const ZoneNode& part : node.parts) zonesOf(part, all);
}

}  // namespace

TEST_CASE("every thing of the demo is found in its file by its id") {
  const Document document = demo();
  const Written written = Written::parse(writeDocument(document));
  std::size_t found = 0;
  for (int number = 0; number < static_cast<int>(document.cups.size()); ++number) {
    const Cup& cup = document.cups[static_cast<std::size_t>(number)];
    std::vector<Where> all;
    zonesOf(cup.division.body, all);
    for (const DecalSet& set : cup.sets) all.emplace_back(Member::set, set.id);
    const auto check = [&](const Where& of) {
      Where where = of;
      where.cup = number;
      const std::string path = pathOf(where, document);
      INFO(path);
      const Written* thing = at(written, path);
      REQUIRE(thing != nullptr);
      CHECK(thing->at("id") == where.id);
      CHECK(pathOf(of, cup) == path.substr(path.find("].") + 2));
      ++found;
    };
    for (const Where& one : all) check(one);
    // Of what has no member for the thing as a whole, the thing round a member.
    const auto round = [&](Member member, const std::string& id) {
      Where where(member, id);
      where.cup = number;
      const std::string path = pathOf(where, document);
      INFO(path);
      const std::string text(textOf(member));
      REQUIRE(path.ends_with("." + text));
      const Written* thing = at(written, path.substr(0, path.size() - text.size() - 1));
      REQUIRE(thing != nullptr);
      CHECK(thing->at("id") == id);
      ++found;
    };
    for (const Stripe& stripe : cup.division.stripes) round(Member::stripeWidth, stripe.id);
    for (const Mask& mask : cup.division.masks) round(Member::maskMargin, mask.id);
    for (const Fill& fill : cup.fills) round(Member::patternSize, fill.id);
    for (const Row& row : cup.rows) round(Member::rowGap, row.id);
    for (const Scatter& scatter : cup.scatters) round(Member::scatterCount, scatter.id);
    for (const DecalSet& set : cup.sets) {
      for (const Layer& layer : set.layers) round(Member::printWide, layer.id);
      for (const Place& place : set.places) round(Member::placeUp, place.id);
    }
  }
  CHECK(found > 50);
}

TEST_CASE("every member of an order is one that the published schema knows") {
  std::set<std::string> names;
  namesIn(Written::parse(*readFile(AVRELT_DOCS "/order.schema.json")), names);
  std::map<Thing, std::set<std::string_view>> texts;
  for (std::size_t i = 0; i < memberCount; ++i) {
    const auto member = static_cast<Member>(i);
    const std::string_view text = textOf(member);
    const Thing thing = thingOf(member);
    if (!text.empty()) CHECK(texts[thing].insert(text).second);
    // What is short at the bench is in the shop and in no order.
    if (thing == Thing::none || member == Member::supplies || text.empty()) continue;
    std::string name;
    for (const char c : std::string(text) + ".") {
      if (c == '[' || c == ']' || c == '#') continue;
      if (c != '.') {
        name += c;
        continue;
      }
      INFO(text);
      CHECK(names.contains(name));
      name.clear();
    }
  }
}

TEST_CASE(
    "a girth is written by how it was measured, a number in its list, what is gone as a list") {
  Document document;
  document.cups = {newCup("A", Unit::mm), newCup("B", Unit::mm)};
  document.cups[1].blank.stations[1].girthIs = Girth::across;
  Where girth(Member::stationGirth, std::size_t{1});
  CHECK(pathOf(girth, document.cups[0]) == "blank.stations[1].around");
  CHECK(pathOf(girth, document.cups[1]) == "blank.stations[1].across");
  girth.cup = 1;
  CHECK(pathOf(girth, document) == "cups[1].blank.stations[1].across");
  CHECK(pathOf(Where(Member::fillingOrder), document.cups[0]) == "divide.order");
  CHECK(pathOf(Where(Member::fillingOrder, std::size_t{3}), document.cups[0]) == "divide.order[3]");
  CHECK(pathOf(Where(Member::layerLap, "gone"), document.cups[0]) == "sets");
  CHECK(pathOf(Where(Member::cups), document) == "cups");
  CHECK(pathOf(Where(), document.cups[0]).empty());
}

TEST_CASE("an id that is told twice is named at both of its places") {
  Cup cup = newCup("A", Unit::mm);
  cup.sets.resize(2);
  cup.sets[0].id = "set-1";
  cup.sets[1].id = "set-2";
  CHECK_FALSE(idTwice(cup));
  cup.sets[1].layers.resize(1);
  cup.sets[1].layers[0].id = "set-1";
  const std::optional<TwiceTold> twice = idTwice(cup);
  REQUIRE(twice);
  CHECK(twice->id == "set-1");
  CHECK(twice->first == "sets[0].id");
  CHECK(twice->path == "sets[1].layers[0].id");
}

TEST_CASE("the page of rules is what the program says of them") {
  CHECK(*readFile(AVRELT_DOCS "/rules.md") == ruleCatalogueText());
}

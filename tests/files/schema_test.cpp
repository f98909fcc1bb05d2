// SPDX-License-Identifier: GPL-3.0-or-later
#include <catch2/catch.hpp>
#include <nlohmann/json.hpp>
#include <valijson/adapters/nlohmann_json_adapter.hpp>
#include <valijson/schema.hpp>
#include <valijson/schema_parser.hpp>
#include <valijson/validator.hpp>

#include "files/disk.h"
#include "files/document_json.h"
#include "files/outputs.h"
#include "job/ids.h"

// The published schemas against what is really read and written, with an independent validator.

using namespace avrelt;

namespace {

bool valid(const std::string& schemaFile, const std::string& text) {
  const auto schemaText = readFile(std::string(AVRELT_DOCS) + "/" + schemaFile);
  REQUIRE(schemaText.has_value());
  const nlohmann::json schemaJson = nlohmann::json::parse(*schemaText);
  valijson::Schema schema;
  valijson::SchemaParser parser;
  parser.populateSchema(valijson::adapters::NlohmannJsonAdapter(schemaJson), schema);
  const nlohmann::json target = nlohmann::json::parse(text);
  valijson::Validator validator;
  valijson::ValidationResults results;
  const bool ok =
      validator.validate(schema, valijson::adapters::NlohmannJsonAdapter(target), &results);
  valijson::ValidationResults::Error error;
  while (results.popError(error)) UNSCOPED_INFO(error.description);
  return ok;
}

std::string demoText() {
  return *readFile(AVRELT_DATA "/demo/Brackwater open night.avrelt");
}

}  // namespace

TEST_CASE("orders read and written fit the order schema") {
  CHECK(valid("order.schema.json", demoText()));
  CHECK(valid("order.schema.json", *readFile(AVRELT_TEST_DATA "/version-1.avrelt")));
  CHECK(valid("order.schema.json", writeDocument(readDocument(demoText())->document)));
  Document document;
  document.cups = {newCup("A", Unit::mm), newCup("B", Unit::inch)};
  Cup& cup = document.cups[0];
  cup.buildUp.coats.resize(3);
  cup.buildUp.laidAfter = 2;
  cup.buildUp.laid = {{wrapThing, 3}, {"zone-1", 0}};
  cup.division.masks = {{"mask-1", MaskKind::window, {"zone-1"}, WrittenLength::mm(20), true, {}}};
  cup.liquid.emplace();
  cup.liquid->sealAt = WrittenLength::mm(20);
  cup.cuts = {{purpose::wrap, {}, 3, {Length::mm(230), {}}, {Length::mm(230), {}}, {}}};
  giveIds(cup);
  document.bench.from = parseCivil("2026-12-09T18:00");
  document.bench.due = parseCivil("2026-12-12T12:00");
  document.bench.hours.days[0] = *parseHours("");
  document.bench.hours.away = {*parseCivil("2026-12-10")};
  document.bench.warmth = Temperature::celsius(19);
  StepChange change{"own-1", "Look for hairs."};
  change.wait = Wait{Duration::minutes(4), Duration::minutes(9)};
  change.notBefore = document.bench.from;
  cup.bench.changes = {change};
  cup.bench.done = {{"clean", *document.bench.from, Duration::minutes(12)}};
  CHECK(valid("order.schema.json", writeDocument(document)));
}

TEST_CASE("the order schema refuses what the reader refuses") {
  for (const char* text :
       {R"({"avrelt": 3, "cups": []})", R"({"avrelt": 1})", "[]",
        R"({"avrelt": 1, "units": "ell", "cups": []})", R"({"avrelt": 1, "cups": [{"name": "A"}]})",
        R"({"avrelt": 1, "cups": [{"name": 1, "blank": {"stations": []}}]})",
        R"({"avrelt": 1, "cups": [{"name": "A", "blank": {"stations": [{}]}}]})"}) {
    INFO(text);
    CHECK_FALSE(valid("order.schema.json", text));
    CHECK_FALSE(readDocument(text).has_value());
  }
}

TEST_CASE("plans written fit the plan schema") {
  const auto files = outputsOf(*planDocument(readDocument(demoText())->document));
  REQUIRE(files.has_value());
  CHECK(valid("plan.schema.json", files->back().bytes));
  CHECK_FALSE(valid("plan.schema.json", R"({"avrelt_plan": 2})"));
}

// SPDX-License-Identifier: GPL-3.0-or-later
// What an order keeps of the bench: written and read the same, refused in words where it means
// nothing, members not known given back.
#include "files/bench_json.h"

#include <catch2/catch.hpp>
#include <random>

#include "bench/step_words.h"
#include "files/bench_files.h"
#include "files/document_json.h"
#include "job/ids.h"
#include "measure/minutes.h"

using namespace avrelt;

namespace {

CivilTime at(const char* text) {
  return *parseCivil(text);
}
Document fullBench() {
  Document document;
  document.cups = {newCup("A", Unit::mm)};
  giveIds(document.cups[0]);
  BenchChoices& bench = document.bench;
  bench.from = at("2026-12-09T18:00");
  bench.due = at("2026-12-12T12:30");
  bench.hours.days[0] = *parseHours("");
  bench.hours.days[6] = *parseHours("09:00-24:00");
  bench.hours.away = {at("2026-12-10"), at("2027-01-01")};
  bench.turners = 4;
  bench.hands = 2;
  bench.lamps = 2;
  bench.sprayPlaces = 3;
  bench.warmth = Temperature::celsius(17.5);
  bench.sealPrints = false;
  bench.quickCoats = true;
  bench.quickLast = true;
  bench.shelfPlaces = 6;
  bench.halfByHalf = true;
  bench.ringOneByOne = true;
  CupBench& cup = document.cups[0].bench;
  StepChange own;
  own.step = "own-1";
  own.text = "Look for “hairs”.";
  own.behind = "clean";
  own.handsOn = min(3);
  own.wait = Wait{min(5), min(8)};
  StepChange first;
  first.step = "mark";
  first.first = true;
  first.notBefore = at("2026-12-09T19:05");
  first.note = "with the soft pencil";
  StepChange dropped;
  dropped.step = "rim";
  dropped.dropped = true;
  cup.changes = {own, first, dropped};
  cup.done = {{"clean", at("2026-12-09T18:14"), min(13.5)},
              {"coat", at("2026-12-09T19:14"), min(20), {}, {"bubbles", "bare_spots"}}};
  cup.begun = StepBegun{"coat-2", at("2026-12-09T19:20"), 2};
  document.cups[0].price = Money::of(48.5);
  return document;
}

std::string fieldOf(const std::string& bench, const std::string& ofCup = {}) {
  const auto read = readDocument(
      R"({"avrelt": 2, "cups": [{"name": "A", "blank": {"stations": [{"at": 0, "around": 240}, {"at": 90}]})" +
      (ofCup.empty() ? std::string() : ", \"bench\": " + ofCup) + "}]" +
      (bench.empty() ? std::string() : ", \"bench\": " + bench) + "}");
  return read ? std::string() : read.error().front().path;
}

}  // namespace

TEST_CASE("The bench of an order is written and read the same", "[bench]") {
  const Document document = fullBench();
  const std::string text = writeDocument(document);
  const auto read = readDocument(text);
  REQUIRE(read);
  CHECK(read->document == document);
  CHECK(writeDocument(read->document) == text);
  // What is as it comes is not written.
  Document plain;
  plain.cups = {newCup("A", Unit::mm)};
  CHECK(writeDocument(plain).find("bench") == std::string::npos);
}

TEST_CASE("What this version does not know of a bench is given back", "[bench]") {
  const std::string text = R"({"avrelt": 2, "cups": [{"name": "A",
"blank": {"stations": [{"at": 0, "around": 240}, {"at": 90}]}, "bench": {"later": 1,
"steps": [{"step": "x", "later": 2}], "done": [{"step": "x", "at": "2026-12-09T18:00",
"took_min": 3, "later": 4}]}}], "bench": {"later": 5, "turners": 2, "hands": 1}})";
  const auto read = readDocument(text);
  REQUIRE(read);
  const Json json = Json::parse(writeDocument(read->document));
  CHECK(json["bench"]["later"] == 5);
  CHECK(json["cups"][0]["bench"]["later"] == 1);
  CHECK(json["cups"][0]["bench"]["steps"][0]["later"] == 2);
  CHECK(json["cups"][0]["bench"]["done"][0]["later"] == 4);
}

TEST_CASE("What means nothing at a bench is refused where it stands", "[bench]") {
  CHECK(fieldOf(R"({"from": "tomorrow"})") == "bench.from");
  CHECK(fieldOf(R"({"due": 7})") == "bench.due");
  CHECK(fieldOf(R"({"hours": {"tue": "22:00-18:00"}})") == "bench.hours.tue");
  CHECK(fieldOf(R"({"away": ["soon"]})") == "bench.away[0]");
  CHECK(fieldOf(R"({"turners": 0})") == "bench.turners");
  CHECK(fieldOf(R"({"hands": -1})") == "bench.hands");
  CHECK(fieldOf(R"({"lamps": 1.5})") == "bench.lamps");
  CHECK(fieldOf(R"({"shelf_places": -1})") == "bench.shelf_places");
  CHECK(fieldOf({}, R"({"begun": {"at": "2026-12-09T18:00"}})") == "cups[0].bench.begun.step");
  CHECK(fieldOf({}, R"({"begun": {"step": "x"}})") == "cups[0].bench.begun.at");
  CHECK(fieldOf({}, R"({"begun": {"step": "x", "at": "2026-12-09T18:00", "hands": 0}})") ==
        "cups[0].bench.begun.hands");
  CHECK(fieldOf(R"({"warmth_c": 400})") == "bench.warmth_c");
  CHECK(fieldOf({}, R"({"steps": [{"text": "x"}]})") == "cups[0].bench.steps[0].step");
  for (const char* fault : {"7", "\"\"", "\"two words\""}) {
    CHECK(fieldOf({}, R"({"done": [{"step": "x", "at": "2026-12-09T18:00", "faults": [)" +
                          std::string(fault) + "]}]}") == "cups[0].bench.done[0].faults[0]");
  }
  CHECK(fieldOf({}, R"({"steps": [{"step": "x", "hands_on_min": -1}]})") ==
        "cups[0].bench.steps[0].hands_on_min");
  CHECK(fieldOf({}, R"({"steps": [{"step": "x", "wait_min": {"least": 9, "most": 3}}]})") ==
        "cups[0].bench.steps[0].wait_min.most");
  CHECK(fieldOf({}, R"({"done": [{"step": "x"}]})") == "cups[0].bench.done[0].at");
  CHECK(fieldOf({}, R"({"done": [{"step": "x", "at": "2026-02-30T18:00"}]})") ==
        "cups[0].bench.done[0].at");
  CHECK(fieldOf(R"({"from": "2026-12-09"})").empty());
}

TEST_CASE("Times, mixes and waits are said as a maker says them", "[bench]") {
  CHECK(timeText(min(12)) == "12 min");
  CHECK(timeText(min(59.6)) == "1 h");
  CHECK(timeText(min(300)) == "5 h");
  CHECK(timeText(min(330)) == "5 h 30 min");
  const auto said = [](const std::optional<Sentence>& words) {
    return words ? inWords(*words, Unit::mm) : std::string();
  };
  CHECK(said(takesWords({{{MixKind::partA, {}, Volume::ml(11), Mass::grams(12.2)},
                          {MixKind::glitter, "night", {}, Mass::grams(3.04)}}})) ==
        "Takes: Part A, 11 ml, 12 g; Glitter, night, 3 g.");
  MixPart fast{MixKind::partB, {}, Volume::ml(4.56)};
  fast.method = MethodKind::fastResin;
  CHECK(said(takesWords({{fast}})) == "Takes: Fast resin, part B, 4.6 ml.");
  CHECK(said(takesWords({})).empty());
  CHECK(said(waitWords({})).empty());
  CHECK(said(waitWords({min(330)})) == "Then wait at least 5 h 30 min.");
  CHECK(said(waitWords({min(60), min(120)})) == "Then wait at least 1 h, at most 2 h.");
  CHECK(said(waitWords({{}, min(8)})) == "Go on within 8 min.");
  CHECK(said(waitWords({{}, min(0)})) == "Go on at once.");
}

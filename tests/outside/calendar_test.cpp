// SPDX-License-Identifier: GPL-3.0-or-later
// Our calendar as python3-icalendar, and the pages of the plan as poppler, readers of their own,
// see them.
#include <poppler-document.h>
#include <poppler-page.h>

#include <array>
#include <catch2/catch.hpp>
#include <cstdio>
#include <map>
#include <memory>
#include <set>
#include <sstream>

#include "files/bench_files.h"
#include "files/disk.h"
#include "files/document_json.h"
#include "files/temporary_folder.h"

using namespace avrelt;

TEST_CASE("A calendar of the bench is read elsewhere: every step, its time and its words",
          "[bench]") {
  const auto document = readDocument(*readFile(AVRELT_DATA "/demo/Brackwater open night.avrelt"));
  REQUIRE(document);
  Document order = document->document;
  order.bench.from = *parseCivil("2026-12-09T18:00");
  order.cups[0].bench.changes = {
      {"own-1", "A step, of \"mine\"; with all\nsigns \\ of the format"}};
  order.cups[0].bench.changes[0].behind = "clean";
  const auto plan = planDocument(order);
  REQUIRE(plan);
  const BenchPlan bench = benchPlan(*plan, *order.bench.from);
  REQUIRE(bench.schedule);
  const auto words = [](const Sentence& sentence) { return inWords(sentence, Unit::mm); };
  const std::string text = benchCalendar(bench, "Open night", words);
  const TemporaryFolder folder;
  const auto file = folder.path / "bench.ics";
  REQUIRE_FALSE(writeFile(file, text));
  std::FILE* pipe = ::popen(
      ("/usr/bin/python3 " AVRELT_READ_CALENDAR " " + file.string() + " 2>&1").c_str(), "r");
  REQUIRE(pipe != nullptr);
  std::string seen;
  std::array<char, 4096> buffer{};
  for (std::size_t got = 0; (got = std::fread(buffer.data(), 1, buffer.size(), pipe)) > 0;) {
    seen.append(buffer.data(), got);
  }
  INFO(seen);
  REQUIRE(::pclose(pipe) == 0);
  std::vector<std::array<std::string, 5>> events;
  std::istringstream stream(seen);
  for (std::string line; std::getline(stream, line);) {
    std::array<std::string, 5> parts;
    std::istringstream fields(line);
    for (std::string& part : parts) std::getline(fields, part, '\t');
    events.push_back(parts);
  }
  REQUIRE(events.size() == bench.schedule->tasks.size());
  std::set<std::string> ids;
  for (std::size_t i = 0; i < events.size(); ++i) {
    const ScheduledTask& task = bench.schedule->tasks[i];
    CHECK(events[i][0] == civilText(bench.at(task.start)));
    CHECK(events[i][1] == civilText(bench.at(task.end)));
    std::string wanted = bench.cups[task.chain].name + ": " + words(bench.stepOf(task).words);
    for (char& c : wanted) c = c == '\n' ? ' ' : c;
    CHECK(events[i][2] == wanted);
    CHECK(events[i][3] == "1");
    ids.insert(events[i][4]);
  }
  CHECK(ids.size() == events.size());
  // The same plan gives the same bytes.
  CHECK(benchCalendar(bench, "Open night", words) == text);
}

TEST_CASE("Pages to hang up hold every step and stay within their paper", "[bench]") {
  const auto document = readDocument(*readFile(AVRELT_DATA "/demo/Brackwater twelve cups.avrelt"));
  REQUIRE(document);
  const auto plan = planDocument(document->document);
  REQUIRE(plan);
  const BenchPlan bench = benchPlan(*plan, *plan->bench.from);
  const auto words = [](const Sentence& sentence) { return inWords(sentence, Unit::inch); };
  for (const Paper paper : {Paper::a4, Paper::letter}) {
    const std::string bytes = benchPdf(bench, "Twelve cups", paper, words);
    CHECK(benchPdf(bench, "Twelve cups", paper, words) == bytes);
    const std::unique_ptr<poppler::document> seen(
        poppler::document::load_from_raw_data(bytes.data(), static_cast<int>(bytes.size())));
    REQUIRE(seen);
    CHECK(seen->pages() >= 2);
    std::map<std::string, int> found;
    for (int i = 0; i < seen->pages(); ++i) {
      const std::unique_ptr<poppler::page> page(seen->create_page(i));
      const poppler::rectf box = page->page_rect();
      for (const poppler::text_box& word : page->text_list()) {
        const poppler::rectf at = word.bbox();
        CHECK(at.left() > 20);
        CHECK(at.right() < box.width() - 20);
        CHECK(at.bottom() < box.height() - 20);
        const poppler::byte_array text = word.text().to_utf8();
        ++found[std::string(text.begin(), text.end())];
      }
    }
    std::map<std::string, int> starts;
    for (const ScheduledTask& task : bench.schedule->tasks)
      ++starts[clockText(bench.at(task.start))];
    for (const auto& [time, count] : starts) {
      INFO(time);
      // The end of all is told once besides.
      CHECK(found[time] >= count);
    }
    CHECK(found["Flood"] + found["Sand"] >= 24);
  }
}

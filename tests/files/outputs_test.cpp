// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/outputs.h"

#include <catch2/catch.hpp>
#include <clocale>
#include <cmath>
#include <locale>
#include <map>
#include <set>

#include "core/cups.h"
#include "files/document_json.h"
#include "files/json_reader.h"
#include "files/pdf.h"

using namespace avrelt;

namespace {

Plan demoPlan() {
  const auto text = readFile(AVRELT_DATA "/demo/Brackwater open night.avrelt");
  REQUIRE(text.has_value());
  const auto read = readDocument(*text);
  REQUIRE(read.has_value());
  const CheckedAll<Plan> plan = planDocument(read->document);
  REQUIRE(plan.has_value());
  return *plan;
}

}  // namespace

TEST_CASE("no two files have one name, whatever cups are called") {
  Document document;
  for (const char* name : {"Dome", "Dome page", "dome", "Dome page key", "Döme"}) {
    Cup cup = newCup(name, Unit::inch);
    cup.fills = {usualFill("", Unit::inch)};
    // Too large for its key to go on one page as it is.
    cup.blank.stations[0].girth = WrittenLength::mm(320);
    cup.blank.stations[1].at = WrittenLength::mm(270);
    document.cups.push_back(cup);
  }
  const CheckedAll<Plan> plan = planDocument(document);
  REQUIRE(plan.has_value());
  const auto files = outputsOf(*plan);
  REQUIRE(files.has_value());
  std::set<std::string> names;
  for (const OutputFile& file : *files) CHECK(names.insert(file.name).second);
  // Every file is listed in the plan under the name it has.
  std::size_t listed = 0;
  for (const std::string& name : names) {
    listed += files->back().bytes.find("\"" + name + "\"") != std::string::npos ? 1 : 0;
  }
  CHECK(listed == names.size() - 1);
  CHECK(names.count("dome-page-key-A.svg") == 1);
  CHECK(names.count("dome-page-key-A-2.svg") == 1);
}

namespace {

/// A comma in numbers and a point between thousands, as much of Europe writes them.
class Commas : public std::numpunct<char> {
  char do_decimal_point() const override { return ','; }
  char do_thousands_sep() const override { return '.'; }
  std::string do_grouping() const override { return "\3"; }
};

/// The world as a window in such a place has it, for as long as this lives. What the system has no
/// such place for still has streams that write so.
class Abroad {
 public:
  Abroad() : before_(std::locale::global(std::locale(std::locale::classic(), new Commas))) {
    for (const char* name : {"de_DE.UTF-8", "fr_FR.UTF-8", "nb_NO.UTF-8"}) {
      if (std::setlocale(LC_NUMERIC, name) != nullptr) return;
    }
  }
  Abroad(const Abroad&) = delete;
  Abroad& operator=(const Abroad&) = delete;
  ~Abroad() {
    std::locale::global(before_);
    std::setlocale(LC_NUMERIC, "C");
  }

 private:
  std::locale before_;
};

}  // namespace

TEST_CASE("no number in what is written follows the place the window runs in") {
  const auto here = outputsOf(demoPlan());
  REQUIRE(here.has_value());
  const Abroad abroad;
  const auto there = outputsOf(demoPlan());
  REQUIRE(there.has_value());
  REQUIRE(here->size() == there->size());
  for (std::size_t i = 0; i < here->size(); ++i) {
    INFO((*here)[i].name);
    CHECK((*here)[i].bytes == (*there)[i].bytes);
  }
}

TEST_CASE("the same order gives the same files, byte for byte") {
  const auto once = outputsOf(demoPlan());
  const auto again = outputsOf(demoPlan());
  REQUIRE(once.has_value());
  REQUIRE(again.has_value());
  REQUIRE(once->size() == again->size());
  for (std::size_t i = 0; i < once->size(); ++i) {
    INFO((*once)[i].name);
    CHECK((*once)[i].name == (*again)[i].name);
    CHECK((*once)[i].bytes == (*again)[i].bytes);
  }
}

TEST_CASE("every cup's pieces come as SVG and PDF, with what its lines need where it is divided") {
  const auto files = outputsOf(demoPlan());
  REQUIRE(files.has_value());
  CHECK(files->size() == 5 * 4 * 2 + 10 * 2 + 8 * 2 + 4 * 2 +
                             1);  // eight films of layers, and what they are placed by
  std::set<std::string> names;
  for (const OutputFile& file : *files) names.insert(file.name);
  CHECK(names.size() == files->size());
  CHECK(names.count("comet-wrap.svg") == 1);  // over everything
  CHECK(names.count("comet-film-C.svg") == 1);
  CHECK(names.count("comet-window-A.svg") == 1);
  CHECK(names.count("mirror-wrap.svg") == 0);
  CHECK(names.count("dome-strip.pdf") == 1);
  const Json plan = Json::parse(files->back().bytes);
  CHECK(plan["files"].size() == files->size() - 1);
  for (const Json& file : plan["files"]) CHECK(names.count(file["path"].get<std::string>()) == 1);
}

TEST_CASE("films of one cup that are not one film come in files of their own") {
  Document document;
  Cup cup = newCup("Comet", Unit::mm);
  cup.division.body.cut = RingCut{.count = 3};
  cup.division.body.parts.assign(3, ZoneNode());
  for (ZoneNode& part : cup.division.body.parts) part.finish.kind = FinishKind::film;
  cup.division.body.parts[0].finish.printed = true;
  cup.division.body.parts[2].finish.printed = true;
  cup.division.body.parts[1].finish.opaque = false;
  document.cups = {cup};
  const auto files = outputsOf(*planDocument(document));
  REQUIRE(files.has_value());
  std::map<std::string, std::string> made;
  for (const OutputFile& file : *files) made[file.name] = file.bytes;
  REQUIRE(made.count("comet-film-printed.svg") == 1);
  REQUIRE(made.count("comet-film-clear.svg") == 1);
  CHECK(made.count("comet-film.svg") == 0);
  CHECK_THAT(made["comet-film-printed.svg"],
             Catch::Contains("film-A") && Catch::Contains("film-C") && !Catch::Contains("film-B"));
  CHECK_THAT(made["comet-film-clear.svg"], Catch::Contains("film-B"));
}

TEST_CASE("pieces of a curved cup come in one file together, and one by one in the plan") {
  const Plan plan = demoPlan();
  const CupPlan& moon = plan.cups.back();
  REQUIRE(moon.laying().pieces > 1);
  const auto count = static_cast<std::size_t>(moon.laying().pieces);
  const auto files = outputsOf(plan);
  const auto svg = std::find_if(files->begin(), files->end(), [](const OutputFile& file) {
    return file.name == "moon-wrap.svg";
  });
  REQUIRE(svg != files->end());
  for (std::size_t i = 1; i <= count; ++i) {
    CHECK_THAT(svg->bytes, Catch::Contains("<path id=\"wrap-" + std::to_string(i) + "\""));
  }
  const Json json = Json::parse(files->back().bytes)["cups"].back();
  CHECK(json["surface"]["kind"] == "curved");
  std::size_t wraps = 0;
  for (const Json& part : json["parts"]) {
    wraps += part["id"].get<std::string>().rfind("wrap-", 0) == 0 ? 1 : 0;
  }
  CHECK(wraps == count);
  CHECK(json["laying"]["options"].size() == 5);
  CHECK(json["laying"]["stretch_map"].size() > 20);
  // Every stage tells the girth at every station.
  for (const Json& stage : json["stages"]) CHECK(stage["stations"].size() == 4);
  CHECK(json["stages"][0]["stations"][2]["around_mm"].get<double>() ==
        Approx((12 + 1.0 / 16) * 25.4));
}

TEST_CASE("the plan's polyline stays within a hundredth of a millimetre of the true curve") {
  const Plan plan = demoPlan();
  const Json json = Json::parse(planJson(plan, {}));
  const CupPlan& comet = plan.cups[1];
  const Json& outline = json["cups"][1]["parts"][0]["outline_mm"];
  REQUIRE(outline.size() > 50);
  for (std::size_t i = 0; i < outline.size(); ++i) {
    const Json& a = outline[i];
    const Json& b = outline[(i + 1) % outline.size()];
    const Point from{a[0], a[1]};
    const Point to{b[0], b[1]};
    // The middle of each side, where it strays most, seen from the nearer of the two rings.
    const Length s = comet.wall.flat.toWall((from + to) * 0.5).s;
    const Length sFrom = comet.wall.flat.toWall(from).s;
    const Length sTo = comet.wall.flat.toWall(to).s;
    if (abs(sFrom - sTo) > Length::mm(1)) continue;  // a straight side
    CHECK(abs(s - sFrom) < Length::mm(0.01));
  }
}

TEST_CASE("the plan says what a surface is") {
  const Json json = Json::parse(planJson(demoPlan(), {}));
  const Json& straight = json["cups"][0]["surface"];
  CHECK(straight["kind"] == "cylinder");
  CHECK(straight["sector_deg"] == 0);
  CHECK(straight["radius_base_mm"].is_null());
  // Laid on the cup measured again under its coats.
  CHECK(straight["around_base_mm"].get<double>() == Approx(9.6875 * 25.4));
  const Json& cone = json["cups"][1]["surface"];
  CHECK(cone["kind"] == "cone");
  const double base = cone["radius_base_mm"];
  const double rim = cone["radius_rim_mm"];
  CHECK(rim - base == Approx(cone["wall_mm"].get<double>()));
  CHECK(cone["sector_deg"].get<double>() / 360 * 2 * M_PI * base ==
        Approx(cone["around_base_mm"].get<double>()));
  const Json& wideBased = json["cups"][2]["surface"];
  CHECK(wideBased["radius_base_mm"].get<double>() > wideBased["radius_rim_mm"].get<double>());
  CHECK(wideBased["plumb_mm"].get<double>() == Approx(138));
}

TEST_CASE("the plan tells every stage, and the pieces are cut for the one they are laid at") {
  const Json json = Json::parse(planJson(demoPlan(), {}));
  const Json& stages = json["cups"][1]["stages"];
  REQUIRE(stages.size() == 4);
  CHECK(stages[0]["measured"] == true);
  CHECK(stages[2]["laid"] == true);
  CHECK(stages[2]["around_rim_mm"] == json["cups"][1]["surface"]["around_rim_mm"]);
  CHECK(stages[3]["give_or_take_mm"] > stages[2]["give_or_take_mm"]);
  CHECK(json["cups"][3]["stages"].size() == 1);
}

TEST_CASE("watches reach the plan in words of the order's unit") {
  const Json json = Json::parse(planJson(demoPlan(), {}));
  const Json& watches = json["cups"][3]["watches"];
  REQUIRE(watches.size() == 3);
  CHECK(watches[0]["rule"] == "rim_line");
  CHECK(watches[0]["level"] == "warn");
  CHECK_THAT(watches[0]["text"].get<std::string>(), Catch::Contains("1/16 in"));
}

TEST_CASE("a piece too large to print is refused in words") {
  Part part;
  part.outline = {{0, 0}, {{{9e3, 0}, 0}, {{9e3, 9e3}, 0}, {{0, 9e3}, 0}, {{0, 0}, 0}}};
  const auto pdf = pdfOf(setOf({part}), tileOver(part.bounds(), Paper::a4), Unit::mm, "x");
  REQUIRE_FALSE(pdf.has_value());
  CHECK_THAT(inWords(pdf.error(), Unit::mm), Catch::Contains("400 pages"));
}

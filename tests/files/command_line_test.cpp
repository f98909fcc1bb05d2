// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/command_line.h"

#include <sys/stat.h>
#include <unistd.h>

#include <catch2/catch.hpp>
#include <cmath>
#include <filesystem>
#include <iostream>
#include <map>
#include <set>
#include <sstream>
#include <vector>

#include "files/base64.h"
#include "files/disk.h"
#include "files/json_reader.h"
#include "files/picture_file.h"
#include "shop/shop.h"

using namespace avrelt;
namespace fs = std::filesystem;

namespace {

struct Run {
  int code;
  std::string out;
  std::string errors;
};

Run run(std::vector<const char*> words) {
  words.insert(words.begin(), "avrelt");
  std::ostringstream out;
  std::ostringstream errors;
  std::streambuf* const outBefore = std::cout.rdbuf(out.rdbuf());
  std::streambuf* const errorsBefore = std::cerr.rdbuf(errors.rdbuf());
  const int code = runCommandLine(static_cast<int>(words.size()), words.data());
  std::cout.rdbuf(outBefore);
  std::cerr.rdbuf(errorsBefore);
  return {code, out.str(), errors.str()};
}

struct Bench {
  fs::path folder;
  Bench() {
    std::string pattern = (fs::temp_directory_path() / "avrelt-cli-XXXXXX").string();
    folder = ::mkdtemp(pattern.data());
  }
  Bench(const Bench&) = delete;
  Bench& operator=(const Bench&) = delete;
  ~Bench() { fs::remove_all(folder); }

  Run plan(const std::string& order) const {
    REQUIRE_FALSE(writeFile(folder / "order.avrelt", order).has_value());
    return run({"plan", file().c_str(), "--out", out().c_str()});
  }
  std::string file() const { return (folder / "order.avrelt").string(); }
  std::string out() const { return (folder / "out").string(); }
};

std::string orderWith(const std::string& stations) {
  return "{\"avrelt\": 1, \"units\": \"mm\",\n\"cups\": [{\"name\": \"A\", \"blank\":\n"
         "{\"stations\": [" +
         stations + "]}}]}";
}

}  // namespace

TEST_CASE("plan writes the plan and the files and says so") {
  const Bench bench;
  const Run done = bench.plan(orderWith(R"({"at": 0, "around": 240}, {"at": 150, "around": 280})"));
  CHECK(done.errors.empty());
  CHECK(done.code == 0);
  for (const char* name : {"plan.json", "a-wrap.svg", "a-wrap.pdf", "a-test.svg", "a-test.pdf",
                           "a-strip.svg", "a-strip.pdf", "a-base.svg", "a-base.pdf"}) {
    CHECK(fs::exists(bench.folder / "out" / name));
    CHECK_THAT(done.out, Catch::Contains(name));
  }
}

TEST_CASE("sheets lays strips edge to edge and backings like their prints on request") {
  const Bench bench;
  std::string parts;
  for (int i = 0; i < 5; ++i)
    parts += std::string(i > 0 ? ", " : "") + R"({"finish": {"kind": "film"}})";
  REQUIRE_FALSE(writeFile(bench.folder / "order.avrelt",
                          R"({"avrelt": 2, "units": "mm", "artworks": [{"id": "a", "areas":
[{"colour": "#102030", "outlines": "M0 0 10 0 10 10 0 10Z"}]}], "cups": [{"name": "A", "blank":
{"stations": [{"at": 0, "around": 240}, {"at": 150, "around": 240}]},
"divide": {"body": {"cut": {"kind": "rings", "by": "places", "places": [20, 45, 60, 100]},
"parts": [)" + parts + R"(]}},
"sets": [{"artwork": "a", "size": 30, "places": [{"at": 0, "up": 80}, {"at": 90, "up": 80}],
"layers": [{"kind": "decal", "material": "printable_film", "film": "#2244AA"},
{"kind": "backing", "offset": 1.27, "film": "#FFFFFF"}]}]}]})")
                    .has_value());
  const auto sheetsBy = [&](std::vector<const char*> words) {
    const std::string file = bench.file();
    const std::string out = bench.out();
    words.insert(words.begin(), {"sheets", file.c_str(), "--out", out.c_str()});
    const Run done = run(words);
    INFO(done.errors);
    REQUIRE(done.code == 0);
    return std::pair(Json::parse(*readFile(bench.folder / "out" / "sheets.json")), done.out);
  };
  const auto [loose, saidOfLoose] = sheetsBy({});
  const auto [json, said] = sheetsBy({"--stack", "--alike"});
  CHECK(saidOfLoose.find("edge to edge") == std::string::npos);
  CHECK(said.find("5 strips lie edge to edge in 1 stack") != std::string::npos);
  CHECK(said.find("Backings lie as their prints do") != std::string::npos);
  // Every part and copy that lies one by one lies in a stack or by itself, once.
  const auto copiesIn = [](const Json& sheets) {
    std::multiset<std::string> copies;
    for (const Json& sheet : sheets["sheets"]) {
      for (const Json& one : sheet["placements"]) {
        copies.insert(one["part"].get<std::string>() + one["for"].get<std::string>() +
                      std::to_string(one["copy"].get<int>()));
      }
    }
    return copies;
  };
  CHECK(copiesIn(json) == copiesIn(loose));
  int strips = 0;
  std::map<std::string, Json> prints;
  std::map<std::string, Json> backings;
  std::string printed;
  std::string laidAs;
  double longest = 0;
  for (const Json& sheet : json["sheets"]) {
    for (const Json& one : sheet["placements"]) {
      if (one.contains("stack")) {
        ++strips;
        // 18 mm wide or more, and once round.
        Box box;
        for (const Json& p : one["outline_mm"])
          box.add(Point{p[0].get<double>(), p[1].get<double>()});
        CHECK(std::min(box.width(), box.height()) < 60);
        longest = std::max({longest, box.width(), box.height()});
      }
      const auto copy = std::to_string(one["copy"].get<int>());
      if (sheet["material"] == "printable_film") {
        prints[copy] = one;
        printed = sheet["id"];
      }
      if (sheet["film"] == "#FFFFFF") {
        backings[copy] = one;
        laidAs = sheet.value("laid_as", "");
      }
    }
  }
  CHECK(strips == 5);
  CHECK(longest > 240);
  CHECK(laidAs == printed);
  REQUIRE(prints.size() == 2);
  REQUIRE(backings.size() == 2);
  for (const auto& [copy, print] : prints) {
    CHECK(print["at_mm"] == backings[copy]["at_mm"]);
    CHECK(print["turn_deg"] == backings[copy]["turn_deg"]);
  }
  // Four cuts less of once round.
  const auto cutIn = [](const Json& sheets) {
    double sum = 0;
    for (const Json& sheet : sheets["sheets"]) sum += sheet["cut_mm"].get<double>();
    return sum;
  };
  CHECK(cutIn(loose) - cutIn(json) == Approx(4 * longest).margin(12));
}

TEST_CASE("sheets keeps a cup's parts together where a sheet has room, else says so") {
  const Bench bench;
  REQUIRE_FALSE(writeFile(bench.folder / "order.avrelt",
                          orderWith("{\"at\": 0, \"around\": 240}, {\"at\": 100}"))
                    .has_value());
  const auto apartOn = [&](const char* size) {
    const Run done = run({"sheets", bench.file().c_str(), "--out", bench.out().c_str(), "--sheet",
                          size, "--together", "cups"});
    CHECK(done.code == 0);
    const bool said = done.out.find("A lies on 2 sheets of a film") != std::string::npos;
    const Json json = Json::parse(*readFile(bench.folder / "out" / "sheets.json"));
    CHECK(json["apart"].size() == (said ? 1 : 0));
    if (said) {
      CHECK(json["apart"][0]["sheets"] == 2);
      CHECK(json["apart"][0]["set"].is_null());
    }
    return said;
  };
  CHECK_FALSE(apartOn("300x300mm"));
  // The wrap fills it, and the disc is left over.
  CHECK(apartOn("260x120mm"));
  CHECK(
      run({"sheets", bench.file().c_str(), "--out", bench.out().c_str(), "--together", "x"}).code ==
      2);
}

TEST_CASE("sheets lays an order's parts on sheets, within the paper, and says what fits none") {
  const Bench bench;
  REQUIRE_FALSE(writeFile(bench.folder / "order.avrelt",
                          orderWith("{\"at\": 0, \"around\": 240}, {\"at\": 100}"))
                    .has_value());
  const auto sheets = [&](std::vector<const char*> more) {
    std::vector<const char*> words{"sheets"};
    const std::string file = bench.file();
    const std::string out = bench.out();
    words.push_back(file.c_str());
    words.push_back("--out");
    words.push_back(out.c_str());
    words.insert(words.end(), more.begin(), more.end());
    return run(words);
  };
  const Run done = sheets({"--sheet", "300x200mm", "--gap", "2 mm"});
  CHECK(done.code == 0);
  CHECK(done.errors.empty());
  CHECK_THAT(done.out, Catch::Contains("plain sheets of 300 mm by 200 mm"));
  const Json json = Json::parse(*readFile(bench.folder / "out" / "sheets.json"));
  REQUIRE(json["sheets"].size() == 1);
  CHECK(json["gap_mm"] == 2);
  const Json& sheet = json["sheets"][0];
  CHECK(sheet["size_mm"] == Json({300.0, 200.0}));
  // The wrap, and the disc under the base.
  REQUIRE(sheet["placements"].size() == 2);
  CHECK(sheet["placements"][0]["part"] == "wrap");
  for (const Json& placement : sheet["placements"]) {
    for (const Json& point : placement["outline_mm"]) {
      CHECK(point[0].get<double>() >= 0);
      CHECK(point[0].get<double>() <= 300);
      CHECK(point[1].get<double>() >= 0);
      CHECK(point[1].get<double>() <= 200);
    }
  }
  const std::string svg = *readFile(bench.folder / "out" / sheet["file"].get<std::string>());
  CHECK(svg.find("width=\"300mm\" height=\"200mm\"") != std::string::npos);
  // Names say order, film, sheet.
  CHECK(sheet["file"] == "order-permanent-film-1-of-1.svg");
  CHECK(sheet["from"] == "plain");
  CHECK(sheet["pieces"] == 2);
  CHECK(sheet["cut_mm"].get<double>() > 500);
  for (const Json& more : sheet["more_files"]) {
    CHECK(fs::exists(bench.folder / "out" / more.get<std::string>()));
  }
  const std::string list = *readFile(bench.folder / "out" / "parts.csv");
  CHECK_THAT(list, Catch::StartsWith("sheet,cup,part,for,copies,width_mm,height_mm,done\r\n"));
  CHECK(std::count(list.begin(), list.end(), '\n') == 3);
  // The very shapes, by the plotter file alone: whole numbers of 1/40 mm.
  const std::string plotter = *readFile(bench.folder / "out" / "order-permanent-film-1-of-1.plt");
  CHECK_THAT(plotter, Catch::StartsWith("IN;\nPA;\nVS50;\nSP1;\nPU"));
  CHECK_THAT(plotter, Catch::EndsWith("PU0,0;\nSP0;\n"));

  // Too small: what was there goes, and it is said.
  const Run small = sheets({"--sheet", "1 x 1 in"});
  CHECK(small.code == 0);
  CHECK(small.out.find("fits no sheet") != std::string::npos);
  CHECK_FALSE(fs::exists(bench.folder / "out" / sheet["file"].get<std::string>()));
  const Json none = Json::parse(*readFile(bench.folder / "out" / "sheets.json"));
  CHECK(none["unplaced"][0]["why"] == "too_large");

  for (const char* size : {"300", "x", "300 by 200", "0x0", "a x b mm"}) {
    const Run refusal = sheets({"--sheet", size});
    CHECK(refusal.code == 2);
    CHECK_FALSE(refusal.errors.empty());
  }
  CHECK(sheets({"--gap", "wide"}).code == 2);
  CHECK(sheets({"--tries", "many"}).code == 2);
  CHECK(sheets({"--tries", "3"}).code == 0);
  CHECK(sheets({"--shop", "/nowhere/shop.sqlite"}).code == 2);
  CHECK(sheets({"--margin", "200 mm"}).code == 2);
}

TEST_CASE("steps prints what each cup takes, with waits, mixes and cautions") {
  const Bench bench;
  REQUIRE_FALSE(writeFile(bench.folder / "order.avrelt",
                          R"({"avrelt": 2, "units": "mm", "cups": [{"name": "A", "blank":
{"stations": [{"at": 0, "around": 240}, {"at": 150, "around": 280}]},
"build_up": {"coats": [{"kind": "resin", "mixed": 20}]},
"divide": {"body": {"finish": {"kind": "glitter", "name": "dusk", "colour": "#203040"}}}}]})")
                    .has_value());
  const Run done = run({"steps", bench.file().c_str()});
  CHECK(done.code == 0);
  CHECK(done.errors.empty());
  CHECK(done.out.find("A: ") == 0);
  CHECK(done.out.find("1. Sand the cup") != std::string::npos);
  CHECK(done.out.find("Shake “dusk”") != std::string::npos);
  // Into wet resin at once; no tape is to be pulled, so then only the resin is waited for.
  CHECK(done.out.find("Go on within 10 min.") != std::string::npos);
  const auto shaken = done.out.find("Shake “dusk”");
  CHECK(done.out.find("Then wait at least 5 h.", shaken) < done.out.find("Seal", shaken));
  CHECK(done.out.find("Takes: Part A, 11 ml, 12 g; Part B, 11 ml, 11 g.") != std::string::npos);
  const std::string gloves = "nitrile gloves";
  const auto first = done.out.find(gloves);
  REQUIRE(first != std::string::npos);
  CHECK(done.out.find(gloves, first + 1) == std::string::npos);
  CHECK(run({"steps", "/nowhere.avrelt"}).code == 2);
}

TEST_CASE("schedule says when, within the hours, and why it cannot") {
  const Bench bench;
  const std::string cup = R"(, "blank": {"stations": [{"at": 0, "around": 240},
{"at": 150, "around": 280}]}, "build_up": {"coats": [{"kind": "glitter", "cut": "fine"},
{"kind": "resin", "mixed": 20}]}})";
  REQUIRE_FALSE(writeFile(bench.folder / "order.avrelt",
                          R"({"avrelt": 2, "units": "mm", "cups": [{"name": "A")" + cup +
                              R"(, {"name": "B")" + cup + "]}")
                    .has_value());
  const std::string out = (bench.folder / "schedule.json").string();
  const Run done = run({"schedule", bench.file().c_str(), "--from", "2026-12-01T18:00", "--turners",
                        "2", "--away", "2026-12-02", "--out", out.c_str()});
  INFO(done.errors);
  REQUIRE(done.code == 0);
  CHECK(done.out.find("Tue 1 Dec") == 0);
  CHECK(done.out.find("Wed 2 Dec") == std::string::npos);
  CHECK(done.out.find("no order of work is done before") != std::string::npos);
  const Json json = Json::parse(*readFile(out));
  CHECK(json["avrelt_schedule"] == 1);
  std::map<std::string, int> steps;
  std::string last;
  for (const Json& one : json["schedule"]) {
    ++steps[one["cup"].get<std::string>()];
    const auto start = one["start"].get<std::string>();
    const auto end = one["end"].get<std::string>();
    CHECK(last <= start);
    CHECK(start < end);
    CHECK(start.substr(11) >= "18:00");
    CHECK(end.substr(11) <= "22:00");
    CHECK(start.substr(0, 10) != "2026-12-02");
    // One pair of hands.
    CHECK((last.empty() || last <= start));
    last = end;
  }
  CHECK(steps["A"] == steps["B"]);
  const std::string order = bench.file();
  const auto refusedBy = [&](const std::vector<const char*>& more) {
    std::vector<const char*> words{"schedule", order.c_str()};
    words.insert(words.end(), more.begin(), more.end());
    const Run run_ = run(words);
    CHECK(run_.code == 2);
    return run_.errors;
  };
  CHECK(refusedBy({"--from", "tomorrow"}).find("is no time") != std::string::npos);
  CHECK(refusedBy({"--from", "2026-12-01T18:00", "--hours", "22:00-18:00"}).find("are no hours") !=
        std::string::npos);
  CHECK(refusedBy({"--from", "2026-12-01T18:00", "--away", "Tuesday"}).find("is no day") !=
        std::string::npos);
  // The order says neither when work begins.
  CHECK(refusedBy({}).find("--from") != std::string::npos);
  // Brushing and shaking take 22 minutes in one go: told, and planned without.
  const Run missed =
      run({"schedule", order.c_str(), "--from", "2026-12-01T18:00", "--hours", "18:00-18:20"});
  CHECK(missed.code == 1);
  CHECK(missed.errors.find("has to follow soon after") != std::string::npos);
  CHECK(missed.errors.find("2 min too short") != std::string::npos);
  CHECK(missed.out.find("Done") != std::string::npos);
  const Run sooner =
      run({"schedule", order.c_str(), "--from", "2026-12-01T18:00", "--search", "1", "--hands", "2",
           "--calendar", (bench.folder / "bench.ics").string().c_str()});
  CHECK(sooner.code == 0);
  CHECK(sooner.out.find("hands 2") != std::string::npos);
  CHECK(readFile(bench.folder / "bench.ics")->find("BEGIN:VEVENT") != std::string::npos);
}

TEST_CASE("sheets prints what is to be printed, box, cross cuts and pieces on request") {
  const Bench bench;
  Picture red{40, 30, {}};
  for (int i = 0; i < 40 * 30; ++i) {
    for (const int part : {200, 60, 40, 255}) red.rgba.push_back(static_cast<std::uint8_t>(part));
  }
  REQUIRE_FALSE(writeFile(bench.folder / "order.avrelt",
                          R"({"avrelt": 2, "units": "mm", "cups": [{"name": "A", "blank":
{"stations": [{"at": 0, "around": 330}, {"at": 90, "around": 330}]},
"divide": {"body": {"finish": {"kind": "film", "print": {"picture": "p"}}}}}],
"pictures": [{"id": "p", "name": "red", "data": ")" +
                              base64Of(pngOf(red, 300)) + R"("}]})")
                    .has_value());
  const Run done = run({"sheets", bench.file().c_str(), "--out", bench.out().c_str(), "--weeding"});
  INFO(done.errors);
  REQUIRE(done.code == 0);
  const auto text = readFile(fs::path(bench.out()) / "sheets.json");
  REQUIRE(text);
  const Json json = Json::parse(*text);
  bool printed = false;
  std::set<int> found;
  for (const Json& sheet : json["sheets"]) {
    if (sheet["material"] != "printable_film") continue;
    printed = true;
    // The wrap is longer than A4: in pieces, both there.
    std::set<int> pieces;
    for (const Json& placement : sheet["placements"]) {
      CHECK(placement["part"] == "wrap");
      CHECK(placement["pieces"] == 2);
      pieces.insert(placement["piece"].get<int>());
    }
    found.insert(pieces.begin(), pieces.end());
    CHECK(sheet["print"]["marks_mm"].size() == 3);
    const fs::path file = fs::path(bench.out()) / sheet["print"]["file"].get<std::string>();
    const auto bytes = readFile(file);
    REQUIRE(bytes);
    KeptPicture kept;
    kept.bytes = *bytes;
    const auto dots = dotsOf(kept);
    REQUIRE(dots);
    // 300 dots to the inch of the sheet, and its middle red where the wrap lies.
    const double wide = sheet["size_mm"][0].get<double>();
    CHECK(dots->wide == std::lround(wide / 25.4 * 300));
    long inked = 0;
    for (std::size_t i = 0; i < dots->rgba.size(); i += 4) {
      if (dots->rgba[i] == 200 && dots->rgba[i + 3] == 255) ++inked;
    }
    const double share = static_cast<double>(inked) * 4 / static_cast<double>(dots->rgba.size());
    CHECK(share > sheet["used"].get<double>());
    CHECK(share < sheet["used"].get<double>() * 1.3);
    const auto svg = readFile(fs::path(bench.out()) / sheet["file"].get<std::string>());
    REQUIRE(svg);
    CHECK(svg->find("<image") != std::string::npos);
    CHECK(svg->find("id=\"weeding\"") != std::string::npos);
    CHECK(fs::exists(fs::path(bench.out()) / (sheet["id"].get<std::string>() + "-print.pdf")));
  }
  CHECK(printed);
  CHECK(found == std::set<int>{1, 2});
  // Again without print: what it listed before is taken away.
  const auto before = std::distance(fs::directory_iterator(bench.out()), fs::directory_iterator());
  REQUIRE_FALSE(writeFile(bench.folder / "order.avrelt",
                          R"({"avrelt": 2, "units": "mm", "cups": [{"name": "A", "blank":
{"stations": [{"at": 0, "around": 330}, {"at": 90, "around": 330}]}}]})")
                    .has_value());
  CHECK(run({"sheets", bench.file().c_str(), "--out", bench.out().c_str()}).code == 0);
  CHECK(std::distance(fs::directory_iterator(bench.out()), fs::directory_iterator()) < before);
  for (const auto& entry : fs::directory_iterator(bench.out())) {
    CHECK(entry.path().extension() != ".png");
  }
}

TEST_CASE("art takes a drawing into an order, or leaves the order as it was") {
  const Bench bench;
  const std::string order =
      "{\"avrelt\": 2, \"cups\": [{\"name\": \"A\", \"blank\": {\"stations\": "
      "[{\"at\": 0, \"around\": 230}, {\"at\": 180}]}}]}";
  REQUIRE_FALSE(writeFile(bench.folder / "order.avrelt", order).has_value());
  const std::string drawing = (bench.folder / "moon.svg").string();
  REQUIRE_FALSE(writeFile(drawing,
                          "<svg xmlns='http://www.w3.org/2000/svg' width='30mm' height='30mm' "
                          "viewBox='0 0 30 30'><circle cx='15' cy='15' r='10' fill='teal'/></svg>")
                    .has_value());
  const Run taken = run({"art", drawing.c_str(), "--into", bench.file().c_str()});
  CHECK(taken.code == 0);
  CHECK_THAT(taken.out, Catch::Contains("art-1"));
  const std::string after = *readFile(bench.file());
  CHECK_THAT(after, Catch::Contains("#008080"));
  CHECK(run({"art", drawing.c_str(), "--into", bench.file().c_str()}).code == 0);
  CHECK_THAT(*readFile(bench.file()), Catch::Contains("art-2"));
  REQUIRE_FALSE(writeFile(drawing, "<svg xmlns='http://www.w3.org/2000/svg'><text>x</text></svg>")
                    .has_value());
  const std::string before = *readFile(bench.file());
  const Run words = run({"art", drawing.c_str(), "--into", bench.file().c_str()});
  CHECK(words.code == 2);
  CHECK_THAT(words.errors, Catch::Contains("nothing in it to cut"));
  REQUIRE_FALSE(writeFile(drawing, "no drawing").has_value());
  CHECK(run({"art", drawing.c_str(), "--into", bench.file().c_str()}).code == 2);
  CHECK(run({"art", "/no/such.svg", "--into", bench.file().c_str()}).code == 2);
  CHECK(run({"art", drawing.c_str(), "--into", "/no/such.avrelt"}).code == 2);
  CHECK(*readFile(bench.file()) == before);
}

TEST_CASE("bad input ends with 2, a sentence a fault, and nothing written") {
  const Bench bench;
  for (const char* stations :
       {R"({"at": 0, "around": 0}, {"at": 150, "around": 280})", R"({"at": 0, "around": 240})",
        R"({"at": 0, "around": "9 3/0"}, {"at": 150})", R"({"at": 0, "around": 240}, {"at": 0})",
        "{\"at\": 0, "}) {
    INFO(stations);
    const Run done = bench.plan(orderWith(stations));
    CHECK(done.code == 2);
    CHECK_THAT(done.errors, Catch::Contains("order.avrelt, line "));
    CHECK(std::count(done.errors.begin(), done.errors.end(), '\n') == 1);
    CHECK_FALSE(fs::exists(bench.folder / "out"));
  }
}

TEST_CASE("each fault gets a line of its own, at its line in the file") {
  const Bench bench;
  const Run done = bench.plan(orderWith("{\"at\": 0, \"around\": 0},\n{\"at\": 0}"));
  CHECK(done.code == 2);
  CHECK_THAT(done.errors, Catch::Contains("line 3, cups[0].blank.stations[0].around:"));
  CHECK_THAT(done.errors, Catch::Contains("line 4, cups[0].blank.stations[1].at:"));
}

TEST_CASE("a shop's log changes what coats are taken to add") {
  const Bench bench;
  const std::string order =
      R"({"avrelt": 1, "units": "mm", "cups": [{"name": "A", "blank": {"stations":
      [{"at": 0, "around": 240}, {"at": 200}]},
      "build_up": {"coats": [{"kind": "resin", "mixed": 40}], "laid_after": 1}}]})";
  const auto girth = [&] {
    const Json plan = Json::parse(*readFile(bench.folder / "out" / "plan.json"));
    return plan["cups"][0]["surface"]["around_rim_mm"].get<double>();
  };
  CHECK(bench.plan(order).code == 0);
  const double guessed = girth();
  const std::string shop = (bench.folder / "shop.sqlite").string();
  {
    Shop made = *Shop::open(shop);
    for (int i = 0; i < 10; ++i) {
      ShelfMeasurement measurement;
      measurement.record = {{0.8, 0, 0, 0, 0}, Length::mm(0.1)};
      REQUIRE_FALSE(made.log("straight 600 ml", measurement).has_value());
    }
  }
  CHECK(run({"plan", bench.file().c_str(), "--out", bench.out().c_str(), "--shop", shop.c_str()})
            .code == 0);
  CHECK(girth() < guessed - 0.5);
  const Run none = run({"plan", bench.file().c_str(), "--out", bench.out().c_str(), "--shop",
                        "/nowhere/shop.sqlite"});
  CHECK(none.code == 2);
  CHECK_THAT(none.errors, Catch::Contains("no shop at /nowhere"));
  CHECK_FALSE(fs::exists("/nowhere"));
  // What cannot even be looked for is refused in words as well, and so is a pipe.
  const std::string deep = "/" + std::string(5000, 'n') + "/shop.sqlite";
  const std::string pipe = (bench.folder / "pipe").string();
  REQUIRE(::mkfifo(pipe.c_str(), 0600) == 0);
  for (const std::string& odd : {deep, pipe}) {
    const Run refused =
        run({"plan", bench.file().c_str(), "--out", bench.out().c_str(), "--shop", odd.c_str()});
    CHECK(refused.code == 2);
    CHECK_FALSE(refused.errors.empty());
  }
  CHECK(run({"plan", pipe.c_str(), "--out", bench.out().c_str()}).code == 2);
}

TEST_CASE("a file that is not there and a folder that cannot be are refused") {
  const Bench bench;
  CHECK(run({"plan", "/nowhere/order.avrelt", "--out", bench.out().c_str()}).code == 2);
  REQUIRE_FALSE(writeFile(bench.folder / "out", "a file").has_value());
  const Run done = bench.plan(orderWith(R"({"at": 0, "around": 240}, {"at": 150})"));
  CHECK(done.code == 2);
  CHECK_FALSE(done.errors.empty());
  CHECK(*readFile(bench.folder / "out") == "a file");
}

TEST_CASE("help explains, and wrong words end with 2") {
  const Run help = run({"plan", "--help"});
  CHECK(help.code == 0);
  CHECK_THAT(help.out, Catch::Contains("--out") && Catch::Contains("Exit code"));
  CHECK(run({"--help"}).code == 0);
  CHECK(run({"--version"}).out.find("avrelt ") == 0);
  CHECK(run({"plan"}).code == 2);
  CHECK(run({"plan", "x", "--frobnicate"}).code == 2);
  CHECK(run({"plan", "x"}).code == 2);
}

TEST_CASE("words that are no command open the window") {
  const char* file[] = {"avrelt", "order.avrelt"};
  const char* plan[] = {"avrelt", "plan"};
  CHECK(askedFor(1, file) == Asked::window);
  CHECK(askedFor(2, file) == Asked::window);
  CHECK(askedFor(2, plan) == Asked::commandLine);
}

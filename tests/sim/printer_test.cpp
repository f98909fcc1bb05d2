// SPDX-License-Identifier: GPL-3.0-or-later
// The stand-in printer: true where nothing is wrong, and off by what is asked.
#include <array>
#include <catch2/catch.hpp>
#include <cmath>
#include <cstdlib>
#include <filesystem>

#include "files/disk.h"
#include "files/picture_file.h"
#include "sim/sheet_printer.h"

using namespace avrelt;
namespace fs = std::filesystem;

namespace {

constexpr double perMm = 10;  // 254 dots to the inch

/// A sheet of 60 by 40 mm with a square of 10 mm from (20, 10).
Picture print() {
  Picture made{600, 400, std::vector<std::uint8_t>(600 * 400 * 4, 0)};
  fillShape({{{200, 200}, {300, 200}, {300, 300}, {200, 300}}}, "#C03020", made);
  return made;
}

bool inked(const Picture& sheet, Point mm) {
  const auto x = static_cast<std::size_t>(mm.x * perMm);
  const auto y = static_cast<std::size_t>((40 - mm.y) * perMm);
  return sheet.rgba[(y * 600 + x) * 4 + 3] == 255;
}

}  // namespace

TEST_CASE("A printer that does nothing wrong gives the print back", "[printer]") {
  sim::PaperFeed feed;
  feed.dotsPerInch = 254;
  CHECK(sim::comesOut(print(), feed).rgba == print().rgba);
}

TEST_CASE("A print comes out shifted, turned, larger and cut off as asked", "[printer]") {
  sim::PaperFeed feed;
  feed.dotsPerInch = 254;
  feed.shift = {Length::mm(3), Length::mm(-2), {}, 0};
  const Picture shifted = sim::comesOut(print(), feed);
  for (const Point inside : {Point{20, 10}, Point{25, 15}, Point{29.7, 19.7}}) {
    CHECK(inked(shifted, inside + Point{3.1, -1.9}));
  }
  CHECK_FALSE(inked(shifted, {22.8, 13}));
  // By the map itself, each corner from just inside and just outside.
  feed.shift = {Length::mm(1), Length::mm(2), Angle::degrees(10), 20};
  const Picture all = sim::comesOut(print(), feed);
  const Transform map = transformOf(feed.shift);
  for (const double x : {20.0, 30.0}) {
    for (const double y : {10.0, 20.0}) {
      const Point in{x == 20 ? 0.3 : -0.3, y == 10 ? 0.3 : -0.3};
      CHECK(inked(all, map(Point{x, y} + in)));
      CHECK_FALSE(inked(all, map(Point{x, y} - in)));
    }
  }
  feed = {};
  feed.dotsPerInch = 254;
  feed.left = Length::mm(22);
  feed.top = Length::mm(22);
  const Picture margins = sim::comesOut(print(), feed);
  CHECK_FALSE(inked(margins, {21.9, 15}));
  CHECK(inked(margins, {22.1, 15}));
  CHECK_FALSE(inked(margins, {25, 18.1}));
  CHECK(inked(margins, {25, 17.9}));
  feed = {};
  feed.dotsPerInch = 254;
  feed.mirrored = true;
  CHECK(inked(sim::comesOut(print(), feed), {35, 15}));
  // Pulled out half-way.
  feed.mirrored = false;
  const Picture half = sim::comesOut(print(), feed, [](int row) { return row < 250; });
  CHECK(inked(half, {25, 16}));
  CHECK_FALSE(inked(half, {25, 14}));
}

TEST_CASE("The program reads a print, writes the sheet, and says what it cannot read",
          "[printer]") {
  std::string name = (fs::temp_directory_path() / "avrelt-printer-XXXXXX").string();
  const fs::path folder = ::mkdtemp(name.data());
  const std::string in = (folder / "print.png").string();
  const std::string out = (folder / "sheet.png").string();
  REQUIRE_FALSE(writeFile(in, pngOf(print(), 254)));
  const auto run = [&](const std::string& words) {
    return std::system((std::string(AVRELT_PRINTER) + " " + words + " 2>/dev/null").c_str());
  };
  CHECK(run(in + " --out " + out + " --dots 254 --shift 3 -2") == 0);
  const auto bytes = readFile(out);
  REQUIRE(bytes);
  KeptPicture sheet;
  sheet.bytes = *bytes;
  const auto dots = dotsOf(sheet);
  REQUIRE(dots);
  sim::PaperFeed feed;
  feed.dotsPerInch = 254;
  feed.shift = {Length::mm(3), Length::mm(-2), {}, 0};
  CHECK(dots->rgba == sim::comesOut(print(), feed).rgba);
  CHECK(run((folder / "none.png").string() + " --out " + out) != 0);
  REQUIRE_FALSE(writeFile(in, "no picture"));
  CHECK(run(in + " --out " + out) != 0);
  CHECK(run(in + " --out " + out + " --turn 900") != 0);
  fs::remove_all(folder);
}

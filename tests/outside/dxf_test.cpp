// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/dxf.h"

#include <array>
#include <catch2/catch.hpp>
#include <cmath>
#include <cstdio>
#include <sstream>

#include "files/disk.h"
#include "files/temporary_folder.h"

// Our DXF as ezdxf, an independent reader, sees it.

using namespace avrelt;

namespace {

std::vector<std::string> seenByEzdxf(const std::string& dxf) {
  const TemporaryFolder folder;
  const std::filesystem::path file = folder.path / "part.dxf";
  REQUIRE_FALSE(writeFile(file, dxf));
  const std::string command =
      std::string("/usr/bin/python3 " AVRELT_READ_DXF " ") + file.string() + " 2>&1";
  std::FILE* pipe = ::popen(command.c_str(), "r");
  REQUIRE(pipe != nullptr);
  std::string text;
  std::array<char, 4096> buffer{};
  for (std::size_t got = 0; (got = std::fread(buffer.data(), 1, buffer.size(), pipe)) > 0;) {
    text.append(buffer.data(), got);
  }
  INFO(text);
  REQUIRE(::pclose(pipe) == 0);
  std::vector<std::string> lines;
  std::istringstream stream(text);
  for (std::string line; std::getline(stream, line);) lines.push_back(line);
  return lines;
}

struct Seen {
  std::string kind;
  std::string layer;
  int closed = 0;
  double left = 0, low = 0, right = 0, high = 0, area = 0, length = 0;
};

Seen read(const std::string& line) {
  Seen seen;
  std::istringstream(line) >> seen.kind >> seen.layer >> seen.closed >> seen.left >> seen.low >>
      seen.right >> seen.high >> seen.area >> seen.length;
  return seen;
}

}  // namespace

TEST_CASE("a square of 100 mm, a disc, a slit and words measure in DXF what they are") {
  Part part;
  part.id = "square";
  part.outline = {{10, 20}, {{{110, 20}, 0}, {{110, 120}, 0}, {{10, 120}, 0}, {{10, 20}, 0}}};
  part.holes = {{{40, 70}, {{{80, 70}, -1}, {{40, 70}, -1}}}};
  part.slits = {{{20, 30}, {{{50, 30}, 0}}}};
  Guide guide;
  guide.path = {{60, 20}, {{{60, 60}, 0.25}}};
  part.guides = {guide};
  part.letterings = {{{60, 100}, Length::mm(4), Angle::degrees(30), {"Zone %1, 90°", {"A"}}}};
  PartSet set;
  set.parts = {part};
  const std::vector<std::string> lines = seenByEzdxf(dxfOf(set, Unit::mm));
  REQUIRE(lines.size() == 6);
  CHECK_THAT(lines[0], Catch::Contains("version AC1009 errors 0"));
  for (const char* layer : {"CUT", "DRAW", "TEXT"}) CHECK_THAT(lines[0], Catch::Contains(layer));
  const Seen drawn = read(lines[1]);
  CHECK(drawn.layer == "DRAW");
  CHECK(drawn.closed == 0);
  // An arc of 4 atan(1/4) over a chord of 40.
  const double turn = 4 * std::atan(0.25);
  CHECK(drawn.length == Approx(20 / std::sin(turn / 2) * turn).epsilon(1e-4));
  CHECK_THAT(lines[2], Catch::Contains("TEXT TEXT 60.0 100.0 4.0 Zone A, 90"));
  const Seen slit = read(lines[3]);
  CHECK(slit.layer == "CUT");
  CHECK(slit.closed == 0);
  CHECK(slit.length == Approx(30));
  const Seen hole = read(lines[4]);
  CHECK(hole.closed == 1);
  CHECK(hole.area == Approx(M_PI * 400).epsilon(1e-3));
  CHECK(hole.right - hole.left == Approx(40).margin(0.01));
  const Seen square = read(lines[5]);
  CHECK(square.kind == "POLYLINE");
  CHECK(square.layer == "CUT");
  CHECK(square.closed == 1);
  CHECK(square.right - square.left == Approx(100));
  CHECK(square.high - square.low == Approx(100));
  CHECK(square.left == Approx(10));
  CHECK(square.low == Approx(20));
  CHECK(square.area == Approx(10000));
}

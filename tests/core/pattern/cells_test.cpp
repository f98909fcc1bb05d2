// SPDX-License-Identifier: GPL-3.0-or-later
#include "pattern/cells.h"

#include <catch2/catch.hpp>
#include <cmath>
#include <map>

#include "core/cups.h"
#include "divide/split.h"
#include "pattern/laid_cells.h"
#include "pattern/neighbours.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

struct CellsBench {
  explicit CellsBench(const Blank& blank) : body(bodyOf(blank)), flat(flatOf(body)) {}
  Body body;
  Development flat;
  Wall wall{body, flat, CupAngle::degrees(170)};

  static Development flatOf(const Body& body) {
    if (body.isCone()) return body.cone();
    return Development::cone(body.radius(Length()), 0.05, body.wall());
  }
  std::vector<RawCell> cells(const Pattern& pattern, const Region& zone) const {
    Checked<std::vector<RawCell>> made = cellsOf(pattern, zone, wall);
    if (!made) FAIL(inWords(made.error().sentence, Unit::mm));
    return std::move(*made);
  }
  Region whole() const { return Region::band(Length(), body.wall()); }
};

double areaOf(const std::vector<RawCell>& cells, const Body& body) {
  double sum = 0;
  for (const RawCell& cell : cells) sum += areaOf(cell.patch, body).mm2();
  return sum;
}

const Blank& taperedBlank() {
  return all()[1].blank;
}

}  // namespace

TEST_CASE("the cells of every family cover the wall once, straight, tapered or curved") {
  std::vector<Named> shapes{all()[0], all()[1], all()[2]};
  shapes.push_back(allCurved().front());
  for (const Named& shape : shapes) {
    const CellsBench bench(shape.blank);
    for (const Family family : families) {
      for (const bool turned : {false, true}) {
        INFO(shape.name << ", " << familyName(family) << (turned ? ", turned" : ""));
        Pattern pattern;
        pattern.family = family;
        pattern.turned = turned;
        pattern.mirror = turned;
        pattern.along = 0.3;
        pattern.up = 0.2;
        pattern.size = WrittenLength::mm(24);
        const std::vector<RawCell> cells = bench.cells(pattern, bench.whole());
        CHECK(cells.size() > 3);
        // On a curved wall an edge's area is taken at three places, good to some
        // hundred-thousandths.
        const double within = bench.body.isCone() ? 1e-6 : 1e-4;
        CHECK(areaOf(cells, bench.body) == Approx(bench.body.area().mm2()).epsilon(within));
      }
    }
  }
}

TEST_CASE("cells that keep their size cover a cone's wall as well") {
  const CellsBench bench(taperedBlank());
  for (const Family family : families) {
    INFO(familyName(family));
    Pattern pattern;
    pattern.family = family;
    pattern.taperFit = TaperFit::keep;
    pattern.size = WrittenLength::mm(24);
    const std::vector<RawCell> cells = bench.cells(pattern, bench.whole());
    CHECK(areaOf(cells, bench.body) == Approx(bench.body.area().mm2()).epsilon(2e-4));
  }
  Pattern pattern;
  pattern.taperFit = TaperFit::keep;
  const CellsBench curved(allCurved().front().blank);
  CHECK(cellsOf(pattern, curved.whole(), curved.wall).error().where.member == Member::patternTaper);
}

TEST_CASE("repeats are whole round the cup, and what that costs is said") {
  const CellsBench bench(all()[0].blank);  // 9 1/4 in round
  Pattern pattern;
  pattern.size = {Length::inches(1), "1 in"};
  const std::vector<RepeatChoice> choices = repeatChoices(pattern, bench.body);
  REQUIRE(choices.size() == 3);
  CHECK(choices[0].count == 9);
  CHECK(choices[0].stretch == Approx(9.25 / 9 - 1));
  CHECK(choices[1].count == 10);
  CHECK(choices[1].stretch == Approx(9.25 / 10 - 1));
  // As many bricks in every course, and the seam is no edge of a half one.
  pattern.family = Family::bricks;
  const std::vector<RawCell> cells = bench.cells(pattern, bench.whole());
  std::map<int, int> courses;
  int seams = 0;
  for (const RawCell& cell : cells) {
    ++courses[cell.row];
    seams += crossesSeam(cell.patch) ? 1 : 0;
  }
  for (const auto& [row, count] : courses) CHECK(count == 9);
  CHECK(seams == static_cast<int>(courses.size()) / 2);
  pattern.repeats = 12;
  CHECK(bench.cells(pattern, bench.whole()).size() % 12 == 0);
}

TEST_CASE("a pattern is cut to its zone, a V across the seam for one") {
  const CellsBench bench(taperedBlank());
  VeeCut cut{.at = CupAngle::degrees(170), .wide = WrittenLength::mm(90)};
  const Checked<Split> parts = split(bench.whole(), cut, bench.wall);
  REQUIRE(parts.has_value());
  Pattern pattern;
  pattern.size = WrittenLength::mm(16);
  for (const Region& zone : parts->parts) {
    const std::vector<RawCell> cells = bench.cells(pattern, zone);
    CHECK(areaOf(cells, bench.body) == Approx(zone.area(bench.body).mm2()).epsilon(1e-6));
  }
}

TEST_CASE("hexagons have six neighbours, bricks six, squares four, over the seam too") {
  const CellsBench bench(all()[0].blank);
  const auto most = [&](Family family, bool corners) {
    Pattern pattern;
    pattern.family = family;
    pattern.size = WrittenLength::mm(24);
    const std::vector<RawCell> cells = bench.cells(pattern, bench.whole());
    std::vector<const Patch*> patches;
    for (const RawCell& cell : cells) patches.push_back(&cell.patch);
    std::vector<int> count(cells.size(), 0);
    for (const SharedEdge& edge : neighboursOf(patches, bench.body, corners)) {
      ++count[edge.first];
      ++count[edge.second];
    }
    // In the middle of the wall, all the way round.
    int least = 99;
    int highest = 0;
    for (std::size_t i = 0; i < cells.size(); ++i) {
      const Length low = regionOf(cells[i].patch).lowest();
      if (low < Length::mm(45) || low > bench.body.wall() - Length::mm(90)) continue;
      least = std::min(least, count[i]);
      highest = std::max(highest, count[i]);
    }
    CHECK(least == highest);
    return highest;
  };
  CHECK(most(Family::hexagons, false) == 6);
  CHECK(most(Family::bricks, false) == 6);
  CHECK(most(Family::check, false) == 4);
  CHECK(most(Family::check, true) == 8);
  CHECK(most(Family::triangles, false) == 3);
  CHECK(most(Family::diamonds, false) == 4);
}

TEST_CASE("pebbles are the same for a seed and others for another") {
  const CellsBench bench(taperedBlank());
  Pattern pattern;
  pattern.family = Family::pebbles;
  const auto first = [&](int seed) {
    pattern.seed = seed;
    const std::vector<RawCell> cells = bench.cells(pattern, bench.whole());
    double sum = 0;
    for (const WallPoint& p : cells.front().patch.outline) {
      sum += p.theta.radians() * 100 + p.s.mm();
    }
    return sum;
  };
  CHECK(first(1) == first(1));
  CHECK(first(1) != first(2));
}

TEST_CASE("patterns that cannot be are refused at their member") {
  const CellsBench bench(taperedBlank());
  const auto field = [&](const auto& change) {
    Pattern pattern;
    change(pattern);
    const auto made = cellsOf(pattern, bench.whole(), bench.wall);
    return made ? Member::whole : made.error().where.member;
  };
  CHECK(field([](Pattern& p) { p.size = WrittenLength::mm(0); }) == Member::patternSize);
  CHECK(field([](Pattern& p) {
          p.size = WrittenLength::mm(2);  // too many
          p.line = WrittenLength::mm(0);
        }) == Member::patternSize);
  CHECK(field([](Pattern& p) { p.line = WrittenLength::mm(20); }) == Member::patternLine);
  CHECK(field([](Pattern& p) { p.line = WrittenLength::mm(-1); }) == Member::patternLine);
  CHECK(field([](Pattern& p) { p.repeats = 501; }) == Member::patternRepeats);
  CHECK(field([](Pattern& p) {
          p.family = Family::weave;
          p.ratio = 1.5;
        }) == Member::patternRatio);
}

TEST_CASE("cells that share no more than a line's width are no neighbours: lines cover it") {
  const CellsBench bench(all()[0].blank);
  const Length radius = bench.body.radius(Length());
  const auto box = [&](double left, double right, double low, double high) {
    const auto at = [&](double x, double y) {
      return WallPoint{Angle::radians(Length::mm(x) / radius), Length::mm(y)};
    };
    RawCell cell;
    cell.patch.outline = {at(left, low), at(right, low), at(right, high), at(left, high)};
    return cell;
  };
  // They share 0.8 mm of a side.
  const std::vector<RawCell> two{box(0, 10, 50, 60), box(10, 20, 59.2, 70)};
  const auto meet = [&](double line) {
    return laidCells(two, Length::mm(line), false, false, radius, bench.body).neighbours.size();
  };
  CHECK(meet(0.6) == 1);
  CHECK(meet(1) == 0);
}

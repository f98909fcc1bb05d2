// SPDX-License-Identifier: GPL-3.0-or-later
// The first orders that came out wrong, or never: lines over the seam, patterns, what hangs.
#include <catch2/catch.hpp>
#include <cmath>
#include <map>
#include <numbers>
#include <set>

#include "decal/artwork.h"
#include "files/cases.h"
#include "files/svg_drawing.h"

using namespace avrelt;

namespace {

const LineMark& markAt(const CupPlan& plan, MarkAt at) {
  for (const LineMark& mark : plan.divided.marks) {
    if (mark.at == at) return mark;
  }
  FAIL("not marked: " << markName(at));
  return plan.divided.marks.front();
}

bool stands(const LineMark& mark, double degrees, double up) {
  const double off = (mark.onCup - Angle::degrees(degrees)).wrapped().degrees();
  INFO(markName(mark.at) << " at " << mark.onCup.degrees() << ", " << mark.fromBase.mm());
  return std::abs(off) < 1e-3 && std::abs(mark.fromBase.mm() - up) < 1e-3;
}

const FillPlan& fillOf(const CupPlan& plan) {
  return plan.fills.at(0);
}

/// The share of its cells' area that each colour takes, reckoned from the cells.
std::vector<double> sharesOf(const FillPlan& fill) {
  std::vector<double> shares;
  double all = 0;
  for (const Cell& cell : fill.cells) {
    const auto colour = static_cast<std::size_t>(cell.colour);
    if (shares.size() <= colour) shares.resize(colour + 1);
    shares[colour] += cell.area.mm2();
    all += cell.area.mm2();
  }
  for (double& share : shares) share /= all;
  return shares;
}

/// The cell a place lies in, lines and all.
const Cell* cellAt(const FillPlan& fill, WallPoint at) {
  for (const Cell& cell : fill.cells) {
    if (cell.region.contains(at)) return &cell;
  }
  return nullptr;
}

}  // namespace

TEST_CASE("a V, a slant and a wave over the seam are marked at their corners, ends and crests") {
  // 30 mm to both sides of 160° on 250 mm, at the rim; 80 mm down.
  const CupPlan vee = cupOf("01");
  CHECK(stands(markAt(vee, MarkAt::leftCorner), 160 - 43.2, 150));
  CHECK(stands(markAt(vee, MarkAt::rightCorner), 160 + 43.2, 150));
  CHECK(stands(markAt(vee, MarkAt::point), 160, 70));
  const CupPlan slant = cupOf("02");
  CHECK(stands(markAt(slant, MarkAt::leftEnd), 120, 30));
  CHECK(stands(markAt(slant, MarkAt::rightEnd), -120, 120));
  // Two swings round the cup, going up through 75 mm at the seam: 45° on is its crest.
  const CupPlan wave = cupOf("03");
  CHECK(stands(markAt(wave, MarkAt::crest), 180 + 45, 95));
  CHECK(stands(markAt(wave, MarkAt::trough), 180 - 45, 55));
}

TEST_CASE("a wave is a curve, not facets") {
  const CupPlan plan = cupOf("04");
  for (const WallLine& stretch : plan.divided.lines.at(0).stretches) {
    for (std::size_t i = 1; i < stretch.size(); ++i) {
      const double middle = (stretch[i - 1].s.mm() + stretch[i].s.mm()) / 2;
      const double theta = (stretch[i - 1].theta.radians() + stretch[i].theta.radians()) / 2;
      CHECK(middle == Approx(100 + 60 * std::sin(theta)).margin(0.02));
    }
  }
}

TEST_CASE("patterns that fell or left wall uncovered are laid, and nothing of the zone is lost") {
  for (const char* number : {"05", "06", "07", "07b", "08", "09", "10", "11", "12", "14", "23"}) {
    const CupPlan plan = cupOf(number);
    for (const FillPlan& fill : plan.fills) {
      INFO(number << ", " << fill.letter);
      double sum = 0;
      for (const Cell& cell : fill.cells) {
        sum += cell.area.mm2();
        CHECK(patchesOf(cell.region).size() == 1);
      }
      CHECK(sum + fill.lineArea.mm2() + fill.droppedArea.mm2() ==
            Approx(fill.zoneArea.mm2()).epsilon(2e-4));
      CHECK(fill.droppedArea.mm2() < 0.005 * fill.zoneArea.mm2());
      CHECK(fill.thinnest >= Length::mm(1));
      // Alike are only those that are told, and proved to be needed.
      std::size_t alike = 0;
      for (const auto& [one, other] : fill.neighbours) {
        if (fill.cells[one].colour == fill.cells[other].colour) ++alike;
      }
      CHECK(alike == fill.colouring.clashes.size());
      CHECK((alike == 0 || fill.colouring.proof));
    }
  }
}

TEST_CASE("cells that lie side by side are neighbours, bricks that keep their size too") {
  for (const char* number : {"05", "11"}) {
    const CupPlan plan = cupOf(number);
    const FillPlan& fill = fillOf(plan);
    std::map<const Cell*, std::size_t> place;
    for (std::size_t i = 0; i < fill.cells.size(); ++i) place[&fill.cells[i]] = i;
    const std::set<std::pair<std::size_t, std::size_t>> known(fill.neighbours.begin(),
                                                              fill.neighbours.end());
    // Up the wall, at 40 places round it; steps of half a millimetre, lines 1 mm wide.
    std::map<std::pair<std::size_t, std::size_t>, int> met;
    for (int k = 0; k < 40; ++k) {
      const Angle theta = Angle::degrees(-178.3 + 9 * k);
      const Cell* last = nullptr;
      double left = -10;
      for (double s = 0.25; s < plan.wall.body.wall().mm(); s += 0.5) {
        const Cell* here = cellAt(fill, {theta, Length::mm(s)});
        if (here != nullptr && last != nullptr && here != last && s - left < 3) {
          const auto [one, other] = std::minmax(place[here], place[last]);
          ++met[{one, other}];
        }
        if (here != nullptr) {
          last = here;
          left = s;
        }
      }
    }
    CHECK(met.size() > 4);
    for (const auto& [pair, times] : met) {
      INFO(number << ": " << fill.cells[pair.first].label << ", " << fill.cells[pair.second].label);
      if (times > 1) CHECK(known.count(pair) == 1);
    }
  }
}

TEST_CASE("slants run on over the seam in one colour") {
  for (const char* number : {"11", "12"}) {
    const CupPlan plan = cupOf(number);
    const FillPlan& fill = fillOf(plan);
    int both = 0;
    for (double s = 1; s < 199; s += 1) {
      const Cell* left = cellAt(fill, {Angle::degrees(179.95), Length::mm(s)});
      const Cell* right = cellAt(fill, {Angle::degrees(-179.95), Length::mm(s)});
      if (left == nullptr || right == nullptr) continue;
      ++both;
      CHECK(left == right);
    }
    CHECK(both > 100);
  }
}

TEST_CASE("a colour that is not to be at a place is not there, and nothing clashes for it") {
  const CupPlan plan = cupOf("13");
  const Cell* cell = cellAt(fillOf(plan), {Angle::degrees(-54), Length::mm(80)});
  REQUIRE(cell != nullptr);
  CHECK(cell->colour != 4);
  CHECK(fillOf(plan).pinTroubles.empty());
  CHECK(fillOf(plan).colouring.clashes.empty());
}

TEST_CASE("shares, from rim to base and alike on both sides come as near as neighbours allow") {
  for (const double share : sharesOf(fillOf(cupOf("15"))))
    CHECK(share == Approx(0.25).margin(0.02));

  // A check from rim to base: the first two colours at the rim, the last two at the base, but for
  // one of each row, as an odd number of them go round.
  const CupPlan check = cupOf("16");
  std::map<int, int> off;
  int lowest = 0;
  for (const Cell& cell : fillOf(check).cells) lowest = std::max(lowest, cell.row);
  for (const Cell& cell : fillOf(check).cells) {
    if (cell.row == 0 && cell.colour > 1) ++off[cell.row];
    if (cell.row == lowest && cell.colour < 2) ++off[cell.row];
  }
  for (const auto& [row, cells] : off) CHECK(cells <= 1);

  // Hexagons alike on both sides of the front: told by place, not by the plan's own count.
  const CupPlan hexagons = cupOf("17");
  const std::vector<Cell>& cells = fillOf(hexagons).cells;
  int pairs = 0;
  for (std::size_t i = 0; i < cells.size(); ++i) {
    const Cell* other = cellAt(fillOf(hexagons), {cells[i].middle.theta * -1, cells[i].middle.s});
    if (other == nullptr || other == &cells[i]) continue;
    const auto [low, high] = std::minmax(i, static_cast<std::size_t>(other - cells.data()));
    const auto& beside = fillOf(hexagons).neighbours;
    // Those that touch at the front or the back cannot be alike.
    if (std::find(beside.begin(), beside.end(), std::pair(low, high)) != beside.end()) continue;
    ++pairs;
    CHECK(other->colour == cells[i].colour);
  }
  CHECK(pairs > 60);

  // 4 : 2 : 1 : 1 on hexagons: no colour can have more than every third.
  const std::vector<double> shares = sharesOf(fillOf(cupOf("18")));
  CHECK(shares[0] > 0.3);
  CHECK(shares[0] > shares[1]);
  CHECK(shares[1] > shares[2]);
}

TEST_CASE("cells too small for their lines are told") {
  const CupPlan plan = cupOf("19");
  CHECK(fillOf(plan).dropped > 0);
  CHECK(told(plan, "cells_dropped"));
}

TEST_CASE("what took for ever is planned: many rings, spares, corners, zones, stripes") {
  const CupPlan rings = cupOf("20");
  REQUIRE(rings.divided.lines.size() == 499);
  for (const DivideLine& line : rings.divided.lines) {
    CHECK(line.stretches.front().front().s.mm() ==
          Approx(230 - 230.0 * (line.index + 1) / 500).margin(1e-6));
  }
  const CupPlan spares = cupOf("21");
  long cut = 0;
  for (const Part& part : spares.parts(purpose::filmCell)) cut += part.copies + part.spares;
  CHECK(cut == 21 * static_cast<long>(fillOf(spares).cells.size()));
  CHECK_FALSE(fillOf(cupOf("22")).cells.empty());
  CHECK(cupOf("38").stripes.size() == 1000);
  // 10 000 cups, and 60 times 60 zones, are more than there may be, and the reason is told.
  const auto cups = readDocument(*readFile(AVRELT_TEST_DATA "/cases/36-empty-cups.avrelt"));
  REQUIRE_FALSE(cups);
  const auto grid = planDocument(orderOf("37"));
  REQUIRE_FALSE(grid);
  CHECK(inWords(grid.error().front().sentence, Unit::mm).find("1000") != std::string::npos);
}

TEST_CASE("drawings of many shapes are read and made an artwork, or refused in words") {
  for (const char* name : {"33-circles.svg", "34-rings.svg", "35-scribble.svg"}) {
    INFO(name);
    const auto drawing =
        readDrawing(*readFile(std::string(AVRELT_TEST_DATA "/cases/") + name), "drawing");
    REQUIRE(drawing);
    const auto artwork = artworkOf(*drawing);
    if (artwork) {
      CHECK(signedArea(artwork->silhouette()) > 0);
    } else {
      CHECK_FALSE(inWords(artwork.error().sentence, Unit::mm).empty());
    }
  }
}

// SPDX-License-Identifier: GPL-3.0-or-later
#include "pattern/fill.h"

#include <catch2/catch.hpp>
#include <cmath>
#include <set>

#include "core/cups.h"
#include "measure/colour.h"
#include "pattern/neighbours.h"
#include "watch/fill_rules.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

struct FillBench {
  Body body = bodyOf(all()[1].blank);
  Development flat = body.cone();
  Wall wall{body, flat, CupAngle::back()};
  ZoneNode node;

  Divided divided() const {
    CheckedAll<Divided> made = divide(node, wall);
    REQUIRE(made.has_value());
    return std::move(*made);
  }
  FillPlan planned(const Fill& fill) const {
    CheckedAll<std::vector<FillPlan>> made = planFills({fill}, divided(), wall);
    if (!made) FAIL(inWords(made.error()[0].sentence, Unit::mm));
    return std::move(made->front());
  }
};

Fill filled(Family family, double size = 18) {
  Fill fill = usualFill("", Unit::mm);
  fill.pattern.family = family;
  fill.pattern.size = WrittenLength::mm(size);
  return fill;
}

}  // namespace

TEST_CASE("every family is coloured with four, no neighbours alike, on a taper") {
  // Four always do: Appel & Haken 1977, "Every planar map is four colorable".
  const FillBench bench;
  for (const Family family : families) {
    INFO(familyName(family));
    const FillPlan plan = bench.planned(filled(family));
    CHECK(plan.colouring.clashes.empty());
    for (const auto& [a, b] : plan.neighbours) {
      CHECK(plan.cells[a].colour != plan.cells[b].colour);
    }
    std::set<std::string> labels;
    for (const Cell& cell : plan.cells) labels.insert(cell.label);
    CHECK(labels.size() == plan.cells.size());
    CHECK(plan.cells.front().label == "A1");
  }
}

TEST_CASE("cells and lines are the zone: drawing lines takes half a line off each edge") {
  const FillBench bench;
  Fill fill = filled(Family::check, 20);
  fill.pattern.line = WrittenLength::mm(1.2);
  const FillPlan plan = bench.planned(fill);
  for (const Cell& cell : plan.cells) {
    // A cell's edge grows with the cup; what is drawn in is 0.6 mm all round.
    const double wide = areaOf(cell.whole, bench.body).mm2();
    const double tall = boundsOf(onCylinder(cell.whole, Length::mm(1))).height();
    if (tall < 19) continue;
    const double across = wide / tall;
    CHECK(cell.area.mm2() == Approx((across - 1.2) * (tall - 1.2)).epsilon(0.01));
  }
}

TEST_CASE("slivers go to a neighbour and are counted; none is thinner than a millimetre") {
  const FillBench bench;
  Fill fill = filled(Family::bricks, 20);
  fill.pattern.up = 0.985;  // a course a third of a millimetre tall at an end
  const FillPlan plan = bench.planned(fill);
  CHECK(plan.merged > 0);
  CHECK(plan.dropped == 0);
  CHECK(plan.thinnest >= Length::mm(0.9));
  double sum = 0;
  for (const Cell& cell : plan.cells) sum += areaOf(cell.whole, bench.body).mm2();
  CHECK(sum == Approx(bench.body.area().mm2()).epsilon(1e-6));
}

TEST_CASE("colours are filled dark to light, printed film last; peel lists go row by row") {
  const FillBench bench;
  Fill fill = filled(Family::check);
  fill.colours[0].finish.kind = FinishKind::film;
  fill.colours[3].share = 2;
  const FillPlan plan = bench.planned(fill);
  REQUIRE(plan.needs.size() == 4);
  CHECK(plan.needs.back().colour == 0);
  CHECK(plan.needs.back().glitter == Mass());
  double last = -1;
  std::size_t cells = 0;
  double area = 0;
  for (const ColourNeed& need : plan.needs) {
    CHECK(std::is_sorted(need.cells.begin(), need.cells.end()));
    cells += need.cells.size();
    area += need.area.mm2();
    if (need.colour == 0) continue;
    const double light =
        luminanceOf(fill.colours[static_cast<std::size_t>(need.colour)].finish.colour);
    CHECK(light > last);
    last = light;
    CHECK(need.glitter.grams() ==
          Approx(need.area.mm2() / 100 * FillRates().glitterPerCm2.grams() * 2));
  }
  CHECK(cells == plan.cells.size());
  // Two fifths of the area for the one with two shares of five.
  for (const ColourNeed& need : plan.needs) {
    if (need.colour == 3) CHECK(need.area.mm2() / area == Approx(0.4).margin(0.03));
  }
  // Three glitter colours: common practice, four took 45 to 75 min on a 600 ml cup.
  CHECK(plan.work.minutes() == Approx(45));
}

TEST_CASE("a pinned place keeps its colour when the pattern is rolled again") {
  const FillBench bench;
  Fill fill = filled(Family::diamonds);
  const Length up = bench.body.wall() / 2;
  for (const int colour : {0, 1, 2, 3}) {
    fill.pins = {{CupAngle::degrees(20), {up, {}}, colour}};
    for (const int seed : {1, 2}) {
      fill.seed = seed;
      const FillPlan plan = bench.planned(fill);
      const WallPoint place{bench.wall.inFrame(CupAngle::degrees(20)), up};
      for (const Cell& cell : plan.cells) {
        if (contains(cell.whole, place)) CHECK(cell.colour == colour);
      }
      CHECK(plan.colouring.clashes.empty());
    }
  }
}

TEST_CASE("a pin leaves the rest of the wall as it was") {
  const FillBench bench;
  Fill fill = filled(Family::hexagons);
  const FillPlan before = bench.planned(fill);
  const Cell& cell = before.cells[before.cells.size() / 2];
  for (int colour = 0; colour < 4; ++colour) {
    fill.pins = {{bench.wall.onCup(cell.middle.theta), {cell.middle.s, {}}, colour}};
    const FillPlan after = bench.planned(fill);
    CHECK(after.colouring.clashes.empty());
    int changed = 0;
    for (std::size_t i = 0; i < after.cells.size(); ++i) {
      changed += before.cells[i].colour != after.cells[i].colour;
    }
    // Among hexagons of four colours little is free: a chain of two colours may have to trade.
    CHECK(changed <= static_cast<int>(before.cells.size()) / 2);
    // And said not to be there, it is not.
    fill.pins[0].bar = true;
    CHECK(bench.planned(fill).cells[before.cells.size() / 2].colour != colour);
  }
}

TEST_CASE("cells across a zone's edge count where that is asked for") {
  const FillBench bench;
  ZoneNode node;
  node.cut = RingCut{.count = 2};
  const Divided halves = *divide(node, bench.wall);
  Fill low = filled(Family::check, 20);
  Fill high = low;
  low.zone = ".0";
  high.zone = ".1";
  const auto alike = [&](bool beyond) {
    high.beyond = beyond;
    const auto plans = planFills({low, high}, halves, bench.wall);
    REQUIRE(plans.has_value());
    CHECK((*plans)[1].alikeBeyond.empty());
    std::vector<const Patch*> patches;
    std::vector<int> colours;
    for (const FillPlan& plan : *plans) {
      for (const Cell& cell : plan.cells) {
        patches.push_back(&cell.whole);
        colours.push_back(cell.colour);
      }
    }
    const std::size_t first = (*plans)[0].cells.size();
    int count = 0;
    int across = 0;
    for (const SharedEdge& edge : neighboursOf(patches, bench.body, false)) {
      if (edge.first >= first || edge.second < first) continue;
      ++across;
      count += colours[edge.first] == colours[edge.second];
    }
    CHECK(across > 8);
    return count;
  };
  CHECK(alike(false) > 0);
  CHECK(alike(true) == 0);
}

TEST_CASE("what a workshop uses and how fast it is changes amounts and time") {
  const FillBench bench;
  const Fill fill = filled(Family::hexagons);
  FillRates rates;
  const FillPlan usual = bench.planned(fill);
  rates.glitterPerCm2 = rates.glitterPerCm2 * 2;
  rates.paintPerCm2 = rates.paintPerCm2 * 3;
  rates.perColour = Duration::minutes(10);
  const auto plans = planFills({fill}, bench.divided(), bench.wall, rates);
  REQUIRE(plans.has_value());
  const FillPlan& other = plans->front();
  CHECK(other.work.minutes() == Approx(40));
  for (std::size_t i = 0; i < usual.needs.size(); ++i) {
    CHECK(other.needs[i].glitter.grams() == Approx(2 * usual.needs[i].glitter.grams()));
    CHECK(other.needs[i].paint.ml() == Approx(3 * usual.needs[i].paint.ml()));
  }
}

TEST_CASE("styles: by rows, from rim to base, alike on both sides of the front") {
  const FillBench bench;
  Fill fill = filled(Family::check, 20);
  fill.style = ColourStyle::gradient;
  const FillPlan gradient = bench.planned(fill);
  double above = 0;
  double below = 0;
  for (const Cell& cell : gradient.cells) {
    (cell.middle.s > bench.body.wall() / 2 ? above : below) += cell.colour;
  }
  CHECK(above < below);
  fill.style = ColourStyle::rows;
  fill.pattern.repeats = 12;
  const FillPlan rows = bench.planned(fill);
  for (std::size_t i = 1; i < rows.cells.size(); ++i) {
    if (rows.cells[i].row != rows.cells[i - 1].row) continue;
    CHECK(rows.cells[i].colour == (rows.cells[i - 1].colour + 1) % 4);
  }
}

TEST_CASE("fills that cannot be are refused with their number") {
  const FillBench bench;
  const Divided divided = bench.divided();
  const auto field = [&](const std::vector<Fill>& fills) {
    return planFills(fills, divided, bench.wall).error()[0].where.member;
  };
  Fill fill = filled(Family::check);
  CHECK(field({fill, fill}) == Member::fillZone);
  // One whose zone is not there waits for it.
  fill.zone = ".3";
  const auto waiting = planFills({fill}, divided, bench.wall);
  REQUIRE(waiting.has_value());
  CHECK(waiting->empty());
  const std::vector<Watch> watches = watchFills({fill}, *waiting, bench.body);
  REQUIRE(watches.size() == 1);
  CHECK(watches[0].rule == Rule::patternWaits);
  fill = filled(Family::check);
  fill.colours.clear();
  CHECK(field({fill}) == Member::colours);
  fill = filled(Family::check);
  fill.pattern.size = WrittenLength::mm(1);
  CHECK(field({fill}) == Member::patternSize);
}

TEST_CASE("alike colours, thin cells, stretch and a showing seam are asked about") {
  const FillBench bench;
  const auto rules = [&](const Fill& fill) {
    std::set<std::string> names;
    for (const Watch& watch : watchFills({fill}, {bench.planned(fill)}, bench.body)) {
      names.insert(std::string(idOf(watch.rule)));
    }
    return names;
  };
  using Rules = std::set<std::string>;
  Fill fill = filled(Family::check, 20);
  const std::vector<RepeatChoice> choices = repeatChoices(fill.pattern, bench.body);
  fill.pattern.size = WrittenLength::mm(20 * (1 + choices[0].stretch));  // closes of itself
  fill.pattern.up = 0.5;
  CHECK(rules(fill) == Rules{});
  fill.colours[1].finish.colour = "#273250";
  CHECK(rules(fill) == Rules{"colours_alike"});
  fill.colours[1].finish.kind = FinishKind::film;
  CHECK(rules(fill) == Rules{});
  fill.pattern.repeats = choices[0].count + 1;
  CHECK(rules(fill) == Rules{"stretched_cells"});
  fill.pattern.repeats = 0;
  fill.pattern.taperFit = TaperFit::keep;
  CHECK(rules(fill).count("seam_meets") == 1);
  // Bricks 3 mm tall with 1.6 mm between them leave 1.4 mm.
  fill = filled(Family::bricks, 6);
  fill.pattern.line = WrittenLength::mm(1.6);
  const FillPlan thin = bench.planned(fill);
  CHECK(thin.thinnest.mm() == Approx(1.4).margin(0.2));
  CHECK(rules(fill).count("thin_cells") == 1);
  // Three bricks always touch each other.
  fill.colours.resize(2);
  CHECK(rules(fill).count("neighbours_alike") == 1);
}

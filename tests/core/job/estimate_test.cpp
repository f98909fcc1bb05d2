// SPDX-License-Identifier: GPL-3.0-or-later
// What a cup will cost, before it is made: by hand, and against what is logged once it is made.
#include "job/estimate.h"

#include <algorithm>
#include <catch2/catch.hpp>

#include "core/decal_cups.h"
#include "core/random_cups.h"
#include "job/bench_plan.h"
#include "job/ids.h"
#include "job/work.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

SupplyShelf suppliesOf() {
  SupplyShelf shelf;
  Supply glitter;
  glitter.id = "g";
  glitter.name = "Night";
  glitter.kind = SupplyKind::glitter;
  glitter.price = Money::of(8);
  Supply resin;
  resin.id = "r";
  resin.name = "Clear";
  resin.kind = SupplyKind::resin;
  resin.method = MethodKind::resin;
  resin.price = Money::of(5);
  shelf.supplies = {glitter, resin};
  return shelf;
}

FilmShelf filmsOf() {
  FilmShelf shelf;
  ShelfFilm blue;
  blue.key = 1;
  blue.name = "Blue film";
  blue.colour = "#2040C0";
  blue.pricePerM2 = 12;
  ShelfFilm red = blue;
  red.key = 2;
  red.name = "Red film";
  red.colour = "#C02020";
  red.pricePerM2 = 20;
  ShelfFilm stencil;
  stencil.key = 3;
  stencil.name = "Stencil";
  stencil.kind = PartMaterial::stencil;
  stencil.pricePerM2 = 5;
  shelf.films = {red, blue, stencil};
  return shelf;
}

const CostLine* lineOf(const CupCost& cost, const std::string& name) {
  const auto line = std::find_if(cost.lines.begin(), cost.lines.end(),
                                 [&](const CostLine& one) { return one.name == name; });
  return line == cost.lines.end() ? nullptr : &*line;
}

/// Wrapped in film of one of two colours.
Cup wrapped(Chance& chance) {
  Cup cup = tapered();
  cup.name = "Comet";
  cup.blank.stations.back().girth = WrittenLength::mm(chance.between(240, 300));
  cup.division.body.finish.kind = FinishKind::film;
  cup.division.body.finish.colour = chance.whole(0, 1) == 0 ? "#2040C0" : "#C02020";
  cup.buildUp.coats = {{CoatKind::resin, GlitterCut::fine, Volume::ml(20), {}, "coat-a"}};
  giveIds(cup);
  return cup;
}

}  // namespace

TEST_CASE("An estimate is what its parts and steps add up to, by hand", "[estimate]") {
  Chance chance(1701);
  for (int round = 0; round < 20; ++round) {
    const Cup cup = wrapped(chance);
    Stock stock;
    for (double& pace : stock.paces.all) pace = chance.between(0.5, 2);
    const CheckedAll<CupPlan> plan = planCup(cup, Unit::mm, stock);
    REQUIRE(plan);
    MoneyRules rules;
    rules.perHour = Money::of(chance.between(0, 40));
    rules.perCup = Money::of(chance.between(0, 5));
    rules.waste = chance.between(0, 0.5);
    rules.factor = chance.between(1, 3);
    rules.roundTo = Money();
    const CupEstimate estimate =
        estimateOf(*plan, BenchChoices(), stock, suppliesOf(), filmsOf(), rules);

    // The films by colour, the area of each from its outline's corners.
    const bool blue = cup.division.body.finish.colour == "#2040C0";
    const CostLine* film = lineOf(estimate.cost, blue ? "Blue film" : "Red film");
    REQUIRE(film != nullptr);
    CHECK(lineOf(estimate.cost, blue ? "Red film" : "Blue film") == nullptr);
    double area = 0;
    for (const Purpose& purpose : purposes()) {
      for (const Part& part : plan->parts(purpose.id)) {
        if (part.material != PartMaterial::permanent) continue;
        double one = signedArea(Polygon{flattened(part.outline, Length::mm(0.001))});
        for (const Path& more : part.more) {
          one += signedArea(Polygon{flattened(more, Length::mm(0.001))});
        }
        for (const Path& hole : part.holes) {
          one += signedArea(Polygon{flattened(hole, Length::mm(0.001))});
        }
        area += one * (part.copies + part.spares);
      }
    }
    CHECK(area > 0);
    CHECK(film->area.mm2() == Approx(area / (1 - rules.waste)).epsilon(1e-4));
    CHECK(film->money.value() ==
          Approx(area / (1 - rules.waste) / 1e6 * (blue ? 12 : 20)).epsilon(1e-4));

    // The resin of all its coats, at 5 for 100 ml; the hours by the rate.
    double ml = 0;
    double minutes = 0;
    for (const Step& step : benchSteps(*plan, BenchChoices(), stock).steps) {
      minutes += step.handsOn.minutes();
      for (const MixPart& part : step.mix.parts) {
        if (step.method == MethodKind::resin && part.volume) ml += part.volume->ml();
      }
    }
    const CostLine* resin = lineOf(estimate.cost, "Clear");
    REQUIRE(resin != nullptr);
    CHECK(resin->money.value() == Approx(ml * 5 / 100));
    CHECK(estimate.worked.minutes() == Approx(minutes));
    CHECK(estimate.cost.time.value() == Approx(minutes / 60 * rules.perHour.value()));
    double sum = 0;
    for (const CostLine& line : estimate.cost.lines) sum += line.money.value();
    CHECK(estimate.cost.total.value() == Approx(sum));
    CHECK(estimate.cost.price.value() == Approx(sum * rules.factor));
  }
}

TEST_CASE("What was estimated is what is logged, once all of it is done", "[estimate]") {
  Document order;
  order.bench.from = parseCivil("2026-12-09T18:00");
  Cup cup = tapered();
  cup.name = "Comet";
  cup.division.body.finish.kind = FinishKind::glitter;
  cup.division.body.finish.supply = "g";
  cup.buildUp.coats = {{CoatKind::resin, GlitterCut::fine, Volume::ml(20), {}, "coat-a"},
                       {CoatKind::resin, GlitterCut::fine, Volume::ml(15), {}, "coat-b"}};
  giveIds(cup);
  order.cups = {cup};
  const Stock stock;
  const SupplyShelf shelf = suppliesOf();
  auto plan = planDocument(order, stock);
  REQUIRE(plan);
  const auto estimate = [&] {
    return estimateOf(plan->cups.front(), order.bench, stock, shelf, filmsOf(), MoneyRules());
  };
  const CupEstimate before = estimate();
  CivilTime at = *order.bench.from;
  for (const Step& step : benchSteps(plan->cups.front(), order.bench, stock).steps) {
    at += std::chrono::hours(12);
    order.cups.front().bench.done.push_back({step.id, at, step.handsOn, {}});
  }
  plan = planDocument(order, stock);
  REQUIRE(plan);
  const BenchPlan bench = benchPlan(*plan, at);
  REQUIRE(bench.cups.front().left.empty());
  std::vector<SupplyUse> uses;
  Duration worked;
  for (const WorkDone& done : workDone(bench.cups.front(), order.cups.front(), stock, shelf)) {
    worked = worked + done.took;
    for (const SupplyUse& use : done.use.of) uses.push_back(use);
  }
  const CupCost logged = costOf(uses, before.films, worked, shelf, filmsOf(), MoneyRules());
  CHECK(logged.total.value() == Approx(before.cost.total.value()));
  CHECK(logged.materials.value() == Approx(before.cost.materials.value()));
  // And it stays so, told of the cup that is done.
  CHECK(estimate().cost.total.value() == Approx(before.cost.total.value()));
  // Work that took twice as long cost that much more.
  for (StepDone& done : order.cups.front().bench.done) done.took = done.took * 2;
  plan = planDocument(order, stock);
  REQUIRE(plan);
  CHECK(estimate().cost.time.value() == Approx(before.cost.time.value() * 2));
}

TEST_CASE("What has no price is told by name, once", "[estimate]") {
  Cup cup = tapered();
  cup.division.body.finish.kind = FinishKind::paint;
  cup.division.body.finish.name = "Petrol";
  giveIds(cup);
  const CheckedAll<CupPlan> plan = planCup(cup, Unit::mm);
  REQUIRE(plan);
  const CupEstimate estimate =
      estimateOf(*plan, BenchChoices(), Stock(), SupplyShelf(), FilmShelf(), MoneyRules());
  std::size_t lines = 0;
  for (const CostLine& line : estimate.cost.lines) lines += line.known ? 0 : 1;
  CHECK(estimate.cost.unknown == lines + estimate.unknown.size());
  const auto petrol =
      std::count_if(estimate.unknown.begin(), estimate.unknown.end(),
                    [](const MixPart& part) { return part.of == "Petrol" && !part.volume; });
  CHECK(petrol == 1);
}

TEST_CASE("Film is wanted for what is not cut, against all there is of it", "[estimate]") {
  Chance chance(1702);
  for (int round = 0; round < 10; ++round) {
    Document order;
    order.cups = {wrapped(chance), wrapped(chance)};
    order.cups.back().name = "Night heron";
    const double waste = chance.between(0, 0.5);
    FilmShelf shelf = filmsOf();
    const long count = chance.whole(0, 4);
    shelf.stock = {{1, 1, StockShape::sheet, Length::mm(300), Length::mm(200), count, {}, {}, {}},
                   {2, 1, StockShape::roll, Length::mm(100), Length::mm(700), 1, {}, {}, {}},
                   {3,
                    1,
                    StockShape::offcut,
                    Length::mm(80),
                    Length::mm(60),
                    1,
                    {{{0, 0}, {80, 0}, {0, 60}}},
                    {},
                    {}}};
    double left = 0;
    for (int cut = 0; cut <= 2; ++cut) {
      for (int i = 0; i < cut; ++i) {
        Cup& cup = order.cups[static_cast<std::size_t>(i)];
        const CheckedAll<CupPlan> plan = planCup(cup, Unit::mm);
        REQUIRE(plan);
        cup.cuts.clear();
        for (const Purpose& purpose : purposes()) {
          for (const PartEntry& entry : entriesOf(*plan, purpose.id)) {
            CutRecord record;
            record.purpose = entry.purpose;
            record.of = entry.of;
            cup.cuts.push_back(record);
          }
        }
      }
      const auto plan = planDocument(order);
      REQUIRE(plan);
      const std::vector<FilmNeed> needs = filmNeeds({&plan->cups[0], &plan->cups[1]}, shelf, waste);
      if (cut == 2) CHECK(needs.empty());
      double sum = 0;
      for (const FilmNeed& need : needs) {
        sum += need.needed.mm2();
        const bool blue = need.name == "Blue film";
        CHECK(need.film == (blue ? 1 : 2));
        const double there = static_cast<double>(count) * 300 * 200 + 100 * 700 + 80 * 60 / 2.0;
        CHECK(need.there.mm2() == Approx(blue ? there : 0));
        CHECK(need.tooLittle() == (need.needed > need.there));
      }
      double parts = 0;
      for (std::size_t i = static_cast<std::size_t>(cut); i < 2; ++i) {
        for (const FilmUse& use :
             estimateOf(plan->cups[i], order.bench, Stock(), SupplyShelf(), shelf, MoneyRules())
                 .films) {
          parts += use.area.mm2();
        }
      }
      CHECK(sum * (1 - waste) == Approx(parts));
      if (cut > 0) CHECK(sum < left);
      left = sum;
    }
  }
}

TEST_CASE("Money is read as it is typed, and nothing else is money", "[estimate]") {
  CHECK(parseMoney("12.50")->value() == Approx(12.5));
  CHECK(parseMoney(" 12,5 ")->value() == Approx(12.5));
  CHECK(parseMoney("0")->value() == 0);
  for (const char* text :
       {"", " ", "-1", "12.5.0", "1e3", "nan", "12 €", "1000001", "+3", "0x10"}) {
    CAPTURE(text);
    CHECK_FALSE(parseMoney(text));
  }
}

// SPDX-License-Identifier: GPL-3.0-or-later
// Work as it is logged: what was done took what the plan said, so much time, by paces learnt.
#include "job/work.h"

#include <algorithm>
#include <catch2/catch.hpp>

#include "core/decal_cups.h"
#include "core/random_cups.h"
#include "job/ids.h"
#include "job/steps.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

Cup glittered(const std::string& supply) {
  Cup cup = tapered();
  cup.name = "Comet";
  cup.division.body.finish.kind = FinishKind::glitter;
  cup.division.body.finish.supply = supply;
  cup.buildUp.coats = {{CoatKind::resin, GlitterCut::fine, Volume::ml(20), {}, "coat-a"}};
  giveIds(cup);
  return cup;
}

SupplyShelf shelfOf() {
  SupplyShelf shelf;
  Supply glitter;
  glitter.id = "g";
  glitter.name = "Night";
  glitter.kind = SupplyKind::glitter;
  glitter.low = Amount::ofUnits(MeasuredBy::weight, 5);
  Supply resin;
  resin.id = "r";
  resin.name = "Clear";
  resin.kind = SupplyKind::resin;
  resin.method = MethodKind::resin;
  shelf.supplies = {glitter, resin};
  return shelf;
}

}  // namespace

TEST_CASE("Glitter goes by the area it covers, and what is left to do holds it back", "[work]") {
  Document order;
  order.cups = {glittered("g")};
  order.bench.from = parseCivil("2026-12-09T18:00");
  const Stock stock;
  SupplyShelf shelf = shelfOf();
  const auto plan = planDocument(order, stock);
  REQUIRE(plan);
  const BenchPlan bench = benchPlan(*plan, *order.bench.from);
  const auto reserved = reservedBy(bench, shelf, stock.filling);
  const double cm2 = plan->cups.front().divided.zones.front().area.mm2() / 100;
  CHECK(reserved.at("g").units() == Approx(cm2 * 0.025));
  double resin = 0;
  for (const Step& step : bench.cups.front().steps) {
    for (const MixPart& part : step.mix.parts) {
      if (part.kind != MixKind::glitter && step.method == MethodKind::resin)
        resin += part.volume->ml();
    }
  }
  CHECK(reserved.at("r").units() == Approx(resin));

  // Ten grams there: it runs short, on the day the glitter goes on.
  shelf.events = {{SupplyEvent::Kind::counted,
                   1,
                   "g",
                   *order.bench.from,
                   Amount::ofUnits(MeasuredBy::weight, 10),
                   {}}};
  const auto lines = shoppingFor(bench, shelf, stock.filling);
  const auto glitter = std::find_if(lines.begin(), lines.end(),
                                    [](const ShoppingLine& line) { return line.supply == "g"; });
  REQUIRE(glitter != lines.end());
  CHECK(glitter->toBuy.units() == Approx(cm2 * 0.025 + 5 - 10));
  REQUIRE(glitter->by);
  CHECK(*glitter->by >= *order.bench.from);
  const auto clear = std::find_if(lines.begin(), lines.end(),
                                  [](const ShoppingLine& line) { return line.supply == "r"; });
  REQUIRE(clear != lines.end());
  CHECK_FALSE(clear->counted);
  CHECK_FALSE(clear->by);
}

TEST_CASE("What was done is logged with its usual time and what it took", "[work]") {
  Document order;
  order.cups = {glittered("g")};
  order.bench.from = parseCivil("2026-12-09T18:00");
  Stock stock;
  stock.paces.of(StepKind::clean) = 2;
  Cup& cup = order.cups.front();
  const auto first = planDocument(order, stock);
  REQUIRE(first);
  const std::vector<Step> steps = benchSteps(first->cups.front(), order.bench, stock).steps;
  const auto glitter = std::find_if(
      steps.begin(), steps.end(), [](const Step& step) { return step.kind == StepKind::glitter; });
  REQUIRE(glitter != steps.end());
  cup.bench.done = {{steps[0].id, *parseCivil("2026-12-09T18:30"), Duration::minutes(20), {}},
                    {steps[1].id, *parseCivil("2026-12-09T18:40"), Duration::minutes(5), {}},
                    {glitter->id, *parseCivil("2026-12-09T19:40"), Duration::minutes(9), {}}};
  StepChange timed;
  timed.step = steps[1].id;
  timed.handsOn = Duration::minutes(9);
  cup.bench.changes = {timed};
  const auto plan = planDocument(order, stock);
  REQUIRE(plan);
  const BenchPlan bench = benchPlan(*plan, *parseCivil("2026-12-09T20:00"));
  const auto work = workDone(bench.cups.front(), cup, stock, shelfOf());
  REQUIRE(work.size() == 3);
  // Cleaning is reckoned with 24 minutes here, 12 are usual.
  CHECK(bench.cups.front().steps[0].handsOn.minutes() == Approx(24));
  CHECK(work[0].usual.minutes() == Approx(12));
  CHECK(work[0].took.minutes() == Approx(20));
  CHECK(work[1].usual.minutes() == 0);
  REQUIRE(work[2].use.of.size() == 1);
  CHECK(work[2].use.of[0].supply == "g");
  CHECK(work[2].use.of[0].at == *parseCivil("2026-12-09T19:40"));
  const double cm2 = plan->cups.front().divided.zones.front().area.mm2() / 100;
  REQUIRE(work[2].use.of[0].over);
  CHECK(work[2].use.of[0].over->mm2() / 100 == Approx(cm2));
}

TEST_CASE("What a coat was done with is logged, how long is usually waited, what was wrong",
          "[work]") {
  Document order;
  order.cups = {glittered("g")};
  order.cups.front().buildUp.coats.push_back(
      {CoatKind::resin, GlitterCut::fine, Volume::ml(20), {}, "coat-b"});
  order.bench.from = parseCivil("2026-12-09T18:00");
  for (const double warmth : {14.0, 21.0, 26.0}) {
    order.bench.warmth = Temperature::celsius(warmth);
    Stock stock;
    Wait& next = stock.methods.of(MethodKind::resin).next;
    next.least = next.least * 1.5;
    Document done = order;
    const auto first = planDocument(done, stock);
    REQUIRE(first);
    const std::vector<Step> steps = benchSteps(first->cups.front(), done.bench, stock).steps;
    for (const Step& step : steps) {
      done.cups.front().bench.done.push_back(
          {step.id, *parseCivil("2026-12-09T18:30"), step.handsOn, {}, {}});
      if (step.kind == StepKind::coat) done.cups.front().bench.done.back().faults = {"bubbles"};
    }
    const auto plan = planDocument(done, stock);
    REQUIRE(plan);
    const BenchPlan bench = benchPlan(*plan, *parseCivil("2026-12-09T20:00"));
    int coats = 0;
    for (const WorkDone& work :
         workDone(bench.cups.front(), done.cups.front(), stock, shelfOf(), done.bench.warmth)) {
      if (work.method != MethodKind::resin || work.kind != StepKind::coat) continue;
      CHECK(work.faults == std::vector<std::string>{"bubbles"});
      // The last coat has other waits: nothing goes over it.
      if (work.usualWait == Duration()) continue;
      ++coats;
      // Half as much again is this shop's; what is usual is the same in any room of that warmth.
      const auto step = std::find_if(steps.begin(), steps.end(),
                                     [&](const Step& one) { return one.id == work.step; });
      // It turns as long, warmed again meanwhile.
      CHECK((step->holds - step->handsOn).minutes() == Approx(1.5 * work.usualWait.minutes()));
    }
    CHECK(coats > 0);
  }
}

TEST_CASE("How long a step took, by when it could begin", "[work]") {
  Document order;
  order.cups = {glittered("")};
  order.bench.from = parseCivil("2026-12-09T18:00");
  auto plan = planDocument(order);
  REQUIRE(plan);
  const CivilTime start = *order.bench.from;
  BenchPlan bench = benchPlan(*plan, start);
  const auto after = [&](int minutes) { return start + std::chrono::minutes(minutes); };
  CHECK(tookUntil(bench, 0, 0, after(17)).minutes() == Approx(17));
  // Nobody sands for five hours; and nobody is done before they begin.
  CHECK(tookUntil(bench, 0, 0, after(300)) == bench.cups[0].steps[0].handsOn);
  CHECK(tookUntil(bench, 0, 0, start - std::chrono::minutes(5)) == bench.cups[0].steps[0].handsOn);
  // Since the last thing that was done, on whatever cup.
  order.cups.front().bench.done = {
      {bench.cups[0].steps[0].id, after(17), Duration::minutes(17), {}}};
  plan = planDocument(order);
  REQUIRE(plan);
  bench = benchPlan(*plan, after(17));
  CHECK(tookUntil(bench, 0, 1, after(30)).minutes() <= 13);
  // Where it was said when it was begun, since then; forgotten, as reckoned.
  const Step& second = bench.cups[0].steps[1];
  order.cups.front().bench.begun = StepBegun{second.id, after(40), 1};
  plan = planDocument(order);
  REQUIRE(plan);
  bench = benchPlan(*plan, after(45));
  CHECK(tookUntil(bench, 0, 1, after(46)).minutes() == Approx(6));
  CHECK(tookUntil(bench, 0, 1, after(400)) == second.handsOn);
}

TEST_CASE("Paces stretch work and what turns meanwhile, and nothing else", "[work]") {
  Chance chance(31);
  for (int round = 0; round < 10; ++round) {
    Cup cup = glittered("");
    cup.division.body.finish.stick = static_cast<Stick>(chance.whole(0, 5));
    const CheckedAll<CupPlan> plan = planCup(cup, Unit::mm);
    REQUIRE(plan);
    Stock stock;
    for (double& pace : stock.paces.all) pace = chance.between(0.5, 2);
    const std::vector<Step> usual = stepsOf(*plan);
    const std::vector<Step> paced = stepsOf(*plan, {}, stock);
    REQUIRE(usual.size() == paced.size());
    for (std::size_t i = 0; i < usual.size(); ++i) {
      const double pace = stock.paces.of(usual[i].kind);
      CHECK(paced[i].handsOn.minutes() == Approx(usual[i].handsOn.minutes() * pace));
      CHECK(paced[i].wait.most == usual[i].wait.most);
      // But that quicker hands wait longer for what has to ripen before the next.
      const bool ripens =
          i + 1 < usual.size() &&
          (usual[i + 1].kind == StepKind::coat || usual[i + 1].kind == StepKind::rim ||
           usual[i + 1].kind == StepKind::cure || usual[i + 1].kind == StepKind::base);
      if (!ripens) CHECK(paced[i].wait.least == usual[i].wait.least);
      if (usual[i].holds > Duration()) {
        CHECK((paced[i].holds - paced[i].handsOn).minutes() ==
              Approx((usual[i].holds - usual[i].handsOn).minutes()).margin(1e-9));
      }
    }
  }
}

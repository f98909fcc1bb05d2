// SPDX-License-Identifier: GPL-3.0-or-later
// What is there of a supply: by the last count, what came in and what was used; what a step takes;
// what a cup costs; what counting teaches.
#include "log/supply.h"

#include <algorithm>
#include <catch2/catch.hpp>

#include "core/random_cups.h"
#include "log/cost.h"
#include "log/learning.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

CivilTime day(int number) {
  return *parseCivil("2026-01-01") + std::chrono::days(number);
}

Amount grams(double units) {
  return Amount::ofUnits(MeasuredBy::weight, units);
}

Supply glitter(const std::string& id, double price = 0) {
  Supply supply;
  supply.id = id;
  supply.name = "Glitter " + id;
  supply.kind = SupplyKind::glitter;
  supply.price = Money::of(price);
  supply.low = grams(0);
  return supply;
}

SupplyEvent event(const std::string& supply, SupplyEvent::Kind kind, int at, double amount,
                  long long key) {
  return {kind, key, supply, day(at), grams(amount), {}};
}

}  // namespace

TEST_CASE("A level is the last count, what came in since, less what was used since", "[log]") {
  Chance chance(7);
  for (int round = 0; round < 200; ++round) {
    SupplyShelf shelf;
    shelf.supplies = {glitter("a"), glitter("b")};
    // A book kept day by day, as one would by hand, beside what is worked out.
    double book = 0;
    long long key = 0;
    for (int at = 1; at < 30; ++at) {
      const double amount = chance.between(0, 20);
      switch (chance.whole(0, 3)) {
        case 0:
          shelf.events.push_back(event("a", SupplyEvent::Kind::counted, at, amount, ++key));
          book = amount;
          break;
        case 1:
          shelf.events.push_back(event("a", SupplyEvent::Kind::bought, at, amount, ++key));
          book += amount;
          break;
        case 2:
          shelf.uses.push_back({"a", day(at), grams(amount), {}});
          book -= amount;
          break;
        default:
          shelf.uses.push_back({"b", day(at), grams(amount), {}});
          shelf.events.push_back(event("b", SupplyEvent::Kind::counted, at, amount, ++key));
      }
    }
    // In whatever order they come.
    std::reverse(shelf.events.begin(), shelf.events.end());
    std::reverse(shelf.uses.begin(), shelf.uses.end());
    const SupplyLevel level = levelOf(shelf, shelf.supplies[0], grams(5));
    CHECK(level.there.units() == Approx(book).margin(1e-9));
    CHECK(level.left().units() == Approx(book - 5).margin(1e-9));
    CHECK(level.empty == (book < -1e-9));
  }
}

TEST_CASE("Within the minute of a count, what was used was gone, and what came in is as noted",
          "[log]") {
  SupplyShelf shelf;
  shelf.supplies = {glitter("a")};
  shelf.events = {event("a", SupplyEvent::Kind::bought, 3, 100, 1),
                  event("a", SupplyEvent::Kind::counted, 3, 80, 2),
                  event("a", SupplyEvent::Kind::bought, 3, 7, 3)};
  shelf.uses = {{"a", day(3), grams(20), {}}};
  CHECK(levelOf(shelf, shelf.supplies[0], {}).there.units() == Approx(87));
}

TEST_CASE("Low, empty, too little: each is said, and not of what was never counted", "[log]") {
  SupplyShelf shelf;
  shelf.supplies = {glitter("a")};
  shelf.supplies[0].low = grams(30);
  SupplyLevel level = levelOf(shelf, shelf.supplies[0], grams(10));
  CHECK_FALSE(level.low);
  CHECK_FALSE(level.tooLittle);
  CHECK_FALSE(level.counted);
  shelf.events = {event("a", SupplyEvent::Kind::counted, 1, 25, 1)};
  level = levelOf(shelf, shelf.supplies[0], grams(26));
  CHECK(level.low);
  CHECK(level.tooLittle);
  CHECK_FALSE(level.empty);
  shelf.uses = {{"a", day(2), grams(25.5), {}}};
  CHECK(levelOf(shelf, shelf.supplies[0], {}).empty);
}

TEST_CASE("A step takes what the design names, and resin by its method", "[log]") {
  SupplyShelf shelf;
  shelf.supplies = {glitter("night")};
  Supply resin;
  resin.id = "r1";
  resin.name = "Clear";
  resin.kind = SupplyKind::resin;
  resin.method = MethodKind::resin;
  shelf.supplies.push_back(resin);
  resin.id = "r2";
  resin.name = "Clear, second kit";
  shelf.supplies.push_back(resin);
  const FillRates rates;
  Step step;
  step.method = MethodKind::resin;
  // Two coats' worth by hand: 18 ml on the cup, a tenth lost, is 20 ml, ten of each part.
  step.mix = resinMix(Volume::ml(18));
  step.mix.parts.push_back({MixKind::glitter, "night", {}, Mass::grams(2.5), "night"});
  step.mix.parts.push_back({MixKind::glitter, "loose", {}, Mass::grams(1), ""});
  step.mix.parts.push_back({MixKind::glitter, "gone", {}, Mass::grams(1), "no such"});
  const StepUse use = UseReckoning(shelf, rates)(step, day(1));
  REQUIRE(use.of.size() == 2);
  CHECK(use.of[0].supply == "r1");
  CHECK(use.of[0].amount.units() == Approx(20));
  CHECK_FALSE(use.of[0].over);
  CHECK(use.of[1].supply == "night");
  CHECK(use.of[1].amount.units() == Approx(2.5));
  // 2.5 g at 0.025 g a cm² are 100 cm².
  REQUIRE(use.of[1].over);
  CHECK(use.of[1].over->mm2() == Approx(10000));
  CHECK(use.unknown.size() == 2);
  // The second kit is opened when the first is used up.
  shelf.events = {{SupplyEvent::Kind::counted, 1, "r2", day(0), Amount(Volume::ml(400)), {}}};
  CHECK(UseReckoning(shelf, rates)(step, day(1)).of[0].supply == "r2");
  // Twice of one supply is one use, over both areas.
  step.mix.parts.push_back({MixKind::glitter, "night", {}, Mass::grams(1.5), "night"});
  const StepUse twice = UseReckoning(shelf, rates)(step, day(1));
  REQUIRE(twice.of.size() == 2);
  CHECK(twice.of[1].amount.units() == Approx(4));
  REQUIRE(twice.of[1].over);
  CHECK(twice.of[1].over->mm2() == Approx(16000));
}

TEST_CASE("A cup's cost, as worked by hand", "[log]") {
  SupplyShelf shelf;
  shelf.supplies = {glitter("a", 8)};  // 8 for 100 g
  FilmShelf films;
  ShelfFilm film;
  film.key = 3;
  film.name = "Gold";
  film.pricePerM2 = 20;
  films.films = {film};
  MoneyRules rules;
  rules.perHour = Money::of(18);
  rules.perCup = Money::of(1.5);
  rules.waste = 0.2;
  rules.factor = 2.5;
  rules.roundTo = Money::of(0.5);
  const CupCost cost =
      costOf({{"a", day(1), grams(10), {}}, {"a", day(2), grams(15), {}}},
             {{3, "Gold", Area::mm2(40000)}}, Duration::minutes(100), shelf, films, rules);
  // Glitter: 25 g of 8 for 100 g: 2.00. Film: 0.04 m² and a fifth of waste is 0.05 m² of 20: 1.00.
  // Work: 100 min of 18 an hour: 30.00. Share: 1.50. All 34.50; times 2.5 is 86.25, so 86.50.
  CHECK(cost.materials.value() == Approx(3));
  CHECK(cost.time.value() == Approx(30));
  CHECK(cost.total.value() == Approx(34.5));
  CHECK(cost.price.value() == Approx(86.5));
  CHECK(cost.unknown == 0);
  rules.roundTo = Money();
  CHECK(costOf({}, {}, Duration::minutes(60), shelf, films, rules).price.value() ==
        Approx(2.5 * 19.5));
}

TEST_CASE("What has no price is told, not taken for nothing", "[log]") {
  SupplyShelf shelf;
  shelf.supplies = {glitter("a")};
  const CupCost cost = costOf({{"a", day(1), grams(10), {}}, {"gone", day(1), grams(1), {}}},
                              {{0, "Permanent film", Area::mm2(100)}}, {}, shelf, {}, {});
  CHECK(cost.unknown == 3);
  CHECK(cost.total.value() == 0);
  MoneyRules rules;
  rules.roundTo = Money::of(5);
  rules.perHour = Money::of(10);
  rules.factor = 2;
  // 20 is a whole number of fives, and stays that.
  CHECK(costOf({}, {}, Duration::minutes(60), {}, {}, rules).price.value() == Approx(20));
  rules.waste = 1;
  CHECK(faultOf(rules)->where.member == Member::costWaste);
}

TEST_CASE("Between two counts an area shows what a cm² takes", "[log]") {
  Chance chance(11);
  for (int round = 0; round < 50; ++round) {
    SupplyShelf shelf;
    const double truth = chance.between(0.01, 0.06);
    long long key = 0;
    for (int s = 0; s < 3; ++s) {
      const std::string id = "g" + std::to_string(s);
      shelf.supplies.push_back(glitter(id));
      double there = 500;
      int at = 0;
      shelf.events.push_back(event(id, SupplyEvent::Kind::counted, at, there, ++key));
      for (int c = 0; c < 3; ++c) {
        for (int u = chance.whole(1, 4); u > 0; --u) {
          const double cm2 = chance.between(50, 500);
          ++at;
          // What was reckoned matters nothing here, only the area it was reckoned for.
          shelf.uses.push_back({id, day(at), grams(cm2 * 0.025), Area::mm2(cm2 * 100)});
          there -= cm2 * truth * chance.between(0.95, 1.05);
        }
        if (chance.whole(0, 2) == 0) {
          ++at;
          shelf.events.push_back(event(id, SupplyEvent::Kind::bought, at, 100, ++key));
          there += 100;
        }
        ++at;
        shelf.events.push_back(event(id, SupplyEvent::Kind::counted, at, there, ++key));
      }
    }
    const LearntFigure learnt = learn({LearnableFigure::Of::glitter, {}},
                                      amountsSeen(shelf, SupplyKind::glitter), 0.025, {});
    REQUIRE(learnt.seen.size() == 9);
    CHECK(learnt.fit.slope == Approx(truth).epsilon(0.04));
    CHECK(learnt.fit.low <= truth * 1.04);
    CHECK(learnt.fit.high >= truth * 0.96);
    if (std::abs(truth - 0.025) > 0.004) CHECK(learnt.offered);
  }
}

TEST_CASE("What teaches nothing is not learnt from", "[log]") {
  SupplyShelf shelf;
  shelf.supplies = {glitter("a")};
  shelf.events = {event("a", SupplyEvent::Kind::counted, 0, 100, 1),
                  event("a", SupplyEvent::Kind::counted, 5, 90, 2),
                  event("a", SupplyEvent::Kind::counted, 9, 95, 3)};
  // Some of what went by the first count was for no known area; by the second there is more.
  shelf.uses = {{"a", day(2), grams(5), Area::mm2(1000)},
                {"a", day(3), grams(5), {}},
                {"a", day(7), grams(5), Area::mm2(1000)}};
  CHECK(amountsSeen(shelf, SupplyKind::glitter).empty());
}

TEST_CASE("Film that was taken teaches its waste, from the parts that came of it", "[log]") {
  Chance chance(1703);
  for (int round = 0; round < 20; ++round) {
    const double waste = chance.between(0.1, 0.6);
    std::vector<FilmTaken> taken;
    for (int i = 0; i < 15; ++i) {
      const double parts = chance.between(2000, 50000);
      taken.push_back({i + 1, "Blue", day(i), Area::mm2(parts),
                       Area::mm2(parts / (1 - waste) * chance.between(0.97, 1.03))});
    }
    // A whole sheet for one letter: odd, and not listened to much.
    taken.push_back({20, "Blue", day(20), Area::mm2(20000), Area::mm2(180000)});
    // More parts than film, and no parts at all, teach nothing.
    taken.push_back({21, "Blue", day(21), Area::mm2(2000), Area::mm2(1000)});
    taken.push_back({22, "Blue", day(22), Area(), Area::mm2(1000)});
    const LearntFigure learnt =
        learn({LearnableFigure::Of::film, {}}, filmSeen(taken), takenFor(0.25), {});
    CHECK(learnt.seen.size() == 16);
    CHECK(wasteOf(learnt.fit.slope) == Approx(waste).margin(0.03));
    CHECK(learnt.seen.back().odd);
    if (std::abs(waste - 0.25) > 0.06) CHECK(learnt.offered);
  }
  CHECK(wasteOf(takenFor(0.37)) == Approx(0.37));
  CHECK(wasteOf(0.5) == 0);
}

TEST_CASE("Times of work teach a pace; what is left out, or agrees, is not offered", "[log]") {
  std::vector<StepWork> work;
  work.reserve(14);
  for (int i = 0; i < 12; ++i) {
    work.push_back({"k" + std::to_string(i), "cup", StepKind::coat, day(i),
                    Duration::minutes(15 * (1.4 + 0.02 * (i % 3))), Duration::minutes(15)});
  }
  // Timed by its maker; and another kind.
  work.push_back({"own", "cup", StepKind::coat, day(1), Duration::minutes(90), {}});
  work.push_back(
      {"tape", "cup", StepKind::tape, day(1), Duration::minutes(90), Duration::minutes(4)});
  const LearnableFigure coats{LearnableFigure::Of::pace, StepKind::coat};
  LearntFigure learnt = learn(coats, paceSeen(work, StepKind::coat), 1, {});
  CHECK(learnt.seen.size() == 12);
  CHECK(learnt.fit.slope == Approx(1.42).epsilon(0.01));
  CHECK(learnt.offered);
  CHECK_FALSE(learn(coats, paceSeen(work, StepKind::coat), 1.42, {}).offered);
  std::set<std::string> out;
  for (int i = 0; i < 10; ++i) out.insert("k" + std::to_string(i));
  learnt = learn(coats, paceSeen(work, StepKind::coat), 1, out);
  CHECK(learnt.fit.count == 2);
  CHECK_FALSE(learnt.offered);
  std::set<std::string> names;
  for (const LearnableFigure& figure : learnableFigures()) names.insert(figure.name());
  CHECK(names.size() == 3 + 2 * stepKinds + 2 * methodKinds + materialCount);
}

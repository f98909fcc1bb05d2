// SPDX-License-Identifier: GPL-3.0-or-later
// Cups filled between their walls: densities against handbook values, amounts that add up, the band
// over the seal line against the frustum's area. F28 is common practice, no published source.
#include "cup/liquid.h"

#include <algorithm>
#include <catch2/catch.hpp>
#include <numbers>

#include "bench/looks.h"
#include "core/decal_cups.h"
#include "core/random_cups.h"
#include "job/steps.h"
#include "sheet/cover_band.h"

using namespace avrelt;
using namespace avrelt::cups;
using Catch::Detail::Approx;

TEST_CASE("Water and glycerin weigh what handbooks say", "[liquid]") {
  // Water: CRC Handbook of Chemistry and Physics, "Properties of water", from memory.
  for (const auto& [warm, density] : {std::pair{4.0, 0.99997},
                                      {20.0, 0.99821},
                                      {40.0, 0.99222},
                                      {60.0, 0.98320},
                                      {80.0, 0.97182}}) {
    CHECK(densityOf(0, Temperature::celsius(warm)) == Approx(density).epsilon(0.0006));
  }
  // Glycerin, and half of it by weight: tables of the Glycerine Producers' Association (1963), from
  // memory. A mean by weight is off by half a percent in the middle.
  CHECK(densityOf(1, Temperature::celsius(20)) == Approx(1.2611).epsilon(0.003));
  CHECK(densityOf(0.5, Temperature::celsius(20)) == Approx(1.1263).epsilon(0.006));
}

TEST_CASE("A liquid is half and half, three quarters first, and grows as it warms", "[liquid]") {
  Liquid liquid;
  liquid.space = Volume::ml(200);
  const LiquidMix mix = mixOf(liquid);
  // By hand: 5 % of 200 ml are left free, 190 are filled, 150 of them first.
  CHECK(mix.free.ml() == Approx(10));
  CHECK(mix.first.ml() == Approx(150));
  CHECK(mix.rest.ml() == Approx(40));
  CHECK(mix.water.ml() == Approx(95));
  CHECK(mix.glycerin.ml() == Approx(95));
  CHECK(mix.glycerinMass.grams() == Approx(95 * 1.2611).epsilon(0.003));
  CHECK(mix.fits());
  // Plain water from 20 to 60 °C: 0.99821 / 0.98320 of the handbook.
  liquid.glycerin = 0;
  CHECK(mixOf(liquid).grows == Approx(0.99821 / 0.98320 - 1).epsilon(0.05));
  // Plain glycerin: 0.00050 to 0.00053 a degree (handbooks, from memory).
  liquid.glycerin = 1;
  CHECK(mixOf(liquid).grows == Approx(0.000515 * 40).epsilon(0.06));
  liquid.room = 0.01;
  CHECK_FALSE(mixOf(liquid).fits());
  liquid.warmest = Temperature::celsius(20);
  CHECK(mixOf(liquid).fits());
}

TEST_CASE("Whatever is asked, what goes in and what is left free is the space", "[liquid]") {
  Chance chance(28);
  for (int i = 0; i < 300; ++i) {
    Liquid liquid;
    liquid.space = Volume::ml(chance.between(1, 2000));
    liquid.glycerin = chance.between(0, 1);
    liquid.room = chance.between(0, 0.5);
    liquid.warmest = Temperature::celsius(chance.between(20, 100));
    const LiquidMix mix = mixOf(liquid);
    CHECK(mix.water.ml() + mix.glycerin.ml() + mix.free.ml() == Approx(liquid.space.ml()));
    CHECK(mix.first.ml() + mix.rest.ml() + mix.free.ml() == Approx(liquid.space.ml()));
    CHECK(mix.first.ml() <= liquid.space.ml() * 0.75 + 1e-9);
    CHECK(mix.rest.ml() >= -1e-9);
    CHECK(mix.grows >= 0);
    CHECK(mix.grows < 0.06);
  }
}

TEST_CASE("A cover band covers the seal line once round and laps, on any wall and seam",
          "[liquid]") {
  Chance chance(29);
  for (int i = 0; i < 60; ++i) {
    const Body body = chance.body();
    Liquid liquid;
    liquid.band = WrittenLength::mm(chance.between(3, 20));
    liquid.overlap = WrittenLength::mm(chance.between(0, 8));
    liquid.sealAt = WrittenLength::mm(chance.between(
        liquid.band.length.mm() / 2 + 0.1, body.wall().mm() - liquid.band.length.mm() / 2 - 0.1));
    REQUIRE(liquidFaults(liquid, body.wall()).empty());
    const auto part =
        coverBandPart(body, liquid, CupAngle::degrees(chance.between(-180, 180)), "Comet");
    REQUIRE(part);
    // A frustum's side: half the sum of both edges times its slant height; and the lap.
    const double tall = liquid.band.length.mm();
    const double low = body.radius(liquid.sealAt.length - liquid.band.length / 2).mm();
    const double high = body.radius(liquid.sealAt.length + liquid.band.length / 2).mm();
    const double side = std::numbers::pi * (low + high) * tall;
    CHECK(part->area().mm2() == Approx(side + liquid.overlap.length.mm() * tall).epsilon(0.002));
    // The seal line is drawn once round, as long as the middle of that frustum.
    const Path& line = part->guides.back().path;
    double round = 0;
    Point from = line.start;
    for (const Stretch& stretch : line.stretches) {
      round += norm(stretch.end - from);
      from = stretch.end;
    }
    CHECK(round == Approx(std::numbers::pi * (low + high)).epsilon(0.001));
  }
}

TEST_CASE("What cannot be filled, or covered, is refused by its field", "[liquid]") {
  Liquid liquid;
  liquid.sealAt = WrittenLength::mm(20);
  CHECK(liquidFaults(liquid, Length::mm(150)).empty());
  liquid.space = Volume();
  liquid.band = WrittenLength::mm(0);
  const Faults faults = liquidFaults(liquid, Length::mm(150));
  REQUIRE(faults.size() == 2);
  CHECK(faults[0].where.member == Member::liquidSpace);
  CHECK(faults[1].where.member == Member::liquidBand);
  liquid = {};
  liquid.sealAt = WrittenLength::mm(20);
  liquid.overlap = WrittenLength::mm(300);
  REQUIRE(liquidFaults(liquid, Length::mm(150)).size() == 1);
  CHECK(liquidFaults(liquid, Length::mm(150))[0].where.member == Member::liquidOverlap);
  // What is offered at first fits whatever wall there is.
  for (const Unit unit : {Unit::inch, Unit::mm}) {
    for (const double tall : {20.0, 60.0, 137.0, 260.0}) {
      CHECK(liquidFaults(usualLiquid(Length::mm(tall), unit), Length::mm(tall)).empty());
    }
  }
  liquid = {};
  liquid.sealAt = WrittenLength::mm(148);
  REQUIRE(liquidFaults(liquid, Length::mm(150)).size() == 1);
  CHECK(liquidFaults(liquid, Length::mm(150))[0].where.member == Member::liquidSealAt);
  // In a cup it is counted from there.
  Cup cup = tapered();
  cup.liquid = liquid;
  cup.liquid->sealAt = {};
  const auto plan = planCup(cup, Unit::mm);
  REQUIRE_FALSE(plan);
  CHECK(plan.error()[0].where.member == Member::liquidSealAt);
}

TEST_CASE("A cup is filled and sealed before its outside, and the line covered at the end",
          "[liquid][steps]") {
  Cup cup = tapered();
  cup.liquid.emplace();
  cup.liquid->sealAt = WrittenLength::mm(20);
  const auto plan = planCup(cup, Unit::mm);
  REQUIRE(plan);
  const std::vector<Step> steps = stepsOf(*plan);
  const auto at = [&](const std::string& id) {
    const auto found =
        std::find_if(steps.begin(), steps.end(), [&](const Step& step) { return step.id == id; });
    REQUIRE(found != steps.end());
    return found - steps.begin();
  };
  CHECK(at("liquid-cap") == at("clean") + 1);
  CHECK(at("liquid") == at("liquid-cap") + 1);
  CHECK(at("liquid-seal") == at("liquid") + 1);
  CHECK(at("liquid-band") + 1 == at("rim"));
  const Step& poured = steps[static_cast<std::size_t>(at("liquid"))];
  REQUIRE(poured.mix.parts.size() == 2);
  CHECK(poured.mix.parts[0].kind == MixKind::water);
  CHECK(poured.mix.parts[1].volume->ml() == Approx(95));
  // Poured, the mix is looked at; sealed, the seam; and both faults have words.
  const auto faultOf = [&](const std::string& id) {
    const auto look = lookAfter(steps[static_cast<std::size_t>(at(id))], Methods());
    REQUIRE(look);
    REQUIRE(look->remedies.size() == 1);
    CHECK(faultWords(look->remedies[0].fault));
    return std::string(look->remedies[0].fault);
  };
  CHECK(faultOf("liquid") == "falls_fast");
  CHECK(faultOf("liquid-seal") == "leaks");
  // It stands on its head over night before anything else is done to it.
  CHECK(steps[static_cast<std::size_t>(at("liquid-seal"))].wait.least >= Duration::minutes(480));
  CHECK(plan->parts(purpose::coverBand).size() == 1);
  // Of a cup as large as its last coat leaves it: four tenths of the resin stay, of two coats of
  // 20 ml where the order has none of its own, or of its own.
  const auto bandOf = [&](const CupPlan& of, double ml) {
    constexpr double mm3InMl = 1000;
    const double thick = 0.4 * ml * mm3InMl / of.bare.area().mm2();
    const double radius = of.bare.radius(cup.liquid->sealAt.length).mm() + thick;
    return (2 * std::numbers::pi * radius + cup.liquid->overlap.length.mm()) *
           cup.liquid->band.length.mm();
  };
  CHECK(plan->part(purpose::coverBand).area().mm2() == Approx(bandOf(*plan, 40)).epsilon(5e-4));
  cup.buildUp.coats.resize(1);
  cup.buildUp.coats[0].kind = CoatKind::resin;
  cup.buildUp.coats[0].mixed = Volume::ml(25);
  const auto coated = planCup(cup, Unit::mm);
  REQUIRE(coated);
  CHECK(coated->part(purpose::coverBand).area().mm2() == Approx(bandOf(*coated, 25)).epsilon(5e-4));
  CHECK(std::any_of(plan->watches.begin(), plan->watches.end(),
                    [](const Watch& watch) { return watch.rule == Rule::liquidNoRoom; }) == false);
  cup.liquid->room = 0.005;
  const auto tight = planCup(cup, Unit::mm);
  REQUIRE(tight);
  CHECK(std::any_of(tight->watches.begin(), tight->watches.end(),
                    [](const Watch& watch) { return watch.rule == Rule::liquidNoRoom; }));
}

// SPDX-License-Identifier: GPL-3.0-or-later
#include "job/laid.h"

#include <algorithm>
#include <catch2/catch.hpp>
#include <numbers>
#include <random>

#include "core/cups.h"
#include "divide/patch.h"
#include "job/ids.h"
#include "job/plan.h"
#include "sheet/film_parts.h"

using namespace avrelt;

namespace {

using std::numbers::pi;

/// A tapered cup in three, film in the middle, a pattern below, under four coats, all with ids.
Cup layered(double seam = 180) {
  Cup cup = newCup("Cup", Unit::mm);
  cup.blank = cups::body(Length::mm(220), Length::mm(260), Length::mm(150));
  cup.wrap.seamAt = CupAngle::degrees(seam);
  cup.wrap.rimClearance = WrittenLength::mm(3);
  cup.wrap.overlap = WrittenLength::mm(4);
  cup.division.body.cut = RingCut{.count = 3};
  cup.division.body.parts.assign(3, ZoneNode());
  cup.division.body.parts[1].finish.kind = FinishKind::film;
  Stripe stripe;
  stripe.width = WrittenLength::mm(3);
  cup.division.stripes = {stripe};
  for (int i = 0; i < 4; ++i) {
    cup.buildUp.coats.push_back({.kind = CoatKind::resin, .mixed = Volume::ml(30)});
  }
  giveIds(cup);
  cup.division.stripes[0].of = cup.division.body.cut->id;
  cup.fills = {usualFill(cup.division.body.parts[2].id, Unit::mm)};
  giveIds(cup);
  return cup;
}

CupPlan laidOut(const Cup& cup) {
  CheckedAll<CupPlan> plan = planCup(cup, Unit::mm);
  if (!plan) FAIL(inWords(plan.error().front().sentence, Unit::mm));
  return std::move(*plan);
}

Faults faultsOf(const Cup& cup) {
  const CheckedAll<CupPlan> plan = planCup(cup, Unit::mm);
  REQUIRE_FALSE(plan.has_value());
  return plan.error();
}

bool watched(const CupPlan& plan, const std::string& rule, std::string* words = nullptr) {
  for (const Watch& watch : plan.watches) {
    if (idOf(watch.rule) != rule) continue;
    if (words != nullptr) *words = inWords(watch.sentence, Unit::mm);
    return true;
  }
  return false;
}

double laidSum(const std::vector<Part>& parts) {
  double sum = 0;
  for (const Part& part : parts) sum += part.area().mm2();
  return sum;
}

/// What a cone of these radii has between two of its heights (MathWorld, "Conical Frustum").
double frustum(double r1, double r2, double slant) {
  return pi * (r1 + r2) * slant;
}

}  // namespace

TEST_CASE("film is as large as the cup is when it is laid, and nothing else is") {
  for (const double seam : {180.0, 15.0, -77.0}) {
    Cup cup = layered(seam);
    cup.wrap.overlap = {};
    const std::string film = cup.division.body.parts[1].id;
    const CupPlan bare = laidOut(cup);
    layAfter(cup.buildUp, film, 3);
    const CupPlan later = laidOut(cup);
    const Length thick = later.stages[3].thickness;
    REQUIRE(thick > Length());
    // Two ways to its area: a cone between two rings, grown square to the wall.
    const Body& body = later.bare;
    const Zone& zone = *std::find_if(later.divided.zones.begin(), later.divided.zones.end(),
                                     [&](const Zone& one) { return one.id == film; });
    const double low = zone.region.lowest().mm();
    const double high = zone.region.highest().mm();
    const double lean = body.lean(Length::mm(1)).radians();
    const double more = thick.mm() * std::cos(lean);
    // Half a stripe's width of it lies under the stripe on the upper line.
    const double up = high + 1.5;
    const double expected = frustum(body.radius(Length::mm(low)).mm() + more,
                                    body.radius(Length::mm(up)).mm() + more, up - low);
    CHECK(laidSum(later.parts(purpose::film)) == Approx(expected).epsilon(2e-5));
    CHECK(laidSum(later.parts(purpose::film)) > laidSum(bare.parts(purpose::film)) + 1);
    CHECK(laidSum(later.parts(purpose::stencil)) == laidSum(bare.parts(purpose::stencil)));
    CHECK(later.stripes[0].length == bare.stripes[0].length);
    CHECK(later.parts(purpose::film)[0].laidAfter == 3);
    CHECK(later.parts(purpose::stencil)[0].laidAfter == 0);
    CHECK(later.part(purpose::baseDisc).laidAfter == 0);
  }
}

TEST_CASE("stripes and stencils have their stages too, and a wrap over everything") {
  Cup cup = layered(60);
  cup.wrap.over = WrapOver::clear;
  const CupPlan before = laidOut(cup);
  layAfter(cup.buildUp, cup.division.stripes[0].id, 4);
  layAfter(cup.buildUp, cup.fills[0].id, 1);
  layAfter(cup.buildUp, wrapThing, 2);
  const CupPlan plan = laidOut(cup);
  const double lean = std::cos(plan.bare.lean(Length::mm(1)).radians());
  // A ring is longer by the growth of its circle.
  CHECK((plan.stripes[0].length - before.stripes[0].length).mm() ==
        Approx(2 * pi * plan.stages[4].thickness.mm() * lean).epsilon(1e-6));
  const double r = plan.bare.radius(Length::mm(25)).mm();
  const double grown = plan.stages[1].thickness.mm() * lean;
  CHECK(laidSum(plan.parts(purpose::stencil)) / laidSum(before.parts(purpose::stencil)) ==
        Approx((r + grown) / r).epsilon(2e-4));
  const Part& wrap = plan.part(purpose::wrap);
  CHECK(wrap.laidAfter == 2);
  CHECK(plan.stageOf(wrapThing).wall.body.aroundRim() > plan.wall.body.aroundRim());
  CHECK(wrap.area() > before.part(purpose::wrap).area());
  // By stage, then stencils before films before stripes.
  std::vector<std::pair<int, LaidKind>> order;
  for (const LaidThing& thing : plan.things) order.emplace_back(thing.after, thing.kind);
  CHECK(order == std::vector<std::pair<int, LaidKind>>{{0, LaidKind::film},
                                                       {1, LaidKind::pattern},
                                                       {2, LaidKind::wrap},
                                                       {4, LaidKind::stripe}});
  // Laid with the rest again, it has no stage of its own.
  layAfter(cup.buildUp, wrapThing, 0);
  CHECK(cup.buildUp.laid.size() == 2);
}

TEST_CASE("sized for the bare cup, every stage is the bare cup") {
  Cup cup = layered();
  const double before = laidSum(laidOut(cup).parts(purpose::film));
  layAfter(cup.buildUp, cup.division.body.parts[1].id, 4);
  cup.buildUp.sizedFor = SizedFor::bare;
  const CupPlan plan = laidOut(cup);
  CHECK(laidSum(plan.parts(purpose::film)) == before);
  CHECK(plan.parts(purpose::film)[0].laidAfter == 4);
}

TEST_CASE("a stage there is not, one told twice, and one of nothing are told with their place") {
  Cup cup = layered();
  cup.buildUp.laid = {{wrapThing, 9}};
  CHECK(faultsOf(cup)[0].where == Where(Member::laidOwnAfter, std::size_t{0}));
  cup.buildUp.laid = {{wrapThing, 1}, {wrapThing, 2}};
  CHECK(faultsOf(cup)[0].where == Where(Member::laidOwnOf, std::size_t{1}));
  cup.buildUp.laid = {{"gone-7", 1}};
  const CupPlan plan = laidOut(cup);
  CHECK(watched(plan, "laid_nothing"));
  CHECK(plan.of->buildUp.laid.size() == 1);
}

TEST_CASE("a girth that may outgrow the overlap is told for the part it opens") {
  Cup cup = layered();
  const std::string film = cup.division.body.parts[1].id;
  layAfter(cup.buildUp, film, 4);
  cup.wrap.overlap = WrittenLength::mm(20);
  std::string words;
  CHECK(watched(laidOut(cup), "laid_guessed", &words));
  CHECK_THAT(words, Catch::Contains("film of zone B") && Catch::Contains("after 4 coats"));
  cup.wrap.overlap = WrittenLength::mm(0.2);
  CHECK(watched(laidOut(cup), "laid_opens", &words));
  CHECK_THAT(words, Catch::Contains("film of zone B") && Catch::Contains("0.2 mm"));
  // Measured then, nothing is left to guess.
  const CupPlan guess = laidOut(cup);
  const Length rim = guess.stageOf(film).wall.body.aroundRim();
  cup.buildUp.measured = {
      {4, {{guess.bare.wall(), {}}, WrittenLength{rim, {}}, Girth::around, {}}, {}}};
  CHECK_FALSE(watched(laidOut(cup), "laid_opens"));
  CHECK_FALSE(watched(laidOut(cup), "laid_guessed"));
}

TEST_CASE("each part that is cut is held against what is measured later, at its own stage") {
  Cup cup = layered(33);
  const std::string film = cup.division.body.parts[1].id;
  const std::string fill = cup.fills[0].id;
  layAfter(cup.buildUp, film, 3);
  const CupPlan plan = laidOut(cup);
  for (const char* purpose : {purpose::film, purpose::stencil, purpose::stripe}) {
    const PartEntry entry = entriesOf(plan, purpose).front();
    CHECK_FALSE(isCut(cup, entry));
    const Body& body = plan.stageOf(thingOf(entry)).wall.body;
    cup.cuts.push_back({purpose,
                        entry.of,
                        plan.stageOf(thingOf(entry)).after,
                        {body.aroundBase(), {}},
                        {body.aroundRim(), {}},
                        {}});
    CHECK(isCut(cup, entry));
  }
  CHECK_FALSE(watched(laidOut(cup), "cut_short"));
  // After the third coat it is 6 mm larger than was thought: only the film is short.
  const Length rim = plan.stageOf(film).wall.body.aroundRim();
  cup.buildUp.measured = {
      {3, {{plan.bare.wall(), {}}, WrittenLength{rim + Length::mm(6), {}}, Girth::around, {}}, {}}};
  const CupPlan later = laidOut(cup);
  std::vector<std::string> told;
  for (const Watch& watch : later.watches) {
    if (watch.rule == Rule::cutShort) told.push_back(inWords(watch.sentence, Unit::mm));
  }
  REQUIRE(told.size() == 1);
  CHECK_THAT(told[0], Catch::Contains("film of zone B") && Catch::Contains("short by 6 mm"));
  // The bare cup 3 mm smaller: all of them are too long, and trimmed at the end.
  cup.buildUp.measured.clear();
  for (Station& station : cup.blank.stations) {
    station.girth = WrittenLength{station.girth->length - Length::mm(3), {}};
  }
  told.clear();
  const CupPlan smaller = laidOut(cup);
  for (const Watch& watch : smaller.watches) {
    if (watch.rule == Rule::cutLong) told.push_back(inWords(watch.sentence, Unit::mm));
  }
  CHECK(told.size() == 3);
}

TEST_CASE("what is gone takes its stage, its masks and its ticks with it") {
  Cup cup = layered();
  const std::string film = cup.division.body.parts[1].id;
  const std::string fill = cup.fills[0].id;
  Mask mask;
  mask.id = "mask-1";
  mask.zones = {film};
  Mask both;
  both.id = "mask-2";
  both.zones = {film, cup.division.body.parts[0].id};
  cup.division.masks = {mask, both};
  for (const std::string& id : {film, fill, mask.id, std::string(wrapThing)}) {
    layAfter(cup.buildUp, id, 2);
  }
  cup.cuts = {{purpose::film, {film}, 2, {}, {}, {}}, {purpose::stencil, {fill}, 2, {}, {}, {}}};
  forget(cup, {film});
  CHECK(cup.division.masks.size() == 1);
  CHECK(cup.division.masks[0].zones == std::vector<std::string>{cup.division.body.parts[0].id});
  CHECK(cup.buildUp.laid.size() == 2);
  CHECK(cup.cuts.size() == 1);
  forget(cup, {fill});
  CHECK(cup.fills.empty());
  CHECK(cup.cuts.empty());
  CHECK(cup.buildUp.laid.size() == 1);
  CHECK(cup.buildUp.laid[0].of == wrapThing);
}

TEST_CASE("a cover and a window of the same zones meet to the bit, over any seam and body") {
  std::mt19937 random(3);
  int made = 0;
  for (int round = 0; round < 60; ++round) {
    const auto chance = [&](double low, double high) {
      return std::uniform_real_distribution<double>(low, high)(random);
    };
    const bool curved = round % 3 == 0;
    const Blank blank = curved
                            ? cups::allCurved()[static_cast<std::size_t>(round / 3) % 5].blank
                            : cups::body(Length::mm(chance(200, 260)), Length::mm(chance(200, 280)),
                                         Length::mm(chance(90, 200)));
    const Wall wall = wallOf(cups::bodyOf(blank), CupAngle::degrees(chance(-180, 180)));
    ZoneNode node;
    const CupAngle at = CupAngle::degrees(chance(-180, 180));
    switch (round % 4) {
      case 0:
        node.cut = RingCut{.count = 3};
        break;
      case 1:
        node.cut = UprightCut{.count = 2 + static_cast<int>(random() % 3), .at = at};
        break;
      case 2:
        // 5 in wide at the rim, down to the base: common practice, no published source.
        node.cut = VeeCut{.at = at};
        std::get<VeeCut>(node.cut->how).wide = {Length::inches(5), "5 in"};
        break;
      default:
        node.cut = SlantCut{.at = at,
                            .low = {wall.body.wall() * 0.2, {}},
                            .to = at + Angle::degrees(140),
                            .high = {wall.body.wall() * 0.8, {}}};
    }
    const CheckedAll<Divided> divided = divide(node, wall);
    // A V of 5 in does not go on every one of them.
    if (!divided) continue;
    ++made;
    Mask mask;
    mask.zones = {divided->zones[random() % divided->zones.size()].id};
    if (round % 5 == 0 && divided->zones.size() > 2) mask.zones = {".0", ".1"};
    mask.margin = WrittenLength::mm(chance(5, 40));
    INFO("round " << round << " seam " << wall.seamAt.degrees() << " at " << at.degrees());
    const Region cover = maskOf(mask, *divided, wall.body);
    mask.kind = MaskKind::window;
    const Region window = maskOf(mask, *divided, wall.body);
    double zones = 0;
    Region union_;
    for (const Zone& zone : divided->zones) {
      if (std::find(mask.zones.begin(), mask.zones.end(), zone.id) == mask.zones.end()) continue;
      zones += zone.area.mm2();
      union_ = union_ | zone.region;
    }
    CHECK(cover.area(wall.body).mm2() == Approx(zones).epsilon(1e-6).margin(0.01));
    CHECK((cover & window).area(wall.body).mm2() == Approx(0).margin(1e-6));
    // Together without a gap: nothing within the margin is left out.
    Region round_;
    for (const Patch& patch : patchesOf(union_)) {
      round_ = round_ | regionOf(drawnOut(patch, mask.margin.length, wall.body));
    }
    const Region all = round_ & Region::band(Length(), wall.body.wall());
    const double together = (cover | window).area(wall.body).mm2();
    CHECK(together == Approx(all.area(wall.body).mm2()).epsilon(1e-6));
    CHECK(cover.area(wall.body).mm2() + window.area(wall.body).mm2() ==
          Approx(together).epsilon(1e-6).margin(0.02));
    if (divided->zones.size() > mask.zones.size()) CHECK(window.area(wall.body).mm2() > 50);
  }
  CHECK(made > 40);
}

TEST_CASE("covers and windows are parts of their own film, laid in place of tape") {
  for (const double seam : {180.0, -20.0}) {
    Cup cup = newCup("Cup", Unit::mm);
    cup.blank = cups::body(Length::mm(230), Length::mm(230), Length::mm(180));
    cup.wrap.seamAt = CupAngle::degrees(seam);
    cup.division.body.cut = VeeCut{.at = CupAngle::back(), .wide = {Length::inches(5), "5 in"}};
    cup.division.body.parts.assign(2, ZoneNode());
    for (std::size_t i = 0; i < 2; ++i) {
      Finish& finish = cup.division.body.parts[i].finish;
      finish.kind = FinishKind::glitter;
      finish.colour = i == 0 ? "#102040" : "#D0E0F0";
      finish.stick = Stick::brushGlue;
    }
    giveIds(cup);
    const CupPlan taped = laidOut(cup);
    const auto count = [](const CupPlan& plan, MoveKind kind) {
      return std::count_if(plan.tapeMoves.begin(), plan.tapeMoves.end(),
                           [&](const TapeMove& move) { return move.kind == kind; });
    };
    CHECK(count(taped, MoveKind::tape) > 0);
    Mask window;
    window.kind = MaskKind::window;
    window.zones = {taped.divided.zones[0].id};
    Mask cover;
    cover.zones = window.zones;
    cover.paper = true;
    cup.division.masks = {window, cover};
    giveIds(cup);
    const CupPlan plan = laidOut(cup);
    // One for each of both zones: the window when the V is filled, its cover when the rest is.
    CHECK(count(plan, MoveKind::mask) == 2);
    CHECK(count(plan, MoveKind::tape) == 0);
    CHECK(count(plan, MoveKind::pull) == 2);
    const std::vector<Part>& covers = plan.parts(purpose::cover);
    const std::vector<Part>& windows = plan.parts(purpose::window);
    REQUIRE(covers.size() == 1);
    REQUIRE_FALSE(windows.empty());
    CHECK(covers[0].material == PartMaterial::paper);
    CHECK(windows[0].material == PartMaterial::removable);
    CHECK(covers[0].of == std::vector<std::string>{cup.division.masks[1].id});
    // A V of 5 in on a wall 180 mm high: a triangle of plane geometry. No published source for the
    // V, common practice.
    CHECK(covers[0].area().mm2() == Approx(0.5 * 127 * 180).epsilon(1e-4));
    // A tick for each, and the window's margin is bounded.
    CHECK(entriesOf(plan, purpose::window).size() == 1);
    cup.division.masks[0].margin = WrittenLength::mm(1);
    CHECK(faultsOf(cup)[0].where.member == Member::maskMargin);
    cup.division.masks[0].margin = WrittenLength::mm(20);
    cup.division.masks[0].zones = {"gone-1"};
    CHECK(watched(laidOut(cup), "mask_waits"));
    CHECK(laidOut(cup).parts(purpose::window).empty());
  }
}

TEST_CASE("a thousand entries of one kind are ticked as one") {
  Cup cup = newCup("Cup", Unit::mm);
  cup.division.body.cut = UprightCut{.count = 45};
  cup.division.body.parts.assign(45, ZoneNode());
  for (ZoneNode& part : cup.division.body.parts) part.finish.kind = FinishKind::film;
  giveIds(cup);
  const CupPlan plan = laidOut(cup);
  const std::vector<PartEntry> entries = entriesOf(plan, purpose::film);
  REQUIRE(entries.size() == 1);
  CHECK(entries[0].of.size() == 45);
  CHECK(entries[0].parts.size() == 45);
  CHECK(inWords(titleOf(entries[0]), Unit::mm) == "Film, 45 zones");
}

// SPDX-License-Identifier: GPL-3.0-or-later
#include "divide/stripes.h"

#include <catch2/catch.hpp>
#include <cmath>

#include "core/divide/straight.h"
#include "divide/spacers.h"
#include "divide/split.h"
#include "sheet/divide_parts.h"
#include "watch/division_rules.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

ZoneNode threeBands() {
  ZoneNode node;
  node.cut = RingCut{.count = 3};
  return node;
}

Stripe stripeOn(std::string of, int line, double mm = 3) {
  Stripe stripe;
  stripe.of = std::move(of);
  stripe.line = line;
  stripe.width = WrittenLength::mm(mm);
  return stripe;
}

std::vector<StripePlan> planned(const std::vector<Stripe>& stripes, const Divided& divided) {
  CheckedAll<std::vector<StripePlan>> plans = planStripes(stripes, divided);
  REQUIRE(plans.has_value());
  return std::move(*plans);
}

std::vector<std::string> rulesOf(const std::vector<Watch>& watches) {
  std::vector<std::string> rules;
  for (const Watch& watch : watches) rules.emplace_back(idOf(watch.rule));
  return rules;
}

}  // namespace

TEST_CASE("on every line wide stripes lie under narrow ones, in whatever order they were given") {
  const Straight cup;
  const Divided divided = cup.made(threeBands());
  // 1 on the first line, 3 on the second, 3 on the first …: no two beside each other compare.
  const std::vector<std::vector<std::pair<int, double>>> orders{
      {{0, 1}, {1, 3}, {0, 3}, {1, 1}},
      {{0, 1}, {1, 2}, {0, 2}, {1, 3}, {0, 3}, {1, 1}},
      {{1, 1}, {0, 3}, {1, 3}, {0, 1}, {1, 2}}};
  for (const auto& order : orders) {
    std::vector<Stripe> stripes;
    for (const auto& [line, width] : order) stripes.push_back(stripeOn("", line, width));
    const std::vector<StripePlan> plans = planned(stripes, divided);
    REQUIRE(plans.size() == stripes.size());
    for (std::size_t i = 0; i < plans.size(); ++i) {
      for (std::size_t j = i + 1; j < plans.size(); ++j) {
        if (plans[i].line != plans[j].line) continue;
        CHECK(plans[i].width >= plans[j].width);
        CHECK(plans[i].layer <= plans[j].layer);
      }
    }
  }
}

TEST_CASE("a stripe is as long as its line and its overlap; wide ones lie under narrow ones") {
  const Straight cup;
  const Divided divided = cup.made(threeBands());
  Stripe narrow;
  narrow.width = WrittenLength::mm(1);
  Stripe wide;
  wide.width = WrittenLength::mm(3);
  wide.spares = 2;
  const auto plans = planStripes({narrow, wide}, divided);
  REQUIRE(plans.has_value());
  CHECK((*plans)[0].width == Length::mm(3));
  CHECK((*plans)[0].layer == 0);
  CHECK((*plans)[1].layer == 1);
  CHECK((*plans)[0].length.mm() == Approx(9 * 25.4 + 3));
  Stripe lost;
  lost.line = 7;
  // One on a line that is not cut waits, and the other is laid.
  const auto waiting = planStripes({lost, narrow}, divided);
  REQUIRE(waiting->size() == 1);
  CHECK((*waiting)[0].stripe == 1);
  narrow.width = WrittenLength::mm(0);
  CHECK(planStripes({narrow}, divided).error()[0].where.member == Member::stripeWidth);
  narrow.width = WrittenLength::mm(2);
  narrow.overlap = WrittenLength::mm(400);
  CHECK(planStripes({narrow}, divided).error()[0].where.member == Member::stripeOverlap);
}

TEST_CASE("spares are half as many again where none are asked for: 18 strips for 12") {
  // Common practice, no published source.
  const Straight cup;
  ZoneNode node;
  node.cut = UprightCut{.count = 12};
  const Divided divided = cup.made(node);
  std::vector<Stripe> stripes;
  for (int line = 0; line < 12; ++line) stripes.push_back(stripeOn("", line, 1.778));
  std::vector<StripCut> cuts = cutList(planned(stripes, divided));
  REQUIRE(cuts.size() == 1);
  CHECK(cuts[0].copies == 12);
  CHECK(cuts[0].count() == 18);
  CHECK(cuts[0].length.mm() == Approx(8 * 25.4 + 3));
  // One part, seventeen cuts in it: what lies between two strips is a strip.
  const std::vector<Part> parts = stripeParts(cuts, "Comet");
  REQUIRE(parts.size() == 1);
  CHECK(parts[0].slits.size() == 17);
  CHECK(parts[0].bounds().height() == Approx(18 * 1.778));
  // Own choices are taken as they are.
  for (Stripe& stripe : stripes) stripe.spares = 0;
  stripes[0].spares = 2;
  cuts = cutList(planned(stripes, divided));
  CHECK(cuts[0].spares == 2);
  stripes[0].spares = 101;
  CHECK(planStripes(stripes, divided).error()[0].where.member == Member::stripeSpares);
}

TEST_CASE("a join hides under a stripe that crosses, and is laid before it") {
  const Straight cup;
  ZoneNode node = threeBands();
  node.parts.resize(1);
  node.parts[0].cut = VeeCut{.at = CupAngle::front(), .wide = {Length::inches(4), {}}};
  const Divided divided = cup.made(node);
  Stripe ring = stripeOn("", 0);
  ring.join = StripeJoin::hidden;
  // Nothing crosses: the seam it is.
  std::vector<StripePlan> plans = planned({ring}, divided);
  CHECK(plans[0].closed);
  CHECK(plans[0].joinUnder.empty());
  Division division;
  CHECK(rulesOf(watchDivision(division, divided, plans, cup.body)) ==
        std::vector<std::string>{"join_shows"});
  // The V's point touches the line.
  plans = planned({stripeOn(".0", 0), ring}, divided);
  REQUIRE(plans[0].closed);
  CHECK(plans[0].joinUnder == plans[1].line);
  CHECK_FALSE(plans[1].closed);
  CHECK_THAT(inWords(plans[0].laying, Unit::mm), Catch::Contains("hides it"));
  CHECK(watchDivision(division, divided, plans, cup.body).empty());
  // The lower line is not reached.
  ring.line = 1;
  CHECK(planned({stripeOn(".0", 0), ring}, divided)[0].joinUnder.empty());
}

TEST_CASE("a butt is scored through both layers") {
  const Straight cup;
  Stripe ring = stripeOn("", 0);
  CHECK_THAT(inWords(planned({ring}, cup.made(threeBands()))[0].laying, Unit::mm),
             !Catch::Contains("score"));
  ring.butt = true;
  CHECK_THAT(inWords(planned({ring}, cup.made(threeBands()))[0].laying, Unit::mm),
             Catch::Contains("score through both"));
}

TEST_CASE("thin stripes, tapes not owned and stripes over the edge are asked about") {
  const Straight cup;
  ZoneNode node;
  node.cut = RingCut{.by = CutBy::places, .places = {{Length::inches(3.0 / 16), "3/16 in"}}};
  const Divided divided = cup.made(node);
  Division division;
  const auto rules = [&](const Stripe& stripe) {
    return rulesOf(watchDivision(division, divided, planned({stripe}, divided), cup.body));
  };
  using Rules = std::vector<std::string>;
  // 3/16 in less 1.5 mm is a little over 1/8 in; less 2 mm a little under.
  CHECK(rules(stripeOn("", 0, 3)) == Rules{});
  CHECK(rules(stripeOn("", 0, 4)) == Rules{"stripe_over_edge"});
  Stripe tape = stripeOn("", 0, 2.5);
  tape.kind = StripeKind::tape;
  CHECK(rules(tape) == Rules{"tape_not_owned"});
  division.tapes.push_back(WrittenLength::mm(2.5));
  CHECK(rules(tape) == Rules{});
  // 0.0125 in for 0.125 in: common practice, no published source.
  Stripe slip = stripeOn("", 0);
  slip.width = {Length::inches(0.0125), "0.0125 in"};
  const std::vector<Watch> watches =
      watchDivision(division, divided, planned({slip}, divided), cup.body);
  REQUIRE(watches.size() == 1);
  CHECK_THAT(inWords(watches[0].sentence, Unit::inch), Catch::Contains("Was 1/8 in meant?"));
}

TEST_CASE("stripes by tape and spacer: how many fit, what is left over and where it goes") {
  RingCut cut{.by = CutBy::spacers,
              .tape = {Length::inches(0.5), "1/2 in"},
              .spacer = {Length::inches(0.25), "1/4 in"}};
  const Length low = Length::inches(1);
  const Length high = Length::inches(5);
  // 5 stripes and 4 spacers are 3 1/2 in of 4.
  const auto run = [&] {
    Checked<SpacerRun> made = spacerRun(cut, low, high);
    REQUIRE(made.has_value());
    return *made;
  };
  CHECK(run().stripes == 5);
  CHECK(run().leftOver.inches() == Approx(0.5));
  CHECK(run().lines.front() == high);
  CHECK(run().lines.back().inches() == Approx(1.5));
  cut.leftover = Leftover::top;
  CHECK(run().lines.front().inches() == Approx(4.5));
  CHECK(run().lines.back().inches() == Approx(1));
  cut.leftover = Leftover::both;
  CHECK(run().lines.front().inches() == Approx(4.75));
  CHECK(run().lines.back().inches() == Approx(1.25));
  CHECK(run().lines.size() == 10);
  for (std::size_t i = 2; i < 10; i += 2) {
    CHECK((run().lines[i - 1] - run().lines[i]).inches() == Approx(0.25));
  }
  cut.stripes = 6;
  CHECK(spacerRun(cut, low, high).error().where.member == Member::cutStripes);
  cut.stripes = 500;
  CHECK(spacerRun(cut, low, high).error().where.member == Member::cutStripes);
  cut.stripes = 0;
  cut.tape = {Length::inches(4.5), {}};
  CHECK(spacerRun(cut, low, high).error().where.member == Member::cutTape);
  cut.tape = {Length::mm(0.2), {}};
  CHECK(spacerRun(cut, low, high).error().where.member == Member::cutTape);
  cut.tape = {Length::mm(2), {}};
  cut.spacer = {Length(), {}};
  CHECK(spacerRun(cut, low, high).error().where.member == Member::cutSpacer);
}

TEST_CASE("a run's tape is its stripes' lengths on the cup and their tabs") {
  const Straight cup;
  RingCut cut{.by = CutBy::spacers, .stripes = 3};
  const Region whole = Region::band(Length(), cup.body.wall());
  const Checked<SpacerRun> run = spacerRun(cut, Length(), cup.body.wall());
  REQUIRE(run.has_value());
  const SpacerTape tape = tapeFor(*run, whole, cup.body);
  CHECK(tape.stripes.mm() == Approx(3 * (9 * 25.4 + 12)));
  CHECK(tape.spacers.mm() == Approx(2 * (9 * 25.4 + 12)));
}

TEST_CASE("ring strips are once round at their line; the marks on the sheet add to the wall") {
  const Body body = bodyOf(all()[1].blank);
  const Development flat = body.cone();
  const Wall wall{body, flat, CupAngle::degrees(170)};
  ZoneNode node = threeBands();
  node.parts.resize(1);
  node.parts[0].cut = UprightCut{.count = 3};
  const CheckedAll<Divided> divided = divide(node, wall);
  REQUIRE(divided.has_value());
  const std::vector<Part> strips =
      ringStrips(*divided, body, CupAngle::degrees(170), Unit::inch, "Comet");
  REQUIRE(strips.size() == 2);
  for (std::size_t i = 0; i < strips.size(); ++i) {
    const double around =
        body.radius(body.wall() * ((2.0 - static_cast<double>(i)) / 3)).mm() * 2 * M_PI;
    double longest = 0;
    Path side{strips[i].outline.start, {}};
    for (const Stretch& stretch : strips[i].outline.stretches) {
      side.stretches = {stretch};
      longest = std::max(longest, lengthOf(side).mm());
      side.start = stretch.end;
    }
    CHECK(longest == Approx(around + 10).margin(0.6));
    std::size_t named = 0;
    for (const Lettering& lettering : strips[i].letterings) {
      for (const char* line : {"1", "2", "3"}) {
        named += inWords(lettering.words, Unit::inch) == line ? 1 : 0;
      }
    }
    CHECK(named >= 3);
  }
  const std::vector<Part> sheets = marksSheets(*divided, flat, Unit::inch, "Comet");
  REQUIRE(sheets.size() == 1);
  CHECK(sheets[0].bounds().height() == Approx(240));
  for (const Lettering& lettering : sheets[0].letterings) {
    CHECK(sheets[0].bounds().contains(lettering.at));
  }
  for (const LineMark& mark : divided->marks) {
    CHECK((mark.fromBase + mark.fromRim).mm() == Approx(body.wall().mm()));
  }
  // With many marks there is a second page.
  node.cut = RingCut{.count = 40};
  const CheckedAll<Divided> many = divide(node, wall);
  REQUIRE(many.has_value());
  CHECK(marksSheets(*many, flat, Unit::inch, "Comet").size() == 2);
}

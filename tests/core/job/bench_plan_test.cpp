// SPDX-License-Identifier: GPL-3.0-or-later
// The bench of an order: a lawful plan at any moment of the work, what cannot be kept told, mixes
// as worked by hand, and the same every time.
#include "job/bench_plan.h"

#include <algorithm>
#include <catch2/catch.hpp>
#include <set>

#include "core/decal_cups.h"
#include "core/random_cups.h"
#include "measure/minutes.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

CivilTime at(const char* text) {
  return *parseCivil(text);
}

Finish glitter(Stick stick) {
  Finish finish;
  finish.kind = FinishKind::glitter;
  finish.name = "night";
  finish.colour = "#202848";
  finish.stick = stick;
  return finish;
}

/// Bands of glitter, a coat or two.
Cup glittered(Chance& chance, const std::string& name) {
  Cup cup = tapered();
  cup.name = name;
  cup.wrap.seamAt = CupAngle::degrees(chance.between(-180, 180));
  cup.division.body.cut = RingCut{.count = 2};
  cup.division.body.parts.assign(2, ZoneNode());
  for (ZoneNode& part : cup.division.body.parts) {
    part.finish = glitter(static_cast<Stick>(chance.whole(0, 5)));
  }
  for (int i = chance.whole(0, 2); i > 0; --i) {
    Coat coat;
    coat.kind = CoatKind::resin;
    coat.mixed = Volume::ml(20);
    cup.buildUp.coats.push_back(coat);
  }
  giveIds(cup);
  return cup;
}

Document orderOf(Chance& chance, int cups) {
  Document document;
  for (int i = 0; i < cups; ++i) {
    document.cups.push_back(glittered(chance, "Cup " + std::to_string(i)));
  }
  document.bench.from = at("2026-12-09T18:00");
  document.bench.turners = 4;
  return document;
}

Plan planned(const Document& document, const Stock& stock = {}) {
  const auto plan = planDocument(document, stock);
  REQUIRE(plan);
  return *plan;
}

}  // namespace

TEST_CASE("At any moment of the work what is left is planned, and holds", "[bench]") {
  Chance chance(81);
  for (int round = 0; round < 8; ++round) {
    Document document = orderOf(chance, chance.whole(1, 4));
    document.bench.hands = chance.whole(1, 2);
    CivilTime now = *document.bench.from;
    std::size_t before = benchPlan(planned(document), now).countLeft();
    for (int step = 0; step < 14; ++step) {
      const BenchPlan plan = benchPlan(planned(document), now);
      REQUIRE(plan.schedule);
      CHECK(plan.countLeft() == before);
      const auto broken = brokenBy(plan.problem, *plan.schedule);
      INFO(broken.value_or(""));
      CHECK_FALSE(broken);
      CHECK(plan.schedule->tasks.size() == plan.countLeft());
      CHECK(plan.bound <= plan.schedule->ends);
      CHECK(plan.zero >= now);
      if (plan.schedule->tasks.empty()) break;
      // Every step lies within its own window.
      for (const ScheduledTask& one : plan.schedule->tasks) {
        const auto window = startWindow(plan, one.chain, plan.stepIndex(one));
        REQUIRE(window);
        CHECK(plan.at(one.start) >= window->earliest);
        CHECK((!window->latest || plan.at(one.start) <= *window->latest));
      }
      // The next is done, in time or some minutes late.
      const ScheduledTask& task = plan.schedule->tasks.front();
      const CivilTime end = plan.at(task.end);
      now = after(std::max(now, end), min(chance.whole(0, 3)));
      Cup& cup = document.cups[task.chain];
      cup.bench.done.push_back({plan.stepOf(task).id, now, plan.stepOf(task).handsOn});
      --before;
      // What it waits for is where the maker may go on.
      const BenchPlan next = benchPlan(planned(document), now);
      const BenchCup& one = next.cups[task.chain];
      if (one.left.empty()) continue;
      REQUIRE(one.opens);
      CHECK(*one.opens == after(now, plan.stepOf(task).wait.least));
      CHECK(one.closes.has_value() == plan.stepOf(task).wait.most.has_value());
    }
  }
}

TEST_CASE("The same order at the same time gives the same plan", "[bench]") {
  Chance chance(82);
  const Document document = orderOf(chance, 3);
  const BenchPlan a = benchPlan(planned(document), at("2026-12-09T17:00"));
  const BenchPlan b = benchPlan(planned(document), at("2026-12-09T17:00"));
  CHECK(a.schedule->tasks == b.schedule->tasks);
  CHECK(a.zero == *document.bench.from);
  // Once work should have begun, it begins now.
  CHECK(benchPlan(planned(document), at("2026-12-09T18:20")).zero == at("2026-12-09T18:20"));
}

TEST_CASE("A tape that was to be pulled by now is told, with how late, and the rest planned",
          "[bench]") {
  Chance chance(83);
  Document document = orderOf(chance, 1);
  for (ZoneNode& part : document.cups[0].division.body.parts) part.finish = glitter(Stick::resin);
  // Two colours have tape between them.
  document.cups[0].division.body.parts[0].finish.colour = "#F0E0B0";
  document.cups[0].division.body.parts[0].finish.name = "sand";
  BenchPlan plan = benchPlan(planned(document), *document.bench.from);
  const BenchCup cup = plan.cups[0];
  const auto shaken = std::find_if(cup.steps.begin(), cup.steps.end(), [](const Step& step) {
    return step.kind == StepKind::glitter && step.wait.most;
  });
  REQUIRE(shaken != cup.steps.end());
  const auto index = static_cast<std::size_t>(shaken - cup.steps.begin());
  for (std::size_t i = 0; i <= index; ++i) {
    document.cups[0].bench.done.push_back({cup.steps[i].id, at("2026-12-09T19:00"), min(5)});
  }
  // Just in time.
  plan = benchPlan(planned(document), after(at("2026-12-09T19:00"), *shaken->wait.most));
  CHECK(plan.troubles.empty());
  CHECK(plan.schedule->tasks.front().start == Duration());
  // A quarter of an hour late.
  plan = benchPlan(planned(document), after(at("2026-12-09T19:15"), *shaken->wait.most));
  REQUIRE(plan.troubles.size() == 1);
  CHECK(plan.troubles[0].rule == Rule::stepTooLate);
  CHECK(plan.troubles[0].step == cup.steps[index + 1].id);
  CHECK(inWords(plan.troubles[0].words, Unit::mm).find("15 min") != std::string::npos);
  REQUIRE(plan.schedule);
  CHECK(plan.schedule->tasks.front().start == Duration());
}

TEST_CASE("A step longer than any evening is told, wherever it stands", "[bench]") {
  Chance chance(85);
  for (int i = 0; i < 40; ++i) {
    Document document = orderOf(chance, 2);
    document.bench.hours.days.fill(*parseHours("18:00-22:00"));
    const auto which = static_cast<std::size_t>(chance.whole(0, 1));
    Cup& cup = document.cups[which];
    const Plan before = planned(document);
    const std::vector<Step> steps =
        benchSteps(before.cups[which], before.bench, before.stock).steps;
    const Step& step = steps[static_cast<std::size_t>(chance.whole(0, int(steps.size()) - 1))];
    changeOf(cup.bench.changes, step.id).handsOn = Duration::minutes(chance.whole(241, 400));
    const BenchPlan plan = benchPlan(planned(document), *document.bench.from);
    CHECK_FALSE(plan.schedule);
    REQUIRE_FALSE(plan.troubles.empty());
    CHECK(plan.troubles.back().rule == Rule::hoursTooShort);
    CHECK(plan.troubles.back().step == step.id);
    // With all the day to work in there is one.
    document.bench.hours.days.fill(*parseHours("08:00-22:00"));
    CHECK(benchPlan(planned(document), *document.bench.from).schedule);
  }
}

TEST_CASE("Ninety stars are laid over several evenings", "[bench]") {
  Cup cup = tapered();
  cup.name = "Sky";
  std::vector<Place> places;
  for (int i = 0; i < 90; ++i) places.push_back(placeAt(4 * i - 180, 40 + i % 5 * 10));
  cup.sets = {setAt(named("star"), 8, places, {layerOf(LayerKind::decal)})};
  giveIds(cup);
  Document document;
  document.cups = {cup};
  document.bench.from = at("2026-12-09T18:00");
  document.bench.hours.days.fill(*parseHours("18:00-22:00"));
  const BenchPlan plan = benchPlan(planned(document), *document.bench.from);
  REQUIRE(plan.schedule);
  CHECK(plan.troubles.empty());
  std::set<long> evenings;
  for (const ScheduledTask& task : plan.schedule->tasks) {
    if (plan.stepOf(task).kind == StepKind::decal) {
      evenings.insert(static_cast<long>(task.start.minutes()) / (24 * 60));
    }
  }
  CHECK(evenings.size() > 1);
}

TEST_CASE("Work that takes more than four months of evenings is told", "[bench]") {
  Chance chance(86);
  Document document = orderOf(chance, 40);
  document.bench.hours.days.fill(*parseHours("18:00-18:15"));
  const BenchPlan plan = benchPlan(planned(document), *document.bench.from);
  CHECK_FALSE(plan.schedule);
  CHECK(plan.troubles.back().rule == Rule::noTimeFound);
  CHECK(inWords(plan.troubles.back().words, Unit::mm).find("finds no time within 120 days") !=
        std::string::npos);
}

TEST_CASE("Hours too short, none at all, and a day that is over are told", "[bench]") {
  Chance chance(84);
  Document document = orderOf(chance, 2);
  for (Cup& cup : document.cups) {
    for (ZoneNode& part : cup.division.body.parts) part.finish = glitter(Stick::resin);
  }
  // Glue, glitter and pull take 20 minutes in one go: 12, 6 and 2.
  document.bench.hours.days.fill(*parseHours("18:00-18:15"));
  BenchPlan plan = benchPlan(planned(document), *document.bench.from);
  REQUIRE_FALSE(plan.troubles.empty());
  CHECK(plan.troubles[0].rule == Rule::cannotFollow);
  CHECK(inWords(plan.troubles[0].words, Unit::mm).find("too short") != std::string::npos);
  CHECK(inWords(plan.troubles[0].words, Unit::mm).find("min") != std::string::npos);
  // The rest is planned all the same.
  CHECK(plan.schedule);
  // Washing a cup alone takes 12.
  document.bench.hours.days.fill(*parseHours("18:00-18:05"));
  plan = benchPlan(planned(document), *document.bench.from);
  CHECK_FALSE(plan.schedule);
  CHECK(inWords(plan.troubles.back().words, Unit::mm)
            .find("takes 12 min in one go, and your hours "
                  "are 7 min too short") != std::string::npos);
  document.bench.hours.days.fill(*parseHours("18:00-22:00"));
  document.bench.due = at("2026-12-09T19:00");
  plan = benchPlan(planned(document), *document.bench.from);
  REQUIRE(plan.troubles.size() == 1);
  CHECK(plan.troubles[0].rule == Rule::endsLate);
  CHECK(inWords(plan.troubles[0].words, Unit::mm).find("after the order is due") !=
        std::string::npos);
  plan = benchPlan(planned(document), at("2026-12-20T18:00"));
  REQUIRE(plan.troubles.size() == 1);
  CHECK(plan.troubles[0].rule == Rule::dueBeforeNow);
  CHECK(inWords(plan.troubles[0].words, Unit::mm).find("before now") != std::string::npos);
}

TEST_CASE("Resin for cups coated in a row is mixed once, as worked by hand", "[bench]") {
  Document document;
  for (const char* name : {"A", "B"}) {
    Cup cup = tapered();
    cup.name = name;
    Coat coat;
    coat.kind = CoatKind::resin;
    coat.mixed = Volume::ml(18);
    cup.buildUp.coats = {coat};
    giveIds(cup);
    document.cups.push_back(cup);
  }
  document.bench.from = at("2026-12-09T18:00");
  document.bench.turners = 2;
  const BenchPlan plan = benchPlan(planned(document), *document.bench.from);
  const std::vector<SharedMix> mixes = mixesOf(plan);
  const auto shared = std::find_if(mixes.begin(), mixes.end(),
                                   [](const SharedMix& mix) { return mix.steps.size() == 2; });
  REQUIRE(shared != mixes.end());
  // 2 × 18 ml, a tenth stays in the cup: 40 ml, half of each; A weighs 1.1 g a ml, B 1.0.
  REQUIRE(shared->mix.parts.size() == 2);
  CHECK(shared->mix.parts[0].volume->ml() == Approx(20));
  CHECK(shared->mix.parts[0].mass->grams() == Approx(22));
  CHECK(shared->mix.parts[1].volume->ml() == Approx(20));
  CHECK(shared->mix.parts[1].mass->grams() == Approx(20));
  // All mixes together are all steps together.
  double mixed = 0;
  double needed = 0;
  for (const SharedMix& mix : mixes) {
    for (const MixPart& part : mix.mix.parts) mixed += part.volume ? part.volume->ml() : 0;
    if (mix.steps.size() < 2) continue;
    // The last of it is on the cup within the time it can be worked.
    Duration first = min(1e9);
    Duration last;
    for (const ScheduledTask& task : plan.schedule->tasks) {
      for (const auto& [cup, step] : mix.steps) {
        if (task.chain != cup || plan.stepIndex(task) != step) continue;
        first = std::min(first, task.start);
        last = std::max(last, task.end);
      }
    }
    CHECK(last - first <= *mix.working);
  }
  for (const BenchCup& cup : plan.cups) {
    for (const std::size_t index : cup.left) {
      for (const MixPart& part : cup.steps[index].mix.parts) {
        needed += part.volume ? part.volume->ml() : 0;
      }
    }
  }
  CHECK(mixed == Approx(needed));
}

TEST_CASE("Schools, methods and the room change the steps", "[bench]") {
  Chance chance(85);
  Document document = orderOf(chance, 1);
  const auto coats = [&] {
    std::vector<Step> found;
    const BenchPlan plan = benchPlan(planned(document), *document.bench.from);
    for (const Step& step : plan.cups[0].steps) {
      if (step.kind == StepKind::coat) found.push_back(step);
    }
    return found;
  };
  const std::vector<Step> usual = coats();
  document.bench.quickCoats = true;
  const std::vector<Step> quick = coats();
  REQUIRE(quick.size() == usual.size());
  REQUIRE(quick.size() >= 2);
  // It turns so long; warmed a second time meanwhile.
  const auto sets = [](const Step& step) { return (step.holds - step.handsOn).minutes(); };
  CHECK(sets(quick.front()) == 120);
  CHECK(quick.back().method == MethodKind::resin);
  document.bench.quickLast = true;
  CHECK(coats().back().method == MethodKind::fastResin);
  const auto saysNotLast = [&](const Stock& stock) {
    const BenchPlan plan = benchPlan(planned(document, stock), *document.bench.from);
    long count = 0;
    for (const Step& step : plan.cups[0].steps) {
      count +=
          inWords(step.words, Unit::mm).find("not meant to be last") == std::string::npos ? 0 : 1;
    }
    return count;
  };
  Stock trusting;
  CHECK(saysNotLast(trusting) == 1);
  trusting.methods.of(MethodKind::fastResin).mayBeLast = true;
  CHECK(saysNotLast(trusting) == 0);
  document.bench.quickCoats = document.bench.quickLast = false;
  document.bench.warmth = Temperature::celsius(11);
  CHECK(sets(coats().front()) == Approx(2 * sets(usual.front())));
  document.bench.warmth.reset();
  Stock stock;
  stock.methods.of(MethodKind::resin).next.least = min(777);
  const BenchPlan own = benchPlan(planned(document, stock), *document.bench.from);
  CHECK(std::any_of(own.cups[0].steps.begin(), own.cups[0].steps.end(),
                    [&](const Step& step) { return sets(step) == 777; }));
}

TEST_CASE("Real times are learnt from three on, by their middle", "[bench]") {
  Chance chance(86);
  Document document = orderOf(chance, 3);
  const double shares[] = {1.5, 4.0, 2.0};
  for (std::size_t i = 0; i < 3; ++i) {
    CHECK(learntTimes(benchPlan(planned(document), *document.bench.from)).empty());
    document.cups[i].bench.done.push_back({"clean", at("2026-12-09T18:30"), min(12 * shares[i])});
  }
  const auto learnt = learntTimes(benchPlan(planned(document), *document.bench.from));
  REQUIRE(learnt.size() == 1);
  CHECK(learnt[0].kind == StepKind::clean);
  CHECK(learnt[0].ofPlanned == Approx(2));
  CHECK(learnt[0].count == 3);
}

TEST_CASE("What was done and is gone from the design is kept and told", "[bench]") {
  Chance chance(87);
  Document document = orderOf(chance, 1);
  document.cups[0].bench.done = {{"glitter-gone", at("2026-12-09T18:30"), min(5)},
                                 {"mark", at("2026-12-09T18:40"), min(4)}};
  const BenchPlan plan = benchPlan(planned(document), at("2026-12-09T19:00"));
  // One is gone, and cleaning was never done before marking.
  REQUIRE(plan.cups[0].conflicts.size() == 2);
  CHECK(plan.cups[0].conflicts[0].rule == Rule::stepDoneOfNone);
  CHECK(plan.cups[0].conflicts[1].rule == Rule::stepPassedOver);
  CHECK(plan.cups[0].left.front() == 0);
  CHECK_FALSE(plan.cups[0].done[0]);
  CHECK(plan.cups[0].done[1]);
}

TEST_CASE("What somebody is at is nobody else's, and all else is planned round it", "[bench]") {
  Chance chance(88);
  for (int round = 0; round < 12; ++round) {
    Document document = orderOf(chance, chance.whole(2, 4));
    document.bench.hands = chance.whole(1, 3);
    CivilTime now = *document.bench.from;
    const std::size_t all = benchPlan(planned(document), now).countLeft();
    std::size_t done = 0;
    for (int step = 0; step < 12; ++step) {
      // Every pair of hands begins what is next for it.
      const BenchPlan open = benchPlan(planned(document), now);
      REQUIRE(open.schedule);
      std::set<std::size_t> busy;
      for (const ScheduledTask& task : open.schedule->tasks) {
        if (task.start > min(0) || !busy.insert(task.pair).second) continue;
        document.cups[task.chain].bench.begun =
            StepBegun{open.stepOf(task).id, now, static_cast<int>(task.pair)};
      }
      now = after(now, min(chance.whole(0, 5)));
      const BenchPlan plan = benchPlan(planned(document), now);
      REQUIRE(plan.schedule);
      CHECK(plan.countLeft() == all - done);
      const auto broken = brokenBy(plan.problem, *plan.schedule);
      INFO(broken.value_or(""));
      CHECK_FALSE(broken);
      for (std::size_t i = 0; i < plan.cups.size(); ++i) {
        const BenchCup& cup = plan.cups[i];
        if (!cup.atHand) continue;
        const Step& at = cup.steps[cup.atHand->step];
        CHECK(at.id == document.cups[i].bench.begun->step);
        CHECK(cup.atHand->ends >= now);
        CHECK(std::find(cup.left.begin(), cup.left.end(), cup.atHand->step) == cup.left.end());
        // What follows waits for its end, and its hands do nothing else till then.
        for (const ScheduledTask& task : plan.schedule->tasks) {
          if (task.chain == i) {
            CHECK(plan.at(task.start) >= after(cup.atHand->ends, at.wait.least));
          }
          if (task.pair == cup.atHand->pair) CHECK(plan.at(task.start) >= cup.atHand->ends);
        }
      }
      // One of them is done, in its time.
      for (std::size_t i = 0; i < plan.cups.size(); ++i) {
        if (!plan.cups[i].atHand) continue;
        CupBench& bench = document.cups[i].bench;
        const CivilTime end = plan.cups[i].atHand->ends;
        now = std::max(now, end);
        bench.done.push_back({bench.begun->step, now, min(5)});
        bench.begun.reset();
        ++done;
        break;
      }
    }
    CHECK(done > 3);
  }
}

TEST_CASE("What was begun and is gone, or is done by now, holds nothing up", "[bench]") {
  Chance chance(89);
  Document document = orderOf(chance, 1);
  document.cups[0].bench.begun = StepBegun{"glitter-gone", at("2026-12-09T18:30"), 1};
  const BenchPlan gone = benchPlan(planned(document), at("2026-12-09T18:31"));
  CHECK_FALSE(gone.cups[0].atHand);
  REQUIRE(gone.cups[0].conflicts.size() == 1);
  CHECK(gone.cups[0].conflicts[0].rule == Rule::stepBegunOfNone);
  document.cups[0].bench.begun = StepBegun{"clean", at("2026-12-09T18:30"), 1};
  document.cups[0].bench.done = {{"clean", at("2026-12-09T18:30"), min(10)}};
  CHECK_FALSE(benchPlan(planned(document), at("2026-12-09T18:31")).cups[0].atHand);
  // Hands there are none of any more keep no others from working.
  document.cups[0].bench.done.clear();
  document.cups[0].bench.begun->pair = 9;
  const BenchPlan plan = benchPlan(planned(document), at("2026-12-09T18:31"));
  REQUIRE(plan.cups[0].atHand);
  CHECK_FALSE(plan.problem.chains[0].busy);
}

TEST_CASE("With few places to dry no more than fit stand on them at any time", "[bench]") {
  Chance chance(90);
  for (int round = 0; round < 8; ++round) {
    Document document = orderOf(chance, 4);
    const BenchPlan free = benchPlan(planned(document), *document.bench.from);
    document.bench.shelfPlaces = chance.whole(1, 2);
    const BenchPlan plan = benchPlan(planned(document), *document.bench.from);
    REQUIRE(plan.schedule);
    CHECK(plan.schedule->ends >= free.schedule->ends);
    // Counted another way: at the start of each wait, how many wait that neither turn nor cure.
    for (const ScheduledTask& one : plan.schedule->tasks) {
      int standing = 0;
      for (const ScheduledTask& other : plan.schedule->tasks) {
        const Step& step = plan.stepOf(other);
        if (step.spot != Spot::shelf) continue;
        CHECK(step.kind != StepKind::cure);
        const Duration until = other.end + step.wait.least;
        if (other.start <= one.end && one.end < until) ++standing;
      }
      CHECK(standing <= document.bench.shelfPlaces);
    }
  }
}

TEST_CASE("Which cup goes first is told with why, and who can wait", "[bench]") {
  Chance chance(91);
  int critical = 0;
  for (int round = 0; round < 20; ++round) {
    Document document = orderOf(chance, chance.whole(1, 4));
    // Where there are nights, some of them mostly are slack.
    if (round % 2 == 1) document.bench.hours.days.fill(*parseHours("00:00-24:00"));
    const BenchPlan plan = benchPlan(planned(document), *document.bench.from);
    const auto slack = slackOf(plan);
    const auto why = whyFirst(plan, slack);
    CHECK(why.has_value() == (plan.cups.size() > 1));
    if (!why) continue;
    const std::string words = inWords(*why, Unit::mm);
    const ScheduledTask& first = plan.schedule->tasks.front();
    INFO(words);
    CHECK(words.starts_with(plan.cups[first.chain].name + " goes first"));
    const bool any = slack[first.chain].front() < min(1);
    CHECK(any == (words.find("begun any later") != std::string::npos));
    critical += any ? 1 : 0;
  }
  CHECK(critical > 0);
}

TEST_CASE("Before the first hour of work only what has to follow is done", "[bench]") {
  Chance chance(92);
  int followed = 0;
  for (int round = 0; round < 50; ++round) {
    Document document = orderOf(chance, 3);
    const CivilTime from = *document.bench.from;
    const CivilTime early = after(from, min(-chance.between(600, 9000)));
    const BenchPlan open = benchPlan(planned(document), from);
    const auto cup = static_cast<std::size_t>(chance.whole(0, 2));
    const std::vector<Step>& steps = open.cups[cup].steps;
    // All up to some step is done days before.
    const int last = chance.whole(0, static_cast<int>(steps.size()) - 2);
    for (int i = 0; i <= last; ++i) {
      document.cups[cup].bench.done.push_back(
          {steps[static_cast<std::size_t>(i)].id, after(early, min(-60 + i)), min(1)});
    }
    const Step& before = steps[static_cast<std::size_t>(last)];
    document.cups[cup].bench.done.back().at = early;
    const BenchPlan plan = benchPlan(planned(document), early);
    REQUIRE(plan.schedule);
    CHECK(plan.zero == early);
    CHECK(plan.troubles.empty());
    const auto broken = brokenBy(plan.problem, *plan.schedule);
    INFO(broken.value_or(""));
    CHECK_FALSE(broken);
    bool hurries = before.wait.most.has_value();
    for (const ScheduledTask& task : plan.schedule->tasks) {
      if (task.chain != cup) continue;
      const Step& step = plan.stepOf(task);
      // What hurries is done in its time; what comes after it waits for the first hour, but where
      // there is room for it in that time.
      if (hurries) {
        CHECK(plan.at(task.start) < from);
        ++followed;
      }
      hurries = hurries && step.wait.most.has_value();
      if (!before.wait.most) CHECK(plan.at(task.start) >= from);
    }
  }
  CHECK(followed > 5);
}

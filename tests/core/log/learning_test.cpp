// SPDX-License-Identifier: GPL-3.0-or-later
// What a shop finds out of its work: shares against a published table, growth, waits and faults
// against truths by chance.
#include "log/learning.h"

#include <catch2/catch.hpp>
#include <cmath>

#include "bench/looks.h"
#include "core/random_cups.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

CivilTime civil(const char* text) {
  return *parseCivil(text);
}

LearnableFigure of(LearnableFigure::Of what) {
  LearnableFigure figure;
  figure.of = what;
  return figure;
}

StepWork coatOf(const std::string& cup, int number, CivilTime when) {
  StepWork work;
  work.key = cup + "/coat-" + std::to_string(number);
  work.words = "Lamp: Flood coat";
  work.kind = StepKind::coat;
  work.at = when;
  work.took = Duration::minutes(20);
  work.usual = work.took;
  work.cup = cup;
  work.cupName = "Lamp: brass";
  work.method = MethodKind::resin;
  work.usualWait = Methods().of(MethodKind::resin).next.least;
  return work;
}

}  // namespace

TEST_CASE("Wilson's interval, as published", "[log]") {
  // R. G. Newcombe, Two-sided confidence intervals for the single proportion, Statistics in
  // Medicine 17 (1998), table I, method 3 (from memory).
  const struct {
    double found, times, low, high;
  } rows[] = {{81, 263, 0.2553, 0.3662},
              {15, 148, 0.0624, 0.1605},
              {0, 20, 0.0000, 0.1611},
              {1, 29, 0.0061, 0.1718}};
  for (const auto& row : rows) {
    INFO(row.found << " of " << row.times);
    // The same in one cup, or a time a cup.
    std::vector<FitPoint> apart;
    apart.reserve(static_cast<std::size_t>(row.times));
    for (int i = 0; i < row.times; ++i) apart.push_back({1, i < row.found ? 1.0 : 0.0});
    for (const OriginFit& fit : {shareFit({{row.times, row.found}}), shareFit(apart)}) {
      CHECK(fit.slope == Approx(row.found / row.times));
      CHECK(std::abs(fit.low - row.low) < 6e-5);
      CHECK(std::abs(fit.high - row.high) < 6e-5);
    }
  }
  CHECK(shareFit({}).count == 0);
  CHECK(shareFit({{5, 5}}).high == 1);
}

TEST_CASE("Growth of one material is what is left once the others are taken off", "[log]") {
  Chance chance(41);
  for (int round = 0; round < 20; ++round) {
    GrowthHabits truth;
    for (double& mean : truth.mean) mean *= chance.between(0.5, 2);
    std::vector<GrowthNote> notes;
    for (int i = 0; i < 12; ++i) {
      GrowthNote note;
      note.key = i + 1;
      note.words = "straight 600 ml";
      note.at = civil("2026-11-20");
      // Some without the one asked of.
      note.record.load = {i % 4 == 3 ? 0 : chance.between(0.2, 1.5), double(chance.whole(0, 2)),
                          double(chance.whole(0, 2)), 0, double(chance.whole(0, 1))};
      note.record.thickness = truth.thickness(note.record.load);
      notes.push_back(note);
    }
    // One cup was measured with another unit.
    notes[5].record.thickness = notes[5].record.thickness * 25.4;
    const std::vector<FigureSample> seen = growthSeen(notes, Material::resin, truth);
    REQUIRE(seen.size() == 9);
    const LearntFigure all = learn(of(LearnableFigure::Of::growth), seen, truth.mean[0], {});
    CHECK(all.fit.slope == Approx(truth.mean[0]).epsilon(0.05));
    CHECK_FALSE(all.offered);
    int odd = 0;
    for (const FigureSample& one : all.seen) odd += one.odd ? 1 : 0;
    CHECK(odd == 1);
    const LearntFigure without =
        learn(of(LearnableFigure::Of::growth), seen, truth.mean[0], {notes[5].observation()});
    CHECK(without.fit.slope == Approx(truth.mean[0]).epsilon(1e-9));
    CHECK(without.fit.count == 8);
  }
}

TEST_CASE("Waits are from a coat to what the cup was gone on with, nights left out", "[log]") {
  Chance chance(42);
  const double usual = Methods().of(MethodKind::resin).next.least.minutes();
  const double truth = 1.3;
  std::vector<StepWork> work;
  int whole = 0;
  for (int cup = 0; cup < 6; ++cup) {
    const std::string name = "order/cup-" + std::to_string(cup);
    CivilTime now = civil("2026-11-20T18:00");
    for (int i = 0; i < 4; ++i) {
      work.push_back(coatOf(name, i, now));
      // Every third wait goes over a night or two; the last has nothing behind it.
      const bool away = (cup + i) % 3 == 0;
      if (i < 3 && !away) ++whole;
      now = after(now, Duration::minutes(away ? usual * 5 : usual * truth) + work.back().took);
    }
    // Cups lie among each other in the log.
    for (std::size_t k = work.size(); k > 1; --k) {
      std::swap(work[k - 1], work[static_cast<std::size_t>(chance.whole(0, int(k) - 1))]);
    }
  }
  LearnableFigure figure = of(LearnableFigure::Of::wait);
  figure.method = MethodKind::resin;
  CHECK(figure.name() == "wait.resin");
  const LearntFigure learnt = learn(figure, waitsSeen(work, MethodKind::resin), 1, {});
  CHECK(learnt.fit.count == static_cast<std::size_t>(whole));
  // The clock knows whole minutes.
  CHECK(learnt.fit.slope == Approx(truth).margin(1 / usual));
  CHECK(learnt.offered);
  CHECK(waitsSeen(work, MethodKind::sealer).empty());
  // Where its maker had set the wait, it tells nothing of what is usual.
  for (StepWork& one : work) one.usualWait = {};
  CHECK(waitsSeen(work, MethodKind::resin).empty());
}

TEST_CASE("Faults are counted by method, cup by cup, and none are reckoned with", "[log]") {
  std::vector<StepWork> work;
  for (int cup = 0; cup < 5; ++cup) {
    for (int i = 0; i < 4; ++i) {
      StepWork one = coatOf("order/cup-" + std::to_string(cup), i, civil("2026-11-20T18:00"));
      if (cup < 2 && i == 0) one.faults = {"bubbles", "ridges"};
      if (cup == 4) one.faults = {"bubbles"};
      work.push_back(one);
    }
  }
  StepWork pulled = coatOf("order/cup-0", 9, civil("2026-11-21"));
  pulled.kind = StepKind::pull;
  pulled.method.reset();
  pulled.faults = {"torn_edge"};
  work.push_back(pulled);
  LearnableFigure resin = of(LearnableFigure::Of::fault);
  resin.method = MethodKind::resin;
  const LearntFigure learnt = learn(resin, faultsSeen(work, resin), 1, {});
  REQUIRE(learnt.seen.size() == 5);
  CHECK(learnt.seen[4].point.x == 4);
  CHECK(learnt.seen[4].point.y == 4);
  CHECK(learnt.seen[0].words == "Lamp: brass");
  CHECK(learnt.fit.slope == Approx(6.0 / 20));
  CHECK_FALSE(learnt.offered);
  CHECK(faultsCounted(work, resin) ==
        std::vector<std::pair<std::string, int>>{{"bubbles", 6}, {"ridges", 2}});
  const LearntFigure less = learn(resin, faultsSeen(work, resin), 1, {"order/cup-4/fault.resin"});
  CHECK(less.fit.slope == Approx(2.0 / 16));
  LearnableFigure pull = of(LearnableFigure::Of::fault);
  pull.kind = StepKind::pull;
  CHECK(faultsSeen(work, pull).size() == 1);
}

TEST_CASE("Every figure has a name of its own, and every fault words", "[log]") {
  std::set<std::string> names;
  for (const LearnableFigure& figure : learnableFigures()) {
    CHECK(names.insert(figure.name()).second);
  }
  const Methods methods;
  int known = 0;
  for (std::size_t kind = 0; kind < stepKinds; ++kind) {
    for (std::size_t method = 0; method < methodKinds; ++method) {
      Step step;
      step.kind = static_cast<StepKind>(kind);
      step.method = static_cast<MethodKind>(method);
      const std::optional<Look> look = lookAfter(step, methods);
      if (!look) continue;
      for (const Remedy& remedy : look->remedies) {
        ++known;
        CHECK(faultWords(remedy.fault));
        // As the shop writes them, with blanks between.
        CHECK(std::string(remedy.fault).find(' ') == std::string::npos);
      }
    }
  }
  CHECK(known > 20);
  CHECK_FALSE(faultWords("no such"));
}

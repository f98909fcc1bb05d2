// SPDX-License-Identifier: GPL-3.0-or-later
// What a maker changes of the steps: kept by id, done as asked for, objected to where it does
// harm, and never lost.
#include "bench/step_changes.h"

#include <algorithm>
#include <catch2/catch.hpp>
#include <random>
#include <set>

#include "bench/looks.h"
#include "measure/minutes.h"

using namespace avrelt;

namespace {

Step stepOf(const std::string& id, StepKind kind, std::vector<std::string> of = {},
            Wait wait = {}) {
  Step step;
  step.id = id;
  step.kind = kind;
  step.words = {id, {}};
  step.of = std::move(of);
  step.handsOn = min(5);
  step.wait = wait;
  return step;
}

std::vector<Step> someSteps() {
  std::vector<Step> steps{stepOf("clean", StepKind::clean),
                          stepOf("tape-a", StepKind::tape, {"a"}),
                          stepOf("stick-a", StepKind::stick, {"a"}, {min(0), min(10)}),
                          stepOf("glitter-a", StepKind::glitter, {"a"}, {min(0), min(10)}),
                          stepOf("pull-a", StepKind::pull, {"a"}, {min(300)}),
                          stepOf("film-b", StepKind::film, {"b"}),
                          stepOf("stripe-c", StepKind::stripe, {"c"}),
                          stepOf("rim", StepKind::rim)};
  putInOrder(steps);
  return steps;
}

std::vector<std::string> idsOf(const std::vector<Step>& steps) {
  std::vector<std::string> ids;
  for (const Step& step : steps) ids.push_back(step.id);
  return ids;
}

StepChange changed(const std::string& step) {
  StepChange change;
  change.step = step;
  return change;
}

}  // namespace

TEST_CASE("Without changes the steps stay as they are", "[steps]") {
  const ChangedSteps made = withChanges(someSteps(), {});
  CHECK(made.conflicts.empty());
  CHECK(made.steps == someSteps());
}

TEST_CASE("Steps are put in, moved, timed and noted, one after the other in the end", "[steps]") {
  StepChange own = changed("own-1");
  own.text = "Look for hairs.";
  own.behind = "film-b";
  own.handsOn = min(3);
  StepChange timed = changed("film-b");
  timed.handsOn = min(20);
  timed.wait = Wait{min(15), {}};
  timed.note = "the long one";
  StepChange moved = changed("stripe-c");
  moved.behind = "clean";
  const ChangedSteps made = withChanges(someSteps(), {own, timed, moved});
  CHECK(made.conflicts.empty());
  CHECK(idsOf(made.steps) == std::vector<std::string>{"clean", "stripe-c", "tape-a", "stick-a",
                                                      "glitter-a", "pull-a", "film-b", "own-1",
                                                      "rim"});
  CHECK(made.steps[6].handsOn.minutes() == 20);
  CHECK(made.steps[6].wait.least.minutes() == 15);
  CHECK(made.steps[6].note == "the long one");
  CHECK(made.steps[7].own);
  for (std::size_t i = 1; i < made.steps.size(); ++i) {
    CHECK(made.steps[i].after == std::vector<std::string>{made.steps[i - 1].id});
  }
}

TEST_CASE("What does harm is done, and told", "[steps]") {
  using Told = std::vector<std::pair<Rule, std::string>>;
  const auto conflictsOf = [](const StepChange& change) {
    Told told;
    for (const StepConflict& conflict : withChanges(someSteps(), {change}).conflicts) {
      told.emplace_back(conflict.rule, conflict.step);
    }
    return told;
  };
  StepChange change = changed("pull-a");
  change.behind = "tape-a";
  CHECK(conflictsOf(change) == Told{{Rule::stepOutOfOrder, "pull-a"}});
  // Film of another zone goes anywhere, but not before cleaning.
  change = changed("film-b");
  change.behind = "clean";
  CHECK(conflictsOf(change).empty());
  change.behind.clear();
  change.first = true;
  CHECK(conflictsOf(change) == Told{{Rule::stepOutOfOrder, "film-b"}});
  change.first = false;
  change.behind = "film-b";
  CHECK(conflictsOf(change) == Told{{Rule::stepBehindItself, "film-b"}});
  change.behind = "film-z";
  CHECK(conflictsOf(change) == Told{{Rule::stepBehindNone, "film-b"}});
  // What nothing else does; and one of the maker's own by a name that is taken.
  change = changed("clean");
  change.dropped = true;
  CHECK(conflictsOf(change) == Told{{Rule::stepNothingDoes, "clean"}});
  change = changed("clean");
  change.text = "Clean it my way.";
  CHECK(conflictsOf(change) == Told{{Rule::stepTwice, "clean"}});
  // Tape that nobody pulls, and glitter that nothing holds.
  change = changed("pull-a");
  change.dropped = true;
  CHECK(conflictsOf(change) == Told{{Rule::stepLeftAlone, "pull-a"}});
  change = changed("stick-a");
  change.dropped = true;
  CHECK(conflictsOf(change) == Told{{Rule::stepLeftAlone, "stick-a"}});
  // A wait cut short, and one let run.
  change = changed("pull-a");
  change.wait = Wait{min(60), {}};
  CHECK(conflictsOf(change) == Told{{Rule::stepWaitShort, "pull-a"}});
  change = changed("glitter-a");
  change.wait = Wait{min(0), min(60)};
  CHECK(conflictsOf(change) == Told{{Rule::stepWaitLong, "glitter-a"}});
  // Of a step there is none of any more: told, and nothing else.
  change = changed("glitter-z");
  change.note = "mine";
  CHECK(conflictsOf(change) == Told{{Rule::stepChangeOfNone, "glitter-z"}});
  CHECK(withChanges(someSteps(), {change}).steps == someSteps());
}

TEST_CASE("A dropped step leaves its wait to the one before", "[steps]") {
  StepChange change = changed("pull-a");
  change.dropped = true;
  const ChangedSteps made = withChanges(someSteps(), {change});
  CHECK(made.steps.size() == someSteps().size() - 1);
  CHECK(made.steps[3].id == "glitter-a");
  CHECK(made.steps[3].wait.least.minutes() == 300);
  REQUIRE(made.steps[3].wait.most);
  CHECK(*made.steps[3].wait.most >= made.steps[3].wait.least);
  // It is not lost.
  REQUIRE(made.dropped.size() == 1);
  CHECK(made.dropped[0].id == "pull-a");
  CHECK(made.dropped[0].wait.least.minutes() == 300);
}

TEST_CASE("Changes by chance lose no step and make none twice", "[steps]") {
  std::mt19937 random(71);
  for (int round = 0; round < 300; ++round) {
    std::vector<StepChange> changes;
    const std::vector<Step> steps = someSteps();
    std::size_t dropped = 0;
    std::size_t own = 0;
    for (int i = 0; i < 6; ++i) {
      const std::string id =
          random() % 5 == 0 ? "gone" + std::to_string(i) : steps[random() % steps.size()].id;
      StepChange& change = changeOf(changes, id);
      switch (random() % 4) {
        case 0:
          change.behind = steps[random() % steps.size()].id;
          if (change.behind == id) change.behind.clear();
          break;
        case 1:
          change.dropped = true;
          break;
        case 2:
          change.handsOn = min(static_cast<double>(random() % 60));
          break;
        default: {
          StepChange& mine = changeOf(changes, "own-" + std::to_string(i));
          mine.text = "x";
          mine.behind = id;
          break;
        }
      }
    }
    for (const StepChange& change : changes) {
      const bool known = std::any_of(steps.begin(), steps.end(),
                                     [&](const Step& step) { return step.id == change.step; });
      dropped += change.dropped && known ? 1 : 0;
      own += change.own() ? 1 : 0;
    }
    const ChangedSteps made = withChanges(steps, changes);
    CHECK(made.steps.size() == steps.size() - dropped + own);
    const std::vector<std::string> ids = idsOf(made.steps);
    CHECK(std::set<std::string>(ids.begin(), ids.end()).size() == ids.size());
    CHECK(withChanges(steps, changes).steps == made.steps);
  }
}

TEST_CASE("A cold room makes resin slow, a warm one makes it hurry, by the rule of thumb",
          "[steps]") {
  const Methods usual;
  const auto resin = [&](double celsius) {
    return methodsAt(usual, Temperature::celsius(celsius)).of(MethodKind::resin);
  };
  const Method& plain = usual.of(MethodKind::resin);
  CHECK(methodsAt(usual, std::nullopt) == usual);
  CHECK(resin(21) == plain);
  // Twice as long for each 10 °C, a rule of thumb.
  CHECK(resin(11).next.least.minutes() == Approx(2 * plain.next.least.minutes()));
  CHECK(resin(16).next.least.minutes() == Approx(std::sqrt(2) * plain.next.least.minutes()));
  CHECK(resin(11).cure.minutes() == Approx(2 * plain.cure.minutes()));
  // Cautious: warmer, waits stay, but the tape has to come off sooner.
  CHECK(resin(31).next == plain.next);
  CHECK(resin(31).pull.most->minutes() == Approx(plain.pull.most->minutes() / 2));
  CHECK(resin(31).working.minutes() == Approx(plain.working.minutes() / 2));
  CHECK(*resin(11).pull.most >= *plain.pull.most);
  for (const double celsius : {-5.0, 5.0, 18.0, 25.0, 40.0}) {
    for (const Method& method : methodsAt(usual, Temperature::celsius(celsius)).all) {
      CHECK_FALSE(faultOf(method));
      // What dries, or cures under a lamp, is left as it is.
      if (method.kind != MethodKind::resin && method.kind != MethodKind::fastResin) {
        CHECK(method == usual.of(method.kind));
      }
    }
  }
  CHECK(coldForResin.celsius() == Approx(18.33).margin(0.01));
}

TEST_CASE("Figures of methods are refused where they mean nothing", "[steps]") {
  for (const MethodFigure& figure : methodFigures()) {
    Method method = Methods().of(MethodKind::resin);
    INFO(figure.name);
    figure.set(method, figure.get(method));
    CHECK(method == Methods().of(MethodKind::resin));
    figure.set(method, figure.least - 0.5);
    // One that is none below 0 is none.
    CHECK(faultOf(method).has_value() ==
          (figure.least >= 0 && std::string(figure.name) != "may_be_last"));
  }
  Method crossed = Methods().of(MethodKind::resin);
  crossed.pull = {min(20), min(10)};
  CHECK(faultOf(crossed));
}

TEST_CASE("After a look every remedy says what to do and puts steps in", "[steps]") {
  const Methods methods;
  int looked = 0;
  for (int kind = 0; kind <= static_cast<int>(StepKind::cure); ++kind) {
    Step step = stepOf("x", static_cast<StepKind>(kind));
    if (step.kind == StepKind::coat) step.method = MethodKind::resin;
    const auto look = lookAfter(step, methods);
    if (!look) continue;
    ++looked;
    CHECK_FALSE(look->remedies.empty());
    for (const Remedy& remedy : look->remedies) {
      CHECK_FALSE(remedy.advice.pattern.empty());
      CHECK_FALSE(remedy.steps.empty());
    }
    step.own = true;
    CHECK_FALSE(lookAfter(step, methods));
  }
  CHECK(looked >= 10);
}

TEST_CASE("What happens now or in an hour is what the wait says", "[steps]") {
  const Step glitter = stepOf("g", StepKind::glitter, {"a"}, {min(2), min(10)});
  const auto starts = [&](double waited, const std::string& with) {
    return ifDoneAfter(glitter, min(waited)).pattern.rfind(with, 0) == 0;
  };
  CHECK(starts(0, "Too soon"));
  CHECK(starts(2, "In time"));
  CHECK(starts(10, "In time"));
  CHECK(starts(11, "Too late"));
  CHECK(inWords(ifDoneAfter(glitter, min(60)), Unit::mm).find("50 min") != std::string::npos);
  CHECK(inWords(ifDoneAfter(stepOf("s", StepKind::seal, {}, {min(45)}), min(5)), Unit::mm)
            .find("40 min") != std::string::npos);
}

// SPDX-License-Identifier: GPL-3.0-or-later
#include "watch/build_up_rules.h"

#include <catch2/catch.hpp>

#include "core/cups.h"

using namespace avrelt;
using namespace avrelt::cups;

// The rules are common practice, no published source.

namespace {

std::vector<std::string> rulesFor(const BuildUp& buildUp) {
  const Body bare = bodyOf(all()[0].blank);
  const CheckedAll<std::vector<Stage>> stages = stagesOf(bare, buildUp, GrowthHabits());
  REQUIRE(stages.has_value());
  std::vector<std::string> rules;
  for (const Watch& watch : watchBuildUp(bare, buildUp, *stages))
    rules.emplace_back(idOf(watch.rule));
  return rules;
}

BuildUp twoCoats() {
  BuildUp buildUp;
  buildUp.coats = {{CoatKind::glitter, GlitterCut::fine, {}, {}},
                   {CoatKind::resin, GlitterCut::fine, Volume::ml(30), {}}};
  buildUp.laidAfter = 2;
  return buildUp;
}

Remeasure girth(int after, double inches) {
  return {after,
          {{Length::inches(8), {}}, WrittenLength{Length::inches(inches), {}}, Girth::around, {}},
          {}};
}

}  // namespace

using Rules = std::vector<std::string>;

TEST_CASE("nothing goes on before the wrap: nothing to watch") {
  CHECK(rulesFor(BuildUp()).empty());
  BuildUp later = twoCoats();
  later.laidAfter = 0;
  CHECK(rulesFor(later).empty());
}

TEST_CASE("a predicted girth is said to be a guess until it is measured") {
  CHECK(rulesFor(twoCoats()) == Rules{"growth_guessed"});
  BuildUp early = twoCoats();
  early.measured = {girth(1, 9.28)};
  CHECK(rulesFor(early) == Rules{"measured_early"});
  BuildUp measured = twoCoats();
  measured.measured = {girth(2, 9.35)};
  CHECK(rulesFor(measured).empty());
}

TEST_CASE("a wrap sized for bare and laid on coats is said to be short, and by how much") {
  BuildUp bare = twoCoats();
  bare.sizedFor = SizedFor::bare;
  CHECK(rulesFor(bare) == Rules{"cut_for_bare"});
  const Body cup = bodyOf(all()[0].blank);
  const std::vector<Watch> watches = watchBuildUp(cup, bare, *stagesOf(cup, bare, GrowthHabits()));
  const Length shortBy = std::get<Length>(watches[0].sentence.parts[1]);
  CHECK(shortBy > Length::mm(1.5));
  CHECK(shortBy < Length::mm(3));
}

TEST_CASE("a cup that shrank was measured wrong") {
  BuildUp shrunk = twoCoats();
  shrunk.measured = {girth(2, 9.215)};
  CHECK(rulesFor(shrunk) == Rules{"shrunk"});
}

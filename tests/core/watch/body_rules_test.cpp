// SPDX-License-Identifier: GPL-3.0-or-later
#include <catch2/catch.hpp>

#include "core/cups.h"
#include "job/plan.h"

using namespace avrelt;
using namespace avrelt::cups;

// The rules are common practice, no published source.

namespace {

bool watched(const Cup& cup, const std::string& rule, std::string* words = nullptr) {
  const CheckedAll<CupPlan> plan = planCup(cup, Unit::mm);
  REQUIRE(plan.has_value());
  for (const Watch& watch : plan->watches) {
    if (idOf(watch.rule) != rule) continue;
    if (words != nullptr) *words = inWords(watch.sentence, Unit::mm);
    return true;
  }
  return false;
}

Cup cupOf(const Blank& blank) {
  Cup cup = newCup("Moon", Unit::mm);
  cup.blank = blank;
  return cup;
}

}  // namespace

TEST_CASE("film asked for more than it bears is said, with the way that spares it") {
  Cup cup = cupOf(allCurved()[1].blank);
  CHECK_FALSE(watched(cup, "film_overtaxed"));
  cup.wrap.laying = LayingKind::sheet;
  std::string words;
  CHECK(watched(cup, "film_overtaxed", &words));
  CHECK_THAT(words, Catch::Contains("too full") && Catch::Contains("it will wrinkle"));
}

TEST_CASE("where no way does, the least bad is taken and said") {
  Cup cup = cupOf(curved({{0, 60}, {8, 150}, {20, 230}, {55, 270}, {100, 180}}));
  cup.film.kind = FilmKind::paper;
  std::string words;
  CHECK(watched(cup, "no_laying", &words));
  CHECK_THAT(words, Catch::Contains("least bad"));
}

TEST_CASE("another choice than the recommended is a note, with what it costs") {
  Cup cup = cupOf(all()[1].blank);
  CHECK_FALSE(watched(cup, "not_recommended"));
  cup.wrap.laying = LayingKind::gores;
  CHECK(watched(cup, "not_recommended"));
  cup.wrap.laying = LayingKind::sheet;
  cup.film.takesPercent = 20;
  std::string words;
  CHECK(watched(cup, "runs_off", &words));
  CHECK_THAT(words, Catch::Contains("runs off by"));
}

TEST_CASE("a wrap meets handle, logo, foot and rounding") {
  Blank blank = all()[0].blank;
  const auto with = [&](FeatureKind kind, double at) {
    Blank changed = blank;
    changed.features = {{kind, CupAngle::degrees(at), Angle::degrees(30), WrittenLength::mm(50),
                         WrittenLength::mm(120)}};
    return cupOf(changed);
  };
  CHECK(watched(with(FeatureKind::handle, 90), "under_handle"));
  CHECK(watched(with(FeatureKind::handle, 0), "front_marked_elsewhere"));
  CHECK(watched(with(FeatureKind::keepClear, 40), "over_keep_clear"));
  CHECK(watched(with(FeatureKind::footLip, 0), "over_foot"));
  CHECK(watched(with(FeatureKind::lidMouth, 90), "front_marked_elsewhere"));
  CHECK_FALSE(watched(with(FeatureKind::frontMark, 0), "front_marked_elsewhere"));
  Cup above = with(FeatureKind::handle, 90);
  above.wrap.baseClearance = WrittenLength::mm(125);
  CHECK_FALSE(watched(above, "under_handle"));
  blank.fillet = WrittenLength::mm(6);
  Cup rounded = cupOf(blank);
  CHECK(watched(rounded, "over_fillet"));
  rounded.wrap.baseClearance = WrittenLength::mm(7);
  CHECK_FALSE(watched(rounded, "over_fillet"));
}

TEST_CASE("a girth far from both its neighbours is asked about") {
  std::string words;
  CHECK(watched(cupOf(curved({{0, 230}, {90, 10.5}, {180, 230}})), "odd_station", &words));
  CHECK_THAT(words, Catch::Contains("another unit"));
  CHECK(watched(cupOf(curved({{0, 100}, {300, 640}, {600, 110}})), "odd_station"));
  for (const Named& cup : allCurved()) CHECK_FALSE(watched(cupOf(cup.blank), "odd_station"));
}

TEST_CASE("a wrap already cut is held against every later measurement") {
  Cup cup = cupOf(all()[0].blank);
  const Length girth = Length::inches(9.25);
  cup.wrap.overlap = WrittenLength::mm(3);
  const auto cutFor = [&](Length around) {
    cup.cuts = {CutRecord{purpose::wrap, {}, 0, {around, {}}, {around, {}}, {}}};
  };
  cutFor(girth);
  CHECK_FALSE(watched(cup, "cut_short"));
  CHECK_FALSE(watched(cup, "cut_laps_less"));
  CHECK_FALSE(watched(cup, "cut_long"));
  std::string words;
  cutFor(girth - Length::mm(5));
  CHECK(watched(cup, "cut_short", &words));
  CHECK_THAT(words, Catch::Contains("short by 5 mm") && Catch::Contains("cut it again"));
  cutFor(girth - Length::mm(2));
  CHECK(watched(cup, "cut_laps_less", &words));
  CHECK_THAT(words, Catch::Contains("1 mm of overlap left"));
  cutFor(girth + Length::mm(2));
  CHECK(watched(cup, "cut_long", &words));
  CHECK_THAT(words, Catch::Contains("Trim 2 mm"));
}

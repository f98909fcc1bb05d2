// SPDX-License-Identifier: GPL-3.0-or-later
#include <catch2/catch.hpp>
#include <cmath>
#include <numbers>
#include <set>

#include "core/cups.h"
#include "job/plan.h"

using namespace avrelt;
using namespace avrelt::cups;
using std::numbers::pi;

namespace {

CupPlan planned(const Blank& blank, LayingKind kind, double percent = 2, double overhang = 0) {
  Cup cup = newCup("Moon", Unit::mm);
  cup.blank = blank;
  cup.film.takesPercent = percent;
  cup.wrap.laying = kind;
  cup.wrap.overlap = WrittenLength::mm(3);
  cup.base.overhang = WrittenLength::mm(overhang);
  CheckedAll<CupPlan> plan = planCup(cup, Unit::mm);
  REQUIRE(plan.has_value());
  return std::move(*plan);
}

std::vector<Part> wrapsOf(const CupPlan& plan) {
  return plan.set(purpose::wrap).parts;
}

}  // namespace

TEST_CASE("every way of laying gives pieces to cut and the same in paper") {
  for (const Named& cup : allCurved()) {
    for (const LayingKind kind : layingKinds) {
      INFO(cup.name << ", " << layingName(kind));
      const CupPlan plan = planned(cup.blank, kind);
      const std::vector<Part> film = wrapsOf(plan);
      const std::vector<Part> paper = plan.set(purpose::testPiece).parts;
      REQUIRE(film.size() == static_cast<std::size_t>(plan.laying().pieces));
      REQUIRE(paper.size() == film.size());
      std::set<std::string> ids;
      for (std::size_t i = 0; i < film.size(); ++i) {
        CHECK(film[i].outline == paper[i].outline);
        CHECK(film[i].outline.closed());
        CHECK(areaOf(film[i].outline).mm2() > 0);
        ids.insert(film[i].id);
      }
      CHECK(ids.size() == film.size());
    }
  }
}

TEST_CASE(
    "pieces cover the wall: their area is the wall's, the laps left out, within the stretch") {
  for (const Named& cup : allCurved()) {
    for (const LayingKind kind : {LayingKind::sector, LayingKind::bands, LayingKind::gores}) {
      INFO(cup.name << ", " << layingName(kind));
      const CupPlan plan = planned(cup.blank, kind);
      const double wall = plan.wall.body.area(plan.wrap.low(), plan.wrap.high()).mm2();
      double area = 0;
      for (const Part& part : wrapsOf(plan)) area += part.area().mm2();
      const bool lapped = kind != LayingKind::gores;
      if (lapped) area -= 3 * (plan.wrap.high() - plan.wrap.low()).mm();
      CHECK(std::abs(area / wall - 1) <= plan.laying().largest() + 1e-3);
    }
  }
}

TEST_CASE("bands carry the number of the join they share, gores of both their sides") {
  const CupPlan bands = planned(allCurved()[1].blank, LayingKind::bands, 0.5);
  REQUIRE(bands.laying().pieces > 2);
  const auto numbers = [](const Part& part) {
    std::multiset<long> found;
    for (const Lettering& lettering : part.letterings) {
      if (lettering.words.pattern != "%1" || lettering.words.parts.empty()) continue;
      if (const long* number = std::get_if<long>(&lettering.words.parts[0])) found.insert(*number);
    }
    return found;
  };
  const std::vector<Part> parts = wrapsOf(bands);
  const long count = static_cast<long>(parts.size());
  for (long i = 0; i < count; ++i) {
    const std::multiset<long> found = numbers(parts[static_cast<std::size_t>(i)]);
    CHECK(found.count(i) == (i > 0 ? 4U : 0U));              // the join above
    CHECK(found.count(i + 1) == (i + 1 < count ? 4U : 0U));  // the join below
  }
  const CupPlan gores = planned(allCurved()[1].blank, LayingKind::gores);
  const std::vector<Part> strips = wrapsOf(gores);
  const long strip = static_cast<long>(strips.size());
  for (long i = 0; i < strip; ++i) {
    const std::multiset<long> found = numbers(strips[static_cast<std::size_t>(i)]);
    CHECK(found.count(i + 1) == 1);
    CHECK(found.count((i + 1) % strip + 1) == 1);
  }
}

TEST_CASE("every slit of a slit sector is cut from its edge, and the piece stays whole") {
  const CupPlan plan = planned(allCurved()[1].blank, LayingKind::slits);
  const Part part = wrapsOf(plan).front();
  int wanted = 0;
  for (const SlitRow& row : plan.laying().slits) wanted += row.count;
  CHECK(static_cast<int>(part.slits.size()) == wanted);
  for (const Path& slit : part.slits) CHECK_FALSE(slit.closed());
}

TEST_CASE("a wrap that hangs over the base is longer by it and snipped all round") {
  for (const Named& cup : {all()[0], all()[1], allCurved()[1]}) {
    INFO(cup.name);
    const LayingKind kind = LayingKind::sector;
    const Part plain = wrapsOf(planned(cup.blank, kind, 5)).front();
    const CupPlan plan = planned(cup.blank, kind, 5, 8);
    const Part hanging = wrapsOf(plan).front();
    CHECK(hanging.bounds().height() > plain.bounds().height() + 7.5);
    CHECK(static_cast<int>(hanging.slits.size()) == plan.snips.count);
    for (const Path& snip : hanging.slits) {
      REQUIRE(snip.stretches.size() == 2);
      CHECK(norm(snip.end() - snip.start) == Approx(plan.snips.each.mm()).epsilon(0.15));
    }
  }
}

TEST_CASE(
    "a straight sheet on a taper is as wide as the widest girth and taller by what it runs off") {
  const CupPlan plan = planned(all()[1].blank, LayingKind::sheet);
  const Box box = wrapsOf(plan).front().bounds();
  const double wrapped = (plan.wrap.high() - plan.wrap.low()).mm();
  CHECK(box.width() == Approx(plan.wall.body.around(plan.wrap.high()).mm() + 3));
  CHECK(box.height() == Approx(wrapped + plan.layings.runsOff.mm()));
}

TEST_CASE("what is to be kept clear is drawn on whichever pieces it falls") {
  Blank blank = allCurved()[1].blank;
  blank.features = {{FeatureKind::handle, CupAngle::degrees(178), Angle::degrees(40),
                     WrittenLength::mm(30), WrittenLength::mm(150)}};
  const auto drawn = [](const CupPlan& plan) {
    std::size_t count = 0;
    for (const Part& part : wrapsOf(plan)) {
      for (const Guide& guide : part.guides) {
        if (guide.kind != GuideKind::keepClear) continue;
        ++count;
        CHECK(guide.path.closed());
        CHECK(part.bounds().grownBy(0.5).contains(boundsOf(guide.path).low));
        CHECK(part.bounds().grownBy(0.5).contains(boundsOf(guide.path).high));
      }
    }
    return count;
  };
  // Across the seam: at both ends of the one part.
  CHECK(drawn(planned(blank, LayingKind::sector, 5)) == 2);
  CHECK(drawn(planned(blank, LayingKind::bands, 0.5)) > 2);
  CHECK(drawn(planned(blank, LayingKind::gores)) >= 2);
}

TEST_CASE("pieces of one purpose lie side by side without touching") {
  const CupPlan plan = planned(allCurved()[2].blank, LayingKind::gores, 1);
  const PartSet set = plan.set(purpose::wrap);
  REQUIRE(set.parts.size() > 4);
  CHECK(set.id == "wrap");
  for (std::size_t i = 0; i < set.parts.size(); ++i) {
    for (std::size_t j = i + 1; j < set.parts.size(); ++j) {
      const Box a = set.parts[i].bounds();
      const Box b = set.parts[j].bounds();
      const bool apart =
          a.high.x < b.low.x || b.high.x < a.low.x || a.high.y < b.low.y || b.high.y < a.low.y;
      CHECK(apart);
    }
  }
  CHECK(set.bounds().width() <= 560 + 1e-9);
}

TEST_CASE("the base disc is as large as the base allows and says where the front is") {
  const CupPlan plan = planned(all()[0].blank, LayingKind::sheet);
  const Part disc = plan.part(purpose::baseDisc);
  const double across = 9.25 * 25.4 / pi - 2 * 3.0 / 32 * 25.4;
  CHECK(disc.bounds().width() == Approx(across));
  CHECK(disc.area().mm2() == Approx(pi * across * across / 4));
  CHECK(disc.guides.size() >= 4);
}

TEST_CASE("on a curved wall the marking strip's edges are once round at both heights") {
  const CupPlan plan = planned(allCurved()[1].blank, LayingKind::bands);
  const Part strip = plan.part(purpose::markingStrip);
  const Length height = stripHeight(plan.wall.body, MarkingStrip());
  // Upper edge with its tab of 10 mm, walked from right to left.
  Path upper{strip.outline.stretches[1].end, {strip.outline.stretches[2]}};
  CHECK(lengthOf(upper).mm() == Approx(plan.wall.body.around(height).mm() + 10).epsilon(1e-3));
}

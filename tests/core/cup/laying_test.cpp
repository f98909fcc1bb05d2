// SPDX-License-Identifier: GPL-3.0-or-later
#include "cup/laying.h"

#include <catch2/catch.hpp>
#include <cmath>

#include "core/cups.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

Film film(double percent) {
  Film film;
  film.takesPercent = percent;
  return film;
}

Layings layingsOn(const Body& body, double percent) {
  return layingsOf(body, Length(), body.wall(), Length::mm(3), film(percent));
}

}  // namespace

TEST_CASE("a straight cup takes a straight sheet, a tapered one a ring sector") {
  CHECK(layingsOn(bodyOf(all()[0].blank), 1).recommended == LayingKind::sheet);
  const Layings tapered = layingsOn(bodyOf(all()[1].blank), 0);
  CHECK(tapered.recommended == LayingKind::sector);
  CHECK(tapered.of(LayingKind::sector).largest() == 0);
}

TEST_CASE("by how much a straight sheet runs off is the bow of the sector's wider edge") {
  // Between front and back a ring of the flat falls by r/k · (1 − cos kπ): the rise of an arc
  // (Machinery's Handbook, "Segments of circles").
  const Body body = bodyOf(all()[1].blank);
  const double k = body.cone().taper();
  const double r = body.radius(body.wall()).mm();
  const double rise = r / k * (1 - std::cos(k * std::acos(-1.0)));
  CHECK(layingsOn(body, 1).runsOff.mm() == Approx(rise));
  // A taper of a tenth of a millimetre runs off by less than a tape shows.
  const Body mild = bodyOf(cups::body(Length::mm(240), Length::mm(240.1), Length::mm(200)));
  CHECK(layingsOn(mild, 1).runsOff < Length::mm(0.1));
}

TEST_CASE("film that gives enough takes a curved cup in one sector, stiffer film does not") {
  const Body barrel = bodyOf(allCurved()[1].blank);
  const double largest = layingsOn(barrel, 1).of(LayingKind::sector).largest() * 100;
  CHECK(layingsOn(barrel, largest * 1.01).recommended == LayingKind::sector);
  const Layings stiff = layingsOn(barrel, largest * 0.5);
  CHECK(stiff.recommended != LayingKind::sector);
  CHECK(stiff.of(stiff.recommended).bears);
}

TEST_CASE("of the ways the film bears, the recommended has the shortest joins") {
  for (const Named& cup : allCurved()) {
    for (const double percent : {0.3, 1.0, 2.0, 4.0, 8.0}) {
      INFO(cup.name << ", film bears " << percent << " %");
      const Layings layings = layingsOn(bodyOf(cup.blank), percent);
      const Laying& taken = layings.of(layings.recommended);
      for (const Laying& option : layings.options) {
        CHECK(option.bears == (option.possible && option.largest() <= percent / 100 * (1 + 1e-9)));
        if (option.kind == LayingKind::sheet || !option.bears) continue;
        CHECK(taken.bears);
        if (taken.kind != LayingKind::sector) CHECK(taken.joins <= option.joins);
      }
    }
  }
}

TEST_CASE("paper bears nothing: what is left is said and the least is taken") {
  const Layings layings = layingsOn(bodyOf(allCurved()[2].blank), 0);
  const Laying& taken = layings.of(layings.recommended);
  for (const Laying& option : layings.options) {
    if (option.possible) CHECK(taken.largest() <= option.largest());
  }
}

TEST_CASE("every way of laying tells its stretch all the way up and what it costs") {
  for (const Named& cup : allCurved()) {
    const Body body = bodyOf(cup.blank);
    const Layings layings = layingsOn(body, 2);
    for (const Laying& option : layings.options) {
      INFO(cup.name << ", " << layingName(option.kind));
      if (!option.possible) continue;
      REQUIRE(option.map.size() > 20);
      CHECK(option.map.front().s == Length());
      CHECK(option.map.back().s == body.wall());
      double largest = 0;
      for (const StretchRow& row : option.map) {
        largest = std::max({largest, std::abs(row.middle), std::abs(row.edge)});
      }
      CHECK(largest == Approx(option.largest()).margin(1e-9));
      CHECK(option.joins >= body.wall());
      // Nothing can be covered with much less film than it has surface.
      CHECK(option.film.mm2() > body.area().mm2() * 0.9);
      CHECK(option.pieces >= 1);
    }
  }
}

TEST_CASE("slits lap over just what the film's cone has too much of") {
  const Body barrel = bodyOf(allCurved()[1].blank);
  const Laying slits = layingsOn(barrel, 2).of(LayingKind::slits);
  REQUIRE(slits.possible);
  REQUIRE_FALSE(slits.slits.empty());
  const RingFit& cone = slits.rings.front();
  for (const SlitRow& row : slits.slits) {
    const double edge = row.atRim ? cone.high : cone.low;
    const double excess =
        2 * std::acos(-1.0) * cone.radius(edge) - barrel.around(Length::mm(edge)).mm();
    CHECK(row.each.mm() * row.count == Approx(excess));
    CHECK(row.depth > Length());
    CHECK(row.count >= 4);
  }
}

TEST_CASE("more give never asks for more pieces") {
  for (const Named& cup : allCurved()) {
    int bands = 1000;
    int gores = 1000;
    for (const double percent : {0.2, 0.5, 1.0, 2.0, 4.0, 8.0, 16.0}) {
      const Layings layings = layingsOn(bodyOf(cup.blank), percent);
      INFO(cup.name << ", " << percent);
      CHECK(layings.of(LayingKind::bands).pieces <= bands);
      CHECK(layings.of(LayingKind::gores).pieces <= gores);
      bands = layings.of(LayingKind::bands).pieces;
      gores = layings.of(LayingKind::gores).pieces;
    }
  }
}

TEST_CASE("films bear what their kind says until the maker says otherwise") {
  CHECK(bearsOf({FilmKind::stiff, {}}) == Approx(0.01));
  CHECK(bearsOf({FilmKind::paper, {}}) == Approx(0.001));
  CHECK(bearsOf({FilmKind::stretchy, 12.0}) == Approx(0.12));
}

// SPDX-License-Identifier: GPL-3.0-or-later
#include <catch2/catch.hpp>
#include <set>

#include "cup/capacity.h"
#include "cup/laying.h"
#include "shop/shop.h"

using namespace avrelt;

TEST_CASE("every starter blank makes a body that can hold what is said of it") {
  std::set<std::string> names;
  for (const ShelfBlank& shelved : starterBlanks()) {
    INFO(shelved.blank.name);
    const CheckedAll<Body> body = Body::of(shelved.blank);
    if (!body) FAIL(inWords(body.error().front().sentence, Unit::mm));
    REQUIRE(shelved.capacity.has_value());
    const std::optional<Sentence> note = capacityNote(*body, *shelved.capacity);
    if (note) FAIL_CHECK(inWords(*note, Unit::mm));
    names.insert(shelved.blank.name);
    const Layings layings =
        layingsOf(*body, Length(), body->wall(), Length::mm(3), Film{FilmKind::thinCast, {}});
    CHECK(layings.of(layings.recommended).bears);
  }
  CHECK(names.size() == 12);
}

TEST_CASE("a capacity that the girths cannot hold, or would hold three times, earns a note") {
  // 243 mm round and 195 mm high: π (243/2π)² · 195 = 916 ml outside, by the cylinder's formula.
  Blank blank = starterBlanks()[1].blank;
  blank.fillet = {};
  const Body body = *Body::of(blank);
  CHECK(body.holds({}, {}).ml() == Approx(916.3).epsilon(1e-3));
  CHECK_FALSE(capacityNote(body, Volume::ml(600)).has_value());
  CHECK_THAT(inWords(*capacityNote(body, Volume::ml(950)), Unit::mm), Catch::Contains("at most"));
  CHECK_THAT(inWords(*capacityNote(body, Volume::ml(250)), Unit::mm),
             Catch::Contains("thick double wall"));
}

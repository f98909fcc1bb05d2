// SPDX-License-Identifier: GPL-3.0-or-later
#include "divide/sight.h"

#include <catch2/catch.hpp>

#include "core/random_cups.h"

using namespace avrelt;
using namespace avrelt::cups;

TEST_CASE("what is in sight of a zone is what a boolean leaves of it, over any seam") {
  int cut = 0;
  for (unsigned seed = 1; seed <= 200; ++seed) {
    Chance chance(seed);
    const Wall wall = chance.wall();
    const Region zone = chance.zone(wall);
    const Angle middle = Angle::degrees(chance.between(-180, 180));
    const Angle half = Angle::degrees(chance.between(20, 150));
    const Region sight = Region::between(middle - half, middle + half, Length(), wall.body.wall());
    const double wanted = (zone & sight).area(wall.body).mm2();
    double seen = 0;
    for (const WallLine& outline : inSight(zone, middle - half, middle + half)) {
      seen += enclosedArea({outline}, wall.body).mm2();
      for (const WallPoint& p : outline) {
        const double off = std::remainder((p.theta - middle).radians(), 2 * M_PI);
        CHECK(std::abs(off) <= half.radians() + 1e-9);
      }
    }
    INFO("seed " << seed);
    // Along a slanting side the area is an integral of few places.
    CHECK(seen == Approx(wanted).epsilon(1e-4).margin(0.5));
    cut += seen > 0 && seen < zone.area(wall.body).mm2() - 1 ? 1 : 0;
  }
  CHECK(cut > 60);
}

// SPDX-License-Identifier: GPL-3.0-or-later
// Paper to place sets by: masks open where the set lies, strips with every place of a row, a map.
#include <rapidcheck/catch.h>

#include <catch2/catch.hpp>

#include "core/decal_cups.h"
#include "decal/shapes.h"
#include "job/ids.h"
#include "job/plan.h"
#include "sheet/decal_parts.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

DecalSet discs(std::vector<Place> places, LayerKind kind) {
  Artwork artwork = shapeArtwork("full_moon");
  artwork.id = "moon";
  DecalSet set;
  set.artwork = "moon";
  set.art = SharedArt(artwork);
  set.size = WrittenLength::mm(24);
  set.places = std::move(places);
  Layer layer;
  layer.kind = kind;
  set.layers = {layer};
  return set;
}

double pathArea(const Path& path) {
  return signedArea(flattened(path, Length::mm(0.001)));
}

}  // namespace

TEST_CASE("a placing mask is open where the set lies, and ends at the rim and its zone's edges") {
  rc::prop("over seams, cups and places", [] {
    Cup cup = newCup("cup", Unit::mm);
    if (*rc::gen::inRange(0, 2) == 0) cup.blank.stations[1].girth = WrittenLength::mm(290);
    cup.wrap.seamAt = CupAngle::degrees(*rc::gen::inRange(-180, 180));
    const double where = *rc::gen::inRange(-180, 180);
    cup.sets = {discs({placeAt(where, 100)}, LayerKind::decal)};
    const CupPlan plan = planned(cup);
    const std::vector<Part>& masks = plan.parts(purpose::placingMask);
    RC_ASSERT(masks.size() == 1);
    const Part& mask = masks[0];
    RC_ASSERT(mask.holes.size() == 1);
    const double disc = plan.sets[0].layers()[0].area.mm2();
    RC_ASSERT(std::abs(-pathArea(mask.holes[0]) - disc) < 1e-3 * disc);
    // 12 mm of border round it, and all the way up to the rim.
    const double wall = plan.wall.body.wall().mm();
    RC_ASSERT(std::abs(mask.bounds().high.y - wall) < 0.006);
    RC_ASSERT(mask.bounds().low.y < 100 - 12 - 11.9 && mask.bounds().low.y > 100 - 12 - 14);
    // On what is divided all round half-way between, it is cut there.
    Cup cut = cup;
    cut.division.body.cut = RingCut{};
    const CupPlan two = planned(cut);
    const Zone* lower = nullptr;
    for (const Zone& zone : two.divided.zones) {
      if (zone.id == two.sets[0].places[0].room.zone) lower = &zone;
    }
    RC_ASSERT(lower != nullptr);
    const std::vector<Part>& within = two.parts(purpose::placingMask);
    RC_ASSERT(within.size() == 1);
    RC_ASSERT(within[0].bounds().high.y < lower->region.highest().mm() + 0.006);
    RC_ASSERT(within[0].bounds().low.y > lower->region.lowest().mm() - 3);
  });
}

TEST_CASE("a row has one strip with all its places, and a map shows every peekaboo") {
  Cup cup = newCup("cup", Unit::mm);
  cup.sets = {discs({}, LayerKind::peekaboo), discs({placeAt(10, 60)}, LayerKind::decal)};
  giveIds(cup);
  Row row;
  row.sets = {cup.sets[0].id};
  row.count = 5;
  row.gap = WrittenLength::mm(4);
  row.up = WrittenLength::mm(110);
  row.at = CupAngle::degrees(20);
  cup.rows = {row};
  const CupPlan plan = planned(cup);
  const std::vector<Part>& strips = plan.parts(purpose::rowStrip);
  REQUIRE(strips.size() == 1);
  int marks = 0;
  for (const Guide& guide : strips[0].guides) marks += guide.kind == GuideKind::trim ? 1 : 0;
  CHECK(marks == 5);
  // Its upper edge is once round, and a tab.
  CHECK(strips[0].bounds().width() ==
        Approx(plan.wall.body.around(Length::mm(110)).mm() + 10).margin(0.01));
  const std::vector<Part>& maps = plan.parts(purpose::peekabooMap);
  REQUIRE(maps.size() == 1);
  CHECK(maps[0].of.size() == 5);
  // Rows are placed by their strip, not by masks.
  CHECK(plan.parts(purpose::placingMask).size() == 1);
  cup.rows.clear();
  CHECK(planned(cup).parts(purpose::peekabooMap).empty());
}

// SPDX-License-Identifier: GPL-3.0-or-later
// Layers of a set always fit each other: by area, by the way back from what is cut, at any coats.
#include <rapidcheck/catch.h>

#include <catch2/catch.hpp>
#include <cmath>
#include <set>

#include "core/decal_cups.h"
#include "decal/set_plan.h"
#include "decal/shapes.h"
#include "job/ids.h"
#include "job/plan.h"
#include "sheet/decal_parts.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

double areaWithin(const Polygon& polygon) {
  return signedArea(polygon);
}

}  // namespace

TEST_CASE("Every shape of the shelf is there, of its own name, simple and of a size") {
  CHECK(shelfShapes().size() >= 16);
  std::set<std::string> ids;
  for (const ShelfShape& shape : shelfShapes()) {
    INFO(shape.id);
    CHECK(ids.insert(shape.id).second);
    const Artwork artwork = shapeArtwork(shape.id);
    CHECK_FALSE(artworkFault(artwork));
    const Box box = artwork.bounds();
    CHECK(std::max(box.width(), box.height()) > 35);
    CHECK(std::max(box.width(), box.height()) < 60);
    CHECK(areaWithin(artwork.silhouette()) > 0.03 * box.width() * box.height());
  }
  CHECK(shapeArtwork("no such").areas.empty());
}

TEST_CASE("A decal is as wide or as tall as asked for, in proportion") {
  for (const ShelfShape& shape : shelfShapes()) {
    const Artwork artwork = named(shape.id);
    const Box drawn = artwork.bounds();
    DecalSet set = setOf(artwork, 40, {layerOf(LayerKind::decal)});
    const SetShape wide = shapeOf(set);
    CHECK(wide.box.width() == Approx(40).margin(1e-3));
    CHECK(wide.box.height() == Approx(40 * drawn.height() / drawn.width()).margin(1e-3));
    CHECK(std::abs(wide.box.centre().x) < 1e-3);
    set.byHeight = true;
    CHECK(shapeOf(set).box.height() == Approx(40).margin(1e-3));
    set.flipped = true;
    set.turn = Angle::degrees(37);
    CHECK(areaWithin(shapeOf(set).artwork) ==
          Approx(areaWithin(wide.artwork) * std::pow(40 / wide.box.height(), 2)).epsilon(1e-4));
  }
}

TEST_CASE("Ring, decal and what they lap make the backing, on every shape of the shelf") {
  for (const ShelfShape& shape : shelfShapes()) {
    INFO(shape.id);
    for (const double lap : {0.0, 0.4}) {
      const DecalSet set = setOf(named(shape.id), 50,
                                 {layerOf(LayerKind::decal), layerOf(LayerKind::ring, 1.27, lap),
                                  layerOf(LayerKind::backing, 1.27)});
      const SetShape made = shapeOf(set);
      const Polygon& decal = made.layers[0].shape;
      const Polygon& ring = made.layers[1].shape;
      const Polygon& backing = made.layers[2].shape;
      // F14: 0.05 in, 1.27 mm, round a motif of 2 in; common practice, no published source.
      CHECK(areaWithin(ring) + areaWithin(decal) - areaWithin(ring & decal) ==
            Approx(areaWithin(backing)).epsilon(1e-5));
      if (lap == 0) CHECK(areaWithin(ring & decal) < 0.01);
      if (lap > 0) CHECK(areaWithin(ring & decal) > 0.5);
      // Nowhere nearer to the backing's edge than the offset.
      CHECK((decal - offsetBy(backing, Length::mm(-1.25), Corners::round)).empty());
    }
  }
}

TEST_CASE("Openings of a backing are filled, kept, or kept where they are large enough") {
  const Artwork frame = named("frame");
  Layer kept = layerOf(LayerKind::backing, 1);
  Layer filled = kept;
  filled.fillOpenings = true;
  Layer large = kept;
  large.smallestOpening = WrittenLength::mm(5);
  Layer none = kept;
  none.smallestOpening = WrittenLength::mm(40);
  const SetShape made = shapeOf(setOf(frame, 50, {kept, filled, large, none}));
  CHECK(made.layers[0].shape.size() == 2);
  CHECK(made.layers[1].shape.size() == 1);
  CHECK(made.layers[2].shape.size() == 2);
  CHECK(made.layers[3].shape.size() == 1);
}

TEST_CASE("Colours butt without a trap, and lap by it with one") {
  const Artwork comet = named("comet");
  const Polygon whole = comet.silhouette();
  const auto shapes = [&](double trap) {
    DecalSet set = setOf(comet, comet.bounds().width(), {});
    set.layers = colourLayers(comet, WrittenLength::mm(trap));
    REQUIRE(set.layers.size() == 2);
    return shapeOf(set);
  };
  const SetShape butt = shapes(0);
  CHECK(areaWithin(butt.layers[0].shape) + areaWithin(butt.layers[1].shape) ==
        Approx(areaWithin(whole)).epsilon(1e-5));
  CHECK(areaWithin(butt.layers[0].shape & butt.layers[1].shape) < 0.01);
  const SetShape lap = shapes(0.5);
  const Polygon under = lap.layers[0].shape & lap.layers[1].shape;
  CHECK(areaWithin(under) > 2);
  // The upper one keeps its form; the lower goes under it by no more than the trap.
  CHECK(areaWithin(lap.layers[0].shape) == Approx(areaWithin(butt.layers[0].shape)).epsilon(1e-6));
  CHECK((under - offsetBy(butt.layers[1].shape, Length::mm(0.51), Corners::round)).empty());
  // Both have the same two marks.
  REQUIRE(lap.layers[0].marks.size() == 2);
  CHECK(lap.layers[0].marks == lap.layers[1].marks);
}

TEST_CASE("What is too thin is found, thickened, and no more at the size that is said") {
  const Artwork frame = named("frame");
  DecalSet set = setOf(frame, 15, {layerOf(LayerKind::decal)});
  const SetShape thin = shapeOf(set);
  REQUIRE(thin.fit.stroke);
  CHECK(thin.fit.stroke->width.mm() == Approx(2.4 * 15 / 52).margin(0.01));
  CHECK_FALSE(thin.fit.thinStrokes.empty());
  REQUIRE(thin.leastSize);
  set.size = WrittenLength::mm(thin.leastSize->mm() * 1.01);
  const SetShape enough = shapeOf(set);
  CHECK(enough.fit.stroke->width >= Length::mm(0.999));
  CHECK((!enough.fit.gap || enough.fit.gap->width >= Length::mm(0.999)));
  set.size = WrittenLength::mm(15);
  set.thicken = true;
  const SetShape thick = shapeOf(set);
  CHECK(thick.thickened);
  CHECK(thick.fit.stroke->width >= Length::mm(0.98));
}

TEST_CASE("Specks go, and are counted") {
  Artwork artwork = named("full_moon");
  artwork.areas.push_back({"#22262A", {{{40, 0}, {40.5, 0}, {40.5, 0.5}, {40, 0.5}}}});
  DecalSet set = setOf(artwork, artwork.bounds().width(), {layerOf(LayerKind::decal)});
  CHECK(shapeOf(set).fit.parts == 2);
  set.drop = true;
  CHECK(shapeOf(set).fit.parts == 1);
  CHECK(shapeOf(set).dropped == 1);
}

TEST_CASE("An offset that leaves nothing says so, one that swallows all is one blob") {
  const SetShape made = shapeOf(
      setOf(named("mirror"), 40, {layerOf(LayerKind::inset, 20), layerOf(LayerKind::backing, 30)}));
  CHECK(made.layers[0].nothing);
  CHECK(made.layers[1].shape.size() == 1);
  Cup cup = straight();
  cup.sets = {setOf(named("mirror"), 40, {layerOf(LayerKind::inset, 20)})};
  const CupPlan plan = planned(cup);
  CHECK(told(plan, "set_nothing_left"));
  CHECK(plan.parts(purpose::layer).empty());
}

TEST_CASE("Bent to a ring, what is level runs along it and what is upright up the wall") {
  // A bar 80 mm long on a cone whose ring there has a radius of 300 mm where it is rolled out.
  Artwork bar;
  bar.id = "bar";
  bar.areas = {{"#000000", {{{0, 0}, {80, 0}, {80, 4}, {0, 4}}}}};
  const SetShape made = shapeOf(setOf(bar, 80, {layerOf(LayerKind::decal)}), 1.0 / 300);
  for (const Point& p : made.artwork.front()) {
    const double off = std::hypot(p.x, p.y + 300) - 300;
    CHECK(std::abs(off) < 2.003);
    if (std::abs(std::atan2(p.x, p.y + 300)) < 39.0 / 300) {
      CHECK(std::abs(std::abs(off) - 2) < 0.003);
    }
  }
}

TEST_CASE("Layers laid at other coats fit where they are laid, and the parts say so") {
  rc::prop("over cups, coats, sizes and films", [] {
    Cup cup = *rc::gen::inRange(0, 2) == 0 ? straight() : tapered();
    const int coats = *rc::gen::inRange(1, 6);
    for (int i = 0; i < coats; ++i) {
      cup.buildUp.coats.push_back({.kind = CoatKind::resin, .mixed = Volume::ml(30)});
    }
    const auto& shapes = shelfShapes();
    const Artwork artwork = named(
        shapes[static_cast<std::size_t>(*rc::gen::inRange(0, static_cast<int>(shapes.size())))].id);
    DecalSet set = setOf(artwork, *rc::gen::inRange(20, 70),
                         {layerOf(LayerKind::ring, 1.27, 0.4), layerOf(LayerKind::peekaboo)});
    set.layers[0].material =
        *rc::gen::inRange(0, 2) == 0 ? PartMaterial::heatApplied : PartMaterial::permanent;
    set.shrinkPercent = *rc::gen::inRange(0, 30) / 10.0;
    set.turn = Angle::degrees(*rc::gen::inRange(-180, 180));
    set.places[0].at = CupAngle::degrees(*rc::gen::inRange(-180, 180));
    cup.sets = {set};
    giveIds(cup);
    cup.buildUp.laid = {{cup.sets[0].layers[0].id, coats, {}}};
    const CheckedAll<CupPlan> plan = planCup(cup, Unit::mm);
    RC_ASSERT(plan.has_value());
    const std::vector<LayerPlan>& layers = plan->sets[0].layers();
    for (const LayerPlan& layer : layers) RC_ASSERT(!layer.odd);
    // The second way: the ring's inner edge laid where the cup has grown covers as much of a turn
    // as the stencil's did, less the lap.
    const Length s = set.places[0].up.length;
    const double ring = plan->stageOf(layers[0].id).wall.body.radius(s).mm();
    const double stencil = plan->stageOf(layers[1].id).wall.body.radius(s).mm();
    RC_ASSERT(ring >= stencil);
    const double shrink = 1 - set.shrinkPercent / 100;
    const double cutRing = boundsOf(layers[0].cut).width() * shrink / ring;
    const double cutStencil = boundsOf(layers[1].cut).width() * shrink / stencil;
    const double wanted = 2 * 1.27 / stencil;
    RC_ASSERT(std::abs(cutRing - cutStencil - wanted) < 0.05 * wanted + 1e-4);
    RC_ASSERT(layers[0].mirrored == (set.layers[0].material == PartMaterial::heatApplied));
  });
}

TEST_CASE("A layer mirrored alone is a stop that names it, unless it is the same in a mirror") {
  Cup cup = straight();
  cup.sets = {
      setOf(named("comet"), 50, {layerOf(LayerKind::decal), layerOf(LayerKind::backing, 1)})};
  cup.sets[0].layers[1].mirrored = true;
  CHECK(told(planned(cup), "set_odd_layer"));
  cup.sets[0].layers[1].sees = BladeSees::back;
  CHECK_FALSE(told(planned(cup), "set_odd_layer"));
  cup.sets[0].layers[1].sees.reset();
  cup.sets[0] = setOf(named("full_moon"), 50, cup.sets[0].layers);
  CHECK_FALSE(told(planned(cup), "set_odd_layer"));
}

TEST_CASE("A copied set gives the same parts, a year later too") {
  Cup cup = straight();
  cup.sets = {
      setOf(named("laurel"), 47.3, {layerOf(LayerKind::decal), layerOf(LayerKind::backing, 1.27)})};
  const CupPlan first = planned(cup);
  Cup other = tapered();
  other.sets = cup.sets;
  other.sets[0].places[0].at = CupAngle::degrees(70);
  const CupPlan second = planned(other);
  const std::vector<Part>& a = first.parts(purpose::layer);
  const std::vector<Part>& b = second.parts(purpose::layer);
  REQUIRE(a.size() == 2);
  REQUIRE(b.size() == 2);
  for (std::size_t i = 0; i < 2; ++i) {
    CHECK(a[i].outline == b[i].outline);
    CHECK(a[i].more == b[i].more);
    CHECK(a[i].holes == b[i].holes);
  }
}

TEST_CASE("What was cut for another size than the set has now is a stop") {
  Cup cup = straight();
  cup.sets = {
      setOf(named("star"), 50, {layerOf(LayerKind::decal), layerOf(LayerKind::backing, 1)})};
  giveIds(cup);
  CutRecord cut;
  cut.purpose = purpose::layer;
  cut.of = {cup.sets[0].layers[0].id};
  cut.size = WrittenLength::mm(50);
  cup.cuts = {cut};
  CHECK_FALSE(told(planned(cup), "set_cut_otherwise"));
  cup.sets[0].size = WrittenLength::mm(50.8);
  CHECK(told(planned(cup), "set_cut_otherwise"));
}

TEST_CASE("A set on the wall covers its own area wherever it stands") {
  rc::prop("over seams, cups and places", [] {
    Cup cup = *rc::gen::inRange(0, 2) == 0 ? straight() : tapered();
    cup.wrap.seamAt = CupAngle::degrees(*rc::gen::inRange(-180, 180));
    cup.sets = {setOf(named("crescent"), *rc::gen::inRange(15, 45), {layerOf(LayerKind::decal)})};
    cup.sets[0].places[0].at = CupAngle::degrees(*rc::gen::inRange(-180, 180));
    giveIds(cup);
    const CheckedAll<CupPlan> plan = planCup(cup, Unit::mm);
    RC_ASSERT(plan.has_value());
    const double area = plan->sets[0].layers()[0].area.mm2();
    const Region& region = plan->sets[0].places[0].laid->layers[0].region;
    RC_ASSERT(std::abs(region.area(plan->wall.body).mm2() - area) < 2e-3 * area);
  });
}

TEST_CASE("A set whose artwork is gone is told, and one of size 0 is refused") {
  Cup cup = straight();
  cup.sets = {setOf(named("star"), 50, {layerOf(LayerKind::decal)})};
  cup.sets[0].art = {};
  CHECK(told(planned(cup), "set_no_art"));
  cup.sets[0].size = {};
  giveIds(cup);
  const CheckedAll<CupPlan> plan = planCup(cup, Unit::mm);
  REQUIRE_FALSE(plan);
  CHECK(plan.error().front().where.member == Member::setSize);
}

TEST_CASE("Parts in the openings of others are whole over the seam too") {
  // Rings round a disc, a planet within its ring: at the front and at every seam alike.
  for (const char* id : {"orbit", "planet", "sun", "frame"}) {
    for (const bool taper : {false, true}) {
      Cup cup = taper ? tapered() : straight();
      Artwork artwork = named(id);
      if (std::string(id) == "frame") {
        artwork.areas.push_back({"#22262A", {{{-3, -3}, {3, -3}, {3, 3}, {-3, 3}}}});
      }
      cup.sets = {setOf(artwork, 40, {layerOf(LayerKind::decal), layerOf(LayerKind::ring, 1)})};
      for (const double at : {0.0, 150.0, 176.0, 180.0, -171.0}) {
        INFO(id << " at " << at << (taper ? " on a taper" : ""));
        cup.sets[0].places[0].at = CupAngle::degrees(at);
        const CupPlan plan = planned(cup);
        const SetPlan& made = plan.sets[0];
        for (std::size_t i = 0; i < made.layers().size(); ++i) {
          const Region& region = made.places[0].laid->layers[i].region;
          CHECK(region.area(plan.wall.body).mm2() ==
                Approx(made.layers()[i].area.mm2()).epsilon(3e-3));
        }
      }
    }
  }
}

TEST_CASE("Over the rim and across the seam are told as a set lies on its wall") {
  // A straight bar rises along a taper that widens upwards: its ends cross the rim before its
  // middle.
  Artwork bar;
  bar.id = "bar";
  bar.areas = {{"#000000", {{}}}};
  std::vector<Point>& outline = bar.areas[0].area[0];
  for (int i = 0; i <= 60; ++i) outline.push_back({2.0 * i, 0});
  for (int i = 60; i >= 0; --i) outline.push_back({2.0 * i, 4});
  Cup cup = tapered();
  const Length wall = planned(cup).wall.body.wall();
  cup.sets = {setOf(bar, 120, {layerOf(LayerKind::decal)})};
  cup.sets[0].places[0].up = WrittenLength::mm(wall.mm() - 3);
  CHECK(told(planned(cup), "set_off_wall"));
  cup.sets[0].places[0].follows = true;
  CHECK_FALSE(told(planned(cup), "set_off_wall"));
  Cup level = straight();
  level.sets = cup.sets;
  level.sets[0].places[0].follows = false;
  level.sets[0].places[0].up = WrittenLength::mm(planned(level).wall.body.wall().mm() - 3);
  CHECK_FALSE(told(planned(level), "set_off_wall"));
  // The seam at random, the set 30 mm to either side of its middle.
  rc::prop("over seams", [&] {
    Cup any = *rc::gen::inRange(0, 2) == 0 ? straight() : tapered();
    any.wrap.seamAt = CupAngle::degrees(*rc::gen::inRange(-180, 180));
    any.sets = {setOf(named("full_moon"), 60, {layerOf(LayerKind::decal)})};
    any.sets[0].places[0].at = CupAngle::degrees(*rc::gen::inRange(-180, 180));
    const CupPlan plan = planned(any);
    const double radius = plan.wall.flat.radius(any.sets[0].places[0].up.length).mm();
    const double off =
        std::abs((any.sets[0].places[0].at - any.wrap.seamAt).wrapped().radians()) * radius;
    // On a taper the widest place is not quite at the middle's height.
    if (std::abs(off - 30) < 1) return;
    RC_ASSERT(told(plan, "set_over_seam") == (off < 30));
  });
}

TEST_CASE("A set beyond the rim is planned, and told") {
  Cup cup = straight();
  cup.sets = {setOf(named("star"), 30, {layerOf(LayerKind::decal)})};
  cup.sets[0].places[0].up = WrittenLength::mm(4500);
  CHECK(told(planned(cup), "set_off_wall"));
}

TEST_CASE("Joined artworks are one, and hold no part of themselves") {
  std::vector<SharedArt> artworks{SharedArt(named("full_moon")), SharedArt(named("star"))};
  Artwork joined;
  joined.id = "joined";
  joined.joining.of = {{"full_moon", 0, 0, 100, 0}, {"star", 20, 0, 50, 10}};
  const double moon = areaWithin(artworks[0]->silhouette());
  const double star = areaWithin(artworks[1]->silhouette()) / 4;
  const auto areaOf = [&](JoinKind kind) {
    joined.joining.kind = kind;
    const Checked<Artwork> made = joinedArtwork(joined, artworks);
    REQUIRE(made);
    return areaWithin(made->silhouette());
  };
  const double common = areaOf(JoinKind::common);
  CHECK(common > 10);
  CHECK(areaOf(JoinKind::together) == Approx(moon + star - common).epsilon(1e-4));
  CHECK(areaOf(JoinKind::without) == Approx(moon - common).epsilon(1e-4));
  CHECK(areaOf(JoinKind::stacked) == Approx(moon + star - common).epsilon(1e-4));
  joined.joining.of[1].right = 200;
  joined.joining.kind = JoinKind::common;
  CHECK_FALSE(joinedArtwork(joined, artworks));
  joined.joining.kind = JoinKind::together;
  artworks.emplace_back(*joinedArtwork(joined, artworks));
  joined.joining.of[1].artwork = "joined";
  CHECK_FALSE(joinedArtwork(joined, artworks));
  joined.joining.of[1].artwork = "gone";
  CHECK_FALSE(joinedArtwork(joined, artworks));
  joined.joining.of.pop_back();
  CHECK_FALSE(joinedArtwork(joined, artworks));
}

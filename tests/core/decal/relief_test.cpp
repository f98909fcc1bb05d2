// SPDX-License-Identifier: GPL-3.0-or-later
// Cuts into what would strain its film: they leave it whole, keep off the artwork, and let tongues
// be no wider than asked where there is room.
#include "decal/relief.h"

#include <catch2/catch.hpp>
#include <cmath>

#include "core/cups.h"
#include "core/decal_cups.h"
#include "core/random_cups.h"
#include "cup/film_strain.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

Polygon rectangle(double left, double low, double right, double high) {
  return {{{left, low}, {right, low}, {right, high}, {left, high}}};
}

/// Bars so wide and tall, so far apart, from the origin.
Polygon bars(int count, double wide, double tall, double gap) {
  std::vector<Polygon> all;
  for (int i = 0; i < count; ++i) {
    all.push_back(rectangle(i * (wide + gap), 0, i * (wide + gap) + wide, tall));
  }
  return unionOf(all);
}

/// What is left of a shape with its cuts as wide as a blade.
Polygon slit(const Polygon& shape, const std::vector<ReliefCut>& cuts) {
  std::vector<Polyline> lines;
  for (const ReliefCut& cut : cuts) lines.push_back({{cut.from, cut.to}, false});
  return lines.empty() ? shape : shape - drawnWide(lines, Length::mm(0.05));
}

}  // namespace

TEST_CASE("a backing is cut in between its letters, each tongue as narrow as asked") {
  const Polygon artwork = bars(8, 8, 30, 4);
  const Polygon backing = offsetBy(artwork, Length::mm(3), Corners::round);
  REQUIRE(partsOf(backing).size() == 1);
  const Relief relief = reliefOf(backing, artwork, Length::mm(30));
  // 98 mm: four tongues at least, three cuts in from either edge.
  CHECK(relief.cuts.size() >= 6);
  CHECK(relief.tongue <= Length::mm(30));
  for (const ReliefCut& cut : relief.cuts) {
    CHECK(cut.from.x == cut.to.x);
    // In a gap: letters end at 8, 20, 32 … and begin at 12, 24, 36 …
    const double within = std::fmod(cut.from.x, 12);
    CHECK(within > 8.49);
    CHECK(within < 11.51);
  }
  CHECK(partsOf(slit(backing, relief.cuts)).size() == 1);
}

TEST_CASE("cuts lie in the shape, keep off the artwork and leave one piece, whatever they cut") {
  Chance chance(12);
  int cutIn = 0;
  for (int trial = 0; trial < 60; ++trial) {
    std::vector<Polygon> blots;
    for (int i = chance.whole(1, 6); i > 0; --i) {
      const double x = chance.between(0, 90);
      const double y = chance.between(0, 30);
      blots.push_back(rectangle(x, y, x + chance.between(3, 12), y + chance.between(3, 12)));
    }
    const Polygon artwork = unionOf(blots);
    const Polygon shape = offsetBy(artwork, Length::mm(chance.between(2, 25)), Corners::round);
    const Length widest = Length::mm(chance.between(8, 40));
    INFO("trial " << trial);
    const Relief relief = reliefOf(shape, artwork, widest);
    if (!relief.cuts.empty()) ++cutIn;
    CHECK(partsOf(slit(shape, relief.cuts)).size() == partsOf(shape).size());
    for (const ReliefCut& cut : relief.cuts) {
      const Polygon blade = drawnWide({{{cut.from, cut.to}, false}}, Length::mm(0.02));
      // Along an edge a cut may stand off it by what curves are straightened.
      CHECK(signedArea(blade - offsetBy(shape, Length::mm(0.02), Corners::round)) < 1e-3);
      CHECK((blade & offsetBy(artwork, reliefOff - Length::mm(0.02), Corners::round)).empty());
      CHECK(norm(cut.to - cut.from) >= 2);
    }
    double widestPart = 0;
    for (const Polygon& part : partsOf(shape)) {
      widestPart = std::max(widestPart, boundsOf(part).width());
    }
    CHECK(relief.tongue.mm() <= widestPart + 1e-6);
    if (widestPart <= widest.mm()) {
      CHECK(relief.cuts.empty());
      CHECK(relief.tongue.mm() == Approx(widestPart));
    }
  }
  CHECK(cutIn > 20);
}

TEST_CASE("what is all artwork, or narrow enough, stays as it is") {
  const Polygon square = rectangle(0, 0, 50, 50);
  CHECK(reliefOf(square, square, Length::mm(10)).cuts.empty());
  CHECK(reliefOf(square, square, Length::mm(10)).tongue.mm() == Approx(50));
  CHECK(reliefOf(square, {}, Length::mm(50)).cuts.empty());
  // By half: in the middle, from above and below, up to the bridge.
  const Relief half = reliefOf(square, {}, Length::mm(25));
  REQUIRE(half.cuts.size() == 2);
  for (const ReliefCut& cut : half.cuts) {
    CHECK(cut.from.x == Approx(25));
    CHECK(norm(cut.to - cut.from) == Approx(25 - reliefBridge.mm() / 2).margin(1e-3));
  }
}

TEST_CASE("the widest a film bears is the one that strains it by just that") {
  for (const Named& cup : allCurved()) {
    const Body body = bodyOf(cup.blank);
    const Length low = body.wall() * 0.3;
    const Length high = body.wall() * 0.8;
    const double bend = sharpestBend(body, low, high);
    if (bend < 1e-7) continue;
    for (const double bears : {0.005, 0.01, 0.04}) {
      const double wide = widestBorne(body, low, high, bears).mm();
      CHECK(bend * wide * wide / 16 == Approx(bears));
    }
  }
  const Body cone = planned(tapered()).wall.body;
  CHECK(widestBorne(cone, Length(), cone.wall(), 0.01) >= Length::mm(10000));
}

TEST_CASE("on a wall that curves both ways a set is cut in, its parts say so, and it is borne") {
  Artwork lines;
  lines.id = lines.name = "bars";
  lines.areas = {{"#000000", bars(7, 7, 70, 5)}};
  Cup cup = straight();
  cup.blank = allCurved()[1].blank;
  cup.film.kind = FilmKind::stiff;
  cup.wrap.seamAt = CupAngle::degrees(30);
  for (const double turn : {0.0, 12.0}) {
    // At the front and over the seam, straight and along the ring.
    Place follows = placeAt(30, 100);
    follows.follows = true;
    Place place = placeAt(-90, 110);
    place.turn = Angle::degrees(turn);
    cup.sets = {setAt(lines, 79, {follows, place},
                      {layerOf(LayerKind::decal), layerOf(LayerKind::backing, 4)})};
    const CupPlan before = planned(cup);
    REQUIRE(told(before, "set_strained"));
    for (const Part& part : before.parts(purpose::layer)) CHECK(part.slits.empty());
    cup.sets[0].relief = true;
    const CupPlan plan = planned(cup);
    if (turn == 0) CHECK_FALSE(told(plan, "set_strained"));
    int slit = 0;
    for (const PlacePlan& placed : plan.sets[0].places) {
      const SetMake& make = plan.sets[0].makes[placed.make];
      CHECK(make.layers[0].relief.empty());
      CHECK_FALSE(make.layers[1].relief.empty());
      // The second way: each cut stands upright on the wall, at one angle.
      const Transform way = placed.onGround * inverseOf(make.layers[1].fromSet);
      for (const ReliefCut& cut : make.layers[1].relief) {
        const WallPoint from = placed.laid->ground.toWall(way(cut.from));
        const WallPoint to = placed.laid->ground.toWall(way(cut.to));
        CHECK(std::abs((from.theta - to.theta).wrapped().degrees()) < 1e-6);
        CHECK(contains(offsetBy(make.layers[1].cut, Length::mm(0.05), Corners::round), cut.from));
        CHECK(contains(make.layers[1].cut, cut.to));
      }
    }
    for (const Part& part : plan.parts(purpose::layer)) slit += part.slits.empty() ? 0 : 1;
    CHECK(slit == 2);
  }
}

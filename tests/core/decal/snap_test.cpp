// SPDX-License-Identifier: GPL-3.0-or-later
// What a place that is dragged is drawn to: directions, zones, others, and gaps that come out equal
// when it is laid there, over random seams.
#include <rapidcheck/catch.h>

#include <catch2/catch.hpp>
#include <cmath>

#include "core/decal_cups.h"
#include "cup/hand_fronts.h"
#include "decal/place_snap.h"
#include "decal/straight_edges.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

constexpr Length reach = Length::mm(3);

Snap snapped(const CupPlan& plan, double degrees, double up) {
  return snapOf(plan.sets, plan.divided, plan.wall, plan.sets[0].places[0],
                {plan.wall.inFrame(CupAngle::degrees(degrees)), Length::mm(up)}, reach);
}

/// The gap from the right end of one to the left end of the next, round the cup.
double gapBetween(const PlacePlan& left, const PlacePlan& right) {
  const double gap = (right.laid->reach.from - left.laid->reach.to).radians();
  return gap - std::floor(gap / (2 * M_PI)) * 2 * M_PI;
}

}  // namespace

TEST_CASE("A place is drawn to the front and the quarters, wherever the seam is", "[snap]") {
  rc::prop("", [] {
    Cup cup = *rc::gen::inRange(0, 2) == 0 ? straight() : tapered();
    cup.wrap.seamAt = CupAngle::degrees(*rc::gen::inRange(-180, 181));
    cup.sets = {setAt(named("star"), 20, {placeAt(30, 90)})};
    const CupPlan plan = planned(cup);
    for (const double at : {0.0, 90.0, 180.0, -90.0}) {
      const Snap snap = snapped(plan, at + *rc::gen::inRange(-100, 101) / 100.0, 60);
      RC_ASSERT(snap.round.has_value());
      RC_ASSERT(snap.round->onCup == CupAngle::degrees(at));
      RC_ASSERT(snap.round->to == (at == 0 ? SnapTo::front : SnapTo::quarter));
    }
    RC_ASSERT(!snapped(plan, 45, 60).round.has_value());
    // The middle of the wall is the zone's.
    const double top = plan.wall.body.wall().mm();
    RC_ASSERT(snapped(plan, 45, top / 2 + 1).up->to == SnapTo::zoneMiddle);
    RC_ASSERT(snapped(plan, 45, 1).up->to == SnapTo::zoneEdge);
    RC_ASSERT(!snapped(plan, 45, 60).up.has_value());
  });
}

TEST_CASE("A place between two others has gaps that are equal once it is laid there", "[snap]") {
  rc::prop("", [] {
    Cup cup = *rc::gen::inRange(0, 2) == 0 ? straight() : tapered();
    cup.wrap.seamAt = CupAngle::degrees(*rc::gen::inRange(-180, 181));
    const int from = *rc::gen::inRange(-180, 181);
    const int apart = *rc::gen::inRange(100, 140);
    // Its own outline is not alike to both sides of its anchor.
    cup.sets = {setAt(named("comet"), 20, {placeAt(from + apart / 2.0, 90)}),
                setAt(named("star"), 25, {placeAt(from, 90), placeAt(from + apart, 90)})};
    CupPlan plan = planned(cup);
    Snap snap = snapped(plan, from + apart / 2.0 + 0.7, 88);
    // Something else may be nearer by chance.
    RC_PRE(snap.round.has_value() && snap.round->to == SnapTo::equalGaps);
    cup.sets[0].places[0].at = snap.round->onCup;
    plan = planned(cup);
    const PlacePlan& own = plan.sets[0].places[0];
    const double before = gapBetween(plan.sets[1].places[0], own);
    const double after = gapBetween(own, plan.sets[1].places[1]);
    RC_ASSERT(std::abs(before - after) < 1e-6);
    RC_ASSERT(snap.round->gaps.size() == 2U);
    for (const SnapGap& gap : snap.round->gaps) {
      RC_ASSERT(std::abs((gap.to - gap.from).radians() - before) < 1e-6);
      RC_ASSERT(std::abs(gap.apart.mm() - snap.round->gaps[0].apart.mm()) < 1e-6);
    }
  });
}

TEST_CASE("Beside two others it is drawn to as far as these are from each other", "[snap]") {
  rc::prop("", [] {
    Cup cup = straight();
    cup.wrap.seamAt = CupAngle::degrees(*rc::gen::inRange(-180, 181));
    const int from = *rc::gen::inRange(-180, 181);
    const int side = *rc::gen::inRange(0, 2) == 0 ? 1 : -1;
    cup.sets = {setAt(named("full_moon"), 20, {placeAt(from + side * 100, 90)}),
                setAt(named("full_moon"), 20, {placeAt(from, 90), placeAt(from + side * 50, 90)})};
    CupPlan plan = planned(cup);
    const Snap snap = snapped(plan, from + side * 100 + 0.6, 88);
    RC_PRE(snap.round.has_value() && snap.round->to == SnapTo::equalGaps);
    const double off = (snap.round->onCup - Angle::degrees(from + side * 100)).wrapped().degrees();
    RC_ASSERT(std::abs(off) < 1e-6);
  });
}

TEST_CASE("One in a row is not drawn to its own row, and others' rings are in reach", "[snap]") {
  Cup cup = straight();
  cup.sets = {setAt(named("star"), 15, {}), setAt(named("heart"), 15, {placeAt(70, 77)})};
  giveIds(cup);
  Row row;
  row.sets = {cup.sets[0].id};
  row.count = 6;
  row.up = WrittenLength::mm(60);
  row.gap = WrittenLength::mm(2);
  cup.rows = {row};
  const CupPlan plan = planned(cup);
  CHECK_FALSE(snapped(plan, 125, 61).up.has_value());
  const Snap snap = snapped(plan, 71, 76);
  REQUIRE(snap.up.has_value());
  CHECK(snap.up->to == SnapTo::place);
  CHECK(snap.up->s == Length::mm(77));
  REQUIRE(snap.round.has_value());
  CHECK(snap.round->onCup.degrees() == Approx(70));
}

TEST_CASE("Straight edges are told the longest first, in whatever pieces and wherever they begin",
          "[edges]") {
  // A house: a base of 40 in four sides, walls of 20, a roof leaning by 45°, on an outline that
  // begins in the midst of its base.
  const std::vector<Point> house{{20, 0}, {30, 0}, {40, 0}, {40, 20}, {20, 40},
                                 {0, 20}, {0, 0},  {10, 0}, {15, 0}};
  for (const double turn : {0.0, 17.0, -60.0}) {
    const Polygon shape = mapped(Polygon{house}, turned(Angle::degrees(turn)));
    const std::vector<StraightEdge> edges = straightEdges(shape);
    REQUIRE(edges.size() == 4);
    CHECK(edges[0].length.mm() == Approx(40));
    CHECK(std::remainder(edges[0].lean.degrees() - turn, 180) == Approx(0).margin(1e-9));
    CHECK(edges[1].length.mm() == Approx(20 * std::sqrt(2)));
    CHECK(edges[3].length.mm() == Approx(20));
    CHECK(std::remainder(edges[3].lean.degrees() - turn - 90, 180) == Approx(0).margin(1e-9));
  }
  CHECK(straightEdges(named("full_moon").silhouette()).empty());
  CHECK(straightEdges({}).empty());
}

// Common practice, no published source.
TEST_CASE("A handle to the right of the front has the front facing a right-handed drinker",
          "[edges]") {
  Feature handle;
  handle.at = CupAngle::degrees(90);
  const std::vector<FacesDrinker> faces = facesDrinker({handle});
  REQUIRE(faces.size() == 2);
  CHECK(faces[0].hand == Hand::right);
  CHECK(faces[0].at.degrees() == Approx(0).margin(1e-12));
  CHECK(std::abs(faces[1].at.degrees()) == Approx(180));
  Feature mouth;
  mouth.kind = FeatureKind::lidMouth;
  mouth.at = CupAngle::degrees(30);
  CHECK(facesDrinker({mouth})[0].hand == Hand::either);
  CHECK(facesDrinker({}).empty());
}

TEST_CASE("Turned to an edge, that edge is level or plumb, each in its turn, however it stood",
          "[edges]") {
  rc::prop("", [] {
    const std::vector<StraightEdge> edges = straightEdges(named("mirror").silhouette());
    RC_ASSERT(edges.size() > 1U);
    const bool plumb = *rc::gen::inRange(0, 2) == 1;
    Angle turn = Angle::degrees(*rc::gen::inRange(-1799, 1800) / 10.0);
    const auto standing = [&] {
      std::size_t found = edges.size();
      for (std::size_t i = 0; i < edges.size(); ++i) {
        const double off = (edges[i].lean + turn).degrees() - (plumb ? 90 : 0);
        // As near as a drawing's own digits say it stands there.
        if (std::abs(std::remainder(off, 180)) < 0.01) found = i;
      }
      return found;
    };
    std::size_t before = standing();
    for (std::size_t i = 0; i <= edges.size(); ++i) {
      const Angle next = *turnedToEdge(edges, turn, plumb);
      RC_ASSERT(std::abs((next - turn).wrapped().degrees()) <= 90 + 1e-9);
      turn = next;
      RC_ASSERT(standing() == (before == edges.size() ? 0 : (before + 1) % edges.size()));
      before = standing();
    }
    RC_ASSERT(!turnedToEdge({}, turn, plumb).has_value());
  });
}

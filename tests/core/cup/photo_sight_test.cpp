// SPDX-License-Identifier: GPL-3.0-or-later
// A cup on a photo against a camera made otherwise: by three axes that look at a place, its ends
// found by trying every place of a ring.
#include "cup/photo_sight.h"

#include <rapidcheck/catch.h>

#include <catch2/catch.hpp>
#include <cmath>

#include "core/cups.h"

using namespace avrelt;

namespace {

struct Vec {
  double x = 0;
  double y = 0;
  double z = 0;
};
Vec operator-(Vec a, Vec b) {
  return {a.x - b.x, a.y - b.y, a.z - b.z};
}
double dot3(Vec a, Vec b) {
  return a.x * b.x + a.y * b.y + a.z * b.z;
}
Vec cross(Vec a, Vec b) {
  return {a.y * b.z - a.z * b.y, a.z * b.x - a.x * b.z, a.x * b.y - a.y * b.x};
}
Vec unit(Vec a) {
  const double length = std::sqrt(dot3(a, a));
  return {a.x / length, a.y / length, a.z / length};
}

/// A camera somewhere, looking at a place near the cup's middle.
struct TestCamera {
  Vec at;
  Vec right;
  Vec up;
  Vec ahead;
  double lens = 3000;
  double width = 3000;
  double height = 4000;

  TestCamera(Vec from, Vec to, double roll) : at(from), ahead(unit(to - from)) {
    const Vec level = unit(cross(ahead, {0, 0, 1}));
    const Vec over = cross(level, ahead);
    const double c = std::cos(roll);
    const double s = std::sin(roll);
    right = {level.x * c + over.x * s, level.y * c + over.y * s, level.z * c + over.z * s};
    up = {over.x * c - level.x * s, over.y * c - level.y * s, over.z * c - level.z * s};
  }
  Point operator()(const Body& body, WallPoint place) const {
    const SpacePoint p = body.toSpace(place);
    const Vec v = Vec{p.x, p.y, p.z} - at;
    const double far = dot3(v, ahead);
    return {width / 2 + lens * dot3(v, right) / far, height / 2 - lens * dot3(v, up) / far};
  }
};

PhotoMarks marksBy(const TestCamera& camera, const Body& body, double to) {
  PhotoMarks marks;
  marks.width = camera.width;
  marks.height = camera.height;
  const auto rounded = [&](Point p) {
    return to > 0 ? Point{std::round(p.x / to) * to, std::round(p.y / to) * to} : p;
  };
  const double facing = std::atan2(camera.at.x, -camera.at.y);
  const auto ring = [&](Length s, Point& left, Point& right, Point& near) {
    left = {1e9, 0};
    right = {-1e9, 0};
    for (int i = 0; i < 36000; ++i) {
      const Point p = camera(body, {Angle::degrees(i / 100.0), s});
      if (p.x < left.x) left = p;
      if (p.x > right.x) right = p;
    }
    left = rounded(left);
    right = rounded(right);
    near = rounded(camera(body, {Angle::radians(facing), s}));
  };
  ring(Length(), marks.baseLeft, marks.baseRight, marks.baseNear);
  ring(body.wall(), marks.rimLeft, marks.rimRight, marks.rimNear);
  marks.front = rounded(camera(body, {Angle(), body.wall() * 0.8}));
  return marks;
}

/// On the wall, along it.
double apart(const Body& body, WallPoint a, WallPoint b) {
  return std::hypot((a.theta - b.theta).wrapped().radians() * body.radius(a.s).mm(),
                    (a.s - b.s).mm());
}

}  // namespace

TEST_CASE("What a known camera sees of a cup is read back where it is", "[photo]") {
  rc::prop("", [] {
    const int which = *rc::gen::inRange(0, 4);
    const Body body =
        which == 0   ? cups::bodyOf(cups::body(Length::mm(240), Length::mm(240), Length::mm(200)))
        : which == 1 ? cups::bodyOf(cups::body(Length::mm(210), Length::mm(290), Length::mm(150)))
        : which == 2 ? cups::bodyOf(cups::body(Length::mm(290), Length::mm(240), Length::mm(140)))
                     : cups::bodyOf(cups::allCurved()[1].blank);
    const double far = *rc::gen::inRange(700, 3000);
    const double side = *rc::gen::inRange(-40, 41) * M_PI / 180;
    const double above = *rc::gen::inRange(-10, 25) * M_PI / 180;
    TestCamera camera({far * std::sin(side), -far * std::cos(side), 100 + far * std::tan(above)},
                      {*rc::gen::inRange(-30, 31) * 1.0, 0, *rc::gen::inRange(60, 140) * 1.0},
                      *rc::gen::inRange(-4, 5) * M_PI / 180);
    camera.lens = far * *rc::gen::inRange(6, 12);
    // From near and steeply above, what seven marks leave open tells: a millimetre.
    const double slack = far < 1200 && above > 15 * M_PI / 180 ? 2 : 1;
    const Checked<PhotoSight> sight = PhotoSight::of(body, marksBy(camera, body, 0.5));
    RC_ASSERT(sight.has_value());
    // At what faces the camera within half a millimetre, 60° round from there within one.
    for (const double round : {0.0, 20.0, -40.0, 60.0, -60.0}) {
      for (const double share : {0.15, 0.5, 0.85}) {
        const WallPoint place{(Angle::radians(side) + Angle::degrees(round)).wrapped(),
                              body.wall() * share};
        const Point seen = camera(body, place);
        const std::optional<PhotoSight::Place> read =
            sight->onWall({std::round(seen.x), std::round(seen.y)});
        RC_ASSERT(read.has_value());
        RC_ASSERT(apart(body, {read->onCup.fromFront(), read->s}, place) <
                  (std::abs(round) < 50 ? 0.5 : 1.0) * slack);
        const std::optional<Point> back = sight->onPhoto({CupAngle::ofFront(place.theta), place.s});
        RC_ASSERT(back.has_value());
        RC_ASSERT(norm(*back - seen) < 0.004 * camera.height);
      }
    }
    // What is turned away is not seen.
    RC_ASSERT(!sight->onPhoto({CupAngle::radians(side + M_PI), body.wall() / 2}).has_value());
  });
}

TEST_CASE("Marks without any slip give the camera itself", "[photo]") {
  const Body body = cups::bodyOf(cups::body(Length::mm(240), Length::mm(280), Length::mm(180)));
  const TestCamera camera({300, -900, 500}, {10, 0, 90}, 0.03);
  const Checked<PhotoSight> sight = PhotoSight::of(body, marksBy(camera, body, 0));
  REQUIRE(sight);
  CHECK(sight->distance().mm() == Approx(std::hypot(300, 900)).epsilon(0.02));
  CHECK(sight->above().mm() == Approx(500).epsilon(0.03));
  CHECK(sight->off() < 1);
  const std::optional<PhotoSight::Place> front =
      sight->onWall(camera(body, {Angle(), body.wall() / 2}));
  REQUIRE(front);
  CHECK(apart(body, {front->onCup.fromFront(), front->s}, {Angle(), body.wall() / 2}) < 0.1);
  // A distance that was measured is held to.
  CHECK(PhotoSight::of(body, marksBy(camera, body, 0), Length::mm(950))->distance().mm() ==
        Approx(950).epsilon(0.001));
}

TEST_CASE("Beside the cup there is no wall, and marks that cannot be are refused in words",
          "[photo]") {
  const Body body = cups::bodyOf(cups::body(Length::mm(240), Length::mm(240), Length::mm(200)));
  const TestCamera camera({0, -2000, 300}, {0, 0, 100}, 0);
  const PhotoMarks marks = marksBy(camera, body, 0);
  const Checked<PhotoSight> sight = PhotoSight::of(body, marks);
  REQUIRE(sight);
  CHECK_FALSE(sight->onWall({5, 5}));
  CHECK_FALSE(sight->onWall({marks.width - 5, marks.height / 2}));
  // Into its mouth is not onto its wall.
  const Point mouth = (marks.rimLeft + marks.rimRight) * 0.5;
  CHECK_FALSE(sight->onWall(mouth));
  const auto refused = [&](const PhotoMarks& bad, Member member) {
    const Checked<PhotoSight> none = PhotoSight::of(body, bad);
    REQUIRE_FALSE(none);
    CHECK(none.error().where == member);
  };
  PhotoMarks bad = marks;
  std::swap(bad.rimLeft, bad.rimRight);
  refused(bad, Member::photoMarks);
  bad = marks;
  bad.rimLeft = bad.rimRight;
  refused(bad, Member::photoMarks);
  bad = marks;
  bad.rimNear = bad.baseNear;
  refused(bad, Member::photoMarks);
  bad = marks;
  bad.front = {3, 3};
  refused(bad, Member::photoFront);
  CHECK_FALSE(PhotoSight::of(body, marks, Length::mm(30)));
  CHECK_FALSE(PhotoSight::of(body, PhotoMarks()));
}

// SPDX-License-Identifier: GPL-3.0-or-later
// How many go round, how far apart: against trying every pitch, on cylinders and cones.
#include "decal/row.h"

#include <rapidcheck/catch.h>

#include <catch2/catch.hpp>
#include <cmath>

#include "decal/shapes.h"

using namespace avrelt;

namespace {

/// A shape of the shelf so wide, its middle at the front so far up.
EdgeTree shapeAt(const std::string& id, double wide, double up) {
  const Artwork artwork = shapeArtwork(id);
  const Box box = artwork.bounds();
  const double scale = wide / box.width();
  const Point middle = box.centre();
  return EdgeTree(
      mapped(artwork.silhouette(), {scale, 0, 0, scale, -middle.x * scale, up - middle.y * scale}));
}

Wall wallOfCone(const Development& cone) {
  return {Body::of(cone), cone, CupAngle::back()};
}
const Wall& straightWall() {
  static const Wall wall =
      wallOfCone(Development::cone(Length::mm(240 / (2 * M_PI)), 0, Length::mm(180)));
  return wall;
}
const Wall& taperedWall() {
  static const Wall wall = wallOfCone(Development::cone(Length::mm(32), 0.09, Length::mm(150)));
  return wall;
}

RowItems itemsOn(const Wall& wall, std::vector<EdgeTree> shapes) {
  std::vector<Footprint> items;
  for (EdgeTree& shape : shapes) items.push_back({std::move(shape), {}, wall.flat});
  return RowItems(wall, std::move(items));
}

/// Whether any two of them, all pairs, keep the gap.
Length leastOfAll(const RowItems& items, const std::vector<Angle>& at) {
  Length least = Length::mm(1e6);
  for (std::size_t i = 0; i < at.size(); ++i) {
    for (std::size_t k = 0; k < at.size(); ++k) {
      if (i == k) continue;
      const Angle pitch = Angle::radians(std::fmod((at[k] - at[i]).radians() + 2 * M_PI, 2 * M_PI));
      least = std::min(least, items.apartAt(i % items.count(), k % items.count(), pitch));
    }
  }
  return least;
}

/// The most of one kind that go round, by trying pitch after pitch.
int mostSlowly(const RowItems& items, Length gap) {
  for (int many = 1; many < 60; ++many) {
    if (items.apartAt(0, 0, Angle::turn() / (many + 1)) < gap) return many;
  }
  return 60;
}

}  // namespace

TEST_CASE("discs go round as the arithmetic has it") {
  // 20 mm discs on 240 mm: a pitch of 26 mm with gaps of 6 mm makes 9 and leaves 6 mm.
  const RowItems discs = itemsOn(straightWall(), {shapeAt("full_moon", 20, 90)});
  const RowFit nine = fitRow(discs, std::nullopt, Length::mm(6), true);
  CHECK(nine.most == 9);
  CHECK(nine.at.size() == 9);
  CHECK(nine.gap.mm() == Approx(240.0 / 9 - 20).margin(1e-3));
  CHECK(nine.left.radians() * 240 / (2 * M_PI) == Approx(6).margin(0.02));
  // F6: by thirds and quarters of the circumference; common practice, no published source.
  for (const int count : {3, 4}) {
    const RowFit even = fitRow(discs, count, Length::mm(6), true);
    REQUIRE(even.at.size() == static_cast<std::size_t>(count));
    CHECK(even.fits);
    CHECK(even.at[1].degrees() == Approx(360.0 / count));
    CHECK(even.gap.mm() == Approx(240.0 / count - 20).margin(1e-3));
  }
  const RowFit many = fitRow(discs, 10, Length::mm(6), true);
  CHECK_FALSE(many.fits);
  CHECK(many.most == 9);
  CHECK(many.at.size() == 9);
  // Just at the gap, what is left is one larger one.
  const RowFit packed = fitRow(discs, 5, Length::mm(6), false);
  CHECK(packed.gap.mm() == Approx(6).margin(1e-3));
  CHECK(packed.at.back().degrees() == Approx(4 * 26 / 240.0 * 360).margin(1e-3));
}

TEST_CASE("as many fit as trying every number finds, for every shape of the shelf") {
  for (const bool taper : {false, true}) {
    for (const ShelfShape& shape : shelfShapes()) {
      INFO(shape.id << (taper ? " on a taper" : ""));
      const RowItems items =
          itemsOn(taper ? taperedWall() : straightWall(), {shapeAt(shape.id, 17, 70)});
      for (const double gap : {0.5, 4.0}) {
        const RowFit fit = fitRow(items, std::nullopt, Length::mm(gap), true);
        CHECK(fit.most == mostSlowly(items, Length::mm(gap)));
        CHECK(fit.gap.mm() >= gap - 1e-3);
        CHECK(fit.gap.mm() == Approx(leastOfAll(items, fit.at).mm()).margin(1e-6));
      }
    }
  }
}

TEST_CASE("shapes that reach into each other stand closer than their boxes") {
  // Chevrons, one in the hollow of the next.
  const std::vector<Point> chevron{{0, -10}, {10, 0}, {0, 10}, {4, 0}};
  std::vector<Point> up;
  for (const Point& p : chevron) up.push_back(p + Point{0, 90});
  const RowItems items = itemsOn(straightWall(), {EdgeTree(Polygon{up})});
  const std::optional<Angle> pitch = items.leastPitch(0, 0, Length::mm(1));
  REQUIRE(pitch);
  const double mm = pitch->radians() * 240 / (2 * M_PI);
  CHECK(mm < 10);
  CHECK(items.apartAt(0, 0, *pitch).mm() == Approx(1).margin(2e-4));
}

TEST_CASE("sets in turn stand with equal gaps, all pairs of them") {
  rc::prop("on cylinders and cones", [] {
    const bool taper = *rc::gen::inRange(0, 2) == 1;
    const auto& shapes = shelfShapes();
    std::vector<EdgeTree> some;
    const int kinds = *rc::gen::inRange(2, 4);
    for (int i = 0; i < kinds; ++i) {
      const auto which =
          static_cast<std::size_t>(*rc::gen::inRange(0, static_cast<int>(shapes.size())));
      // Of any size and at any height, so that wide ones reach over narrow ones.
      some.push_back(
          shapeAt(shapes[which].id, *rc::gen::inRange(4, 60), *rc::gen::inRange(50, 90)));
    }
    const RowItems items = itemsOn(taper ? taperedWall() : straightWall(), std::move(some));
    const Length gap = Length::mm(*rc::gen::inRange(1, 8));
    const RowFit fit = fitRow(items, kinds * 2, gap, true);
    if (!fit.fits) return;
    RC_ASSERT(fit.at.size() == static_cast<std::size_t>(kinds * 2));
    RC_ASSERT(fit.gap >= gap - Length::mm(1e-3));
    std::vector<double> gaps;
    for (std::size_t i = 0; i < fit.at.size(); ++i) {
      const std::size_t next = (i + 1) % fit.at.size();
      const Angle pitch = fit.at[next] - fit.at[i] + (next == 0 ? Angle::turn() : Angle());
      gaps.push_back(items.apartAt(i % items.count(), next % items.count(), pitch).mm());
    }
    // Those in turn have equal gaps, unless a wide one holds off another that is not beside it.
    double others = 1e6;
    for (std::size_t i = 0; i < fit.at.size(); ++i) {
      for (std::size_t k = 2; k + 1 < fit.at.size(); ++k) {
        const std::size_t other = (i + k) % fit.at.size();
        const Angle pitch = fit.at[other] - fit.at[i] + (other < i ? Angle::turn() : Angle());
        others =
            std::min(others, items.apartAt(i % items.count(), other % items.count(), pitch).mm());
      }
    }
    const bool held = others < fit.gap.mm() + 0.02;
    for (const double one : gaps) {
      RC_ASSERT(one > fit.gap.mm() - 0.01);
      RC_ASSERT(held || one < fit.gap.mm() + 0.01);
    }
    RC_ASSERT(std::abs(fit.gap.mm() - leastOfAll(items, fit.at).mm()) < 1e-6);
    RC_ASSERT(leastOfAll(items, fit.at) >= gap - Length::mm(1e-3));
  });
}

TEST_CASE("the largest size at which so many fit just fits") {
  const auto at = [&](double share) {
    return itemsOn(straightWall(), {shapeAt("star", 40 * share, 90)});
  };
  const std::optional<double> share = largestFor(at, 8, Length::mm(5));
  REQUIRE(share);
  CHECK(fitRow(at(*share), 8, Length::mm(5), true).fits);
  CHECK_FALSE(fitRow(at(*share * 1.003), 8, Length::mm(5), true).fits);
  // No size leaves a gap of 31 mm eight times on 240 mm.
  CHECK_FALSE(largestFor(at, 8, Length::mm(31)));
}

TEST_CASE("what does not go round once is not placed, and a row is checked by member") {
  const RowItems wide = itemsOn(straightWall(), {shapeAt("frame", 238, 90)});
  const RowFit none = fitRow(wide, 3, Length::mm(5), true);
  CHECK(none.at.empty());
  CHECK(none.most == 0);
  CHECK_FALSE(none.fits);
  const RowFit one = fitRow(wide, 1, Length::mm(1), true);
  CHECK(one.at.size() == 1);
  CHECK(one.gap.mm() == Approx(2).margin(1e-6));
  Row row;
  row.count = 0;
  row.lines = 0;
  row.gap = WrittenLength::mm(-1);
  row.up = WrittenLength::mm(1e6);
  std::vector<Member> members;
  for (const Fault& fault : rowFaults(row)) members.push_back(fault.where.member);
  CHECK(members == std::vector{Member::rowSets, Member::rowCount, Member::rowLines, Member::rowGap,
                               Member::rowUp});
}

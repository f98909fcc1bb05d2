// SPDX-License-Identifier: GPL-3.0-or-later
// Motifs thrown till they cover a picture: that they do, that it meets itself, and that a seed is
// all it hangs on.
#include "decal/cluster.h"

#include <catch2/catch.hpp>

#include "core/decal_cups.h"
#include "decal/print_cover.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

Cluster clusterOf(std::initializer_list<const char*> shapes, double wide, double tall,
                  double motif) {
  Cluster cluster;
  for (const char* shape : shapes) cluster.of.emplace_back(named(shape));
  cluster.wide = WrittenLength::mm(wide);
  cluster.tall = WrittenLength::mm(tall);
  cluster.motif = WrittenLength::mm(motif);
  return cluster;
}

/// The share of dots that nothing is on.
double clearOf(const Picture& picture) {
  long clear = 0;
  for (std::size_t i = 3; i < picture.rgba.size(); i += 4) clear += picture.rgba[i] < 128 ? 1 : 0;
  return static_cast<double>(clear) / (static_cast<double>(picture.rgba.size()) / 4);
}

}  // namespace

TEST_CASE("a cluster covers its picture, and what it says is bare is what its dots leave") {
  for (const int seed : {1, 2, 3}) {
    Cluster cluster = clusterOf({"full_moon", "heart", "hexagon"}, 90, 60, 22);
    cluster.seed = seed;
    INFO("seed " << seed);
    const ClusterPlan plan = avrelt::clusterOf(cluster);
    CHECK(plan.items.size() > 10);
    CHECK(plan.items.size() < mostInCluster);
    CHECK(plan.bare < 0.001);
    const Picture picture = pictureOf(cluster, plan, 120);
    CHECK(picture.wide == 425);
    CHECK(picture.tall == 283);
    // The second way: count the dots. Between cells of half a millimetre little is left.
    CHECK(clearOf(picture) < 0.01);
    // Each of the three about as often as the others.
    std::array<int, 3> times{};
    for (const ClusterItem& item : plan.items) ++times[item.of];
    CHECK(*std::max_element(times.begin(), times.end()) -
              *std::min_element(times.begin(), times.end()) <=
          1);
  }
}

TEST_CASE("side by side a cluster meets itself, and a seed gives the same again") {
  Cluster cluster = clusterOf({"full_moon"}, 50, 40, 30);
  cluster.colours = {"#FF0000", "#00AA00", "#0000FF"};
  const ClusterPlan plan = avrelt::clusterOf(cluster);
  const Picture picture = pictureOf(cluster, plan, 100);
  // One that runs over the right edge comes in at the left: what the picture of a field twice as
  // wide and tall has, with every motif drawn at all its places, is four times this one.
  Cluster wide = cluster;
  wide.wide = WrittenLength::mm(100);
  wide.tall = WrittenLength::mm(80);
  ClusterPlan four;
  for (const ClusterItem& item : plan.items) {
    for (const double right : {0.0, 50.0}) {
      for (const double above : {0.0, 40.0}) {
        ClusterItem one = item;
        one.way = Transform{1, 0, 0, 1, right, above} * item.way;
        four.items.push_back(one);
      }
    }
  }
  const Picture large = pictureOf(wide, four, 100);
  long other = 0;
  const auto dot = [](const Picture& of, int x, int y) {
    const auto at = (static_cast<std::size_t>(y) * static_cast<std::size_t>(of.wide) +
                     static_cast<std::size_t>(x)) *
                    4;
    return std::array{of.rgba[at], of.rgba[at + 1], of.rgba[at + 2], of.rgba[at + 3]};
  };
  for (int y = 0; y < picture.tall; ++y) {
    for (int x = 0; x < picture.wide; ++x) {
      if (dot(picture, x, y) != dot(large, x + picture.wide, y)) ++other;
    }
  }
  // Along edges a dot may fall the other way, as sides come to whole dots.
  CHECK(other < picture.wide * picture.tall / 50);
  CHECK(pictureOf(cluster, avrelt::clusterOf(cluster), 100).rgba == picture.rgba);
  cluster.seed = 2;
  CHECK(pictureOf(cluster, avrelt::clusterOf(cluster), 100).rgba != picture.rgba);
}

TEST_CASE("what no motif covers is bare, or printed in the ground's colour") {
  // Thin lines never cover it all.
  Cluster cluster = clusterOf({"orbit"}, 80, 80, 12);
  const ClusterPlan plan = avrelt::clusterOf(cluster);
  CHECK(plan.items.size() == mostInCluster);
  CHECK(plan.bare > 0.001);
  cluster.ground = "#1F5E6B";
  CHECK(clearOf(pictureOf(cluster, plan, 60)) == 0);
}

TEST_CASE("letters cut from a cluster are covered, those of a thin one are told") {
  Cluster cluster = clusterOf({"full_moon", "star"}, 60, 60, 25);
  cluster.colours = {"#A8741A"};
  const ClusterPlan plan = avrelt::clusterOf(cluster);
  const PictureSizes dots(pictureOf(cluster, plan, 150));
  LayerPrint print;
  KeptPicture kept;
  kept.wide = dots.wide();
  kept.tall = dots.tall();
  print.id = "cluster";
  print.picture = SharedPicture(kept);
  print.wide = WrittenLength::mm(60);
  print.tiled = true;
  const Polygon letters{{{-40, -10}, {-30, -10}, {-30, 10}, {-40, 10}},
                        {{10, -10}, {40, -10}, {40, 10}, {10, 10}}};
  CHECK(coverOf(letters, print, dots).bare.mm2() < 5);
}

TEST_CASE("a cluster that cannot be is told by its member") {
  Cluster cluster = clusterOf({}, 5, 1000, 1);
  const Faults faults = clusterFaults(cluster);
  REQUIRE(faults.size() == 4);
  CHECK(faults[0].where.member == Member::clusterOf);
  CHECK(faults[1].where.member == Member::clusterWide);
  CHECK(faults[2].where.member == Member::clusterTall);
  CHECK(faults[3].where.member == Member::clusterMotif);
  CHECK(clusterFaults(clusterOf({"star"}, 100, 100, 20)).empty());
}

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "decal/artwork.h"
#include "measure/fault.h"
#include "shape/picture.h"
#include "shape/transform.h"

namespace avrelt {

/// Artworks thrown over and beside each other till they cover a field, to be printed as one
/// picture.
struct Cluster {
  std::vector<SharedArt> of;  ///< mixed evenly
  WrittenLength wide{Length::mm(100), "100 mm"};
  WrittenLength tall{Length::mm(100), "100 mm"};
  WrittenLength motif{Length::mm(20), "20 mm"};  ///< the longer side of each
  double smallestPercent = 60;                   ///< of that size; each between this and the whole
  Angle turns = Angle::halfTurn();               ///< each leans so far at most, to either side
  std::string ground{};                          ///< #RRGGBB below them; empty: clear
  /// That artworks of one colour are printed in, in turn; none: each in its own.
  std::vector<std::string> colours{};
  int seed = 1;
};

/// Where one of a cluster lies: what brings its artwork to the field, whose lower left is at 0.
struct ClusterItem {
  std::size_t of = 0;
  Transform way;
  std::string colour{};  ///< in place of the artwork's one; empty: its own
};

struct ClusterPlan {
  /// The undermost first. What runs over an edge comes in again at the other, so that the field
  /// meets itself side by side.
  std::vector<ClusterItem> items;
  double bare = 0;  ///< the share of the field that none covers, by places about half a mm apart
};

inline constexpr std::size_t mostInCluster = 400;
inline constexpr Length widestCluster = Length::mm(300);

/// What of a cluster cannot be, by member: "of", "wide", "motif".
Faults clusterFaults(const Cluster& cluster);

/// Throws a cluster by its seed: each next one about the middle of the largest place that is still
/// bare, below those before it, till hardly any is left or there are as many as may be. Wants no
/// faults.
ClusterPlan clusterOf(const Cluster& cluster);

/// It as a picture, at so many dots to the inch.
Picture pictureOf(const Cluster& cluster, const ClusterPlan& plan, double dotsPerInch);

}  // namespace avrelt

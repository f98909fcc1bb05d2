// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <set>
#include <string>
#include <vector>

#include "decal/decal_set.h"
#include "decal/place_room.h"

namespace avrelt {

/// Where a scatter is denser.
enum class ScatterDensity { even, rim, base, front };
/// "even", "rim" …: as files write it.
const char* densityName(ScatterDensity density);

/// One of a scatter, where it was thrown or put by hand.
struct ScatterItem {
  Place place;
  std::string set;       ///< id
  double percent = 100;  ///< of the set's size
  bool byHand = false;   ///< put there by hand: it stays when the others are thrown

  friend bool operator==(const ScatterItem&, const ScatterItem&) = default;
};

/// Small sets all over a zone, as if by chance. Where they stand is kept, not worked out anew: each
/// can be moved by hand, and stays where artwork or cup become others.
struct Scatter {
  std::string id{};
  std::vector<std::string> sets;  ///< their ids, mixed evenly
  std::string zone{};             ///< its id; none for the whole wall
  int seed = 1;
  int count = 40;
  /// In place of a number: as many as cover so much of the zone; 0 for the number.
  double coverPercent = 0;
  WrittenLength gap{};              ///< the least between any two, by their true outlines
  WrittenLength away{};             ///< the least to lines, handles and other sets, rim and base
  double smallestPercent = 60;      ///< of the sets' size; in three steps up to the whole
  Angle turns = Angle::halfTurn();  ///< each leans so far at most, to either side
  ScatterDensity density = ScatterDensity::even;
  bool whole = true;     ///< kept off rim and base, else cut off flush there
  bool offSeam = false;  ///< none lies across it
  std::vector<ScatterItem> items;
  std::string kept{};

  friend bool operator==(const Scatter&, const Scatter&) = default;
};

inline constexpr int mostScattered = 400;

/// What of a scatter cannot be, by member.
Faults scatterFaults(const Scatter& scatter);

/// What a scatter is thrown on.
struct ScatterGround {
  const WallLandmarks& landmarks;
  const Divided& divided;
  std::vector<DecalSet> sets;     ///< of the cup
  std::vector<Footprint> others;  ///< what else is on the cup, to be kept off
};

/// Throws a scatter: by its seed, with as much room round each as there is for all of them, which
/// is lessened as it fills, down to its gap (darts, Cook 1986, from memory; by a radius that
/// shrinks). What was put by hand stays, comes first, and is thrown round. Those of `again` alone,
/// by their index, where any are given, by hand or not; the others stay. Fewer than wanted where no
/// more are found room for. Where its zone is not there, what was thrown stays as it is.
std::vector<ScatterItem> scattered(const Scatter& scatter, const ScatterGround& ground,
                                   const std::set<std::size_t>& again = {});

}  // namespace avrelt

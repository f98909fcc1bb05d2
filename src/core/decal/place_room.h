// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "cup/blank.h"
#include "cup/wall.h"
#include "divide/divide.h"
#include "shape/edge_tree.h"

namespace avrelt {

/// How far something reaches on the wall, past seam, rim and base as it lies.
struct WallReach {
  Angle from;  ///< in the frame; below −180° or, `to`, above 180° past the seam
  Angle to;
  Length low;
  Length high;

  void add(const WallReach& other);
};

/// How far a place is from something, and where they are nearest.
struct Apart {
  std::string id;   ///< of what it is
  Length apart;     ///< 0 where it lies on it
  WallPoint here;   ///< of the place, in the frame
  WallPoint there;  ///< beside it, past the seam where it lies beyond
};

/// The room a set has round it where it stands: by its true outline, on the flat.
struct PlaceRoom {
  Length rim;   ///< below 0 where it reaches over
  Length base;  ///< below 0 where it reaches under
  Apart seam;
  std::optional<Apart> line;     ///< that divides zones; by the cut's id and the line's index
  std::optional<Apart> feature;  ///< that covers wall; by its index
  std::optional<Apart> place;    ///< of another
  std::string zone;              ///< id of the one its anchor is in; empty off the wall

  /// The nearest of them that is not rim or base.
  const Apart* nearest() const;
};

/// What is on the wall before anything is laid, to be kept off: made once for all places.
class WallLandmarks {
 public:
  WallLandmarks(const Wall& wall, const Divided& divided, const std::vector<Feature>& features);

  /// `outline` is in the flat with its anchor, so far round in the frame, turned to the front.
  PlaceRoom roomOf(const EdgeTree& outline, WallPoint anchor, const WallReach& reach) const;

  /// The line that divides zones nearest to a place, by the cut's id and the line's index.
  std::optional<Apart> lineNear(WallPoint place) const;
  /// The id of the zone a place is in, or beside where it is on an edge; empty off the wall.
  std::string zoneAt(WallPoint place) const;

  const Wall& wall() const { return wall_; }
  /// The zones, as they divide it.
  struct ZoneOnWall {
    std::string id;
    std::string letter;
    Region region;
  };
  const std::vector<ZoneOnWall>& zones() const { return zones_; }

 private:
  std::optional<Apart> nearestOf(const EdgeTree& outline, WallPoint anchor, const EdgeTree& marks,
                                 const std::vector<std::string>& ids) const;

  Wall wall_;
  std::vector<ZoneOnWall> zones_;
  EdgeTree lines_;
  std::vector<std::string> lineIds_;
  EdgeTree features_;
  std::vector<std::string> featureIds_;
};

/// How far round it is from one direction to another: the shorter way, and where that is over a
/// quarter the longer one too, which for wide shapes may be the nearer.
std::vector<Angle> waysRound(Angle from, Angle to);
/// Between two places, whichever way round they are nearer.
Apart apartOn(const Development& flat, const EdgeTree& one, WallPoint at, const EdgeTree& other,
              WallPoint otherAt);

}  // namespace avrelt

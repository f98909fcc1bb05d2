// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "cup/blank.h"
#include "cup/wall.h"
#include "decal/footprint.h"
#include "divide/divide.h"

namespace avrelt {

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

  PlaceRoom roomOf(const Footprint& footprint, const WallReach& reach) const;

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
  /// Lines of the wall with what each is called, and rolled out on the wall's own flat.
  struct Marks {
    std::vector<WallLine> lines{};
    std::vector<std::string> ids{};
    bool closed = false;
    EdgeTree onFlat{};

    EdgeTree on(const Development& ground) const;
  };
  std::optional<Apart> nearestOf(const Footprint& footprint, Angle middle,
                                 const Marks& marks) const;

  Wall wall_;
  std::vector<ZoneOnWall> zones_;
  Marks lines_;
  Marks features_;
};

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "decal/place_room.h"
#include "shape/polygon.h"
#include "shape/transform.h"

namespace avrelt {

/// A zone in the flat, drawn on beyond rim and base, so that all zones make up all of it between
/// the two edges of the seam.
struct ZoneField {
  std::string zone;    ///< id
  std::string letter;  ///< for people
  Polygon flat;
  Box box;
};

/// So far beyond rim and base zones go on: what reaches farther is no part of any.
inline constexpr Length fieldsBeyond = Length::mm(400);

/// On a ground, where lengths are true for what lies on it.
std::vector<ZoneField> zoneFields(const WallLandmarks& landmarks, const Development& ground);

/// What of a shape lies in a zone.
struct ZoneShare {
  std::string zone;
  std::string letter;
  Polygon shape;
};

/// A shape parted along the lines between zones, as it stands: `way` brings it to its ground, on
/// which the fields are, with its anchor, so far round in the frame, turned to the front. Shares
/// lie where the shape does and make it up, in the order of zones; one alone where it lies across
/// no line, or nothing is left of it.
std::vector<ZoneShare> sharesOf(const Polygon& shape, const Transform& way, Angle anchor,
                                const std::vector<ZoneField>& fields, const Development& ground);

}  // namespace avrelt

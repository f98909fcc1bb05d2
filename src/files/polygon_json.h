// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>

#include "files/object_reader.h"
#include "shape/polygon.h"

namespace avrelt {

/// "M0 0 10 0 10 10Z": outlines in mm, one after the other.
std::string pathText(const Polygon& polygon);

/// Outlines as they stand in a member, of which any may be an opening. Nothing where they cannot be
/// read, which is told: no path data, a line that is not closed, a point farther out than this.
std::optional<Polygon> outlinesFrom(ObjectReader& object, const Json& item, const std::string& path,
                                    double farthestMm);

}  // namespace avrelt

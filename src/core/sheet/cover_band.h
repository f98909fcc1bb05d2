// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "cup/liquid.h"
#include "sheet/part.h"

namespace avrelt {

/// The band that hides the line a liquid is sealed in along, on a body as large as it is then: once
/// round it, its middle on that line, curved on a taper as the wall asks, its ends lying over each
/// other where the wall is not so steep that there is no room for it. On a wall that curves both
/// ways it is cut for the cone through its two edges. The seal line is drawn on it. Only of a
/// liquid without `liquidFaults`; nothing where so tall a band cannot be laid flat on that wall.
std::optional<Part> coverBandPart(const Body& body, const Liquid& liquid, CupAngle seamAt,
                                  const std::string& cupName);

}  // namespace avrelt

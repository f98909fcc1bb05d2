// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "craft/matter.h"
#include "cup/body.h"
#include "measure/volume.h"

namespace avrelt {

/// Resin to flood a wall of so much area with, both parts together, in whole millilitres. On a
/// straight 20 oz cup, some 480 cm²: 30 ml over chunky glitter, 25 over fine, 20 over what is
/// smooth, 15 over what is burnished; on a 9 oz cup of half the size 15 ml: less by the root of the
/// area, as edges and the turner take their share. Common practice, no published source.
Volume floodFor(Area wall, Roughness below);

/// A coat that is listed with this share of what is usual, or less, does not cover; with so many
/// times as much it runs off: guesses.
inline constexpr double floodTooThin = 0.6;
inline constexpr double floodTooThick = 1.7;

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>

namespace avrelt {

/// Ways of putting something on a cup that set, dry or cure.
enum class MethodKind {
  resin,
  fastResin,
  brushGlue,
  wetPaint,
  sprayClear,
  tackyGlue,
  uvResin,
  sealer,
  paint,
  sprayPaint,
  ink,
  dip,
  heatFilm,
  waterPrint,
  foil,
  soapResist,
};
inline constexpr std::size_t methodKinds = 16;

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>

#include "measure/sentence.h"

namespace avrelt {

/// The ways to bring film onto a wall, from the simplest.
enum class LayingKind {
  sheet,   ///< one straight sheet as wide as the widest place
  sector,  ///< one ring sector, the best fit
  slits,   ///< a ring sector that fits as much of the wall as it can, slit where it does not
  bands,   ///< ring sectors one above the other
  gores,   ///< equal upright strips
};

inline constexpr std::array<LayingKind, 5> layingKinds{
    LayingKind::sheet, LayingKind::sector, LayingKind::slits, LayingKind::bands, LayingKind::gores};

/// "sheet", "sector", "slits", "bands", "gores": as files write it.
const char* layingName(LayingKind kind);
/// "straight sheet", "ring sector": in the middle of a sentence.
Sentence layingTitle(LayingKind kind);

}  // namespace avrelt

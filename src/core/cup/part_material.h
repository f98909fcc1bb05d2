// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "measure/sentence.h"

namespace avrelt {

/// What a part is cut from.
enum class PartMaterial {
  permanent,    ///< film that stays
  printed,      ///< film with a print, which has a direction
  clear,        ///< film that is seen through
  printable,    ///< film to be printed first
  heatApplied,  ///< film that heat makes stick
  stencil,      ///< film that comes off clean
  removable,    ///< film that comes off after days
  doubleSided,  ///< sheet that sticks on both sides
  paper,
};
/// "permanent_film", "paper" …: as files write it.
const char* materialName(PartMaterial material);
/// "Printed film": as a heading.
Sentence materialTitle(PartMaterial material);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#include "divide/division.h"

namespace avrelt {

Faults maskFaults(const std::vector<Mask>& masks) {
  constexpr Length most = Length::mm(200);
  constexpr Length least = Length::mm(3);
  Faults faults;
  for (const Mask& mask : masks) {
    const Length margin = mask.margin.length;
    if (mask.kind != MaskKind::window || (margin >= least && margin <= most)) continue;
    faults.push_back(
        {Where(Member::maskMargin, mask.id),
         {"A window with %1 round it cannot be laid. Give %2 to %3.", {margin, least, most}}});
  }
  return faults;
}

}  // namespace avrelt

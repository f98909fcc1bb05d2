// SPDX-License-Identifier: GPL-3.0-or-later
#include "watch/liquid_rules.h"

namespace avrelt {

std::vector<Watch> watchLiquid(const Liquid& liquid) {
  const LiquidMix mix = mixOf(liquid);
  if (mix.fits()) return {};
  return {
      {Rule::liquidNoRoom,
       WatchLevel::warn,
       Member::liquidRoom,
       {"At its warmest the liquid takes %1 more, and %2 are left free: it would press the seal "
        "open. Leave more room.",
        {volumeText(mix.more()), volumeText(mix.free)}}}};
}

}  // namespace avrelt

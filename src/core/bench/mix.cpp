// SPDX-License-Identifier: GPL-3.0-or-later
#include "bench/mix.h"

#include <algorithm>
#include <array>

namespace avrelt {

const char* mixKindName(MixKind kind) {
  constexpr std::array<const char*, mixKinds> names{"part_a",   "part_b",  "resin", "water",
                                                    "glycerin", "glitter", "paint", "ink",
                                                    "glue",     "sealer"};
  return names[static_cast<std::size_t>(kind)];
}

Mix resinMix(Volume onCup, const ResinMixing& mixing) {
  const Volume all = onCup / (1 - mixing.lost);
  const Volume a = all / (1 + mixing.partB);
  const Volume b = a * mixing.partB;
  if (mixing.partB == 0) {
    return {{{MixKind::resin, {}, a, Mass::grams(a.ml() * mixing.gramsPerMlA)}}};
  }
  return {{{MixKind::partA, {}, a, Mass::grams(a.ml() * mixing.gramsPerMlA)},
           {MixKind::partB, {}, b, Mass::grams(b.ml() * mixing.gramsPerMlB)}}};
}

Volume resinToHold(Area area, GlitterCut grain) {
  const double perCm2 = grain == GlitterCut::fine     ? 0.014
                        : grain == GlitterCut::medium ? 0.018
                                                      : 0.026;
  constexpr double mm2InCm2 = 100;
  return std::max(Volume::ml(1), Volume::ml(area.mm2() / mm2InCm2 * perCm2));
}

Volume glueFor(Area area) {
  constexpr double perMm2 = 0.0001;
  return std::max(Volume::ml(0.5), Volume::ml(area.mm2() * perMm2));
}

Mix thinnedGlue(Area area) {
  constexpr double glue = 0.6;
  const Volume all = glueFor(area);
  return {{{MixKind::glue, {}, all * glue, std::nullopt},
           {MixKind::water, {}, all * (1 - glue), std::nullopt}}};
}

Volume sealerFor(Area area) {
  return glueFor(area);
}

}  // namespace avrelt

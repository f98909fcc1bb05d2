// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "bench/method_kind.h"
#include "cup/growth_habits.h"
#include "measure/length.h"
#include "measure/mass.h"
#include "measure/volume.h"

namespace avrelt {

/// What goes into a mix, or is shaken or brushed on.
enum class MixKind { partA, partB, resin, water, glycerin, glitter, paint, ink, glue, sealer };
inline constexpr std::size_t mixKinds = 10;
/// "part_a", "water" …: as files write it.
const char* mixKindName(MixKind kind);
/// Whether it is resin, ready or one part of it.
constexpr bool isResin(MixKind kind) {
  return kind <= MixKind::resin;
}

/// One thing that goes into a mix.
struct MixPart {
  MixKind kind = MixKind::resin;
  std::string of;  ///< which, as the maker calls it
  std::optional<Volume> volume{};
  std::optional<Mass> mass{};
  std::string supply{};                ///< the id of the shop's, where the design says which
  std::optional<MethodKind> method{};  ///< of resin, which, where it is told without its step

  friend bool operator==(const MixPart&, const MixPart&) = default;
};

/// What a step takes. Empty where it takes nothing that is measured out.
struct Mix {
  std::vector<MixPart> parts;

  bool empty() const { return parts.empty(); }
  friend bool operator==(const Mix&, const Mix&) = default;
};

/// How a resin is mixed: common practice, equal parts by volume, both about as heavy as water and a
/// tenth; its maker's sheet goes first.
struct ResinMixing {
  double partB = 1;  ///< to one of A, by volume; 0 where it comes ready
  double gramsPerMlA = 1.1;
  double gramsPerMlB = 1.0;
  double lost = 0.1;  ///< the share that stays in cup and brush

  friend bool operator==(const ResinMixing&, const ResinMixing&) = default;
};

/// Both parts of so much resin on the cup.
Mix resinMix(Volume onCup, const ResinMixing& mixing = {});

/// Resin to hold glitter on an area: 1 to 5 ml a section, 5 to 10 ml a whole cup of some 480 cm²,
/// more under chunky glitter; common practice, no published source.
Volume resinToHold(Area area, GlitterCut grain);

/// Glue to hold glitter on an area, brushed on thinly: some 5 ml a whole cup of 480 cm²; common
/// practice, no published source.
Volume glueFor(Area area);
/// Tacky glue, three parts thinned with two of water: common practice, no published source.
Mix thinnedGlue(Area area);
/// A sealer brushed over an area, as glue.
Volume sealerFor(Area area);

}  // namespace avrelt

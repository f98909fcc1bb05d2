// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <vector>

#include "measure/length.h"
#include "measure/volume.h"

namespace avrelt {

enum class CoatKind { paint, glitter, resin };
enum class GlitterCut { fine, medium, chunky };

/// What coats are made of, as far as growth goes.
enum class Material { resin, fineGlitter, mediumGlitter, chunkyGlitter, paint };
inline constexpr std::size_t materialCount = 5;
/// "resin", "fine_glitter" …: as files write it.
const char* materialName(Material material);

/// How much of each material lies on a cup: for resin the thickness it would have if all of it
/// stayed, in mm; for the others the number of coats.
using CoatLoad = std::array<double, materialCount>;

/// One cup that was measured bare and again under its coats: what the shop remembers.
struct GrowthRecord {
  CoatLoad load{};
  Length thickness;  ///< what the coats came to, square to the wall
};

/// How coats come out thick in this maker's hands: per material, what one unit of load adds, and
/// how sure that is.
///
/// Without records it is a cautious guess (common practice, no published source): of mixed resin
/// 0.40 ± 0.12 stays on the cup; a coat of glitter is 0.10 mm fine, 0.20 mm medium, 0.45 mm chunky,
/// each ± half of it; a coat of paint 0.03 mm ± 0.02 mm. Records draw it their way by robust least
/// squares, with the guess as one soft observation for each material: one odd cup changes little,
/// many agreeing ones replace the guess.
struct GrowthHabits {
  CoatLoad mean{0.40, 0.10, 0.20, 0.45, 0.03};
  std::array<CoatLoad, materialCount> covariance{{{0.0144, 0, 0, 0, 0},
                                                  {0, 0.0025, 0, 0, 0},
                                                  {0, 0, 0.01, 0, 0},
                                                  {0, 0, 0, 0.050625, 0},
                                                  {0, 0, 0, 0, 0.0004}}};
  /// What single cups stray from the rule by, one standard deviation; 0 without records.
  Length scatter;
  int records = 0;
  std::array<int, materialCount> seen{};  ///< how many of them had the material on

  Length thickness(const CoatLoad& load) const;
  /// One standard deviation of it. Twice this either way is where it most likely lies.
  Length spread(const CoatLoad& load) const;

  friend bool operator==(const GrowthHabits&, const GrowthHabits&) = default;
};

/// Habits as the records tell them. Records without a finite thickness or with nothing on are left
/// out.
GrowthHabits habitsFrom(const std::vector<GrowthRecord>& records);

}  // namespace avrelt

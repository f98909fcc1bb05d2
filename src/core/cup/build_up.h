// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "cup/development.h"
#include "measure/volume.h"

namespace avrelt {

enum class CoatKind { paint, glitter, resin };
enum class GlitterCut { fine, medium, chunky };

/// One coat that goes on the cup, from the metal outwards.
struct Coat {
  CoatKind kind = CoatKind::resin;
  GlitterCut cut = GlitterCut::fine;  ///< for glitter
  Volume mixed = Volume::ml(20);      ///< for resin: both parts together
  std::string kept{};

  friend bool operator==(const Coat&, const Coat&) = default;
};

/// "paint", "fine glitter", "resin 30 ml": a coat in the middle of a sentence.
Sentence coatName(const Coat& coat);

/// A girth measured again when so many coats were on.
struct Remeasure {
  int after = 0;
  Station station;
  std::string kept;

  friend bool operator==(const Remeasure&, const Remeasure&) = default;
};

/// Which cup the pieces are cut for: the cup as it will be when they are laid, or the bare cup,
/// to be trimmed. Both schools exist.
enum class SizedFor { laid, bare };

/// What goes on the cup before the wrap, and what was measured meanwhile. The blank's own stations
/// are the bare cup, after 0 coats.
struct BuildUp {
  std::vector<Coat> coats;
  int laidAfter = 0;  ///< coats on the cup when the pieces are laid
  SizedFor sizedFor = SizedFor::laid;
  std::vector<Remeasure> measured;
  std::string kept;

  friend bool operator==(const BuildUp&, const BuildUp&) = default;
};

/// The cup after some of its coats.
struct Stage {
  int after = 0;
  /// What the coats add to the radius, square to the wall.
  Length thickness;
  /// One standard deviation of it. Twice this either way is where it most likely lies.
  Length spread;
  /// Whether a girth was measured at just this stage.
  bool measured = false;
};

/// How thick one coat comes out on a wall of this area, by the cautious default. Common practice,
/// no published source, and a guess until measured:
///
/// - resin: mixed volume × the share that stays on the cup, 0.40 ± 0.12, over the area;
/// - glitter: 0.10 mm fine, 0.20 mm medium, 0.45 mm chunky, each ± half of it;
/// - paint: 0.03 mm ± 0.02 mm.
struct CoatGrowth {
  Length thickness;
  Length spread;
};
CoatGrowth coatGrowth(const Coat& coat, Area wall);

/// The share of mixed resin that stays on the cup by the default.
inline constexpr double resinShare = 0.40;

/// How much resin to mix, both parts together, for a coat of this thickness: what `coatGrowth`
/// says of resin, turned round. With equal parts, half of it is each part.
Volume resinFor(Length thickness, Area wall);

/// Every stage from bare to the last coat. A measured stage takes its thickness from the tape; the
/// stages after it add their coats to that. Spreads of resin coats go together, since the share
/// that stays on is one maker's habit; the others add as independent errors.
///
/// Refused, naming the field: a stage that does not exist, a measurement off the wall or without a
/// girth, a girth smaller than the bare cup's by more than 1 mm or more than 30 mm larger.
CheckedAll<std::vector<Stage>> stagesOf(const Development& bare, const BuildUp& buildUp);

}  // namespace avrelt

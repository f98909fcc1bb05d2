// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "cup/body.h"
#include "cup/growth_habits.h"
#include "measure/volume.h"

namespace avrelt {

/// One coat that goes on the cup, from the metal outwards.
struct Coat {
  CoatKind kind = CoatKind::resin;
  GlitterCut cut = GlitterCut::fine;  ///< for glitter
  Volume mixed = Volume::ml(20);      ///< for resin: both parts together
  std::string kept{};
  std::string id{};
  bool sprayed = false;  ///< paint, from a can

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

/// Which cup the parts are cut for: the cup as it will be when they are laid, or the bare cup,
/// to be trimmed. Both schools exist.
enum class SizedFor { laid, bare };

/// Something that is laid at a stage of its own, before or after the rest.
struct OwnStage {
  std::string of;  ///< its id: of a stripe, a pattern, a zone of film, a mask; "wrap"
  int after = 0;   ///< coats on the cup by then
  std::string kept{};

  friend bool operator==(const OwnStage&, const OwnStage&) = default;
};

/// What goes on the cup before the wrap, and what was measured meanwhile. The blank's own stations
/// are the bare cup, after 0 coats.
struct BuildUp {
  std::vector<Coat> coats;
  int laidAfter = 0;           ///< coats on the cup when it is divided and the parts are laid
  std::vector<OwnStage> laid;  ///< parts that are laid at another stage than that
  SizedFor sizedFor = SizedFor::laid;
  std::vector<Remeasure> measured;
  std::string kept;

  friend bool operator==(const BuildUp&, const BuildUp&) = default;
};

/// How many coats are on when the thing of this id is laid.
int laidAfterOf(const BuildUp& buildUp, const std::string& id);
/// Lays it at that stage; where that is the one everything is laid at, it has none of its own.
void layAfter(BuildUp& buildUp, const std::string& id, int after);
/// All stages something is laid at, each once; the one of most things first.
std::vector<int> stagesInUse(const BuildUp& buildUp);

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

/// What one coat puts on a wall of this area.
CoatLoad loadOf(const Coat& coat, Area wall);

/// How much resin to mix, both parts together, for a coat of this thickness by these habits. With
/// equal parts, half of it is each part.
Volume resinFor(Length thickness, Area wall, const GrowthHabits& habits);

/// Every stage from bare to the last coat. A measured stage takes its thickness from the tape; the
/// stages after it add their coats to that. Spreads of coats of one material go together, since how
/// thick they come out is one maker's habit.
///
/// Refused, naming the field: a stage that does not exist, a thing laid at two, a measurement off
/// the wall or without a girth, a girth smaller than the bare cup's by more than 1 mm or more than
/// 30 mm larger.
CheckedAll<std::vector<Stage>> stagesOf(const Body& bare, const BuildUp& buildUp,
                                        const GrowthHabits& habits);

/// What the measured stages of a cup teach: each as if no other had been measured before it.
/// Measurements that `stagesOf` would refuse teach nothing.
std::vector<GrowthRecord> recordsOf(const Body& bare, const BuildUp& buildUp);

}  // namespace avrelt

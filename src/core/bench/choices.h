// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "bench/civil_time.h"
#include "measure/temperature.h"

namespace avrelt {

/// What a maker does otherwise at one step of a cup, kept by the step's id, also while the design
/// has no such step; or a step of the maker's own.
struct StepChange {
  std::string step;      ///< its id
  std::string text{};    ///< of an own step what to do; empty for a step of the plan
  bool dropped = false;  ///< not done at all
  std::string behind{};  ///< the id of the step it stands right behind, where it was moved
  bool first = false;    ///< moved before all others
  std::optional<Duration> handsOn{};
  std::optional<Wait> wait{};
  std::optional<CivilTime> notBefore{};
  std::string note{};
  std::string kept{};

  bool own() const { return !text.empty(); }
  bool moved() const { return first || !behind.empty(); }
  friend bool operator==(const StepChange&, const StepChange&) = default;
};

/// A step that somebody is at: since when, and whose pair of hands it is, from 1.
struct StepBegun {
  std::string step;
  CivilTime at;
  int pair = 1;
  std::string kept{};

  friend bool operator==(const StepBegun&, const StepBegun&) = default;
};

/// A step that was done: when it ended, how long it took, and what was found wrong with it, by the
/// names looks know faults by.
struct StepDone {
  std::string step;
  CivilTime at;
  Duration took;
  std::string kept{};
  std::vector<std::string> faults{};

  friend bool operator==(const StepDone&, const StepDone&) = default;
};

/// What is the maker's own in a cup's work.
struct CupBench {
  std::vector<StepChange> changes;
  std::vector<StepDone> done;  ///< in the order it was done
  std::optional<StepBegun> begun{};
  std::string kept;

  friend bool operator==(const CupBench&, const CupBench&) = default;
};

/// When and with what the cups of an order are made, and what is done where schools differ.
struct BenchChoices {
  static constexpr int mostPlaces = 100;
  static constexpr std::size_t mostAway = 400;

  std::optional<CivilTime> from;  ///< the first hour of work; as soon as there is one, where none
  std::optional<CivilTime> due;
  WorkingHours hours;
  int turners = 2;
  int hands = 1;
  int lamps = 1;
  int sprayPlaces = 1;
  int shelfPlaces = 0;                ///< to dry on; 0 where there is always one
  std::optional<Temperature> warmth;  ///< of the room, as it was typed
  /// Prints are sealed before resin, so that their ink does not bubble; else they are not.
  bool sealPrints = true;
  /// Coats between are of the resin that sets fast: the next follows sooner, but each must be
  /// brushed on faster.
  bool quickCoats = false;
  /// The last coat too; some say it yellows and scratches sooner.
  bool quickLast = false;
  /// Glitter that goes round the cup is stuck and shaken on half by half, so that nothing dries
  /// before glitter is on it; else all round at once, so that there is no edge to blend.
  bool halfByHalf = false;
  /// Every buried stencil is ringed before the next is lifted; else only those that look alike.
  bool ringOneByOne = false;
  std::string kept;

  friend bool operator==(const BenchChoices&, const BenchChoices&) = default;
};

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "bench/civil_time.h"
#include "bench/method.h"
#include "bench/mix.h"
#include "bench/schedule.h"

namespace avrelt {

/// What is done in one step at the bench.
enum class StepKind {
  clean,
  mark,
  measure,
  coat,
  tape,
  cover,
  paint,
  stick,
  glitter,
  pull,
  seal,
  pattern,
  film,
  stencil,
  peel,
  ring,
  decal,
  stripe,
  wrap,
  base,
  rim,
  cure,
  fill,
  sand,
  warm,
  lamp,
};
inline constexpr std::size_t stepKinds = 26;
/// "clean", "coat" …: as files write it.
const char* stepName(StepKind kind);

/// What can hurt somebody, told once at the first step it concerns.
enum class Caution { dust, resin, spray, solvent, ink, lamp, blade, heat, lip };
/// Whole, with whose word goes first.
Sentence cautionWords(Caution caution);

/// One thing to do at a cup.
struct Step {
  std::string id;  ///< lasting: of what it is for, so that it is the same when the design changes
  StepKind kind = StepKind::clean;
  Sentence words;
  std::vector<std::string> of{};  ///< ids of what in the order it is for
  Duration handsOn;
  long pieces = 1;  ///< laid or lifted one by one: it can be broken off between any two
  Wait wait{};      ///< before the steps after it
  std::vector<std::string> after{};  ///< ids of the steps that come before
  std::vector<Caution> cautions{};
  Mix mix{};
  /// From its start it has to turn, stay under the lamp, … so long, also while what follows it is
  /// done to it there.
  Duration holds{};
  Spot spot = Spot::turner;
  std::optional<MethodKind> method{};  ///< that puts on what it takes
  std::optional<Duration> working{};   ///< what it takes is mixed, and put on within this
  bool own = false;                    ///< put in by the maker
  std::string note{};                  ///< the maker's
  std::optional<CivilTime> notBefore{};

  friend bool operator==(const Step&, const Step&) = default;
};

/// Gives every step the one before it as what it comes after, makes their ids differ, and tells
/// each caution once, at the first step it concerns.
void putInOrder(std::vector<Step>& steps);
/// Why it is done, and why then.
Sentence reasonOf(const Step& step);

/// The steps of a cup as what a schedule is made of, times counted from `zero`.
TaskChain chainOf(const std::string& cup, const std::vector<Step>& steps, CivilTime zero = {});

/// From the first step to the end of the last wait: what it takes with nobody waiting longer than
/// they must.
Duration atLeast(const std::vector<Step>& steps);
Duration handsOn(const std::vector<Step>& steps);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <set>
#include <string>
#include <utility>
#include <vector>

#include "bench/paces.h"
#include "cup/growth_habits.h"
#include "log/origin_fit.h"
#include "log/supply.h"

namespace avrelt {

/// Something a shop reckons by and may find out about itself: what glitter and paint go into a cm²,
/// how much film its parts take to one of their own area, how long work of a kind takes, or is
/// waited after a method, to one of what is usual, how thick a coat comes out, and how often
/// something is wrong with it.
struct LearnableFigure {
  enum class Of { glitter, paint, film, pace, growth, wait, fault } of = Of::pace;
  StepKind kind = StepKind::clean;      ///< of a pace; of faults where no method is meant
  std::optional<MethodKind> method{};   ///< of a wait, of faults
  Material material = Material::resin;  ///< of growth

  /// "glitter", "pace.coat", "growth.resin", "wait.sealer", "fault.step.pull": as the shop's file
  /// writes it.
  std::string name() const;
  friend bool operator==(const LearnableFigure&, const LearnableFigure&) = default;
};
std::vector<LearnableFigure> learnableFigures();

/// What was done at one step: how long it took, and what it usually takes.
struct StepWork {
  std::string key;    ///< lasting: of order, cup and step
  std::string words;  ///< of cup and step
  StepKind kind = StepKind::clean;
  CivilTime at;
  Duration took;
  Duration usual;     ///< 0 where its maker had set it
  std::string cup{};  ///< lasting: of order and cup
  std::optional<MethodKind> method{};
  Duration usualWait{};  ///< before what comes after it; 0 where its maker had set it, or none
  std::vector<std::string> faults{};  ///< found in it
  std::string cupName{};              ///< as a person calls it
};

/// A cup that was measured again under its coats.
struct GrowthNote {
  long long key = 0;  ///< the shop's
  std::string words;  ///< which blank, and what was on
  CivilTime at;
  GrowthRecord record;

  /// By it, it is left out.
  std::string observation() const { return "growth/" + std::to_string(key); }
};

/// Film that was taken off the shelf to be cut, and the parts that came of it.
struct FilmTaken {
  long long key = 0;  ///< the shop's
  std::string words;  ///< which film, for what
  CivilTime at;
  Area parts;
  Area taken;  ///< but for the offcut that was kept

  friend bool operator==(const FilmTaken&, const FilmTaken&) = default;
};

/// What film goes to waste where so much is taken for one of its parts' area, and the other way.
inline double wasteOf(double taken) {
  return taken > 1 ? 1 - 1 / taken : 0;
}
inline double takenFor(double waste) {
  return 1 / (1 - waste);
}

/// One thing that was observed.
struct FigureSample {
  std::string key;    ///< lasting: by it, it is left out
  std::string words;  ///< what it was: a cup and its step; a supply and from when to when
  CivilTime at;
  FitPoint point;
  bool odd = false;      ///< far from the others
  bool leftOut = false;  ///< by the maker
};

/// What the shop has found out about one figure.
struct LearntFigure {
  LearnableFigure figure;
  std::vector<FigureSample> seen;
  OriginFit fit;       ///< of those that are not left out
  double present = 1;  ///< what is reckoned with: g or ml for a cm², cm² for one, or a share
  bool offered = false;
  std::vector<std::pair<std::string, int>> told{};  ///< of faults: which, and how often
};

/// How many are told of, at the least.
inline constexpr std::size_t fewestToLearn = 3;

/// Observations of hands-on time for work of a kind: usual minutes against those it took.
std::vector<FigureSample> paceSeen(const std::vector<StepWork>& work, StepKind kind);
/// Observations of what an area takes: between two counts of a supply of the kind, the area done
/// against what went. What is not known to have gone onto an area, or where more came back than
/// went, teaches nothing.
std::vector<FigureSample> amountsSeen(const SupplyShelf& shelf, SupplyKind kind);

/// Observations of what film parts take: their area against what was taken for them. What is less
/// than the parts themselves teaches nothing.
std::vector<FigureSample> filmSeen(const std::vector<FilmTaken>& taken);

/// Observations of how thick coats come out: how much of a material was on, against what the cup
/// grew by less what else was on, as it is reckoned. Of resin mm that were poured, of others coats.
std::vector<FigureSample> growthSeen(const std::vector<GrowthNote>& notes, Material material,
                                     const GrowthHabits& habits);

/// Observations of waits after a method: what is usual, in minutes, against what passed till the
/// cup was gone on with. Where over twice as much passed, the maker was away, which teaches
/// nothing.
std::vector<FigureSample> waitsSeen(const std::vector<StepWork>& work, MethodKind method);

/// Observations of faults, cup by cup: how often a method was used, or work of a kind done, against
/// how often something was found wrong with it.
std::vector<FigureSample> faultsSeen(const std::vector<StepWork>& work,
                                     const LearnableFigure& figure);
/// Which faults those were, by the names looks know them by, the most frequent first.
std::vector<std::pair<std::string, int>> faultsCounted(const std::vector<StepWork>& work,
                                                       const LearnableFigure& figure);

/// What a shop knows that figures are found out from.
struct FigureSources {
  const std::vector<StepWork>& work;
  const SupplyShelf& supplies;
  const std::vector<FilmTaken>& films;
  const std::vector<GrowthNote>& grown;
  const GrowthHabits& habits;
};
/// All observations of a figure.
std::vector<FigureSample> seenOf(const LearnableFigure& figure, const FigureSources& sources);

/// The figure by what was seen, but what is left out. It is offered where there are three or more,
/// the interval of 95 of 100 leaves the present figure out or is narrow enough to tell a change of
/// a twentieth, and it differs by that. Faults, which nothing is reckoned by, are never offered.
LearntFigure learn(const LearnableFigure& figure, std::vector<FigureSample> seen, double present,
                   const std::set<std::string>& leftOut);

}  // namespace avrelt

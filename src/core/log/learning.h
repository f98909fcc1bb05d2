// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <set>
#include <string>
#include <vector>

#include "bench/paces.h"
#include "log/origin_fit.h"
#include "log/supply.h"

namespace avrelt {

/// Something a shop reckons by and may find out about itself: what glitter and paint go into a cm²,
/// how much film its parts take to one of their own area, or how long work of a kind takes, to one
/// of what is usual.
struct LearnableFigure {
  enum class Of { glitter, paint, film, pace } of = Of::pace;
  StepKind kind = StepKind::clean;  ///< of a pace

  /// "glitter", "paint", "film", "pace.coat": as the shop's file writes it.
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
  Duration usual;  ///< 0 where its maker had set it
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

/// The figure by what was seen, but what is left out. It is offered where there are three or more,
/// the interval of 95 of 100 leaves the present figure out or is narrow enough to tell a change of
/// a twentieth, and it differs by that.
LearntFigure learn(const LearnableFigure& figure, std::vector<FigureSample> seen, double present,
                   const std::set<std::string>& leftOut);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "job/sheets.h"
#include "log/cost.h"

namespace avrelt {

/// What a cup takes from bare to done, as it is planned, before it is made.
struct CupEstimate {
  std::vector<SupplyUse> uses;   ///< of what the shop has
  std::vector<MixPart> unknown;  ///< what goes by no supply the shop knows, each once, no amounts
  std::vector<FilmUse> films;    ///< every part that is cut, with copies and spares; by film
  Duration worked;               ///< hands on: of steps that are done, what they took
  /// By the shop's prices; what is unknown is counted with the lines without one.
  CupCost cost;
};

/// Adds up all of a cup's steps, done or not, and all of its parts that are not paper, cut or not:
/// the film for each the shelf's likeliest, by the kind where it has none. A pure function of its
/// arguments.
CupEstimate estimateOf(const CupPlan& plan, const BenchChoices& bench, const Stock& stock,
                       const SupplyShelf& supplies, const FilmShelf& films,
                       const MoneyRules& rules);

/// Film that parts not cut yet take, and what the shelf has of it.
struct FilmNeed {
  std::string name;    ///< of the shelf's film, else of its kind
  long long film = 0;  ///< the shelf's key; 0 where it has none for it
  Area needed;         ///< its parts, copies and spares among them, with the shop's waste
  Area there;          ///< sheets, rolls and offcuts together

  bool tooLittle() const { return there < needed; }
};

/// What is to be cut yet of all these cups, film by film. By areas: that it fits together is known
/// only once it is laid on sheets.
std::vector<FilmNeed> filmNeeds(const std::vector<const CupPlan*>& cups, const FilmShelf& films,
                                double waste);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "log/supply.h"
#include "measure/money.h"
#include "sheet/film_shelf.h"

namespace avrelt {

/// How the shop reckons money.
struct MoneyRules {
  Money perHour = Money::of(15);  ///< of hands-on time
  Money perCup{};                 ///< of rent, power, gloves: a share of what no cup is charged for
  double waste = 0.25;            ///< of film: what of a sheet becomes no part
  double factor = 2;              ///< price to cost
  Money roundTo = Money::of(1);   ///< a price is a multiple of it, rounded up; 0 for none

  friend bool operator==(const MoneyRules&, const MoneyRules&) = default;
};
/// Why they cannot be so, by the field: "per_hour", "per_cup", "waste", "factor", "round_to".
std::optional<Fault> faultOf(const MoneyRules& rules);

/// Film that was cut for a cup.
struct FilmUse {
  long long film = 0;  ///< the shop's key; 0 where it is not known
  std::string name;
  Area area;

  friend bool operator==(const FilmUse&, const FilmUse&) = default;
};

struct CostLine {
  enum class Of { supply, film, time, share } of = Of::supply;
  std::string name;  ///< of the supply or film
  Amount amount{};   ///< of a supply
  Area area{};       ///< of film, with its waste
  Duration time{};
  Money money;
  bool known = true;  ///< that there is a price
};

/// What a cup cost, and what it should sell for.
struct CupCost {
  std::vector<CostLine> lines;
  Money materials;
  Money time;
  Money share;
  Money total;
  Money price;
  std::size_t unknown = 0;  ///< lines without a price: it cost more than this
};

/// From what it used, the film cut for it, and how long it was worked at: materials by use and
/// price, film with its waste (area / (1 − waste)), hours by the rate, the share; the price is the
/// total by the factor, rounded up.
CupCost costOf(const std::vector<SupplyUse>& uses, const std::vector<FilmUse>& films,
               Duration worked, const SupplyShelf& supplies, const FilmShelf& shelf,
               const MoneyRules& rules);

}  // namespace avrelt

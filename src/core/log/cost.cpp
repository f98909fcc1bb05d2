// SPDX-License-Identifier: GPL-3.0-or-later
#include "log/cost.h"

#include <cmath>
#include <map>

namespace avrelt {
namespace {

constexpr double mm2InM2 = 1e6;
constexpr double minutesPerHour = 60;

}  // namespace

std::optional<Fault> faultOf(const MoneyRules& rules) {
  constexpr double most = 1e6;
  const auto money = [&](Money of) { return of.value() >= 0 && of.value() <= most; };
  if (!money(rules.perHour)) {
    return Fault{Member::costPerHour, {"An hour costs from 0 to a million.", {}}};
  }
  if (!money(rules.perCup))
    return Fault{Member::costPerCup, {"A cup's share is from 0 to a million.", {}}};
  if (!(rules.waste >= 0 && rules.waste <= 0.9)) {
    return Fault{Member::costWaste, {"Of film, 0 to 90 % is waste.", {}}};
  }
  if (!(rules.factor >= 0.1 && rules.factor <= 100)) {
    return Fault{Member::costFactor,
                 {"A price is from a tenth of the cost to 100 times as much.", {}}};
  }
  if (!money(rules.roundTo)) {
    return Fault{Member::costRoundTo, {"Round a price to something from 0 to a million.", {}}};
  }
  return std::nullopt;
}

CupCost costOf(const std::vector<SupplyUse>& uses, const std::vector<FilmUse>& films,
               Duration worked, const SupplyShelf& supplies, const FilmShelf& shelf,
               const MoneyRules& rules) {
  CupCost cost;
  const auto add = [&](CostLine line) {
    if (!line.known) ++cost.unknown;
    cost.lines.push_back(std::move(line));
  };
  std::map<std::string, Amount> sums;
  for (const SupplyUse& use : uses) {
    const auto [at, isNew] = sums.try_emplace(use.supply, use.amount);
    if (!isNew) at->second = at->second + use.amount;
  }
  for (const auto& [id, amount] : sums) {
    CostLine line;
    line.amount = amount;
    const Supply* supply = supplies.called(id);
    line.name = supply == nullptr ? id : supply->name;
    line.known = supply != nullptr && supply->price > Money();
    if (line.known) line.money = supply->priceOf(amount);
    cost.materials = cost.materials + line.money;
    add(std::move(line));
  }
  std::map<std::pair<long long, std::string>, Area> areas;
  for (const FilmUse& film : films) {
    Area& sum = areas[{film.film, film.name}];
    sum = sum + film.area;
  }
  for (const auto& [key, area] : areas) {
    CostLine line;
    line.of = CostLine::Of::film;
    line.area = Area::mm2(area.mm2() / (1 - rules.waste));
    const ShelfFilm* film = shelf.filmOf(key.first);
    line.name = film == nullptr ? key.second : film->name;
    line.known = film != nullptr && film->pricePerM2 > 0;
    if (line.known) line.money = Money::of(line.area.mm2() / mm2InM2 * film->pricePerM2);
    cost.materials = cost.materials + line.money;
    add(std::move(line));
  }
  CostLine time;
  time.of = CostLine::Of::time;
  time.time = worked;
  time.money = cost.time = rules.perHour * (worked.minutes() / minutesPerHour);
  add(std::move(time));
  if (rules.perCup > Money()) {
    CostLine share;
    share.of = CostLine::Of::share;
    share.money = cost.share = rules.perCup;
    add(std::move(share));
  }
  cost.total = cost.materials + cost.time + cost.share;
  const double price = cost.total.value() * rules.factor;
  const double step = rules.roundTo.value();
  // What is a whole number of steps but for the last bit stays that.
  constexpr double hair = 1e-9;
  cost.price = Money::of(step > 0 ? std::ceil(price / step - hair) * step : price);
  return cost;
}

}  // namespace avrelt

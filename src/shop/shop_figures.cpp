// SPDX-License-Identifier: GPL-3.0-or-later
#include <array>

#include "shop/database.h"
#include "shop/shop.h"

namespace avrelt {
namespace {

std::string paceName(std::size_t kind) {
  return std::string("pace.") + stepName(static_cast<StepKind>(kind));
}

/// A rule of money, by the name the shop keeps it under.
struct MoneyFigure {
  const char* name;
  double (*get)(const MoneyRules&);
  void (*set)(MoneyRules&, double);
};

constexpr std::array moneyFigures{
    MoneyFigure{"money.per_hour", [](const MoneyRules& rules) { return rules.perHour.value(); },
                [](MoneyRules& rules, double value) { rules.perHour = Money::of(value); }},
    MoneyFigure{"money.per_cup", [](const MoneyRules& rules) { return rules.perCup.value(); },
                [](MoneyRules& rules, double value) { rules.perCup = Money::of(value); }},
    MoneyFigure{"money.waste", [](const MoneyRules& rules) { return rules.waste; },
                [](MoneyRules& rules, double value) { rules.waste = value; }},
    MoneyFigure{"money.factor", [](const MoneyRules& rules) { return rules.factor; },
                [](MoneyRules& rules, double value) { rules.factor = value; }},
    MoneyFigure{"money.round_to", [](const MoneyRules& rules) { return rules.roundTo.value(); },
                [](MoneyRules& rules, double value) { rules.roundTo = Money::of(value); }}};

/// Whether growth is reckoned from what was measured here.
constexpr const char* growthName = "growth.own";

void putRate(Database& database, const std::string& name, double value) {
  Statement put(database,
                "INSERT INTO rates (name, value) VALUES (?, ?)"
                " ON CONFLICT (name) DO UPDATE SET value = excluded.value");
  put.bind(name).bind(value).step();
}

bool lawful(double pace) {
  return pace >= Paces::least && pace <= Paces::most;
}

}  // namespace

tl::expected<Paces, Sentence> Shop::paces() {
  Paces paces;
  {
    Statement rows(*database_, "SELECT name, value FROM rates");
    while (rows.step()) {
      for (std::size_t i = 0; i < stepKinds; ++i) {
        // What was spoilt by hand is as it comes.
        if (rows.text(0) == paceName(i) && lawful(rows.number(1))) paces.all[i] = rows.number(1);
      }
    }
  }
  if (std::optional<Sentence> fault = database_->trouble()) return tl::unexpected(*fault);
  return paces;
}

std::optional<Sentence> Shop::put(const Paces& paces) {
  for (const double pace : paces.all) {
    if (!lawful(pace)) {
      return Sentence{"Work takes from a tenth to ten times as long as is usual.", {}};
    }
  }
  database_->begin();
  for (std::size_t i = 0; i < stepKinds; ++i) putRate(*database_, paceName(i), paces.all[i]);
  return database_->end();
}

tl::expected<bool, Sentence> Shop::growthIsOwn() {
  bool own = true;
  {
    Statement row(*database_, "SELECT value FROM rates WHERE name = ?");
    row.bind(growthName);
    if (row.step()) own = row.number(0) != 0;
  }
  if (std::optional<Sentence> fault = database_->trouble()) return tl::unexpected(*fault);
  return own;
}

std::optional<Sentence> Shop::setGrowthIsOwn(bool own) {
  database_->begin();
  putRate(*database_, growthName, own ? 1 : 0);
  return database_->end();
}

tl::expected<MoneyRules, Sentence> Shop::moneyRules() {
  MoneyRules rules;
  {
    Statement rows(*database_, "SELECT name, value FROM rates");
    while (rows.step()) {
      for (const MoneyFigure& figure : moneyFigures) {
        if (rows.text(0) == figure.name) figure.set(rules, rows.number(1));
      }
    }
  }
  if (std::optional<Sentence> fault = database_->trouble()) return tl::unexpected(*fault);
  return faultOf(rules) ? MoneyRules() : rules;
}

std::optional<Sentence> Shop::put(const MoneyRules& rules) {
  if (const std::optional<Fault> fault = faultOf(rules)) return fault->sentence;
  database_->begin();
  for (const MoneyFigure& figure : moneyFigures) {
    putRate(*database_, figure.name, figure.get(rules));
  }
  return database_->end();
}

SupplyStore Shop::supplies() {
  return SupplyStore(*database_);
}

Logbook Shop::logbook() {
  return {*database_, file_.parent_path() / "photos"};
}

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#include "shop/supply_store.h"

#include <array>
#include <random>

#include "measure/colour.h"
#include "shop/database.h"
#include "shop/supply_rows.h"

namespace avrelt {
namespace {

constexpr const char* countedWord = "counted";
constexpr const char* boughtWord = "bought";

/// Sixteen hexadecimal digits by chance: two shops do not give the same.
std::string newSupplyId() {
  static constexpr std::string_view digits = "0123456789abcdef";
  std::random_device chance;
  std::string id = "s-";
  constexpr int wanted = 16;
  for (int i = 0; i < wanted; ++i) id += digits[chance() % digits.size()];
  return id;
}

}  // namespace

std::optional<SupplyUse> useFrom(const Statement& row, int from) {
  const std::optional<CivilTime> at = parseCivil(row.text(from + 1));
  const std::optional<SupplyKind> kind = supplyKindOf(row.text(from + 4));
  if (!kind || !at) return std::nullopt;
  SupplyUse use{row.text(from), *at, Amount::ofUnits(measuredBy(*kind), row.number(from + 2)), {}};
  if (!row.nothing(from + 3)) use.over = Area::mm2(row.number(from + 3));
  return use;
}

tl::expected<SupplyShelf, Sentence> SupplyStore::all() {
  SupplyShelf shelf;
  {
    Statement rows(*database_,
                   "SELECT id, name, kind, colour, method, price, low, lot, thinning, notes, gone"
                   " FROM supplies ORDER BY name");
    while (rows.step()) {
      const std::optional<SupplyKind> kind = supplyKindOf(rows.text(2));
      if (!kind) continue;
      Supply supply;
      supply.id = rows.text(0);
      supply.name = rows.text(1);
      supply.kind = *kind;
      supply.colour = rows.text(3);
      supply.method = methodNamed(rows.text(4));
      supply.price = Money::of(rows.number(5));
      supply.low = Amount::ofUnits(supply.by(), rows.number(6));
      supply.lot = rows.text(7);
      supply.thinning = rows.text(8);
      supply.notes = rows.text(9);
      supply.gone = rows.whole(10) != 0;
      if (!faultOf(supply)) shelf.supplies.push_back(std::move(supply));
    }
    Statement events(*database_,
                     "SELECT e.id, e.supply, e.kind, e.at, e.amount, e.paid, s.kind"
                     " FROM supply_events e JOIN supplies s ON s.id = e.supply"
                     " ORDER BY e.at, e.id");
    while (events.step()) {
      const std::optional<SupplyKind> kind = supplyKindOf(events.text(6));
      const std::optional<CivilTime> at = parseCivil(events.text(3));
      if (!kind || !at) continue;
      SupplyEvent event;
      event.key = events.whole(0);
      event.supply = events.text(1);
      event.kind =
          events.text(2) == boughtWord ? SupplyEvent::Kind::bought : SupplyEvent::Kind::counted;
      event.at = *at;
      event.amount = Amount::ofUnits(measuredBy(*kind), events.number(4));
      event.paid = Money::of(events.number(5));
      shelf.events.push_back(std::move(event));
    }
    Statement uses(*database_,
                   "SELECT u.supply, u.at, u.amount, u.over_mm2, s.kind"
                   " FROM uses u JOIN supplies s ON s.id = u.supply ORDER BY u.at, u.rowid");
    while (uses.step()) {
      if (auto use = useFrom(uses, 0)) shelf.uses.push_back(std::move(*use));
    }
  }
  if (std::optional<Sentence> trouble = database_->trouble()) return tl::unexpected(*trouble);
  return shelf;
}

tl::expected<std::string, Sentence> SupplyStore::put(const Supply& supply) {
  if (const std::optional<Fault> fault = faultOf(supply)) return tl::unexpected(fault->sentence);
  database_->begin();
  std::string id = supply.id;
  bool taken = false;
  bool there = true;
  bool otherwise = false;
  {
    Statement other(*database_, "SELECT id FROM supplies WHERE name = ? AND id <> ? AND gone = 0");
    other.bind(supply.name).bind(supply.id);
    taken = other.step();
  }
  if (!id.empty()) {
    Statement known(*database_, "SELECT kind FROM supplies WHERE id = ?");
    known.bind(id);
    there = known.step();
    // What was counted in grams does not become millilitres.
    const std::optional<SupplyKind> was = there ? supplyKindOf(known.text(0)) : std::nullopt;
    if (was && measuredBy(*was) != supply.by()) {
      Statement counted(*database_,
                        "SELECT 1 FROM supply_events WHERE supply = ?1 UNION ALL"
                        " SELECT 1 FROM uses WHERE supply = ?1");
      counted.bind(id);
      otherwise = counted.step();
    }
  }
  if (!taken && there && !otherwise) {
    if (id.empty()) id = newSupplyId();
    Statement put(*database_,
                  "INSERT INTO supplies (id, name, kind, colour, method, price, low, lot, thinning,"
                  " notes, gone) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)"
                  " ON CONFLICT (id) DO UPDATE SET name = excluded.name, kind = excluded.kind,"
                  " colour = excluded.colour, method = excluded.method, price = excluded.price,"
                  " low = excluded.low, lot = excluded.lot, thinning = excluded.thinning,"
                  " notes = excluded.notes, gone = excluded.gone");
    put.bind(id).bind(supply.name).bind(supplyKindName(supply.kind)).bind(supply.colour);
    put.bind(supply.method ? methodName(*supply.method) : "").bind(supply.price.value());
    put.bind(supply.low.units()).bind(supply.lot).bind(supply.thinning).bind(supply.notes);
    put.bind(static_cast<long long>(supply.gone)).step();
  }
  if (std::optional<Sentence> trouble = database_->end()) return tl::unexpected(*trouble);
  if (taken) {
    return tl::unexpected(Sentence{
        "There is a supply called “%1” already. Give this one another name.", {supply.name}});
  }
  if (!there) {
    return tl::unexpected(Sentence{"“%1” is not on the shelf any more.", {supply.name}});
  }
  if (otherwise) {
    return tl::unexpected(
        Sentence{"“%1” is measured out otherwise. Add a new supply for this kind, and remove the "
                 "old one.",
                 {supply.name}});
  }
  return id;
}

std::optional<Sentence> SupplyStore::remove(const std::string& id) {
  database_->begin();
  {
    Statement gone(*database_, "UPDATE supplies SET gone = 1 WHERE id = ?");
    gone.bind(id).step();
  }
  return database_->end();
}

tl::expected<long long, Sentence> SupplyStore::note(const SupplyEvent& event) {
  if (!(event.amount.units() >= 0)) {
    return tl::unexpected(
        Sentence{"There cannot be less than nothing of it. Type what is there.", {}});
  }
  if (!(event.paid.value() >= 0)) {
    return tl::unexpected(Sentence{"What was paid is from 0 on.", {}});
  }
  database_->begin();
  std::optional<SupplyKind> kind;
  long long key = 0;
  {
    Statement row(*database_, "SELECT kind FROM supplies WHERE id = ?");
    row.bind(event.supply);
    if (row.step()) kind = supplyKindOf(row.text(0));
  }
  const bool fits = kind && measuredBy(*kind) == event.amount.by();
  if (fits) {
    Statement add(*database_,
                  "INSERT INTO supply_events (supply, kind, at, amount, paid)"
                  " VALUES (?, ?, ?, ?, ?) RETURNING id");
    add.bind(event.supply)
        .bind(event.kind == SupplyEvent::Kind::counted ? countedWord : boughtWord);
    add.bind(civilText(event.at)).bind(event.amount.units()).bind(event.paid.value());
    if (add.step()) {
      key = add.whole(0);
      add.step();
    }
  }
  if (std::optional<Sentence> trouble = database_->end()) return tl::unexpected(*trouble);
  if (!kind) return tl::unexpected(Sentence{"The supply is not on the shelf any more.", {}});
  if (!fits) {
    return tl::unexpected(Sentence{"This supply is measured out otherwise. Type %1.",
                                   {std::string(unitOf(measuredBy(*kind)))}});
  }
  return key;
}

std::optional<Sentence> SupplyStore::forget(long long event) {
  database_->begin();
  {
    Statement gone(*database_, "DELETE FROM supply_events WHERE id = ?");
    gone.bind(event).step();
  }
  return database_->end();
}

}  // namespace avrelt

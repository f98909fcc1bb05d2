// SPDX-License-Identifier: GPL-3.0-or-later
#include "log/supply.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "measure/colour.h"

namespace avrelt {
namespace {

constexpr std::array<const char*, supplyKinds> kindNames{"resin", "glitter", "paint", "ink",
                                                         "glue",  "sealer",  "tape",  "other"};

/// The area that so much was reckoned for.
std::optional<Area> areaFor(const MixPart& part, const FillRates& rates) {
  constexpr double mm2InCm2 = 100;
  if (part.kind == MixKind::glitter && part.mass && rates.glitterPerCm2 > Mass()) {
    return Area::mm2(part.mass->grams() / rates.glitterPerCm2.grams() * mm2InCm2);
  }
  if (part.kind == MixKind::paint && part.volume && rates.paintPerCm2 > Volume()) {
    return Area::mm2(part.volume->ml() / rates.paintPerCm2.ml() * mm2InCm2);
  }
  return std::nullopt;
}

}  // namespace

const char* supplyKindName(SupplyKind kind) {
  return kindNames[static_cast<std::size_t>(kind)];
}

std::optional<SupplyKind> supplyKindOf(std::string_view name) {
  for (std::size_t i = 0; i < supplyKinds; ++i) {
    if (name == kindNames[i]) return static_cast<SupplyKind>(i);
  }
  return std::nullopt;
}

MeasuredBy measuredBy(SupplyKind kind) {
  return kind == SupplyKind::glitter ? MeasuredBy::weight
         : kind == SupplyKind::tape  ? MeasuredBy::length
                                     : MeasuredBy::volume;
}

Money Supply::priceOf(const Amount& amount) const {
  if (amount.by() != by()) return {};
  constexpr double pack = 100;  // grams or millilitres
  constexpr double mmPerMetre = 1000;
  return price * (amount.units() / (by() == MeasuredBy::length ? mmPerMetre : pack));
}

std::optional<Fault> faultOf(const Supply& supply) {
  if (supply.name.find_first_not_of(" \t\n") == std::string::npos) {
    return Fault{Member::supplyName, {"A supply needs a name. Give it one.", {}}};
  }
  if (!supply.colour.empty() && !isColour(supply.colour)) {
    return Fault{Member::supplyColour, {"A supply's colour is written #RRGGBB.", {}}};
  }
  constexpr double mostMoney = 1e6;
  if (!(supply.price.value() >= 0 && supply.price.value() <= mostMoney)) {
    return Fault{Member::supplyPrice, {"Give a price from 0 to a million.", {}}};
  }
  if (!(supply.low.units() >= 0) || (supply.low.units() > 0 && supply.low.by() != supply.by())) {
    return Fault{Member::supplyLow, {"Say how little of it is too little, from 0 on.", {}}};
  }
  return std::nullopt;
}

const Supply* SupplyShelf::called(const std::string& id) const {
  const auto at = std::find_if(supplies.begin(), supplies.end(),
                               [&](const Supply& supply) { return supply.id == id; });
  return at == supplies.end() || id.empty() ? nullptr : &*at;
}

const Supply* SupplyShelf::forMethod(MethodKind method) const {
  const Supply* first = nullptr;
  for (const Supply& supply : supplies) {
    if (supply.gone || supply.method != method) continue;
    if (first == nullptr) first = &supply;
    if (levelOf(*this, supply, {}).there.units() > 0) return &supply;
  }
  return first;
}

SupplyLevel levelOf(const SupplyShelf& shelf, const Supply& supply, const Amount& reserved) {
  SupplyLevel level;
  level.there = Amount::ofUnits(supply.by(), 0);
  level.reserved = Amount::ofUnits(supply.by(), reserved.units());
  const SupplyEvent* count = nullptr;
  for (const SupplyEvent& event : shelf.events) {
    if (event.supply != supply.id || event.kind != SupplyEvent::Kind::counted) continue;
    if (count == nullptr || event.at > count->at ||
        (event.at == count->at && event.key > count->key)) {
      count = &event;
    }
  }
  if (count != nullptr) {
    level.counted = true;
    level.lastCounted = count->at;
    level.there = level.there + count->amount;
  }
  bool bought = false;
  for (const SupplyEvent& event : shelf.events) {
    if (event.supply != supply.id || event.kind != SupplyEvent::Kind::bought) continue;
    // What came in within the minute of the count was put in before or after it, as it was noted.
    if (count != nullptr &&
        (event.at < count->at || (event.at == count->at && event.key < count->key))) {
      continue;
    }
    bought = true;
    level.there = level.there + event.amount;
  }
  for (const SupplyUse& use : shelf.uses) {
    // What was used in the minute of the count was gone when it was counted.
    if (use.supply == supply.id && (count == nullptr || use.at > count->at)) {
      level.there = level.there - use.amount;
    }
  }
  const bool known = level.counted || bought;
  constexpr double nothing = 1e-9;
  level.empty = level.there.units() < -nothing;
  level.low = known && level.there.units() < supply.low.units();
  level.tooLittle = known && level.reserved.units() > 0 && level.left().units() < -nothing;
  return level;
}

UseReckoning::UseReckoning(const SupplyShelf& shelf, const FillRates& rates)
    : shelf_(&shelf), rates_(&rates) {
  for (std::size_t i = 0; i < methodKinds; ++i) {
    forMethod_[i] = shelf.forMethod(static_cast<MethodKind>(i));
  }
}

StepUse UseReckoning::operator()(const Step& step, CivilTime at) const {
  StepUse use;
  const auto add = [&](const Supply& supply, const Amount& amount, std::optional<Area> over) {
    for (SupplyUse& one : use.of) {
      if (one.supply != supply.id) continue;
      one.amount = one.amount + amount;
      // With some of it for no known area, what an area takes cannot be told from it.
      one.over = one.over && over ? std::optional<Area>(*one.over + *over) : std::nullopt;
      return;
    }
    use.of.push_back({supply.id, at, amount, over});
  };
  for (const MixPart& part : step.mix.parts) {
    const Supply* supply = !part.supply.empty() ? shelf_->called(part.supply)
                           : isResin(part.kind) && step.method
                               ? forMethod_[static_cast<std::size_t>(*step.method)]
                               : nullptr;
    std::optional<Amount> amount;
    if (supply != nullptr) {
      if (supply->by() == MeasuredBy::weight && part.mass) amount = Amount(*part.mass);
      if (supply->by() == MeasuredBy::volume && part.volume) amount = Amount(*part.volume);
    }
    if (amount) {
      add(*supply, *amount, areaFor(part, *rates_));
    } else {
      use.unknown.push_back(part);
    }
  }
  return use;
}

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#include "log/amount.h"

#include <array>
#include <charconv>
#include <cmath>

#include "measure/sentence.h"

namespace avrelt {
namespace {

constexpr double gramsPerOunce = 28.349523125;
constexpr double mmPerMetre = 1000;
constexpr double mmPerFoot = 304.8;
constexpr double mostUnits = 1e6;

struct Known {
  const char* word;
  double units;
};

constexpr std::array<Known, 3> weights{{{"g", 1}, {"kg", 1000}, {"oz", gramsPerOunce}}};
constexpr std::array<Known, 4> volumes{
    {{"ml", 1}, {"l", 1000}, {"fl oz", Volume::mlPerFluidOunce}, {"oz", Volume::mlPerFluidOunce}}};
constexpr std::array<Known, 5> lengths{
    {{"m", mmPerMetre}, {"mm", 1}, {"cm", 10}, {"ft", mmPerFoot}, {"in", 25.4}}};

template <std::size_t count>
double unitsOf(const std::array<Known, count>& among, std::string_view word) {
  for (const Known& unit : among) {
    if (word == unit.word) return unit.units;
  }
  return 0;
}

std::string_view trimmed(std::string_view text) {
  while (!text.empty() && text.front() == ' ') text.remove_prefix(1);
  while (!text.empty() && text.back() == ' ') text.remove_suffix(1);
  return text;
}

tl::unexpected<Fault> wanted(MeasuredBy by) {
  switch (by) {
    case MeasuredBy::weight:
      return refuse(Member::amount, "Type a weight, as “12.5 g”, “0.5 kg” or “2 oz”.");
    case MeasuredBy::volume:
      return refuse(Member::amount, "Type a volume, as “340 ml”, “1 l” or “16 fl oz”.");
    case MeasuredBy::length:
      break;
  }
  return refuse(Member::amount, "Type a length, as “20 m” or “60 ft”.");
}

}  // namespace

Amount Amount::ofUnits(MeasuredBy by, double units) {
  Amount amount;
  amount.by_ = by;
  amount.value_ = units;
  return amount;
}

Amount Amount::operator+(const Amount& other) const {
  return ofUnits(by_, value_ + (other.by_ == by_ ? other.value_ : 0));
}

Amount Amount::operator-(const Amount& other) const {
  return *this + other * -1;
}

const char* unitOf(MeasuredBy by) {
  return by == MeasuredBy::weight ? "g" : by == MeasuredBy::volume ? "ml" : "mm";
}

std::string amountText(const Amount& amount, Unit unit) {
  const double units = amount.units();
  const int decimals = std::abs(units) < 10 ? 2 : std::abs(units) < 100 ? 1 : 0;
  switch (amount.by()) {
    case MeasuredBy::weight:
      return numberText(units, decimals) + " g";
    case MeasuredBy::volume:
      return numberText(units, decimals) + " ml";
    case MeasuredBy::length:
      break;
  }
  return unit == Unit::inch ? numberText(units / mmPerFoot, 1) + " ft"
                            : numberText(units / mmPerMetre, 2) + " m";
}

Checked<Amount> parseAmount(std::string_view text, MeasuredBy by, Unit unit) {
  std::string plain(trimmed(text));
  for (char& c : plain) {
    if (c == ',') c = '.';
  }
  double value = 0;
  const char* const end = plain.data() + plain.size();
  const auto [stop, error] = std::from_chars(plain.data(), end, value, std::chars_format::fixed);
  if (error != std::errc() || !std::isfinite(value) || value < 0) return wanted(by);
  const std::string_view word =
      trimmed(std::string_view(stop, static_cast<std::size_t>(end - stop)));
  double units = 0;
  switch (by) {
    case MeasuredBy::weight:
      units = word.empty() ? 1 : unitsOf(weights, word);
      break;
    case MeasuredBy::volume:
      units = word.empty() ? 1 : unitsOf(volumes, word);
      break;
    case MeasuredBy::length:
      units = !word.empty() ? unitsOf(lengths, word) : unit == Unit::inch ? mmPerFoot : mmPerMetre;
      break;
  }
  if (units == 0 || value * units > mostUnits) return wanted(by);
  return Amount::ofUnits(by, value * units);
}

std::optional<Amount> mixedUpUnit(const Amount& typed, const Amount& expected) {
  const double factor = typed.by() == MeasuredBy::weight   ? gramsPerOunce
                        : typed.by() == MeasuredBy::volume ? Volume::mlPerFluidOunce
                                                           : 25.4;
  if (typed.by() != expected.by() || typed.units() <= 0 || expected.units() <= 0) {
    return std::nullopt;
  }
  // So far off, and in the other unit at least this near.
  constexpr double far = 8;
  constexpr double near = 2;
  const double ratio = typed.units() / expected.units();
  for (const double way : {factor, 1 / factor}) {
    const double other = ratio * way;
    if ((ratio > far || ratio < 1 / far) && other < near && other > 1 / near) {
      return typed * way;
    }
  }
  return std::nullopt;
}

}  // namespace avrelt

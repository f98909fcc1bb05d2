// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <string_view>

#include "measure/fault.h"
#include "measure/length.h"
#include "measure/mass.h"
#include "measure/volume.h"

namespace avrelt {

/// What something is measured out by.
enum class MeasuredBy { weight, volume, length };

/// How much there is of something, or goes into it: a weight, a volume or a length, whichever it is
/// measured out by. Amounts of one thing add up; those of things measured otherwise do not.
class Amount {
 public:
  Amount() = default;
  explicit Amount(Mass mass) : by_(MeasuredBy::weight), value_(mass.grams()) {}
  explicit Amount(Volume volume) : by_(MeasuredBy::volume), value_(volume.ml()) {}
  explicit Amount(Length length) : by_(MeasuredBy::length), value_(length.mm()) {}
  /// So many grams, millilitres or millimetres, as files have it.
  static Amount ofUnits(MeasuredBy by, double units);

  MeasuredBy by() const { return by_; }
  /// In grams, millilitres or millimetres.
  double units() const { return value_; }
  /// Nothing where it is measured otherwise.
  Mass mass() const { return Mass::grams(by_ == MeasuredBy::weight ? value_ : 0); }
  Volume volume() const { return Volume::ml(by_ == MeasuredBy::volume ? value_ : 0); }

  Amount operator+(const Amount& other) const;
  Amount operator-(const Amount& other) const;
  Amount operator*(double factor) const { return ofUnits(by_, value_ * factor); }
  friend bool operator==(const Amount&, const Amount&) = default;

 private:
  MeasuredBy by_ = MeasuredBy::volume;
  double value_ = 0;
};

/// "g", "ml", "mm": what a number of it counts in files.
const char* unitOf(MeasuredBy by);
/// "12.5 g", "340 ml"; of a length in the reader's unit, metres or feet.
std::string amountText(const Amount& amount, Unit unit);
/// Reads "12.5", "12.5 g", "1.5 oz", "8 fl oz", "20 m", "60 ft": g, ml or m (ft in inches) where no
/// unit is given. From 0 to 1000 kg, litres or km; anything else is refused with what would be
/// accepted.
Checked<Amount> parseAmount(std::string_view text, MeasuredBy by, Unit unit);
/// Where an amount typed in place of another is so far off it that a unit may have been mixed up,
/// millilitres with fluid ounces, grams with ounces, inches with millimetres: what it would be in
/// the other unit. Nothing where it may well be so. NIST Handbook 44, Appendix C.
std::optional<Amount> mixedUpUnit(const Amount& typed, const Amount& expected);

}  // namespace avrelt

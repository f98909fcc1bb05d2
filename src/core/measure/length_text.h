// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <string_view>

#include "measure/fault.h"
#include "measure/length.h"

namespace avrelt {

/// No cup, tape or sheet on a bench is longer; a longer one is a slip of the finger.
constexpr Length longestLength = Length::mm(10'000);

/// Reads a length as people write it down from a tape.
///
///     9 3/8    9-3/8"    9 3/8 in    9⅜    9.375in    .375    7/16    238 mm    23,8 cm
///
/// A number may be whole, decimal (point or comma, no thousands marks), a fraction, or a whole
/// number and a fraction. Units: in, inch, inches, ", mm, cm; `unit` is meant when none is given.
/// Signs − and + are read. UTF-8.
///
/// Refused, each with what would be accepted: nothing, no number, a fraction over zero, more than
/// one fraction, an unknown unit, and anything beyond ±10 m. The fault's field is empty: the
/// caller knows where the text stood.
Checked<Length> parseLength(std::string_view text, Unit unit);

/// The same where a size is meant: a negative length is refused too. Zero is a size.
Checked<Length> parseSize(std::string_view text, Unit unit);

/// A length together with the way its maker wrote it, so that a document gives back
/// "9 3/8 in" and not 238.125. An empty text stands for the bare number of millimetres.
struct WrittenLength {
  Length length;
  std::string text;

  static WrittenLength mm(double value) { return {Length::mm(value), {}}; }

  friend bool operator==(const WrittenLength&, const WrittenLength&) = default;
};

/// A computed or dragged length, written plainly in the maker's unit where that loses nothing,
/// else as the exact number.
WrittenLength written(Length length, Unit unit);

/// What was typed, with its unit put behind it where the maker left it out: a document must mean
/// the same after its unit is switched.
Checked<WrittenLength> writtenSize(std::string_view text, Unit unit);
/// The same where it may be below 0.
Checked<WrittenLength> writtenOffset(std::string_view text, Unit unit);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "measure/length.h"

namespace avrelt {

/// The marks of a tape measure, from coarse to fine.
enum class Graduation { eighth, sixteenth, thirtySecond, millimetre };

/// The distance from one mark to the next.
Length step(Graduation graduation);

/// The graduation people tape by in a unit: sixteenths of an inch, or whole millimetres.
Graduation usualGraduation(Unit unit);

/// A length as it is found on a tape: the nearest mark, and what taking that mark leaves.
struct TapeReading {
  Length mark;
  /// Mark less the exact length: positive where the mark is too long. At most half a step.
  Length error;
  /// The mark in words: "9 3/8 in", "238 mm". Reduced: never "9 6/16 in".
  std::string text;
};

/// Reads `length` off a tape with these marks. Exactly between two marks, the longer is taken.
TapeReading readTape(Length length, Graduation graduation);

/// The nearest mark alone, for a line that snaps while it is dragged.
Length nearestMark(Length length, Graduation graduation);

/// "9.375 in", "238.13 mm": at most `decimals` places (0 to 12), trailing zeros left out.
std::string decimalText(Length length, Unit unit, int decimals);

/// The shortest honest way to write a length in a unit: a fraction where it falls on a mark of
/// 1/64 in within a thousandth of a millimetre ("9 3/8 in"), otherwise three decimals of an inch,
/// or two of a millimetre.
std::string plainText(Length length, Unit unit);

/// As papers and parts say it, with no more than a tape or a knife can do: tenths of a millimetre;
/// sixteenths of an inch, thirty-seconds under half an inch, decimals where not one of those.
std::string tapeText(Length length, Unit unit);

/// A signed small difference: "+1/64 in" style is hard to read, so decimals: "+0.4 mm",
/// "−0.016 in"; "0 mm" where it rounds to nothing.
std::string errorText(Length error, Unit unit);

}  // namespace avrelt

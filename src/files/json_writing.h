// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "files/json_reader.h"
#include "measure/angle.h"
#include "measure/length_text.h"

namespace avrelt {

/// A whole number without a point, any other with as many places as it takes.
Json number(double value);
/// The number of degrees that reads back as this very angle, or, where none does, as one
/// next to it; which of them is written is the same every time.
double degreesOf(Angle angle);
inline double degreesOf(CupAngle angle) {
  return degreesOf(angle.fromFront());
}
/// As it was typed, or the bare number of mm.
Json written(const WrittenLength& length);
/// Gives back the members a reader did not know.
void addKept(Json& object, const std::string& kept);

}  // namespace avrelt

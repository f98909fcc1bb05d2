// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/json_writing.h"

#include <cmath>

namespace avrelt {

Json number(double value) {
  if (value == std::round(value) && std::abs(value) < 1e15) return static_cast<long long>(value);
  return value;
}

// Coming from radians it may have dust on it, so the shortest of those near it is looked for
// first.
double degreesOf(Angle angle) {
  const double near = angle.degrees();
  const double clean = std::round(near * 1e9) / 1e9;
  if (Angle::degrees(clean) == angle) return clean;
  double low = near;
  double high = near;
  for (int i = 0; i < 8; ++i) {
    if (Angle::degrees(low) == angle) return low;
    if (Angle::degrees(high) == angle) return high;
    low = std::nextafter(low, -HUGE_VAL);
    high = std::nextafter(high, HUGE_VAL);
  }
  // Degrees lie a little wider than radians do: no number of them is this angle. What is written is
  // what the nearest one is always written as, so that a file read is saved as it was.
  return degreesOf(Angle::degrees(near));
}

Json written(const WrittenLength& length) {
  if (!length.text.empty()) return length.text;
  return number(length.length.mm());
}

void addKept(Json& object, const std::string& kept) {
  if (kept.empty()) return;
  const Json members = Json::parse(kept);
  for (const auto& [name, value] : members.items()) object[name] = value;
}

}  // namespace avrelt

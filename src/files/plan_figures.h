// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cmath>
#include <vector>

#include "files/json_reader.h"
#include "shape/point.h"

namespace avrelt {

/// A picometre is where the last bits of a sine begin to differ between machines.
inline Json rounded(double value) {
  const double short_ = std::round(value * 1e9) / 1e9;
  return short_ == 0 ? 0.0 : short_;
}

inline Json pointsOf(const std::vector<Point>& list) {
  Json json = Json::array();
  for (const Point& p : list) json.push_back({rounded(p.x), rounded(p.y)});
  return json;
}

}  // namespace avrelt

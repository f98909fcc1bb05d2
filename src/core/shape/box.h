// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>

#include "shape/point.h"

namespace avrelt {

/// The upright rectangle round something in the flat, in millimetres. A new box is empty: it holds
/// no point, and the first point added makes it that point.
struct Box {
  Point low{1, 1};
  Point high{0, 0};

  constexpr bool empty() const { return low.x > high.x || low.y > high.y; }
  constexpr double width() const { return empty() ? 0 : high.x - low.x; }
  constexpr double height() const { return empty() ? 0 : high.y - low.y; }
  constexpr Point centre() const { return (low + high) * 0.5; }

  constexpr bool contains(Point p) const {
    return p.x >= low.x && p.x <= high.x && p.y >= low.y && p.y <= high.y;
  }

  constexpr void add(Point p) {
    if (empty()) {
      low = high = p;
      return;
    }
    low = {std::min(low.x, p.x), std::min(low.y, p.y)};
    high = {std::max(high.x, p.x), std::max(high.y, p.y)};
  }
  constexpr void add(const Box& other) {
    if (other.empty()) return;
    add(other.low);
    add(other.high);
  }
  /// Whether they have a point in common.
  constexpr bool meets(const Box& other) const {
    return !empty() && !other.empty() && low.x <= other.high.x && other.low.x <= high.x &&
           low.y <= other.high.y && other.low.y <= high.y;
  }
  constexpr Box grownBy(double mm) const {
    if (empty()) return *this;
    return {{low.x - mm, low.y - mm}, {high.x + mm, high.y + mm}};
  }

  friend constexpr bool operator==(const Box&, const Box&) = default;
};

}  // namespace avrelt

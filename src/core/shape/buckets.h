// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <cmath>
#include <cstddef>
#include <utility>

#include "shape/box.h"

namespace avrelt {

/// Squares over a room, about one for each thing in it, to find who may touch whom.
class Buckets {
 public:
  Buckets(const Box& room, std::size_t count) {
    const double area = std::max(room.width() * room.height(), 1e-6);
    const auto things = static_cast<double>(std::max<std::size_t>(count, 1));
    // In a room that is all length, no more squares along it than there are things.
    const double longest = std::max(room.width(), room.height());
    size_ = std::max({std::sqrt(area / things), longest / things, 1e-3});
  }
  /// Calls with every square that a box lies in.
  template <typename Call>
  void at(const Box& box, const Call& call) const {
    for (long y = place(box.low.y); y <= place(box.high.y); ++y) {
      for (long x = place(box.low.x); x <= place(box.high.x); ++x) call(std::pair{x, y});
    }
  }

 private:
  long place(double v) const { return static_cast<long>(std::floor(v / size_)); }
  double size_ = 1;
};

}  // namespace avrelt

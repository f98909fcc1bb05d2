// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <cmath>
#include <limits>
#include <vector>

#include "bench/wait.h"

namespace avrelt {

/// Schedules are made in whole minutes.
using Minutes = long;
inline constexpr Minutes never = std::numeric_limits<Minutes>::max() / 4;

/// Whole minutes, up: work is never planned shorter than it is.
inline Minutes up(Duration duration) {
  return static_cast<Minutes>(std::ceil(duration.minutes() - 1e-9));
}
inline Minutes down(Duration duration) {
  return static_cast<Minutes>(std::floor(duration.minutes() + 1e-9));
}
inline Duration minutes(Minutes count) {
  return Duration::minutes(static_cast<double>(count));
}

struct Busy {
  Minutes from = 0;
  Minutes to = 0;
};

/// When a crew works.
class Hours {
 public:
  Hours() = default;
  explicit Hours(const std::vector<Span>& hours) {
    for (const Span& span : hours) hours_.push_back({up(span.from), down(span.to)});
  }

  /// The first start not before `from` from which so long is worked in one go; `never` where none.
  Minutes firstFor(Minutes from, Minutes takes) const {
    if (hours_.empty()) return from;
    auto one = std::partition_point(hours_.begin(), hours_.end(),
                                    [&](const Busy& span) { return span.to < from + takes; });
    for (; one != hours_.end(); ++one) {
      const Minutes at = std::max(one->from, from);
      if (at + takes <= one->to) return at;
    }
    return never;
  }
  /// The last start not after `at` from which so long is worked in one go; `at` where no hours say
  /// so, and below 0 where none.
  Minutes lastFor(Minutes at, Minutes takes) const {
    if (hours_.empty()) return at;
    auto one = std::partition_point(hours_.begin(), hours_.end(),
                                    [&](const Busy& span) { return span.from <= at; });
    while (one != hours_.begin()) {
      --one;
      const Minutes start = std::min(at, one->to - takes);
      if (start >= one->from) return start;
    }
    return -1;
  }
  /// The longest stretch worked in one go.
  Minutes longest() const {
    if (hours_.empty()) return never;
    Minutes most = 0;
    for (const Busy& one : hours_) most = std::max(most, one.to - one.from);
    return most;
  }
  /// The end of so much work begun not before `from`, parted at will: no schedule does it sooner.
  Minutes endOf(Minutes work, Minutes from) const {
    if (hours_.empty()) return from + work;
    for (const Busy& one : hours_) {
      const Minutes begin = std::max(one.from, from);
      if (begin >= one.to) continue;
      if (work <= one.to - begin) return begin + work;
      work -= one.to - begin;
    }
    return never;
  }

 private:
  std::vector<Busy> hours_;
};

}  // namespace avrelt

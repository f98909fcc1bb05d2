// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "measure/duration.h"

namespace avrelt {

/// How long to wait: no shorter than the first, no longer than the second, where there is one.
struct Wait {
  Duration least;
  std::optional<Duration> most{};

  friend bool operator==(const Wait&, const Wait&) = default;
};

/// From a time up to another, counted from a start that is who asks's own.
struct Span {
  Duration from;
  Duration to;

  friend bool operator==(const Span&, const Span&) = default;
};

}  // namespace avrelt

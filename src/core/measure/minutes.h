// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "measure/duration.h"

namespace avrelt {

/// Minutes, as tables of times write them.
constexpr Duration min(double minutes) {
  return Duration::minutes(minutes);
}

}  // namespace avrelt

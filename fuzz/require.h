// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdlib>

/// What has to hold whatever the bytes: else the fuzzer has found something.
inline void require(bool holds) {
  if (!holds) std::abort();
}

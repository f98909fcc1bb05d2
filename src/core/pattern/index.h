// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>

namespace avrelt {

/// A number of a thing or a colour as the place in a list.
constexpr std::size_t at(int index) {
  return static_cast<std::size_t>(index);
}

}  // namespace avrelt

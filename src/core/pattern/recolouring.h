// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <vector>

#include "pattern/colouring.h"

namespace avrelt {

/// Gives one thing one of these colours, a bit for each, and changes few others: neighbours that
/// have it take another, and theirs again, four steps out at most, of what is found there that with
/// the fewest changes; else all along a chain of two colours trade (Kempe 1879). What is `held`
/// stays, and nothing takes a colour barred to it or said not to be there. False, with nothing
/// changed, where that cannot be.
bool recolour(const ColourTask& task, const std::vector<bool>& held, int thing,
              std::uint32_t allowed, std::vector<int>& colours);

}  // namespace avrelt

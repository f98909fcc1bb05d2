// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "log/supply.h"

namespace avrelt {

class Statement;

/// A use of a supply, from a row's columns from one on: supply, at, amount, over_mm2, and the kind
/// of the supply; nothing where a hand has spoilt it.
std::optional<SupplyUse> useFrom(const Statement& row, int from);

}  // namespace avrelt

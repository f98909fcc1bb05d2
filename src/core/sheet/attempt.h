// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "sheet/arranging.h"

namespace avrelt {

/// Lays pieces in an order; what lies in `kept` stays.
Arrangement attemptAt(Arranging& work, ArrangeOrder order, const Arrangement& kept);

/// Where one that is laid finds room on another sheet, as low as it goes; nothing where it finds
/// none.
std::optional<Laid> roomFor(Arranging& work, const Arrangement& arrangement, const Laid& laid,
                            std::size_t sheet);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/order/order.h"

namespace avrelt {

/// Takes in hand what something was told of: its set and layer, its zone, the zone that a cut made.
/// What the cup in hand does not have is left alone.
void takeInHand(Order& order, const Where& where);
/// Whether that is in hand, so that fields show it. Stripes and covers are chosen in lists of their
/// own and always count.
bool isInHand(const Order& order, const Where& where);

}  // namespace avrelt

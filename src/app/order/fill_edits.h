// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>

#include "app/order/order.h"

namespace avrelt {

/// Changes to the patterns of the cup in hand, each one step of the history.

/// Fills the zone in hand with a pattern of this family; one that is filled changes its family.
void fillZone(Order& order, Family family);
/// Takes the pattern of the zone in hand away.
void unfillZone(Order& order);
/// Changes the pattern of the zone in hand.
void editFill(Order& order, const QString& text, const QString& key,
              const std::function<void(Fill&)>& change);
/// Gives the cell at a place of the wall a colour that stays; the same again frees it.
void pinCell(Order& order, WallPoint place, int colour);

/// The pattern of the zone in hand, as it is in the document and worked out; nothing for none.
const Fill* fillInHand(const Order& order);
const FillPlan* fillPlanInHand(const Order& order);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/order/place_edits.h"

namespace avrelt {

/// Changes to the scatters of the cup in hand, each one step of the history. What is changed of how
/// one is thrown throws it anew.

/// The scatter in hand, or the first; nothing for none.
const Scatter* scatterInHand(const Order& order);
/// The set in hand thrown over the zone in hand.
void addScatter(Order& order);
void removeScatter(Order& order);
/// Changes how the scatter in hand is thrown, and throws it.
bool editScatter(Order& order, const QString& text, const QString& key,
                 const std::function<void(Scatter&)>& change);
/// The one of it in hand thrown to another place; the others stay.
void throwAgain(Order& order);
/// All of it by another seed.
void throwAllAgain(Order& order);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <set>
#include <string>

#include "app/order/order.h"

namespace avrelt {

/// The stack of the cup in hand: peeled back to be looked at, which changes nothing, and put in
/// another order.

/// The ids of what is not shown while the stack is peeled back.
std::set<std::string> peeledOff(const Order& order);
/// Peels the outermost coloured item back, or below 0 puts the last one peeled on again.
void peelBack(Order& order, int by);
/// The outermost item shown; nothing where nothing is peeled back.
const StackItem* outermostShown(const Order& order);

/// Lays something farther out or, below 0, farther in: a layer over or under the next of its set
/// laid with it, else a coat later or earlier. Where it can go nowhere, why is said.
void moveInStack(Order& order, const std::string& id, int by);
/// Whether there is anywhere for it to go.
bool movesInStack(const Order& order, const std::string& id, int by);

}  // namespace avrelt

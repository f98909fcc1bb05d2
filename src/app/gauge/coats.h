// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/order/order.h"

namespace avrelt {

/// Changes to what goes on the cup in hand before its wrap, each one step of the history.

/// Puts a coat on top. Pieces that were to be laid last stay last.
void addCoat(Order& order, const Coat& coat);
/// Takes a coat off, counted from 1, with what was measured just after it.
void removeCoat(Order& order, int number);
/// The parts are laid after so many coats.
void layAfter(Order& order, int coats);
void setSizedFor(Order& order, SizedFor sizedFor);

/// The girth measured at the stage the parts are laid at, in place of one taken there before. At
/// the rim; in the measure the maker uses.
void remeasure(Order& order, const WrittenLength& girth);
/// The measurement of that stage, if there is one.
std::optional<WrittenLength> remeasured(const Cup& cup);

}  // namespace avrelt

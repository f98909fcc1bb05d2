// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/order/order.h"

namespace avrelt {

/// Changes to what goes on the cup in hand before its wrap, each one step of the history.

/// Puts a coat on top. Pieces that were to be laid last stay last.
void addCoat(Order& order, const Coat& coat);
/// Takes a coat off, counted from 1, with what was measured just after it.
void removeCoat(Order& order, int number);
/// Parts are laid after so many coats: the thing of this id, or, without one, all that have no
/// stage of their own.
void layAfter(Order& order, int coats, const std::string& thing = {});
/// The stage that is of.
int laidAfter(const Cup& cup, const std::string& thing);
void setSizedFor(Order& order, SizedFor sizedFor);

/// The girth measured after so many coats, in place of one taken then before. At the rim; in the
/// measure the maker uses.
void remeasure(Order& order, const WrittenLength& girth, int after);
/// The measurement of that stage, if there is one.
std::optional<WrittenLength> remeasured(const Cup& cup, int after);

}  // namespace avrelt

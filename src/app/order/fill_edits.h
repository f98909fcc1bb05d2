// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>

#include "app/order/order.h"

namespace avrelt {

/// Changes to the patterns of the cup in hand, each one step of the history.

/// Fills the zone in hand with a pattern of this family; one that is filled changes its family.
void fillZone(Order& order, Family family);
/// Fills it with an artwork, true to its drawn size and closed at the seam in proportion.
/// False where the order would be too large.
bool fillWithArtwork(Order& order, const Repeat& artwork);
/// Says whether its artwork is a picture; one that is gets its proportion back.
void callPicture(Order& order, bool picture);
/// Takes the pattern of the zone in hand away.
void unfillZone(Order& order);
/// Changes the pattern of the zone in hand.
bool editFill(Order& order, const QString& text, const QString& key,
              const std::function<void(Fill&)>& change);
/// Gives the cell at a place of the wall a colour that stays, or with `bar` says that it is not to
/// have it; the same again frees it.
void pinCell(Order& order, WallPoint place, int colour, bool bar = false);
/// The same by the cell's label; false where no cell of the pattern in hand has it.
bool pinCell(Order& order, const QString& label, int colour, bool bar = false);

/// "a late dusk": a colour of a pattern by its letter and its name, or in words where it has none.
QString colourWords(const Fill& fill, int colour);
/// "1 cell", "12 cells".
QString cellCount(std::size_t count);

/// The pattern of the zone in hand, as it is in the document and worked out; nothing for none.
const Fill* fillInHand(const Order& order);
const FillPlan* fillPlanInHand(const Order& order);
/// The fill that plan is of, as it was when it could be planned; nothing where there is no plan.
const Fill* fillDrawn(const Order& order);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/order/set_edits.h"
#include "decal/place_snap.h"

namespace avrelt {

/// Changes to where sets of the cup in hand stand, each one step of the history.

/// A place as it is worked out, and the set that stands there.
struct StandingSet {
  const SetPlan* set = nullptr;
  const PlacePlan* place = nullptr;

  explicit operator bool() const { return place != nullptr; }
};

/// The place in hand; the first of the set in hand where none of it was picked; nothing for a set
/// that stands nowhere.
StandingSet placeInHand(const Order& order);
/// The same in the document, where it is one of the set's own or of a scatter.
const Place* ownPlaceInHand(const Order& order);
/// The topmost at a place of the wall; nothing for none.
StandingSet placeAt(const Order& order, WallPoint place);
/// The place and the set that stands there, in hand.
void pickPlace(Order& order, const StandingSet& standing);
/// The next of all places of the cup, or below 0 the one before.
void pickNextPlace(Order& order, int by);

/// Another place of the set in hand, to the right of the one in hand.
void addPlace(Order& order);
/// Takes the place in hand away; one of a row goes with its row, which is said.
void removePlace(Order& order);
/// Changes the place in hand; of one in a row, what its row has of it.
bool editPlace(Order& order, const QString& text, const QString& key,
               const std::function<void(Place&)>& change);
/// The place in hand turned so that a straight edge of its artwork is level, or plumb: the longest,
/// and done again the next; said where it has none.
void alignEdge(Order& order, bool plumb);
/// The place in hand turned so many degrees round the cup.
void turnPlaceRound(Order& order, Angle by);
/// The place in hand moved so many marks of the tape round the cup and up; with it the row that it
/// stands in.
void nudgePlace(Order& order, int right, int up);
/// From a drag on a view: its anchor to a place on the wall, drawn to what is within so far of it;
/// else on a mark of the tape.
Snap movePlace(Order& order, WallPoint to, Length reach = {});

/// The set in hand told by the point of its artwork at a place of the wall, and the marks of its
/// places made that point's: it lies where it lay. What stands in a row goes along with its row.
/// Whether that could be; says why not.
bool tellByPoint(Order& order, WallPoint place);

/// The row in hand, of which the place in hand is or the first; nothing for none.
const Row* rowInHand(const Order& order);
const RowPlan* rowPlanInHand(const Order& order);
void pickRow(Order& order, const std::string& id);
/// The set in hand seven times round the cup, or as often as fits, at the height where it stands.
void addRow(Order& order);
/// From line to line where nothing was said.
WrittenLength usualLinesApart(Unit unit);
void removeRow(Order& order);
bool editRow(Order& order, const QString& text, const QString& key,
             const std::function<void(Row&)>& change);
/// Places of their own in the row's stead.
void releaseRow(Order& order);
/// Makes the sets of the row as large as its number fits at its gap.
void growToFit(Order& order);

}  // namespace avrelt

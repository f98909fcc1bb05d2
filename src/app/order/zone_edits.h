// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <optional>

#include "app/order/order.h"
#include "divide/spacers.h"

namespace avrelt {

/// Changes to how the cup in hand is divided, each one step of the history.

/// Cuts the zone in hand the usual way; its first part keeps the finish and comes in hand.
void cutZone(Order& order, CutKind kind);
/// Takes back the cut that made the zone in hand; the whole keeps the zone's finish.
void uncutZone(Order& order);
/// Changes the cut that made the zone in hand.
void editCut(Order& order, const QString& text, const QString& key,
             const std::function<void(Cut&)>& change);
/// The finish of a zone in a document, by the zone's id.
Finish& finishOf(Cup& cup, const Zone& zone);
void editFinish(Order& order, const QString& text, const QString& key,
                const std::function<void(Finish&)>& change);
/// Gives the finish of the zone in hand to the other uncut parts of its cut: all of them, or every
/// `every`th from it either way.
void spreadFinish(Order& order, int every);
/// How many uncut parts the cut has that made the zone in hand, itself counted.
int siblingsOf(const Order& order);
/// From a drag on a view: a line pulled from where it was taken to another place.
void dragLine(Order& order, const std::string& line, WallPoint taken, WallPoint to);
/// From the keyboard: the line in hand moved by so many marks of the tape to the right and up; an
/// upright by degrees. Nothing where no line is in hand.
void nudgeLine(Order& order, int right, int up);
/// The zones filled together with the one in hand are filled so many groups later, or earlier.
void fillLater(Order& order, const std::string& zone, int by);
/// The usual order again.
void fillAsUsual(Order& order);
/// The bands of the cut in hand onto the tape's marks.
void putOntoTape(Order& order, Absorb absorb);
/// A stripe on a line.
void addStripe(Order& order, const std::string& line);
void removeStripe(Order& order, int index);
void editStripe(Order& order, int index, const QString& key,
                const std::function<void(Stripe&)>& change);

/// A cover of the zone in hand, or a window to it.
void addMask(Order& order, MaskKind kind);
void removeMask(Order& order, int index);
void editMask(Order& order, int index, const QString& key,
              const std::function<void(Mask&)>& change);

/// The tape move being looked at; nothing for none.
const TapeMove* moveInHand(const Order& order);
/// How the stripes by tape and spacer fall that made the zone in hand; nothing for another cut.
struct SpacerWork {
  SpacerRun run;
  SpacerTape tape;
};
std::optional<SpacerWork> spacerWork(const Order& order);
/// The cut that made the zone in hand; nothing for an uncut body.
const Cut* cutInHand(const Order& order);
/// The zone in hand as it lies on the wall.
const Zone* zoneInHand(const Order& order);

}  // namespace avrelt

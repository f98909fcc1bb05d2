// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/order/order.h"

namespace avrelt {

/// Changes to the measures of the cup in hand, each one step of the history.

/// A girth as it was measured, at the rim or the base. A straight cup has one girth, and keeps it.
void setGirth(Order& order, bool rim, const WrittenLength& girth);
/// A height as it was measured.
void setHeight(Order& order, const WrittenLength& height);

/// From a drag: half the width of the cup there, put onto the nearest mark of the measure taken.
void dragGirth(Order& order, bool rim, Length radius);
/// From a drag: the plumb height, put onto the nearest mark of the measure taken.
void dragPlumb(Order& order, Length plumb);

/// By so many marks of the tape.
void stepGirth(Order& order, bool rim, int marks);
void stepHeight(Order& order, int marks);

/// Straight, with the base's girth all the way up; or tapered, with the rim to be set by itself.
void setTapered(Order& order, bool tapered);
/// Round the body or across it; the girth is carried over into the other measure.
void setGirthMeasured(Order& order, Girth girth);
/// How the height was taken. The number stays, since it is what the tape said.
void setHeightAlong(Order& order, HeightAlong along);

/// The girth that a field shows, in the measure in use.
std::optional<WrittenLength> girthOf(const Cup& cup, bool rim);
bool isTapered(const Cup& cup);
Girth girthMeasured(const Cup& cup);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QBrush>
#include <QColor>

#include "app/order/order.h"
#include "job/plan.h"

namespace avrelt {

/// How a zone's finish is painted: its own colour; film with a hatch over it, nothing for none.
struct ZoneLook {
  QColor colour;
  bool hatched = false;
  bool filled = false;
};
ZoneLook lookOf(const Finish& finish);
/// A zone whose finish is peeled back.
ZoneLook bareLook();

/// Whether a zone is filled with a pattern.
bool isFilled(const CupPlan& plan, const Zone& zone);

/// Whether a picture stands for a moment only: that of a step of a drag while the plan of the next
/// is being made, which comes by itself. Hundreds of cells are not smoothed in it.
bool standsForAMoment(const Order& order);

/// Ink or paper, whichever is read on this colour.
QColor lettersOn(const QColor& colour);

}  // namespace avrelt

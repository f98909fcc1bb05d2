// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QBrush>
#include <QColor>

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

/// Ink or paper, whichever is read on this colour.
QColor lettersOn(const QColor& colour);

}  // namespace avrelt

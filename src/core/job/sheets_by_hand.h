// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "job/sheets.h"

namespace avrelt {

/// What was laid by hand of a film's parts, on its sheets again. What does not find its sheet, or
/// may not lie there any more, is counted as lost.
Arrangement byHand(FilmSheets& film, const Plan& plan);

}  // namespace avrelt

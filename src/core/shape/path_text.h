// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string_view>

#include "measure/fault.h"
#include "shape/polyline.h"

namespace avrelt {

/// Draws path data as SVG 1.1 writes it ("M0 0 L10 0 A5 5 0 0 1 20 0 Z") with a pen. Refused, with
/// the place counted in characters from 1: a letter that is no command, a number that is missing or
/// beyond a million, data that does not begin with a move. What stood before the fault is drawn, as
/// SVG asks.
Checked<bool> drawPath(std::string_view text, Pen& pen);

/// One number of such data and the rest after it, or nothing where none stands there.
std::optional<double> takeNumber(std::string_view& text);
/// Leaves blanks and at most one comma out.
void skipBlanks(std::string_view& text);

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <tl/expected.hpp>

#include "app/order/order.h"
#include "pattern/repeat.h"

class QWidget;

namespace avrelt {

/// Fills the zone in hand with line art from an SVG file; what was found in it, or why it cannot be
/// taken, in words. One that is refused changes nothing. Worked out beside the window it is given.
tl::expected<FoundRepeat, QString> takeArtwork(Order& order, const QString& path, QWidget* window);

/// "moons.svg: 12 cells in a repeat 36 mm wide …": what was found, then what was left out or
/// mended.
QString foundWords(const FoundRepeat& found, Unit unit);

}  // namespace avrelt

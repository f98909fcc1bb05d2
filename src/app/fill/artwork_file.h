// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/order/order.h"

namespace avrelt {

/// Fills the zone in hand with line art from an SVG file; what was found in it, or why it cannot be
/// taken, in words. One that is refused changes nothing.
struct TakenArtwork {
  bool taken = false;
  QStringList words;  ///< the first says it all, the others what was left out or mended
};
TakenArtwork takeArtwork(Order& order, const QString& path);

}  // namespace avrelt

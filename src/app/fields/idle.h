// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>

namespace avrelt {

/// Empties the fields on a page that has nothing in hand: what they showed was another's. Nobody
/// who listens to them is told.
void showIdle(QWidget& page);

}  // namespace avrelt

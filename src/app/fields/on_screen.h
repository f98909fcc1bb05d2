// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QScreen>
#include <QWidget>

namespace avrelt {

/// Makes a window as large as it is designed, or as its screen has room for, where everything is
/// drawn larger.
inline void openAt(QWidget& window, QSize designed) {
  constexpr int frame = 36;  // what the desktop puts round it
  const QSize room = window.screen()->availableSize() - QSize(0, frame);
  window.resize(designed.boundedTo(room));
}

}  // namespace avrelt

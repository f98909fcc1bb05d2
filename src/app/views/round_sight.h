// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <optional>
#include <QColor>
#include <QPainterPath>

namespace avrelt {

inline QColor shaded(const QColor& colour, double light) {
  return QColor::fromRgbF(colour.redF() * light, colour.greenF() * light, colour.blueF() * light);
}

/// A line in so many steps from 0 to 1, broken where `at` sees nothing.
inline QPainterPath seenPath(int steps, const std::function<std::optional<QPointF>(double)>& at) {
  QPainterPath path;
  bool down = false;
  for (int i = 0; i <= steps; ++i) {
    const std::optional<QPointF> p = at(static_cast<double>(i) / steps);
    if (p && down) {
      path.lineTo(*p);
    } else if (p) {
      path.moveTo(*p);
    }
    down = p.has_value();
  }
  return path;
}

}  // namespace avrelt

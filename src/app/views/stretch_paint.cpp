// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/stretch_paint.h"

#include <algorithm>
#include <cmath>
#include <QPolygonF>

#include "app/look/theme.h"

namespace avrelt {
namespace {

/// Under this nothing is to be seen on a cup.
constexpr double unseen = 0.0005;
/// Half a part is painted in so many steps from its middle to its edge.
constexpr int across = 3;

}  // namespace

QColor stretchColour(double stretch, double bears) {
  QColor colour = stretch > 0 ? theme().brass : theme().petrol;
  const double share = std::clamp(std::abs(stretch) / std::max(bears, 1e-6), 0.0, 1.0);
  colour.setAlphaF(std::abs(stretch) < unseen ? 0.0F : static_cast<float>(0.10 + 0.55 * share));
  return colour;
}

QString stretchText(double share) {
  const double percent = std::round(share * 1000) / 10;
  const QString sign = percent > 0   ? QStringLiteral("+")
                       : percent < 0 ? QStringLiteral("−")
                                     : QString();
  return sign + QString::number(std::abs(percent), 'f', 1) + QStringLiteral(" %");
}

void paintStretch(QPainter& painter, const Laying& laying, double bears, int rows,
                  const std::function<QPolygonF(Length, Length, Angle, Angle)>& patch) {
  if (laying.map.size() < 2 || laying.largest() < unseen) return;
  const Angle period = Angle::turn() / laying.periods;
  const int columns = laying.periods > 1 ? 2 * across : 1;
  const std::size_t stride =
      std::max<std::size_t>(1, (laying.map.size() - 1) / static_cast<std::size_t>(rows));
  painter.save();
  painter.setPen(Qt::NoPen);
  // Patches meet edge to edge: smoothed edges would leave light seams between them.
  painter.setRenderHint(QPainter::Antialiasing, false);
  for (std::size_t i = 0; i + 1 < laying.map.size(); i += stride) {
    const StretchRow& low = laying.map[i];
    const StretchRow& high = laying.map[std::min(i + stride, laying.map.size() - 1)];
    for (int part = 0; part < laying.periods; ++part) {
      for (int column = 0; column < columns; ++column) {
        const double from = static_cast<double>(column) / columns;
        const double to = static_cast<double>(column + 1) / columns;
        // From the middle of a part outwards it grows with the square of the way.
        const double way = columns == 1 ? 1 : from + to - 1;
        const auto at = [&](const StretchRow& row) {
          return row.middle + (row.edge - row.middle) * way * way;
        };
        const double stretch = (at(low) + at(high)) / 2;
        if (std::abs(stretch) < unseen) continue;
        const QPolygonF shape = patch(low.s, high.s, period * (part + from), period * (part + to));
        if (shape.isEmpty()) continue;
        const QColor colour = stretchColour(stretch, bears);
        painter.setBrush(colour);
        painter.drawPolygon(shape);
        if (std::abs(stretch) > bears * 1.0001) {
          QColor strong = colour;
          strong.setAlpha(255);
          painter.setBrush(QBrush(strong, Qt::DiagCrossPattern));
          painter.drawPolygon(shape);
        }
      }
    }
  }
  painter.restore();
}

}  // namespace avrelt

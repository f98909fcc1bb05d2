// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/art_paint.h"

#include <QPainter>

#include "app/look/theme.h"

namespace avrelt {
namespace {

/// Ink drawn on a dark field would not be seen: it is the window's own ink there.
QColor seen(const std::string& colour) {
  return colour == "#22262A" ? theme().ink : QColor(QString::fromStdString(colour));
}

}  // namespace

QPainterPath painterPath(const Polygon& polygon, const Fit& fit) {
  QPainterPath path;
  for (const std::vector<Point>& outline : polygon) {
    QPolygonF points;
    points.reserve(static_cast<qsizetype>(outline.size()));
    for (const Point& p : outline) points << fit(p);
    path.addPolygon(points);
    path.closeSubpath();
  }
  return path;
}

void paintArtwork(QPainter& painter, const Artwork& artwork, const QRectF& room) {
  const Fit fit(artwork.bounds(), room);
  painter.setPen(Qt::NoPen);
  for (const ColourArea& area : artwork.areas) {
    painter.setBrush(seen(area.colour));
    painter.drawPath(painterPath(area.area, fit));
  }
  painter.setBrush(Qt::NoBrush);
}

QIcon iconOf(const Artwork& artwork, const QSize& size, double devicePixels) {
  QPixmap picture(size * devicePixels);
  picture.setDevicePixelRatio(devicePixels);
  picture.fill(theme().field);
  QPainter painter(&picture);
  painter.setRenderHint(QPainter::Antialiasing);
  paintArtwork(painter, artwork, QRectF(QPointF(), QSizeF(size)).adjusted(6, 6, -6, -6));
  painter.end();
  QIcon icon(picture);
  // Its colours are the artwork's, chosen or not.
  icon.addPixmap(picture, QIcon::Selected);
  return icon;
}

}  // namespace avrelt

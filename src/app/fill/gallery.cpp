// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fill/gallery.h"

#include <algorithm>
#include <cmath>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

#include "app/look/theme.h"
#include "app/order/phrases.h"
#include "pattern/pebbles.h"

namespace avrelt {
namespace {

constexpr int perRow = 7;
constexpr double tileTall = 54;

void paintPattern(QPainter& painter, Family family, const QRectF& room,
                  const std::vector<QColor>& colours, double larger) {
  painter.save();
  painter.setClipRect(room);
  painter.fillRect(room, theme().panel);
  painter.setPen(QPen(theme().panel, 1.2));
  Tile tile = tileOf(family, ratioOf(family).usual);
  if (family == Family::pebbles) tile = {4, 3, 3, pebbles(4, 3, 5)};
  const bool stripe = family == Family::uprights || family == Family::slants;
  const double usual = family == Family::crosses       ? 7
                       : family == Family::herringbone ? 9
                       : family == Family::weave       ? 13
                       : stripe                        ? 9
                                                       : 15;
  const double scale = usual * larger;
  const double up = stripe ? room.height() : scale;
  const int columns = static_cast<int>(room.width() / (tile.wide * scale)) + 4;
  const int rows = stripe ? 1 : static_cast<int>(room.height() / (tile.tall * scale)) + 4;
  for (int j = stripe ? 0 : -2; j < rows; ++j) {
    for (int i = -3; i < columns; ++i) {
      for (std::size_t k = 0; k < tile.cells.size(); ++k) {
        QPolygonF polygon;
        for (const Point& p : tile.cells[k]) {
          polygon << QPointF(room.left() + (i * tile.wide + p.x) * scale,
                             room.bottom() - (j * tile.tall + p.y) * up);
        }
        const std::size_t tone =
            k + static_cast<std::size_t>(i + 3) + 2 * static_cast<std::size_t>(j + 2);
        painter.setBrush(colours[tone % colours.size()]);
        painter.drawPolygon(polygon);
      }
    }
  }
  painter.restore();
}

}  // namespace

Gallery::Gallery(QWidget* parent) : Canvas(parent) {
  setFocusPolicy(Qt::StrongFocus);
  setFixedHeight(static_cast<int>(2 * tileTall + 2));
  setMinimumWidth(7 * 44);
  setCursor(Qt::PointingHandCursor);
  setAccessibleName(tr("Patterns"));
  setAccessibleDescription(tr("Arrow keys go along the patterns, Return takes one."));
}

void Gallery::show(std::optional<Family> family) {
  const int taken = family ? static_cast<int>(*family) : -1;
  if (taken == taken_) return;
  taken_ = taken;
  if (taken >= 0) at_ = taken;
  update();
}

void Gallery::dress(const std::vector<QColor>& colours, Length size) {
  const double larger = std::clamp(size.inches(), 0.6, 1.8);
  if (colours == colours_ && larger == larger_) return;
  colours_ = colours;
  larger_ = larger;
  update();
}

QRectF Gallery::boxOf(int index) const {
  const double wide = std::min(width() / static_cast<double>(perRow), 72.0);
  const int row = index / perRow;
  const int column = index % perRow;
  return {column * wide + 2, row * tileTall + 1, wide - 5, tileTall - 4};
}

void Gallery::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  for (const Family family : families) {
    const int index = static_cast<int>(family);
    const QRectF box = boxOf(index);
    paintPattern(painter, family, box.adjusted(1, 1, -1, -14),
                 colours_.empty() ? std::vector<QColor>{t.petrol, t.tape, t.film} : colours_,
                 larger_);
    const bool taken = index == taken_;
    painter.setBrush(Qt::NoBrush);
    painter.setPen(hasFocus() && index == at_ ? QPen(t.brass, 2.5)
                   : taken                    ? QPen(t.ink, 2.2)
                                              : QPen(t.rule, 1));
    painter.drawRoundedRect(box.adjusted(0, 0, 0, -13), 3, 3);
    painter.setPen(taken ? t.ink : t.muted);
    painter.setFont(face(box.width() < 48 ? 8 : 9, taken ? QFont::Bold : QFont::Normal));
    painter.drawText(QRectF(box.left() - 4, box.bottom() - 13, box.width() + 8, 13),
                     Qt::AlignCenter, say(familyTitle(family), Unit::mm));
  }
}

void Gallery::mousePressEvent(QMouseEvent* event) {
  for (const Family family : families) {
    if (!boxOf(static_cast<int>(family)).contains(event->position())) continue;
    at_ = static_cast<int>(family);
    emit chosen(family);
    return;
  }
}

void Gallery::keyPressEvent(QKeyEvent* event) {
  const int last = static_cast<int>(families.size()) - 1;
  if (const std::optional<int> gone = goneInGrid(event->key(), at_, perRow, last)) {
    at_ = *gone;
    update();
  } else if (takes(event->key())) {
    emit chosen(families[static_cast<std::size_t>(at_)]);
  } else {
    Canvas::keyPressEvent(event);
  }
}

}  // namespace avrelt

#include "moc_gallery.cpp"

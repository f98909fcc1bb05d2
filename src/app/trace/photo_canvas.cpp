// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/trace/photo_canvas.h"

#include <algorithm>
#include <cmath>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

#include "app/look/theme.h"

namespace avrelt {

PhotoCanvas::PhotoCanvas(QWidget* parent) : NearCanvas(parent) {
  setFocusPolicy(Qt::StrongFocus);
  setMinimumSize(220, 200);
  setAccessibleName(tr("Photo of the cup"));
}

void PhotoCanvas::show(const QImage& photo) {
  photo_ = photo;
  begin(photo.width(), photo.height());
  picked_ = 0;
  showAll();
  tell();
}

void PhotoCanvas::tell() {
  changed();
  emit traced();
  update();
}

Point PhotoCanvas::pointOf(std::size_t handle) const {
  return const_cast<PhotoCanvas*>(this)->pointOf(handle);  // NOLINT(*-const-cast)
}

Fit PhotoCanvas::fit() const {
  const Box box{{0, 0},
                {std::max(1.0, 1.0 * photo_.width()), std::max(1.0, 1.0 * photo_.height())}};
  return seen({box, QRectF(rect())});
}

QPointF PhotoCanvas::toScreen(Point onPhoto) const {
  return fit()({onPhoto.x, photo_.height() - onPhoto.y});
}

Point PhotoCanvas::toPhoto(QPointF onScreen) const {
  const Point p = fit().back(onScreen);
  return {std::clamp(p.x, 0.0, static_cast<double>(photo_.width())),
          std::clamp(photo_.height() - p.y, 0.0, static_cast<double>(photo_.height()))};
}

std::optional<QPointF> PhotoCanvas::inHand() const {
  if (photo_.isNull()) return std::nullopt;
  return placeOf(static_cast<std::size_t>(picked_));
}

QPointF PhotoCanvas::placeOf(std::size_t handle) const {
  return toScreen(pointOf(handle));
}

void PhotoCanvas::move(std::size_t handle, Point onPhoto) {
  pointOf(handle) = onPhoto;
  tell();
}

std::optional<std::size_t> PhotoCanvas::handleAt(QPointF p) const {
  for (std::size_t i = handleCount(); i-- > 0;) {
    const QPointF off = placeOf(i) - p;
    if (std::hypot(off.x(), off.y()) <= 12) return i;
  }
  return std::nullopt;
}

void PhotoCanvas::mousePressEvent(QMouseEvent* event) {
  if (event->button() != Qt::LeftButton) return;
  if (const std::optional<std::size_t> handle = handleAt(event->position())) {
    held_ = picked_ = static_cast<int>(*handle);
    update();
  }
}

void PhotoCanvas::mouseMoveEvent(QMouseEvent* event) {
  if (held_ >= 0) move(static_cast<std::size_t>(held_), toPhoto(event->position()));
}

void PhotoCanvas::mouseReleaseEvent(QMouseEvent* /*event*/) {
  held_ = -1;
}

bool PhotoCanvas::focusNextPrevChild(bool next) {
  const int count = static_cast<int>(handleCount());
  const int to = picked_ + (next ? 1 : -1);
  // Past the last handle the keyboard goes on to the fields.
  if (photo_.isNull() || to < 0 || to >= count) {
    picked_ = next ? 0 : count - 1;
    return NearCanvas::focusNextPrevChild(next);
  }
  picked_ = to;
  follow();
  update();
  return true;
}

void PhotoCanvas::keyPressEvent(QKeyEvent* event) {
  if (photo_.isNull()) return;
  const double by = event->modifiers().testFlag(Qt::ShiftModifier) ? 10 : 1;
  const auto handle = static_cast<std::size_t>(picked_);
  switch (event->key()) {
    case Qt::Key_Left:
      move(handle, pointOf(handle) + Point{-by, 0});
      break;
    case Qt::Key_Right:
      move(handle, pointOf(handle) + Point{by, 0});
      break;
    case Qt::Key_Up:
      move(handle, pointOf(handle) + Point{0, -by});
      break;
    case Qt::Key_Down:
      move(handle, pointOf(handle) + Point{0, by});
      break;
    default:
      return NearCanvas::keyPressEvent(event);
  }
  follow();
}

void PhotoCanvas::paintPhoto(QPainter& painter, const QString& none) const {
  const Theme& t = theme();
  painter.setRenderHint(QPainter::Antialiasing);
  painter.setRenderHint(QPainter::SmoothPixmapTransform);
  painter.fillRect(rect(), t.drawer);
  if (photo_.isNull()) {
    painter.setPen(t.muted);
    painter.setFont(face(13));
    drawWords(painter, rect().center(), none);
    return;
  }
  painter.drawImage(
      QRectF(toScreen({0, 0}), QSizeF(photo_.width(), photo_.height()) * fit().scale()), photo_);
}

void PhotoCanvas::paintHandle(QPainter& painter, std::size_t handle, const QColor& colour) const {
  const bool picked = static_cast<int>(handle) == picked_ && hasFocus();
  painter.setPen(QPen(colour, 2.5));
  painter.setBrush(picked ? colour : QColor(Qt::white));
  painter.drawEllipse(placeOf(handle), 6, 6);
}

}  // namespace avrelt

#include "moc_photo_canvas.cpp"

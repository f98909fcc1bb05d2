// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/trace/photo_canvas.h"

#include <algorithm>
#include <cmath>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

#include "app/window/theme.h"

namespace avrelt {

PhotoCanvas::PhotoCanvas(QWidget* parent) : Canvas(parent) {
  setFocusPolicy(Qt::StrongFocus);
  setMinimumSize(220, 200);
  setAccessibleName(tr("Photo of the cup"));
}

void PhotoCanvas::show(const QImage& photo) {
  photo_ = photo;
  begin(photo.width(), photo.height());
  picked_ = 0;
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

double PhotoCanvas::scale() const {
  if (photo_.isNull()) return 1;
  return std::min(static_cast<double>(width()) / photo_.width(),
                  static_cast<double>(height()) / photo_.height());
}

QPointF PhotoCanvas::toScreen(Point onPhoto) const {
  const double s = scale();
  return {(width() - photo_.width() * s) / 2 + onPhoto.x * s,
          (height() - photo_.height() * s) / 2 + onPhoto.y * s};
}

Point PhotoCanvas::toPhoto(QPointF onScreen) const {
  const double s = scale();
  const double x = (onScreen.x() - (width() - photo_.width() * s) / 2) / s;
  const double y = (onScreen.y() - (height() - photo_.height() * s) / 2) / s;
  return {std::clamp(x, 0.0, static_cast<double>(photo_.width())),
          std::clamp(y, 0.0, static_cast<double>(photo_.height()))};
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
    return Canvas::focusNextPrevChild(next);
  }
  picked_ = to;
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
      Canvas::keyPressEvent(event);
  }
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
  painter.drawImage(QRectF(toScreen({0, 0}), QSizeF(photo_.width(), photo_.height()) * scale()),
                    photo_);
}

void PhotoCanvas::paintHandle(QPainter& painter, std::size_t handle, const QColor& colour) const {
  const bool picked = static_cast<int>(handle) == picked_ && hasFocus();
  painter.setPen(QPen(colour, 2.5));
  painter.setBrush(picked ? colour : QColor(Qt::white));
  painter.drawEllipse(placeOf(handle), 6, 6);
}

}  // namespace avrelt

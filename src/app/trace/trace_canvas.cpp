// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/trace/trace_canvas.h"

#include <algorithm>
#include <cmath>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

#include "app/window/theme.h"
#include "cup/body.h"
#include "measure/tape.h"

namespace avrelt {
namespace {

constexpr std::size_t fixedHandles = 6;

}  // namespace

TraceCanvas::TraceCanvas(QWidget* parent) : Canvas(parent) {
  setFocusPolicy(Qt::StrongFocus);
  setMinimumSize(220, 200);
  setAccessibleName(tr("Photo of the cup"));
  setAccessibleDescription(
      tr("Tab goes from handle to handle, arrows move one, Insert adds a point of the edge, Delete "
         "takes one away."));
}

void TraceCanvas::show(const QImage& photo) {
  photo_ = photo;
  const double w = photo.width();
  const double h = photo.height();
  trace_.baseLeft = {w * 0.36, h * 0.82};
  trace_.baseRight = {w * 0.64, h * 0.82};
  trace_.rimLeft = {w * 0.34, h * 0.18};
  trace_.rimRight = {w * 0.66, h * 0.18};
  trace_.scaleA = {w * 0.22, h * 0.82};
  trace_.scaleB = {w * 0.22, h * 0.18};
  trace_.edge = {{w * 0.65, h * 0.66}, {w * 0.66, h * 0.5}, {w * 0.66, h * 0.34}};
  picked_ = 0;
  emit traced();
  update();
}

void TraceCanvas::setApart(Length apart) {
  trace_.apart = apart;
  emit traced();
  update();
}

std::size_t TraceCanvas::handleCount() const {
  return fixedHandles + trace_.edge.size();
}

Point& TraceCanvas::pointOf(std::size_t handle) {
  switch (handle) {
    case 0:
      return trace_.scaleA;
    case 1:
      return trace_.scaleB;
    case 2:
      return trace_.baseLeft;
    case 3:
      return trace_.baseRight;
    case 4:
      return trace_.rimLeft;
    case 5:
      return trace_.rimRight;
    default:
      return trace_.edge.at(handle - fixedHandles);
  }
}

Point TraceCanvas::pointOf(std::size_t handle) const {
  return const_cast<TraceCanvas*>(this)->pointOf(handle);  // NOLINT(*-const-cast)
}

double TraceCanvas::scale() const {
  if (photo_.isNull()) return 1;
  return std::min(static_cast<double>(width()) / photo_.width(),
                  static_cast<double>(height()) / photo_.height());
}

QPointF TraceCanvas::toScreen(Point onPhoto) const {
  const double s = scale();
  return {(width() - photo_.width() * s) / 2 + onPhoto.x * s,
          (height() - photo_.height() * s) / 2 + onPhoto.y * s};
}

Point TraceCanvas::toPhoto(QPointF onScreen) const {
  const double s = scale();
  const double x = (onScreen.x() - (width() - photo_.width() * s) / 2) / s;
  const double y = (onScreen.y() - (height() - photo_.height() * s) / 2) / s;
  return {std::clamp(x, 0.0, static_cast<double>(photo_.width())),
          std::clamp(y, 0.0, static_cast<double>(photo_.height()))};
}

QPointF TraceCanvas::placeOf(std::size_t handle) const {
  return toScreen(pointOf(handle));
}

void TraceCanvas::move(std::size_t handle, Point onPhoto) {
  pointOf(handle) = onPhoto;
  emit traced();
  update();
}

void TraceCanvas::addEdgePoint(Point onPhoto) {
  trace_.edge.push_back(onPhoto);
  picked_ = static_cast<int>(handleCount()) - 1;
  emit traced();
  update();
}

void TraceCanvas::mousePressEvent(QMouseEvent* event) {
  if (event->button() != Qt::LeftButton) return;
  for (std::size_t i = handleCount(); i-- > 0;) {
    const QPointF off = placeOf(i) - event->position();
    if (std::hypot(off.x(), off.y()) > 12) continue;
    held_ = picked_ = static_cast<int>(i);
    update();
    return;
  }
}

void TraceCanvas::mouseMoveEvent(QMouseEvent* event) {
  if (held_ >= 0) move(static_cast<std::size_t>(held_), toPhoto(event->position()));
}

void TraceCanvas::mouseReleaseEvent(QMouseEvent* /*event*/) {
  held_ = -1;
}

void TraceCanvas::mouseDoubleClickEvent(QMouseEvent* event) {
  if (!photo_.isNull()) addEdgePoint(toPhoto(event->position()));
}

bool TraceCanvas::focusNextPrevChild(bool next) {
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

void TraceCanvas::keyPressEvent(QKeyEvent* event) {
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
    case Qt::Key_Insert:
      addEdgePoint((trace_.baseRight + trace_.rimRight) * 0.5);
      break;
    case Qt::Key_Delete:
    case Qt::Key_Backspace:
      if (handle >= fixedHandles) {
        trace_.edge.erase(trace_.edge.begin() + static_cast<std::ptrdiff_t>(handle - fixedHandles));
        picked_ = std::min(picked_, static_cast<int>(handleCount()) - 1);
        emit traced();
        update();
      }
      break;
    default:
      Canvas::keyPressEvent(event);
  }
}

/// The body as the handles have it, laid over the photo, mirrored about its axis.
void TraceCanvas::paintOutline(QPainter& painter) const {
  const Checked<std::vector<Station>> stations = stationsFrom(trace_, unit_);
  if (!stations) return;
  Blank blank;
  blank.heightAlong = HeightAlong::plumb;
  blank.joined = Joined::smooth;
  blank.stations = *stations;
  const CheckedAll<Body> body = Body::of(blank);
  if (!body) return;
  QPolygonF right;
  QPolygonF left;
  constexpr int steps = 80;
  for (int i = 0; i <= steps; ++i) {
    const Length s = body->wall() * (static_cast<double>(i) / steps);
    right << toScreen(placeOnPhoto(trace_, body->plumbAt(s), body->radius(s)));
    left << toScreen(placeOnPhoto(trace_, body->plumbAt(s), -body->radius(s)));
  }
  painter.setPen(QPen(Qt::white, 4));
  painter.drawPolyline(right);
  painter.drawPolyline(left);
  painter.setPen(QPen(theme().brass, 2));
  painter.drawPolyline(right);
  painter.setPen(QPen(theme().brass, 2, Qt::DashLine));
  painter.drawPolyline(left);
}

void TraceCanvas::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  painter.setRenderHint(QPainter::SmoothPixmapTransform);
  painter.fillRect(rect(), t.drawer);
  if (photo_.isNull()) {
    painter.setPen(t.muted);
    painter.setFont(face(13));
    drawWords(painter, rect().center(),
              tr("Load a photo taken from the side, level with its middle."));
    return;
  }
  painter.drawImage(QRectF(toScreen({0, 0}), QSizeF(photo_.width(), photo_.height()) * scale()),
                    photo_);
  paintOutline(painter);

  const auto stroke = [&](QPointF a, QPointF b, const QColor& colour) {
    painter.setPen(QPen(Qt::white, 4));
    painter.drawLine(a, b);
    painter.setPen(QPen(colour, 2));
    painter.drawLine(a, b);
  };
  stroke(placeOf(0), placeOf(1), QColor(Theme::light().petrol));
  stroke(placeOf(2), placeOf(3), QColor(Theme::light().ink));
  stroke(placeOf(4), placeOf(5), QColor(Theme::light().ink));
  for (std::size_t i = 0; i < handleCount(); ++i) {
    const bool picked = static_cast<int>(i) == picked_ && hasFocus();
    const QColor colour = i < 2              ? Theme::light().petrol
                          : i < fixedHandles ? Theme::light().ink
                                             : Theme::light().brass;
    painter.setPen(QPen(colour, 2.5));
    painter.setBrush(picked ? colour : QColor(Qt::white));
    painter.drawEllipse(placeOf(i), 6, 6);
  }
  painter.setFont(face(12, QFont::DemiBold));
  drawPlate(painter, (placeOf(0) + placeOf(1)) / 2,
            QString::fromStdString(plainText(trace_.apart, unit_)));
  if (hasFocus()) drawFocus(painter);
}

}  // namespace avrelt

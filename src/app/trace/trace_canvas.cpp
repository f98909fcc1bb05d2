// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/trace/trace_canvas.h"

#include <algorithm>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

#include "app/look/theme.h"
#include "cup/body.h"
#include "measure/tape.h"

namespace avrelt {
namespace {

constexpr std::size_t fixedHandles = 6;

}  // namespace

TraceCanvas::TraceCanvas(QWidget* parent) : PhotoCanvas(parent) {
  setAccessibleDescription(
      tr("Tab goes from handle to handle, arrows move one, Insert adds a point of the edge, Delete "
         "takes one away."));
}

void TraceCanvas::begin(double w, double h) {
  trace_.baseLeft = {w * 0.36, h * 0.82};
  trace_.baseRight = {w * 0.64, h * 0.82};
  trace_.rimLeft = {w * 0.34, h * 0.18};
  trace_.rimRight = {w * 0.66, h * 0.18};
  trace_.scaleA = {w * 0.22, h * 0.82};
  trace_.scaleB = {w * 0.22, h * 0.18};
  trace_.edge = {{w * 0.65, h * 0.66}, {w * 0.66, h * 0.5}, {w * 0.66, h * 0.34}};
}

void TraceCanvas::setApart(Length apart) {
  trace_.apart = apart;
  tell();
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

void TraceCanvas::addEdgePoint(Point onPhoto) {
  trace_.edge.push_back(onPhoto);
  pick(static_cast<int>(handleCount()) - 1);
  tell();
}

void TraceCanvas::mouseDoubleClickEvent(QMouseEvent* event) {
  if (hasPhoto()) addEdgePoint(toPhoto(event->position()));
}

void TraceCanvas::keyPressEvent(QKeyEvent* event) {
  if (!hasPhoto()) return;
  const auto handle = static_cast<std::size_t>(picked());
  switch (event->key()) {
    case Qt::Key_Insert:
      addEdgePoint((trace_.baseRight + trace_.rimRight) * 0.5);
      break;
    case Qt::Key_Delete:
    case Qt::Key_Backspace:
      if (handle >= fixedHandles) {
        trace_.edge.erase(trace_.edge.begin() + static_cast<std::ptrdiff_t>(handle - fixedHandles));
        pick(std::min(picked(), static_cast<int>(handleCount()) - 1));
        tell();
      }
      break;
    default:
      PhotoCanvas::keyPressEvent(event);
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
  QPainter painter(this);
  paintPhoto(painter, tr("Load a photo taken from the side, level with its middle."));
  if (!hasPhoto()) return;
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
    paintHandle(painter, i,
                i < 2              ? Theme::light().petrol
                : i < fixedHandles ? Theme::light().ink
                                   : Theme::light().brass);
  }
  painter.setFont(face(12, QFont::DemiBold));
  drawPlate(painter, (placeOf(0) + placeOf(1)) / 2,
            QString::fromStdString(plainText(trace_.apart, unit_)));
  paintTimes(painter);
  if (hasFocus()) drawFocus(painter);
}

}  // namespace avrelt

#include "moc_trace_canvas.cpp"

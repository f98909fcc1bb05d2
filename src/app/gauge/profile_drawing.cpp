// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/gauge/profile_drawing.h"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <QMouseEvent>
#include <QPainter>

#include "app/gauge/measures.h"
#include "app/window/theme.h"

namespace avrelt {

ProfileDrawing::ProfileDrawing(Order& order, QWidget* parent) : Canvas(parent), order_(order) {
  setMouseTracking(true);
  setMinimumSize(120, 120);
  setAccessibleName(tr("The cup from the side"));
  setAccessibleDescription(tr("Handles to drag; the same measures can be typed beside."));
  connect(&order, &Order::changed, this, [this] {
    refit();
    update();
  });
}

void ProfileDrawing::refit() {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr || held_ != Handle::none) return;
  Box box = boundsOf(plan->bare.sideView());
  fit_ = Fit(box, QRectF(rect()).adjusted(14, 14, -30, -14));
}

void ProfileDrawing::resizeEvent(QResizeEvent* event) {
  Canvas::resizeEvent(event);
  refit();
}

QPointF ProfileDrawing::placeOf(Handle handle) const {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr) return {};
  const Development& body = plan->bare;
  switch (handle) {
    case Handle::rim:
      return fit_({body.radius(body.wall()).mm(), body.plumb().mm()});
    case Handle::base:
      return fit_({body.radius(Length()).mm(), 0});
    case Handle::height:
      return fit_({0, body.plumb().mm()});
    case Handle::none:
      break;
  }
  return {};
}

ProfileDrawing::Handle ProfileDrawing::handleAt(QPointF p) const {
  if (order_.plan() == nullptr) return Handle::none;
  for (const Handle handle : {Handle::rim, Handle::base, Handle::height}) {
    const QPointF off = placeOf(handle) - p;
    if (std::hypot(off.x(), off.y()) < 11) return handle;
  }
  return Handle::none;
}

void ProfileDrawing::dragTo(QPointF p) {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr) return;
  const Point at = fit_.back(p);
  switch (held_) {
    case Handle::rim:
    case Handle::base:
      dragGirth(order_, held_ == Handle::rim, Length::mm(std::max(at.x, 1.0)));
      break;
    case Handle::height:
      dragPlumb(order_, Length::mm(std::max(at.y, 1.0)));
      break;
    case Handle::none:
      break;
  }
}

void ProfileDrawing::mousePressEvent(QMouseEvent* event) {
  if (event->button() != Qt::LeftButton) return;
  held_ = handleAt(event->position());
  order_.settle();
}

void ProfileDrawing::mouseMoveEvent(QMouseEvent* event) {
  if (held_ != Handle::none) {
    dragTo(event->position());
    return;
  }
  const Handle over = handleAt(event->position());
  setCursor(over == Handle::none     ? Qt::ArrowCursor
            : over == Handle::height ? Qt::SizeVerCursor
                                     : Qt::SizeHorCursor);
}

void ProfileDrawing::mouseReleaseEvent(QMouseEvent* /*event*/) {
  if (held_ == Handle::none) return;
  held_ = Handle::none;
  order_.settle();
  refit();
  update();
}

void ProfileDrawing::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  const CupPlan* plan = order_.plan();
  if (plan == nullptr) return;
  if (!order_.planHolds()) painter.setOpacity(0.4);
  const Development& body = plan->bare;
  painter.setPen(QPen(t.ink, 1.4));
  painter.setBrush(t.metal);
  painter.drawPath(painterPath(body.sideView(), fit_));

  // The wall as the tape runs up it, a little off so that it can be told from the edge.
  const QPointF aside(12, 0);
  painter.setPen(QPen(t.petrol, 1.5));
  painter.drawLine(placeOf(Handle::base) + aside, placeOf(Handle::rim) + aside);

  const auto measure = [&](Handle handle, Length s, double height) {
    const QPointF end = placeOf(handle);
    painter.setPen(QPen(t.brass, 3));
    painter.drawLine(fit_({-body.radius(s).mm(), height}), end);
  };
  measure(Handle::rim, body.wall(), body.plumb().mm());
  measure(Handle::base, Length(), 0);
  painter.setPen(QPen(t.brass, 2.5));
  painter.setBrush(t.panel);
  for (const Handle handle : {Handle::rim, Handle::base, Handle::height}) {
    painter.drawEllipse(placeOf(handle), 6, 6);
  }
}

}  // namespace avrelt

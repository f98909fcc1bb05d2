// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/gauge/profile_drawing.h"

#include <algorithm>
#include <cmath>
#include <QMouseEvent>
#include <QPainter>

#include "app/gauge/measures.h"
#include "app/look/theme.h"

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
  if (plan == nullptr || held_.handle != Handle::none) return;
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
  const Body& body = plan->bare;
  switch (handle) {
    case Handle::rim:
      return fit_({body.radius(body.wall()).mm(), body.plumb().mm()});
    case Handle::base:
      return fit_({body.radius(Length()).mm(), 0});
    case Handle::height:
      return fit_({0, body.plumb().mm()});
    case Handle::station:
    case Handle::none:
      break;
  }
  return {};
}

QPointF ProfileDrawing::placeOfStation(std::size_t index) const {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr || index >= plan->bare.stations().size()) return {};
  const Length s = plan->bare.stations()[index];
  return fit_({plan->bare.radius(s).mm(), plan->bare.plumbAt(s).mm()});
}

void ProfileDrawing::pickStation(int index) {
  picked_ = index;
  update();
}

bool ProfileDrawing::curved() const {
  return order_.hasCup() && shapeOf(order_.currentCup()) == Shape::curved;
}

ProfileDrawing::Grip ProfileDrawing::gripAt(QPointF p) const {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr) return {};
  const auto near = [&](QPointF place) {
    return std::hypot(place.x() - p.x(), place.y() - p.y()) < 11;
  };
  if (curved()) {
    // From the rim down: where stations crowd, the upper one is taken.
    for (std::size_t i = plan->bare.stations().size(); i-- > 0;) {
      if (near(placeOfStation(i))) return {Handle::station, i};
    }
    return {};
  }
  for (const Handle handle : {Handle::rim, Handle::base, Handle::height}) {
    if (near(placeOf(handle))) return {handle, 0};
  }
  return {};
}

void ProfileDrawing::dragTo(QPointF p) {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr) return;
  const Point at = fit_.back(p);
  switch (held_.handle) {
    case Handle::rim:
    case Handle::base:
      dragGirth(order_, held_.handle == Handle::rim, Length::mm(std::max(at.x, 1.0)));
      break;
    case Handle::height:
      dragPlumb(order_, Length::mm(std::max(at.y, 1.0)));
      break;
    case Handle::station:
      dragStation(order_, held_.station, Length::mm(std::max(at.y, 0.0)),
                  Length::mm(std::max(at.x, 1.0)));
      break;
    case Handle::none:
      break;
  }
}

void ProfileDrawing::mousePressEvent(QMouseEvent* event) {
  if (event->button() != Qt::LeftButton) return;
  held_ = gripAt(event->position());
  order_.settle();
  if (held_.handle == Handle::station) emit stationPicked(static_cast<int>(held_.station));
}

void ProfileDrawing::mouseMoveEvent(QMouseEvent* event) {
  if (held_.handle != Handle::none) {
    dragTo(event->position());
    return;
  }
  const Handle over = gripAt(event->position()).handle;
  setCursor(over == Handle::none      ? Qt::ArrowCursor
            : over == Handle::height  ? Qt::SizeVerCursor
            : over == Handle::station ? Qt::SizeAllCursor
                                      : Qt::SizeHorCursor);
}

void ProfileDrawing::mouseReleaseEvent(QMouseEvent* /*event*/) {
  if (held_.handle == Handle::none) return;
  held_ = {};
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
  const Body& body = plan->bare;
  painter.setPen(QPen(t.ink, 1.4));
  painter.setBrush(t.metal);
  painter.drawPath(painterPath(body.sideView(), fit_));

  // The wall as the tape runs up it, a little off so that it can be told from the edge.
  painter.setPen(QPen(t.petrol, 1.5));
  QPolygonF tape;
  const int rises = body.isCone() ? 1 : 60;
  for (int i = 0; i <= rises; ++i) {
    const Length s = body.wall() * (static_cast<double>(i) / rises);
    tape << fit_({body.radius(s).mm(), body.plumbAt(s).mm()}) + QPointF(12, 0);
  }
  painter.drawPolyline(tape);

  if (curved()) {
    for (std::size_t i = 0; i < body.stations().size(); ++i) {
      const Length s = body.stations()[i];
      const QPointF end = placeOfStation(i);
      const bool picked = static_cast<int>(i) == picked_;
      painter.setPen(QPen(t.brass, picked ? 3 : 1.6));
      painter.drawLine(fit_({-body.radius(s).mm(), body.plumbAt(s).mm()}), end);
      painter.setPen(QPen(t.brass, 2.5));
      painter.setBrush(picked ? t.brass : t.panel);
      painter.drawEllipse(end, 5.5, 5.5);
    }
    return;
  }

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

#include "moc_profile_drawing.cpp"

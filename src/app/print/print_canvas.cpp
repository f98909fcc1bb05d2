// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/print/print_canvas.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

#include "app/look/theme.h"
#include "divide/flat_outline.h"

namespace avrelt {

PrintCanvas::PrintCanvas(Wall wall, Region zone, QWidget* parent)
    : Canvas(parent), wall_(std::move(wall)), zone_(std::move(zone)) {
  setMinimumSize(380, 200);
  setFocusPolicy(Qt::StrongFocus);
  setAccessibleName(tr("The zone with its picture"));
  setAccessibleDescription(tr("Arrow keys move the picture by a millimetre, with Shift by eight."));
  for (const WallLine& outline : zone_.outlines()) {
    for (const Point& p : inFlat(outline, true, wall_.flat, Length::mm(0.2))) box_.add(p);
  }
}

void PrintCanvas::show(std::optional<PictureLie> lie) {
  lie_ = std::move(lie);
  update();
}

Fit PrintCanvas::fit() const {
  return {box_, QRectF(rect()).adjusted(12, 12, -12, -12)};
}

QPainterPath PrintCanvas::shapeOf(const Fit& fit) const {
  QPainterPath shape;
  for (const WallLine& outline : zone_.outlines()) {
    QPolygonF polygon;
    for (const Point& p : inFlat(outline, true, wall_.flat, Length::mm(0.2))) polygon << fit(p);
    shape.addPolygon(polygon);
    shape.closeSubpath();
  }
  return shape;
}

void PrintCanvas::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  painter.fillRect(rect(), t.ground);
  const Fit fit = this->fit();
  const QPainterPath shape = shapeOf(fit);
  painter.setPen(QPen(t.ink, 1.3));
  painter.setBrush(t.panel);
  painter.drawPath(shape);
  prints_.begin();
  if (lie_) {
    for (const PictureMesh& mesh : lie_->overFlat(zone_, wall_.flat)) {
      prints_.draw(painter, shape, lie_->picture(), mesh, transformOf(fit));
    }
    painter.setBrush(Qt::NoBrush);
    painter.drawPath(shape);
  } else {
    painter.setPen(t.muted);
    painter.setFont(face(13));
    drawWords(painter, rect().center(), tr("Add a picture, or take one of the order’s."));
  }
  // The front, where it is in sight.
  const Angle front = wall_.inFrame(CupAngle::front());
  painter.setPen(QPen(t.brass, 1.5, Qt::DashLine));
  painter.drawLine(fit(wall_.flat.toFlat({front, zone_.lowest()})),
                   fit(wall_.flat.toFlat({front, zone_.highest()})));
  drawFocus(painter);
}

void PrintCanvas::mousePressEvent(QMouseEvent* event) {
  if (lie_ && event->button() == Qt::LeftButton) {
    held_ = wall_.flat.toWall(fit().back(event->position()));
  }
}

void PrintCanvas::mouseMoveEvent(QMouseEvent* event) {
  if (!held_ || !event->buttons().testFlag(Qt::LeftButton)) return held_.reset();
  const WallPoint now = wall_.flat.toWall(fit().back(event->position()));
  const WallPoint before = *held_;
  held_ = now;
  emit moved(now.theta - before.theta, now.s - before.s);
}

void PrintCanvas::keyPressEvent(QKeyEvent* event) {
  if (!lie_) return Canvas::keyPressEvent(event);
  const Length by = Length::mm(event->modifiers().testFlag(Qt::ShiftModifier) ? 8 : 1);
  const Angle round = lie_->angleOf(by);
  switch (event->key()) {
    case Qt::Key_Left:
      return emit moved(-round, {});
    case Qt::Key_Right:
      return emit moved(round, {});
    case Qt::Key_Up:
      return emit moved({}, by);
    case Qt::Key_Down:
      return emit moved({}, by * -1);
    default:
      Canvas::keyPressEvent(event);
  }
}

}  // namespace avrelt

#include "moc_print_canvas.cpp"

// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/print/layer_print_canvas.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

#include "app/look/theme.h"
#include "app/views/art_paint.h"

namespace avrelt {

LayerPrintCanvas::LayerPrintCanvas(Polygon shape, QWidget* parent)
    : Canvas(parent), shape_(std::move(shape)) {
  // What lies beside it of the picture is seen too, to know which way to move.
  const Box box = boundsOf(shape_);
  box_ = box.grownBy(0.12 * std::max(box.width(), box.height()));
  setMinimumSize(380, 220);
  setFocusPolicy(Qt::StrongFocus);
  setAccessibleName(tr("The layer with its picture"));
  setAccessibleDescription(tr("Arrow keys move the picture by a millimetre, with Shift by eight."));
}

void LayerPrintCanvas::show(LayerPrint print, PrintCover cover) {
  print_ = std::move(print);
  cover_ = std::move(cover);
  update();
}

Fit LayerPrintCanvas::fit() const {
  return {box_, QRectF(rect()).adjusted(12, 12, -12, -12)};
}

void LayerPrintCanvas::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  painter.fillRect(rect(), t.ground);
  const Fit fit = this->fit();
  const QPainterPath shape = painterPath(shape_, fit);
  painter.setPen(Qt::NoPen);
  painter.setBrush(t.panel);
  painter.drawPath(shape);
  prints_.begin();
  if (print_.picture) {
    QPainterPath all;
    all.addRect(rect());
    Box seen;
    seen.add(fit.back({0, 0}));
    seen.add(fit.back(QPointF(width(), height())));
    const PictureMesh mesh = meshOf(print_, seen, {});
    painter.setOpacity(0.25);
    prints_.draw(painter, all, print_.picture, mesh, transformOf(fit));
    painter.setOpacity(1);
    prints_.draw(painter, shape, print_.picture, mesh, transformOf(fit));
  }
  painter.setBrush(Qt::NoBrush);
  painter.setPen(QPen(t.panel, 3));
  painter.drawPath(shape);
  painter.setPen(QPen(t.ink, 1.3));
  painter.drawPath(shape);
  for (const BareSpot& spot : cover_.spots) {
    const QPainterPath bare = painterPath(spot.shape, fit);
    QColor wash = t.stop;
    wash.setAlpha(70);
    painter.setBrush(QBrush(wash, Qt::BDiagPattern));
    painter.setPen(QPen(t.panel, 3.4));
    painter.drawPath(bare);
    painter.setPen(QPen(t.stop, 1.6));
    painter.drawPath(bare);
  }
  if (!print_.picture) {
    painter.setPen(t.muted);
    painter.setFont(face(13));
    drawWords(painter, rect().center(), tr("Add a picture, or take one of the order’s."));
  }
  drawFocus(painter);
}

void LayerPrintCanvas::mousePressEvent(QMouseEvent* event) {
  if (print_.picture && event->button() == Qt::LeftButton) held_ = fit().back(event->position());
}

void LayerPrintCanvas::mouseMoveEvent(QMouseEvent* event) {
  if (!held_ || !event->buttons().testFlag(Qt::LeftButton)) return held_.reset();
  const Point now = fit().back(event->position());
  const Point before = *held_;
  held_ = now;
  emit moved(now - before);
}

void LayerPrintCanvas::keyPressEvent(QKeyEvent* event) {
  if (!print_.picture) return Canvas::keyPressEvent(event);
  const double by = event->modifiers().testFlag(Qt::ShiftModifier) ? 8 : 1;
  switch (event->key()) {
    case Qt::Key_Left:
      return emit moved({-by, 0});
    case Qt::Key_Right:
      return emit moved({by, 0});
    case Qt::Key_Up:
      return emit moved({0, by});
    case Qt::Key_Down:
      return emit moved({0, -by});
    default:
      Canvas::keyPressEvent(event);
  }
}

}  // namespace avrelt

#include "moc_layer_print_canvas.cpp"

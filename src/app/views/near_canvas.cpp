// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/near_canvas.h"

#include <algorithm>
#include <cmath>
#include <QKeyEvent>
#include <QLocale>
#include <QMouseEvent>
#include <QPainter>
#include <QWheelEvent>

#include "app/look/theme.h"

namespace avrelt {
namespace {

constexpr double oneStep = 1.5;
constexpr double oneNotch = 120;  ///< of a wheel, as Qt counts it

}  // namespace

Fit NearCanvas::seen(const Fit& whole) const {
  return times_ == 1 ? whole : whole.closer(times_, QRectF(rect()).center(), by_);
}

/// What was at the edges when all was seen goes no farther in than they are.
void NearCanvas::look(double times, QPointF by) {
  times_ = std::clamp(times, 1.0, mostTimes);
  const double right = (times_ - 1) * width() / 2;
  const double down = (times_ - 1) * height() / 2;
  by_ = {std::clamp(by.x(), -right, right), std::clamp(by.y(), -down, down)};
  looked();
}

void NearCanvas::goNearer(double by, QPointF about) {
  const double times = std::clamp(times_ * by, 1.0, mostTimes);
  const QPointF arm = about - QRectF(rect()).center();
  look(times, arm - (arm - by_) * (times / times_));
}

void NearCanvas::goOneStep(bool nearer) {
  goNearer(nearer ? oneStep : 1 / oneStep, inHand().value_or(QRectF(rect()).center()));
  follow();
}

void NearCanvas::showAll() {
  look(1, {});
}

void NearCanvas::follow() {
  const std::optional<QPointF> place = inHand();
  constexpr double edge = 24;
  if (times_ == 1 || !place || QRectF(rect()).adjusted(edge, edge, -edge, -edge).contains(*place)) {
    return;
  }
  look(times_, by_ + QRectF(rect()).center() - *place);
}

void NearCanvas::paintTimes(QPainter& painter) const {
  if (times_ == 1) return;
  painter.setFont(face(12));
  const QString words = tr("%1 × as large; Ctrl+0 shows all of it")
                            .arg(QLocale().toString(
                                times_, 'f', times_ < 10 && times_ != std::round(times_) ? 1 : 0));
  const double half = QFontMetricsF(painter.font()).horizontalAdvance(words) / 2;
  drawPlate(painter, {width() - half - 16, height() - 16.0}, words);
}

bool NearCanvas::event(QEvent* event) {
  switch (event->type()) {
    case QEvent::Wheel: {
      auto& wheel = static_cast<QWheelEvent&>(*event);
      if (wheel.modifiers().testFlag(Qt::ControlModifier)) {
        goNearer(std::pow(oneStep, wheel.angleDelta().y() / oneNotch / 2), wheel.position());
      } else if (times_ > 1) {
        const QPoint moved =
            wheel.pixelDelta().isNull() ? wheel.angleDelta() / 2 : wheel.pixelDelta();
        look(times_, by_ + moved);
      } else {
        break;
      }
      wheel.accept();
      return true;
    }
    case QEvent::MouseButtonPress: {
      const auto& mouse = static_cast<QMouseEvent&>(*event);
      if (mouse.button() != Qt::MiddleButton || times_ == 1) break;
      held_ = mouse.position() - by_;
      return true;
    }
    case QEvent::MouseMove: {
      const auto& mouse = static_cast<QMouseEvent&>(*event);
      // Where it was let go elsewhere, it is held no more.
      if (!mouse.buttons().testFlag(Qt::MiddleButton)) held_.reset();
      if (!held_) break;
      look(times_, mouse.position() - *held_);
      return true;
    }
    case QEvent::MouseButtonRelease:
      if (!held_ || static_cast<QMouseEvent&>(*event).button() != Qt::MiddleButton) break;
      held_.reset();
      return true;
    default:
      break;
  }
  return Canvas::event(event);
}

void NearCanvas::resizeEvent(QResizeEvent* event) {
  Canvas::resizeEvent(event);
  look(times_, by_);
}

void NearCanvas::keyPressEvent(QKeyEvent* event) {
  if (event->matches(QKeySequence::ZoomIn) ||
      (event->key() == Qt::Key_Equal && event->modifiers() == Qt::ControlModifier)) {
    goOneStep(true);
  } else if (event->matches(QKeySequence::ZoomOut)) {
    goOneStep(false);
  } else if (event->key() == Qt::Key_0 && event->modifiers() == Qt::ControlModifier) {
    showAll();
  } else {
    Canvas::keyPressEvent(event);
  }
}

}  // namespace avrelt

#include "moc_near_canvas.cpp"

// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/trace/check_canvas.h"

#include <algorithm>
#include <QMouseEvent>
#include <QPainter>

#include "app/look/theme.h"

namespace avrelt {

CheckCanvas::CheckCanvas(CupPlan plan, QWidget* parent)
    : PhotoCanvas(parent),
      plan_(std::move(plan)),
      sight_(refuse(Member::photoMarks, "Load a photo of the cup.")) {
  setAccessibleDescription(
      tr("Tab goes from handle to handle, arrows move one. The last is the place asked about."));
}

Point& CheckCanvas::pointOf(std::size_t handle) {
  switch (handle) {
    case baseLeft:
      return marks_.baseLeft;
    case baseRight:
      return marks_.baseRight;
    case baseNear:
      return marks_.baseNear;
    case rimLeft:
      return marks_.rimLeft;
    case rimRight:
      return marks_.rimRight;
    case rimNear:
      return marks_.rimNear;
    case front:
      return marks_.front;
    default:
      return asked_;
  }
}

void CheckCanvas::begin(double w, double h) {
  marks_ = {w,
            h,
            {w * 0.34, h * 0.8},
            {w * 0.66, h * 0.8},
            {w * 0.5, h * 0.82},
            {w * 0.33, h * 0.2},
            {w * 0.67, h * 0.2},
            {w * 0.5, h * 0.22},
            {w * 0.5, h * 0.5}};
  asked_ = {w * 0.5, h * 0.6};
}

void CheckCanvas::setDistance(std::optional<Length> distance) {
  distance_ = distance;
  tell();
}

void CheckCanvas::changed() {
  if (hasPhoto()) sight_ = PhotoSight::of(plan_.wall.body, marks_, distance_);
}

std::optional<PhotoSight::Place> CheckCanvas::askedAt() const {
  return sight_ ? sight_->onWall(asked_) : std::nullopt;
}

void CheckCanvas::mousePressEvent(QMouseEvent* event) {
  // What is clicked is asked about, and may be dragged on.
  if (event->button() == Qt::LeftButton && hasPhoto() && !handleAt(event->position())) {
    move(asked, toPhoto(event->position()));
  }
  PhotoCanvas::mousePressEvent(event);
}

/// What of a line of the plan is seen on the photo.
QPainterPath CheckCanvas::pathOf(const WallLine& line, bool closed) const {
  QPainterPath path;
  bool on = false;
  const auto put = [&](WallPoint place) {
    const std::optional<Point> p =
        sight_->onPhoto({plan_.wall.onCup(place.theta.wrapped()), place.s});
    if (!p) {
      on = false;
      return;
    }
    on ? path.lineTo(toScreen(*p)) : path.moveTo(toScreen(*p));
    on = true;
  };
  const std::size_t sides = closed ? line.size() : line.size() - 1;
  for (std::size_t i = 0; i < sides; ++i) {
    const WallPoint& a = line[i];
    const WallPoint& b = line[(i + 1) % line.size()];
    const int steps = std::max(1, static_cast<int>(abs(b.theta - a.theta).degrees() / 3));
    for (int k = i == 0 ? 0 : 1; k <= steps; ++k) {
      const double share = static_cast<double>(k) / steps;
      put({a.theta + (b.theta - a.theta) * share, a.s + (b.s - a.s) * share});
    }
  }
  return path;
}

void CheckCanvas::paintPlan(QPainter& painter) const {
  if (!sight_) return;
  painter.setBrush(Qt::NoBrush);
  const auto stroke = [&](const QPainterPath& path, const QColor& colour, double wide) {
    painter.setPen(QPen(Qt::white, wide + 2));
    painter.drawPath(path);
    painter.setPen(QPen(colour, wide));
    painter.drawPath(path);
  };
  const Length top = plan_.wall.body.wall();
  const Angle half = Angle::halfTurn();
  for (const Length s : {Length(), top}) {
    stroke(pathOf({{-half, s}, {Angle(), s}, {half, s}}, false), Theme::light().ink, 1.2);
  }
  for (const SetPlan& set : plan_.sets) {
    for (const PlacePlan& place : set.places) {
      for (const LaidLayer& layer : place.laid->layers) {
        for (const WallLine& outline : layer.region.outlines()) {
          stroke(pathOf(outline, true), Theme::light().petrol, 1.2);
        }
      }
    }
  }
  for (const DivideLine& line : plan_.divided.lines) {
    for (const WallLine& stretch : line.stretches) {
      stroke(pathOf(stretch, false), Theme::light().brass, 1.8);
    }
  }
}

void CheckCanvas::paintEvent(QPaintEvent* /*event*/) {
  QPainter painter(this);
  paintPhoto(painter, tr("Load a photo of the cup, taken from about 2 m or 7 ft away."));
  if (!hasPhoto()) return;
  paintPlan(painter);
  for (std::size_t i = 0; i < handleCount(); ++i) {
    paintHandle(painter, i,
                i == front   ? Theme::light().brass
                : i == asked ? Theme::light().stop
                             : Theme::light().ink);
  }
  painter.setFont(face(12, QFont::DemiBold));
  drawPlate(painter, placeOf(front) + QPointF(0, 18), tr("front"));
  paintTimes(painter);
  if (hasFocus()) drawFocus(painter);
}

}  // namespace avrelt

#include "moc_check_canvas.cpp"

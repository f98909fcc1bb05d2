// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/round_view.h"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

#include "app/order/phrases.h"
#include "app/window/theme.h"
#include "sheet/round_marks.h"

namespace avrelt {
namespace {

/// The onlooker stands a little above the rim: sine and cosine of 12°.
const double tiltSin = std::sin(12.0 / 180 * std::numbers::pi);
const double tiltCos = std::cos(12.0 / 180 * std::numbers::pi);

constexpr int slices = 96;

QColor shaded(const QColor& colour, double light) {
  return QColor::fromRgbF(colour.redF() * light, colour.greenF() * light, colour.blueF() * light);
}

}  // namespace

RoundView::RoundView(Order& order, QWidget* parent) : Canvas(parent), order_(order) {
  setFocusPolicy(Qt::StrongFocus);
  setMinimumSize(200, 180);
  setCursor(Qt::OpenHandCursor);
  setAccessibleName(tr("In the round"));
  setAccessibleDescription(
      tr("The cup as it stands. Left and right turn it, Home faces the front."));
  connect(&order, &Order::changed, this, [this] {
    refit();
    update();
  });
  connect(&order, &Order::thingPicked, this, [this] {
    // What was picked out elsewhere comes round to be seen.
    if (order_.hasCup() && (order_.thing() == Thing::seam || order_.thing() == Thing::overlap) &&
        !hasFocus()) {
      facing_ = (order_.currentCup().wrap.seamAt - Angle::degrees(20)).wrapped();
    }
    update();
  });
}

void RoundView::face(Angle direction) {
  facing_ = direction.wrapped();
  update();
}

void RoundView::showStrip(bool shown) {
  stripShown_ = shown;
  update();
}

void RoundView::refit() {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr) return;
  const Development& body = plan->surface;
  const double widest = std::max(body.radius(Length()), body.radius(body.wall())).mm();
  const double height = body.plumb().mm();
  const QRectF room = QRectF(rect()).adjusted(26, 40, -26, -44);
  const double tall = height * tiltCos + 2 * widest * tiltSin;
  scale_ = std::max(1e-6, std::min(room.width() / (2 * widest), room.height() / tall));
  middle_ = room.center();
  half_ = height / 2;
}

void RoundView::resizeEvent(QResizeEvent* event) {
  Canvas::resizeEvent(event);
  refit();
}

QPointF RoundView::project(const Development& body, Angle onCup, Length s) const {
  const SpacePoint p = body.toSpace({onCup - facing_, s});
  return middle_ + QPointF(p.x, -(p.z - half_) * tiltCos - p.y * tiltSin) * scale_;
}

bool RoundView::near(const Development& body, Angle onCup) const {
  // The wall's normal against the line of sight: a cup narrowing downwards hides a little of its
  // sides, one narrowing upwards shows a little more.
  const double towards = std::cos((onCup - facing_).radians());
  const double lean = body.taper();
  return towards * std::sqrt(1 - lean * lean) * tiltCos - lean * tiltSin > 0;
}

QPainterPath RoundView::ringPath(const Development& body, Length s, bool nearOnly) const {
  QPainterPath path;
  bool down = false;
  for (int i = 0; i <= slices; ++i) {
    const Angle theta = facing_ + Angle::degrees(-180 + 360.0 * i / slices);
    if (nearOnly && !near(body, theta)) {
      down = false;
      continue;
    }
    const QPointF p = project(body, theta, s);
    if (down) {
      path.lineTo(p);
    } else {
      path.moveTo(p);
    }
    down = true;
  }
  return path;
}

QPainterPath RoundView::thingPath(Thing thing) const {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr) return {};
  const Development& body = plan->surface;
  const auto upright = [&](Angle theta, Length low, Length high) {
    QPainterPath path;
    if (near(body, theta)) {
      path.moveTo(project(body, theta, low));
      path.lineTo(project(body, theta, high));
    }
    return path;
  };
  const WrapLayout& wrap = plan->wrap;
  switch (thing) {
    case Thing::rimClearance:
      return ringPath(body, wrap.high(), true);
    case Thing::baseClearance:
      return ringPath(body, wrap.low(), true);
    case Thing::seam:
      return upright(wrap.seamAt(), wrap.low(), wrap.high());
    case Thing::overlap: {
      // Beyond the seam on the cup is on from where the wrap's left edge starts.
      const Angle lower = wrap.overlapEnd(wrap.low()) - Angle::halfTurn() + wrap.seamAt();
      const Angle upper = wrap.overlapEnd(wrap.high()) - Angle::halfTurn() + wrap.seamAt();
      QPainterPath path;
      if (near(body, lower) && near(body, upper)) {
        path.moveTo(project(body, lower, wrap.low()));
        path.lineTo(project(body, upper, wrap.high()));
      }
      return path;
    }
    case Thing::strip:
      return ringPath(body, stripHeight(body, order_.currentCup().strip), true);
    case Thing::none:
      break;
  }
  return {};
}

void RoundView::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  painter.fillRect(rect(), t.ground);
  painter.setFont(avrelt::face(13, QFont::DemiBold));
  painter.setPen(t.muted);
  painter.drawText(QPointF(14, 24), tr("In the round"));

  const CupPlan* plan = order_.plan();
  if (plan != nullptr) {
    if (!order_.planHolds()) painter.setOpacity(0.35);
    paintBody(painter, *plan);
    paintLines(painter, *plan);
    painter.setOpacity(1);
    painter.setFont(avrelt::face(12));
    painter.setPen(t.muted);
    const double degrees = std::round(facing_.degrees());
    drawWords(painter, {width() / 2.0, height() - 16.0},
              tr("drag or ← → to turn: %1°").arg(degrees));
  }
  drawFocus(painter);
}

/// The near side of the wall between two heights, lit from the upper left.
void RoundView::paintBand(QPainter& painter, const Development& body, Length low, Length high,
                          const QColor& colour) const {
  if (high <= low) return;
  QPolygonF lower;
  QPolygonF upper;
  for (int i = 0; i <= slices; ++i) {
    const Angle theta = facing_ + Angle::degrees(-180 + 360.0 * i / slices);
    if (!near(body, theta)) continue;
    lower << project(body, theta, low);
    upper << project(body, theta, high);
  }
  if (lower.size() < 2) return;
  const double radius = std::max(body.radius(low), body.radius(high)).mm() * scale_;
  QLinearGradient light(middle_.x() - radius, 0, middle_.x() + radius, 0);
  constexpr int stops = 16;
  for (int i = 0; i <= stops; ++i) {
    const double across = static_cast<double>(i) / stops;
    const double turn = std::asin(std::clamp(across * 2 - 1, -1.0, 1.0)) + 0.5;
    light.setColorAt(across, shaded(colour, 0.8 + 0.2 * std::max(0.0, std::cos(turn))));
  }
  std::reverse(upper.begin(), upper.end());
  painter.setBrush(light);
  painter.drawPolygon(lower + upper);
}

void RoundView::paintBody(QPainter& painter, const CupPlan& plan) const {
  const Theme& t = theme();
  const Development& body = plan.surface;
  const Length wall = body.wall();

  // The inside, seen over the rim.
  painter.setPen(QPen(t.ink, 1.2));
  painter.setBrush(shaded(t.metal, 0.8));
  QPainterPath mouth = ringPath(body, wall, false);
  painter.drawPath(mouth);

  painter.setPen(Qt::NoPen);
  paintBand(painter, body, Length(), plan.wrap.low(), t.metal);
  paintBand(painter, body, plan.wrap.low(), plan.wrap.high(), t.film);
  paintBand(painter, body, plan.wrap.high(), wall, t.metal);

  painter.setBrush(Qt::NoBrush);
  painter.setPen(QPen(t.ink, 1.4));
  painter.drawPath(ringPath(body, wall, false));
  painter.drawPath(ringPath(body, Length(), true));
  // The two edges of the silhouette: where the wall turns away.
  for (int i = 0; i < slices; ++i) {
    const Angle from = facing_ + Angle::degrees(-180 + 360.0 * i / slices);
    const Angle to = facing_ + Angle::degrees(-180 + 360.0 * (i + 1) / slices);
    if (near(body, from) == near(body, to)) continue;
    const Angle edge = near(body, from) ? from : to;
    painter.drawLine(project(body, edge, Length()), project(body, edge, wall));
  }
}

void RoundView::paintLines(QPainter& painter, const CupPlan& plan) const {
  const Theme& t = theme();
  const Development& body = plan.surface;

  if (stripShown_) {
    const Length top = stripHeight(body, order_.currentCup().strip);
    const Length bottom = top - order_.currentCup().strip.width.length;
    painter.setPen(Qt::NoPen);
    paintBand(painter, body, bottom, top, t.tape);
    painter.setBrush(Qt::NoBrush);
  }

  QColor faint = t.ink;
  faint.setAlpha(70);
  for (const RoundMark& mark : roundMarks()) {
    if (mark.kind == GuideKind::front || !near(body, mark.onCup) || onSeam(plan.wrap, mark.onCup)) {
      continue;
    }
    painter.setPen(QPen(faint, 1, Qt::DotLine));
    painter.drawLine(project(body, mark.onCup, Length()), project(body, mark.onCup, body.wall()));
  }

  painter.setPen(QPen(t.ink, 1.2));
  painter.drawPath(thingPath(Thing::rimClearance));
  painter.drawPath(thingPath(Thing::baseClearance));
  painter.setPen(QPen(t.ink, 1.6, Qt::DashLine));
  painter.drawPath(thingPath(Thing::seam));
  painter.setPen(QPen(t.ink, 1.2));
  painter.drawPath(thingPath(Thing::overlap));

  painter.setFont(avrelt::face(12, QFont::DemiBold));
  const auto name = [&](Angle onCup, const QString& words, const QColor& colour) {
    if (std::cos((onCup - facing_).radians()) < 0.25 || !near(body, onCup)) return;
    const QPointF at = project(body, onCup, body.wall() * 0.82);
    painter.setPen(colour);
    painter.drawText(at + QPointF(7, 4), words);
  };
  if (near(body, Angle())) {
    painter.setPen(QPen(t.brass, 2));
    painter.drawLine(project(body, Angle(), Length()), project(body, Angle(), body.wall()));
  }
  name(Angle(), tr("front"), t.ink);
  if (!onSeam(plan.wrap, Angle())) name(plan.wrap.seamAt(), tr("seam"), t.ink);

  if (order_.thing() != Thing::none && (order_.thing() != Thing::strip || stripShown_)) {
    painter.setPen(QPen(t.brass, 3));
    painter.drawPath(thingPath(order_.thing()));
  }
}

void RoundView::mousePressEvent(QMouseEvent* event) {
  if (event->button() != Qt::LeftButton) return;
  pressed_ = event->position();
  pressedFacing_ = facing_;
  turned_ = false;
  setCursor(Qt::ClosedHandCursor);
}

void RoundView::mouseMoveEvent(QMouseEvent* event) {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr || !(event->buttons() & Qt::LeftButton)) return;
  const double moved = event->position().x() - pressed_.x();
  if (std::abs(moved) > 3) turned_ = true;
  if (!turned_) return;
  // The wall follows the hand: one radius of travel is one radian.
  const double radius =
      std::max(plan->surface.radius(Length()), plan->surface.radius(plan->surface.wall())).mm();
  face(pressedFacing_ - Angle::radians(moved / (radius * scale_)));
}

void RoundView::mouseReleaseEvent(QMouseEvent* event) {
  setCursor(Qt::OpenHandCursor);
  if (turned_) return;
  // A click without a turn picks the line under it.
  QPainterPathStroker broad;
  broad.setWidth(14);
  for (const Thing thing :
       {Thing::overlap, Thing::seam, Thing::rimClearance, Thing::baseClearance, Thing::strip}) {
    if (thing == Thing::strip && !stripShown_) continue;
    if (broad.createStroke(thingPath(thing)).contains(event->position())) {
      order_.pick(thing);
      return;
    }
  }
  order_.pick(Thing::none);
}

void RoundView::keyPressEvent(QKeyEvent* event) {
  const Angle turn = Angle::degrees(event->modifiers().testFlag(Qt::ShiftModifier) ? 45 : 5);
  switch (event->key()) {
    case Qt::Key_Left:
      face(facing_ - turn);
      break;
    case Qt::Key_Right:
      face(facing_ + turn);
      break;
    case Qt::Key_Home:
      face(Angle());
      break;
    default:
      Canvas::keyPressEvent(event);
  }
}

void RoundView::focusInEvent(QFocusEvent* event) {
  Canvas::focusInEvent(event);
  update();
}

void RoundView::focusOutEvent(QFocusEvent* event) {
  Canvas::focusOutEvent(event);
  update();
}

}  // namespace avrelt

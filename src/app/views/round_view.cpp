// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/round_view.h"

#include <algorithm>
#include <cmath>
#include <functional>
#include <optional>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

#include "app/look/theme.h"
#include "app/order/phrases.h"
#include "app/order/place_edits.h"
#include "app/order/zone_edits.h"
#include "app/views/round_sight.h"
#include "app/views/stretch_paint.h"
#include "sheet/round_marks.h"

namespace avrelt {
namespace {

constexpr int slices = 96;

}  // namespace

RoundView::RoundView(Order& order, QWidget* parent) : Canvas(parent), order_(order) {
  setFocusPolicy(Qt::StrongFocus);
  setAttribute(Qt::WA_OpaquePaintEvent);
  setMinimumSize(130, 140);
  setMouseTracking(true);
  setCursor(Qt::OpenHandCursor);
  setAccessibleName(tr("In the round"));
  setAccessibleDescription(
      tr("The cup as it stands. Left and right turn it, Home faces the front."));
  connect(&order, &Order::changed, this, [this] {
    refit();
    update();
  });
  connect(&order, &Order::gaugeLinePicked, this, [this] {
    // What was picked out elsewhere comes round to be seen.
    if (order_.hasCup() &&
        (order_.gaugeLine() == GaugeLine::seam || order_.gaugeLine() == GaugeLine::overlap) &&
        !hasFocus()) {
      facing_ = (order_.currentCup().wrap.seamAt - Angle::degrees(20)).wrapped();
    }
    update();
  });
}

void RoundView::face(CupAngle direction) {
  facing_ = direction.wrapped();
  update();
}

void RoundView::showStrip(bool shown) {
  stripShown_ = shown;
  update();
}

void RoundView::showStretch(bool shown) {
  stretchShown_ = shown;
  update();
}

void RoundView::refit() {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr) return;
  const Body& body = plan->wall.body;
  const double widest = body.widestRadius().mm();
  const QRectF room = QRectF(rect()).adjusted(26, 40, -26, -44);
  scale_ = std::max(1e-6, std::min(room.width() / CupCamera::wide(body).mm(),
                                   room.height() / CupCamera::tall(body).mm()));
  middle_ = room.center();
  plumb_ = body.plumb();
  constexpr double off = 0.2;  // of a dot, between two places
  const double radius = std::max(1.0, widest * scale_ * devicePixelRatioF());
  roundStep_ = Angle::radians(std::clamp(2 * std::acos(1 - off / radius), 0.02, 0.2));
}

void RoundView::resizeEvent(QResizeEvent* event) {
  Canvas::resizeEvent(event);
  refit();
}

CupCamera RoundView::cameraOn(const Body& body) const {
  return {body, facing_, plumb_};
}

QPointF RoundView::project(const Body& body, CupAngle onCup, Length s) const {
  const Point p = cameraOn(body).project(onCup, s);
  return middle_ + QPointF(p.x, -p.y) * scale_;
}

bool RoundView::near(const Body& body, CupAngle onCup, Length s) const {
  return cameraOn(body).sees(onCup, s);
}

QPainterPath RoundView::ringPath(const Body& body, Length s, bool nearOnly) const {
  return seenPath(slices, [&](double share) -> std::optional<QPointF> {
    const CupAngle theta = facing_ + Angle::degrees(-180 + 360 * share);
    if (nearOnly && !near(body, theta, s)) return std::nullopt;
    return project(body, theta, s);
  });
}

QPainterPath RoundView::gaugeLinePath(GaugeLine gaugeLine) const {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr) return {};
  const Body& body = plan->wall.body;
  const WrapLayout& wrap = plan->wrap;
  // What hangs over the base edge is folded under and not seen.
  const Length low = std::max(wrap.low(), Length());
  switch (gaugeLine) {
    case GaugeLine::rimClearance:
      return ringPath(body, wrap.high(), true);
    case GaugeLine::baseClearance:
      return ringPath(body, low, true);
    case GaugeLine::seam:
      return uprightPath(body, wrap.seamAt(), low, wrap.high());
    case GaugeLine::overlap: {
      // Beyond the seam on the cup is on from where the wrap's left edge starts.
      const CupAngle lower = wrap.seamAt() + (wrap.overlapEnd(wrap.low()) - Angle::halfTurn());
      const CupAngle upper = wrap.seamAt() + (wrap.overlapEnd(wrap.high()) - Angle::halfTurn());
      return leaningPath(body, lower, upper, low, wrap.high());
    }
    case GaugeLine::strip:
      return ringPath(body, stripHeight(body, order_.currentCup().strip), true);
    case GaugeLine::none:
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
  if (hints_) {
    painter.drawText(QPointF(14, 24),
                     painter.fontMetrics().elidedText(caption_, Qt::ElideRight, width() - 20));
  }

  const CupPlan* plan = order_.plan();
  if (plan != nullptr) {
    if (!order_.planHolds()) painter.setOpacity(0.35);
    paintBody(painter, *plan);
    if (zonesShown_) {
      paintZones(painter, *plan);
    } else {
      paintLaying(painter, *plan);
      paintLines(painter, *plan);
    }
    paintRimMarks(painter, *plan);
    painter.setOpacity(1);
    painter.setFont(avrelt::face(12));
    if (hints_) {
      painter.setPen(t.muted);
      const double degrees = std::round(facing_.degrees());
      drawWords(painter, {width() / 2.0, height() - 16.0},
                tr("drag or ← → to turn: %1°").arg(degrees));
    }
  }
  drawFocus(painter);
}

QPainterPath RoundView::uprightPath(const Body& body, CupAngle onCup, Length low,
                                    Length high) const {
  return leaningPath(body, onCup, onCup, low, high);
}

QPainterPath RoundView::leaningPath(const Body& body, CupAngle lower, CupAngle upper, Length low,
                                    Length high) const {
  return seenPath(risesOf(body), [&](double share) -> std::optional<QPointF> {
    const Length s = low + (high - low) * share;
    const CupAngle theta = lower + (upper - lower) * share;
    if (!near(body, theta, s)) return std::nullopt;
    return project(body, theta, s);
  });
}

int RoundView::risesOf(const Body& body) {
  return body.isCone() ? 1 : 28;
}

/// The near side of the wall between two heights, lit from the upper left.
void RoundView::paintBand(QPainter& painter, const Body& body, Length low, Length high,
                          const QColor& colour) const {
  if (high <= low) return;
  const double radius = body.widestRadius().mm() * scale_;
  QLinearGradient light(middle_.x() - radius, 0, middle_.x() + radius, 0);
  constexpr int stops = 16;
  for (int i = 0; i <= stops; ++i) {
    const double across = static_cast<double>(i) / stops;
    const double turn = std::asin(std::clamp(across * 2 - 1, -1.0, 1.0)) + 0.5;
    light.setColorAt(across, shaded(colour, 0.8 + 0.2 * std::max(0.0, std::cos(turn))));
  }
  painter.setBrush(light);
  QPainterPath whole;
  whole.setFillRule(Qt::WindingFill);
  const int rises = risesOf(body);
  for (int rise = 0; rise < rises; ++rise) {
    const Length from = low + (high - low) * (static_cast<double>(rise) / rises);
    const Length to = low + (high - low) * (static_cast<double>(rise + 1) / rises);
    const QPolygonF shape = patchOf(body, from, to, -Angle::halfTurn(), Angle::halfTurn());
    if (!shape.isEmpty()) whole.addPolygon(shape);
  }
  fillUnderLines(painter, whole);
}

/// What is seen of the wall between two heights and two angles from the onlooker.
QPolygonF RoundView::patchOf(const Body& body, Length low, Length high, Angle from,
                             Angle to) const {
  QPolygonF lower;
  QPolygonF upper;
  const Length middle = (low + high) / 2;
  const int steps = std::max(1, static_cast<int>(std::ceil(slices * (to - from).degrees() / 360)));
  for (int i = 0; i <= steps; ++i) {
    const CupAngle theta = facing_ + from + (to - from) * (static_cast<double>(i) / steps);
    if (!near(body, theta, middle)) continue;
    lower << project(body, theta, low);
    upper << project(body, theta, high);
  }
  if (lower.size() < 2) return {};
  std::reverse(upper.begin(), upper.end());
  return lower + upper;
}

void RoundView::paintBody(QPainter& painter, const CupPlan& plan) const {
  const Theme& t = theme();
  const Body& body = plan.wall.body;
  const Length wall = body.wall();

  // The inside, seen over the rim.
  painter.setBrush(shaded(t.metal, 0.8));
  fillUnderLines(painter, ringPath(body, wall, false));

  const Length low = std::max(plan.wrap.low(), Length());
  // Zones cover the whole wall.
  if (!zonesShown_) {
    paintBand(painter, body, Length(), low, t.metal);
    paintBand(painter, body, low, plan.wrap.high(), t.film);
    paintBand(painter, body, plan.wrap.high(), wall, t.metal);
    paintEdges(painter, body);
  }
  painter.setBrush(Qt::NoBrush);
}

/// Rim, base and the two edges of the silhouette: where the wall turns away from the eye.
void RoundView::paintEdges(QPainter& painter, const Body& body) const {
  const Length wall = body.wall();
  painter.setPen(QPen(theme().ink, 1.4));
  strokeLines(painter, ringPath(body, wall, false));
  strokeLines(painter, ringPath(body, Length(), true));
  const int rises = body.isCone() ? 1 : 60;
  for (const double side : {-1.0, 1.0}) {
    QPolygonF edge;
    for (int i = 0; i <= rises; ++i) {
      const Length s = wall * (static_cast<double>(i) / rises);
      const std::optional<Angle> away = cameraOn(body).turnsAway(s);
      if (away) edge << project(body, facing_ + *away * side, s);
    }
    QPainterPath path;
    path.addPolygon(edge);
    strokeLines(painter, path);
  }
}

/// What the film has to bear, where its parts meet, and what the cup carries.
void RoundView::paintLaying(QPainter& painter, const CupPlan& plan) const {
  const Theme& t = theme();
  const Body& body = plan.wall.body;
  const Laying& laying = plan.laying();
  const CupAngle seam = plan.wrap.seamAt();
  if (stretchShown_) {
    paintStretch(painter, laying, bearsOf(order_.currentCup().film), 26,
                 [&](Length low, Length high, Angle from, Angle to) {
                   return patchOf(body, low, high, seam + from - facing_, seam + to - facing_);
                 });
  }
  painter.setPen(QPen(t.ink, 1));
  const Length low = std::max(plan.wrap.low(), Length());
  const Length high = plan.wrap.high();
  if (laying.kind == LayingKind::bands) {
    for (std::size_t i = 1; i < laying.rings.size(); ++i) {
      painter.drawPath(ringPath(body, Length::mm(laying.rings[i].low), true));
    }
  }
  for (int i = 1; i < laying.gores; ++i) {
    painter.drawPath(uprightPath(
        body, seam + Angle::turn() * (static_cast<double>(i) / laying.gores), low, high));
  }
  for (const SlitRow& row : laying.slits) {
    for (int i = 0; i < row.count; ++i) {
      painter.drawPath(uprightPath(body, seam + Angle::turn() * ((i + 0.5) / row.count),
                                   row.atRim ? high - row.depth : low,
                                   row.atRim ? high : low + row.depth));
    }
  }
  QColor clear = t.ink;
  clear.setAlpha(90);
  for (const Feature& feature : order_.currentCup().blank.features) {
    if (!coversWall(feature.kind)) continue;
    const bool allRound = feature.kind == FeatureKind::footLip;
    const Angle half = allRound ? Angle::halfTurn() : feature.wide / 2;
    const Angle centre = allRound ? Angle() : (feature.at - facing_).wrapped();
    painter.setPen(QPen(t.ink, 1.2, Qt::DashLine));
    painter.setBrush(QBrush(clear, Qt::FDiagPattern));
    painter.drawPolygon(patchOf(body, allRound ? Length() : feature.low.length, feature.high.length,
                                centre - half, centre + half));
  }
  painter.setBrush(Qt::NoBrush);
}

/// Marks of the front, the lid's mouth and spouts: a triangle over the rim.
void RoundView::paintRimMarks(QPainter& painter, const CupPlan& plan) const {
  const Theme& t = theme();
  const Body& body = plan.wall.body;
  for (const Feature& feature : order_.currentCup().blank.features) {
    if (feature.kind == FeatureKind::footLip || feature.kind == FeatureKind::keepClear) continue;
    const QPointF rim = project(body, feature.at, body.wall());
    painter.setPen(QPen(t.ink, 1));
    painter.setBrush(t.brass);
    painter.drawPolygon(QPolygonF{{rim, rim + QPointF(-5, -9), rim + QPointF(5, -9)}});
  }
  painter.setBrush(Qt::NoBrush);
}

void RoundView::paintLines(QPainter& painter, const CupPlan& plan) const {
  const Theme& t = theme();
  const Body& body = plan.wall.body;

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
    if (mark.kind == GuideKind::front || !near(body, mark.onCup, body.wall() / 2) ||
        onSeam(plan.wrap, mark.onCup)) {
      continue;
    }
    painter.setPen(QPen(faint, 1, Qt::DotLine));
    painter.drawPath(uprightPath(body, mark.onCup, Length(), body.wall()));
  }

  painter.setPen(QPen(t.ink, 1.2));
  strokeLines(painter, gaugeLinePath(GaugeLine::rimClearance));
  strokeLines(painter, gaugeLinePath(GaugeLine::baseClearance));
  painter.setPen(QPen(t.ink, 1.6, Qt::DashLine));
  painter.drawPath(gaugeLinePath(GaugeLine::seam));
  painter.setPen(QPen(t.ink, 1.2));
  strokeLines(painter, gaugeLinePath(GaugeLine::overlap));

  painter.setFont(avrelt::face(12, QFont::DemiBold));
  const auto name = [&](CupAngle onCup, const QString& words, const QColor& colour) {
    if (std::cos((onCup - facing_).radians()) < 0.25) return;
    const QPointF at = project(body, onCup, body.wall() * 0.82);
    painter.setPen(colour);
    painter.drawText(at + QPointF(7, 4), words);
  };
  painter.setPen(QPen(t.brass, 2));
  strokeLines(painter, uprightPath(body, CupAngle::front(), Length(), body.wall()));
  name(CupAngle::front(), tr("front"), t.ink);
  if (!onSeam(plan.wrap, CupAngle::front())) name(plan.wrap.seamAt(), tr("seam"), t.ink);

  if (order_.gaugeLine() != GaugeLine::none &&
      (order_.gaugeLine() != GaugeLine::strip || stripShown_)) {
    painter.setPen(QPen(t.brass, 3));
    strokeLines(painter, gaugeLinePath(order_.gaugeLine()));
  }
}

void RoundView::mousePressEvent(QMouseEvent* event) {
  if (event->button() != Qt::LeftButton) return;
  const DivideLine* line =
      cellsShown_ || setsMove_ || onlyShown_ ? nullptr : lineNear(event->position());
  const std::optional<WallPoint> place = wallAt(event->position());
  if (setsMove_ && place) {
    if (const StandingSet standing = placeAt(order_, *place)) {
      order_.settle();
      const WallPoint anchor = standing.place->anchor;
      taken_ = {place->theta - anchor.theta, place->s - anchor.s};
      pickPlace(order_, standing);
      setPulled_ = true;
      return;
    }
  }
  if (line != nullptr && place) {
    order_.settle();
    order_.pickLine(line->id);
    pulled_ = line->id;
    taken_ = *place;
    return;
  }
  pressed_ = event->position();
  pressedFacing_ = facing_;
  turned_ = false;
  setCursor(Qt::ClosedHandCursor);
}

void RoundView::mouseMoveEvent(QMouseEvent* event) {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr) return;
  if (!pulled_.empty()) {
    if (const std::optional<WallPoint> place = wallAt(event->position())) {
      dragLine(order_, pulled_, taken_, *place);
    }
    return;
  }
  if (setPulled_) {
    if (const std::optional<WallPoint> place = wallAt(event->position())) {
      const bool free = event->modifiers().testFlag(Qt::AltModifier);
      movePlace(order_, {place->theta - taken_.theta, place->s - taken_.s},
                free ? Length() : Length::mm(lineReach / scale_));
    }
    return;
  }
  if (setsMove_ && !(event->buttons() & Qt::LeftButton)) {
    const std::optional<WallPoint> place = wallAt(event->position());
    const bool on = place && placeAt(order_, *place);
    setCursor(on ? Qt::SizeAllCursor : Qt::OpenHandCursor);
    return;
  }
  if (!(event->buttons() & Qt::LeftButton)) {
    setCursor(lineNear(event->position()) != nullptr ? Qt::SizeAllCursor : Qt::OpenHandCursor);
    return;
  }
  const double moved = event->position().x() - pressed_.x();
  if (std::abs(moved) > 3) turned_ = true;
  if (!turned_) return;
  // The wall follows the hand: one radius of travel is one radian.
  const double radius = plan->wall.body.widestRadius().mm();
  face(pressedFacing_ - Angle::radians(moved / (radius * scale_)));
}

void RoundView::mouseReleaseEvent(QMouseEvent* event) {
  setCursor(Qt::OpenHandCursor);
  if (!pulled_.empty() || setPulled_) {
    pulled_.clear();
    setPulled_ = false;
    order_.settle();
    return;
  }
  if (turned_ || onlyShown_) return;
  if (zonesShown_) {
    pickZoneAt(event->position());
    return;
  }
  // A click without a turn picks the line under it.
  QPainterPathStroker broad;
  broad.setWidth(14);
  for (const GaugeLine gaugeLine : {GaugeLine::overlap, GaugeLine::seam, GaugeLine::rimClearance,
                                    GaugeLine::baseClearance, GaugeLine::strip}) {
    if (gaugeLine == GaugeLine::strip && !stripShown_) continue;
    if (broad.createStroke(gaugeLinePath(gaugeLine)).contains(event->position())) {
      order_.pick(gaugeLine);
      return;
    }
  }
  order_.pick(GaugeLine::none);
}

void RoundView::setCaption(const QString& caption) {
  caption_ = caption;
  update();
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
      face(CupAngle::front());
      break;
    default:
      Canvas::keyPressEvent(event);
  }
}

}  // namespace avrelt

#include "moc_round_view.cpp"

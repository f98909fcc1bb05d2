// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/flat_view.h"

#include <algorithm>
#include <cmath>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <utility>

#include "app/look/theme.h"
#include "app/order/phrases.h"
#include "app/order/place_edits.h"
#include "app/order/zone_edits.h"
#include "app/views/stretch_paint.h"
#include "sheet/round_marks.h"

namespace avrelt {

FlatView::FlatView(Order& order, QWidget* parent) : NearCanvas(parent), order_(order) {
  setMouseTracking(true);
  setFocusPolicy(Qt::StrongFocus);
  setAttribute(Qt::WA_OpaquePaintEvent);
  setMinimumSize(240, 140);
  setAccessibleName(tr("Flat"));
  setAccessibleDescription(
      tr("The wall rolled out. Left and right pick a line, up and down move it by one mark."));
  connect(&order, &Order::changed, this, [this] {
    refit();
    update();
  });
  connect(&order, &Order::gaugeLinePicked, this, qOverload<>(&QWidget::update));
}

void FlatView::showStrip(bool shown) {
  stripShown_ = shown;
  update();
}

void FlatView::showStretch(bool shown) {
  stretchShown_ = shown;
  update();
}

void FlatView::refit() {
  const CupPlan* plan = order_.plan();
  // A drag that changes what fits must not pull the ground from under the hand.
  if (plan == nullptr || dragged_ != GaugeLine::none) return;
  Box box = boundsOf(plan->wall.flat.wallOutline());
  box.add(boundsOf(plan->wrap.outline()));
  fit_ = seen(Fit(box, QRectF(rect()).adjusted(58, 58, -48, -22)));
  // Another cup is seen whole first.
  if (std::exchange(shown_, plan->of->id) != plan->of->id) showAll();
}

void FlatView::looked() {
  refit();
  update();
}

std::optional<QPointF> FlatView::inHand() const {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr) return std::nullopt;
  if (setsMove_) {
    if (const StandingSet standing = placeInHand(order_)) {
      const WallPoint at = standing.place->anchor;
      return fit_(plan->wall.flat.toFlat({at.theta.wrapped(), at.s}));
    }
  }
  if (!zonesShown_) return placeOf(order_.gaugeLine());
  if (!order_.line().empty()) return placeOfLine(order_.line());
  const Zone* zone = zoneInHand(order_);
  return zone != nullptr ? std::optional(fit_(plan->wall.flat.toFlat(zone->namedAt)))
                         : std::nullopt;
}

std::vector<GaugeLine> FlatView::gaugeLines() const {
  std::vector<GaugeLine> gaugeLines{GaugeLine::rimClearance, GaugeLine::baseClearance,
                                    GaugeLine::overlap, GaugeLine::seam};
  if (stripShown_) gaugeLines.push_back(GaugeLine::strip);
  return gaugeLines;
}

Path FlatView::lineOf(GaugeLine gaugeLine) const {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr) return {};
  const WrapLayout& wrap = plan->wrap;
  const Angle left = -Angle::halfTurn();
  const Angle right = Angle::halfTurn();
  switch (gaugeLine) {
    case GaugeLine::rimClearance:
      return plan->wall.flat.ring(wrap.high(), left, right);
    case GaugeLine::baseClearance:
      return plan->wall.flat.ring(wrap.low(), left, right);
    case GaugeLine::overlap: {
      Path edge{plan->wall.flat.toFlat({wrap.overlapEnd(wrap.low()), wrap.low()}), {}};
      edge.lineTo(plan->wall.flat.toFlat({wrap.overlapEnd(wrap.high()), wrap.high()}));
      return edge;
    }
    case GaugeLine::seam:
      return plan->wall.flat.upright(left, Length(), plan->wall.flat.wall());
    case GaugeLine::strip:
      return plan->wall.flat.ring(stripHeight(plan->wall.body, order_.currentCup().strip), left,
                                  right);
    case GaugeLine::none:
      break;
  }
  return {};
}

QPointF FlatView::placeOf(GaugeLine gaugeLine) const {
  const Path line = lineOf(gaugeLine);
  if (line.stretches.empty()) return rect().center();
  return fit_(pointAlong(line.start, line.stretches.front(), 0.5));
}

GaugeLine FlatView::gaugeLineAt(QPointF p) const {
  GaugeLine nearest = GaugeLine::none;
  double least = lineReach;
  for (const GaugeLine gaugeLine : gaugeLines()) {
    const double distance = distanceTo(painterPath(lineOf(gaugeLine), fit_), p);
    if (distance < least) {
      least = distance;
      nearest = gaugeLine;
    }
  }
  return nearest;
}

void FlatView::dragTo(QPointF p) {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr) return;
  const Point flat = fit_.back(p);
  const Length wall = plan->wall.flat.wall();
  const Length s = plan->wall.flat.toWall(flat).s;
  const Graduation graduation = usualGraduation(order_.unit());
  const auto within = [](Length value, Length low, Length high) {
    return std::clamp(value, low, std::max(low, high));
  };
  // The drag stops where the plan would: a hand's slip makes no impossible wrap.
  const Length rest = step(graduation) * 2;
  switch (dragged_) {
    case GaugeLine::rimClearance:
      order_.setMeasure(
          dragged_,
          nearestMark(within(wall - s, Length(), wall - plan->wrap.low() - rest), graduation));
      break;
    case GaugeLine::baseClearance:
      order_.setMeasure(dragged_,
                        nearestMark(within(s, Length(), plan->wrap.high() - rest), graduation));
      break;
    case GaugeLine::overlap:
      order_.setMeasure(dragged_, nearestMark(within(plan->wrap.beyondSeam(flat), Length(),
                                                     plan->wall.flat.aroundNarrow() / 4),
                                              graduation));
      break;
    case GaugeLine::strip: {
      const Length width = order_.currentCup().strip.width.length;
      // Up to the last mark that still lies on the wall.
      Length mark = nearestMark(within(s, width, wall), graduation);
      if (mark > wall) mark -= step(graduation);
      if (mark < width) mark += step(graduation);
      order_.setMeasure(dragged_, mark);
      break;
    }
    case GaugeLine::seam:
    case GaugeLine::none:
      break;
  }
}

void FlatView::mousePressEvent(QMouseEvent* event) {
  if (event->button() != Qt::LeftButton) return;
  if (zonesShown_) {
    order_.settle();
    const CupPlan* plan = order_.plan();
    if (plan == nullptr) return;
    if (cellsShown_) {
      clickCell(event->position());
      return;
    }
    if (pointAsked_) {
      if (tellByPoint(order_, wallAt(event->position()))) askForPoint(false);
      return;
    }
    if (takeSet(event->position())) return;
    if (setsMove_) {
      for (const Zone& zone : plan->divided.zones) {
        if (zone.region.contains(wallAt(event->position()))) order_.pickZone(zone.id);
      }
      return;
    }
    if (const DivideLine* line = lineNear(event->position())) {
      order_.pickLine(line->id);
      pulled_ = line->id;
      taken_ = wallAt(event->position());
      return;
    }
    for (const Zone& zone : plan->divided.zones) {
      if (zone.region.contains(wallAt(event->position()))) order_.pickZone(zone.id);
    }
    return;
  }
  const GaugeLine gaugeLine = gaugeLineAt(event->position());
  order_.pick(gaugeLine);
  order_.settle();
  dragged_ = order_.measureOf(gaugeLine) ? gaugeLine : GaugeLine::none;
}

void FlatView::mouseMoveEvent(QMouseEvent* event) {
  if (cellsShown_) {
    setCursor(Qt::PointingHandCursor);
    return;
  }
  if (pointAsked_) {
    setCursor(Qt::CrossCursor);
    return;
  }
  if (setsMove_) {
    const WallPoint here = wallAt(event->position());
    if (setPulled_) {
      // Alt leaves it where it is put.
      const bool free = event->modifiers().testFlag(Qt::AltModifier);
      snap_ = movePlace(order_, {here.theta - setOff_.theta, here.s - setOff_.s},
                        free ? Length() : Length::mm(lineReach / fit_.scale()));
      update();
    } else {
      setCursor(placeAt(order_, here) ? Qt::SizeAllCursor : Qt::ArrowCursor);
    }
    return;
  }
  if (zonesShown_) {
    if (!pulled_.empty()) {
      dragLine(order_, pulled_, taken_, wallAt(event->position()));
    } else {
      setCursor(lineNear(event->position()) != nullptr ? Qt::SizeAllCursor : Qt::ArrowCursor);
    }
    return;
  }
  if (dragged_ != GaugeLine::none) {
    dragTo(event->position());
    return;
  }
  const GaugeLine gaugeLine = gaugeLineAt(event->position());
  if (gaugeLine != hovered_) {
    hovered_ = gaugeLine;
    const bool movable = order_.measureOf(gaugeLine).has_value();
    setCursor(!movable                          ? Qt::ArrowCursor
              : gaugeLine == GaugeLine::overlap ? Qt::SizeHorCursor
                                                : Qt::SizeVerCursor);
    update();
  }
}

void FlatView::mouseReleaseEvent(QMouseEvent* /*event*/) {
  snap_ = {};
  if (setPulled_) {
    setPulled_ = false;
    order_.settle();
    return;
  }
  if (!pulled_.empty()) {
    pulled_.clear();
    order_.settle();
    update();
    return;
  }
  if (dragged_ == GaugeLine::none) return;
  dragged_ = GaugeLine::none;
  order_.settle();
  refit();
  update();
}

void FlatView::leaveEvent(QEvent* /*event*/) {
  hovered_ = GaugeLine::none;
  update();
}

void FlatView::keyPressEvent(QKeyEvent* event) {
  if (pointAsked_ && event->key() == Qt::Key_Escape) {
    askForPoint(false);
    return;
  }
  if ((setsMove_ && setKey(*event)) || (zonesShown_ && zoneKey(*event))) return follow();
  if (zonesShown_) return NearCanvas::keyPressEvent(event);
  const std::vector<GaugeLine> all = gaugeLines();
  const auto now = std::find(all.begin(), all.end(), order_.gaugeLine());
  const int at = now == all.end() ? -1 : static_cast<int>(now - all.begin());
  const int count = static_cast<int>(all.size());
  const int marks = event->modifiers().testFlag(Qt::ShiftModifier) ? 8 : 1;
  // Up moves a line up the wall, whichever end its measure counts from.
  const int up = order_.gaugeLine() == GaugeLine::rimClearance ? -marks : marks;
  switch (event->key()) {
    case Qt::Key_Right:
      order_.pick(all[static_cast<std::size_t>((at + 1) % count)]);
      break;
    case Qt::Key_Left:
      order_.pick(all[static_cast<std::size_t>((std::max(at, 0) + count - 1) % count)]);
      break;
    case Qt::Key_Up:
      order_.nudge(order_.gaugeLine(), up);
      break;
    case Qt::Key_Down:
      order_.nudge(order_.gaugeLine(), -up);
      break;
    default:
      return NearCanvas::keyPressEvent(event);
  }
  follow();
}

void FlatView::focusOutEvent(QFocusEvent* event) {
  NearCanvas::focusOutEvent(event);
  order_.settle();
  update();
}

void FlatView::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  painter.fillRect(rect(), t.ground);
  const CupPlan* plan = order_.plan();
  if (plan == nullptr) {
    drawWords(painter, rect().center(),
              order_.working()  ? tr("The plan is being worked out.")
              : order_.hasCup() ? tr("Put the measures right and the flat appears.")
                                : tr("Add a cup and the flat appears."));
    paintHead(painter);
    drawFocus(painter);
    return;
  }
  if (!order_.planHolds()) painter.setOpacity(0.35);
  if (!zonesShown_) {  // zones cover the whole wall
    painter.setPen(QPen(t.ink, 1));
    painter.setBrush(t.metal);
    const QPainterPath wall = painterPath(plan->wall.flat.wallOutline(), fit_);
    fillUnderLines(painter, wall);
    strokeLines(painter, wall);
  }
  paintTape(painter, plan->wrap);
  paintDirections(painter, plan->wrap);
  if (zonesShown_) {
    paintZones(painter, *plan);
    if (setsShown_) paintSets(painter, *plan);
  } else {
    paintLines(painter, *plan);
    paintFigures(painter, *plan);
  }
  painter.setOpacity(1);
  if (!order_.planHolds()) {
    painter.setPen(order_.working() ? t.petrol : t.stop);
    painter.setFont(face(13, QFont::DemiBold));
    drawWords(painter, {width() / 2.0, height() - 12.0},
              order_.working()
                  ? tr("The plan before the last change. The new one is being worked out.")
                  : tr("The last plan that could be made. Put the marked field right."));
  }
  paintHead(painter);
  paintTimes(painter);
  drawFocus(painter);
}

void FlatView::paintLines(QPainter& painter, const CupPlan& plan) const {
  const Theme& t = theme();
  const QPainterPath outline = painterPath(plan.wrap.outline(), fit_);
  painter.setBrush(t.film);
  fillUnderLines(painter, outline);
  painter.setBrush(Qt::NoBrush);

  if (stretchShown_) paintLaying(painter, plan);

  // What lies double at the seam.
  if (plan.wrap.overlap() > Length()) {
    Path tab = plan.wrap.seamLine();
    tab.lineTo(lineOf(GaugeLine::overlap).end());
    tab.lineTo(lineOf(GaugeLine::overlap).start);
    tab.lineTo(tab.start);
    QColor hatch = t.petrol;
    hatch.setAlpha(150);
    painter.setBrush(QBrush(hatch, Qt::BDiagPattern));
    fillUnderLines(painter, painterPath(tab, fit_));
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(t.petrol, 1, Qt::DashLine));
    painter.drawPath(painterPath(plan.wrap.seamLine(), fit_));
  }

  QColor faint = t.petrol;
  faint.setAlpha(110);
  for (const RoundMark& mark : roundMarks()) {
    if (onSeam(plan.wrap, mark.onCup)) continue;
    const bool front = mark.kind == GuideKind::front;
    painter.setPen(front ? QPen(t.brass, 1.4) : QPen(faint, 1, Qt::DotLine));
    strokeLines(painter, painterPath(plan.wall.flat.upright(plan.wrap.inPiece(mark.onCup), Length(),
                                                            plan.wall.flat.wall()),
                                     fit_));
  }

  if (stripShown_) {
    QColor paper = t.field;
    painter.setPen(QPen(t.ink, 1));
    painter.setBrush(paper);
    if (plan.wall.body.isCone()) {
      painter.drawPath(painterPath(plan.part(purpose::markingStrip).outline, fit_));
      painter.setBrush(Qt::NoBrush);
      painter.setPen(QPen(t.ink, 0.6));
      for (const Guide& guide : plan.part(purpose::markingStrip).guides) {
        painter.drawPath(painterPath(guide.path, fit_));
      }
    } else {
      // On a curved wall the strip's own cone is another than the flat's: where it lies is drawn.
      const Length top = stripHeight(plan.wall.body, order_.currentCup().strip);
      const Length bottom = std::max(Length(), top - order_.currentCup().strip.width.length);
      Path band = plan.wall.flat.ring(bottom, -Angle::halfTurn(), Angle::halfTurn());
      band.lineTo(plan.wall.flat.toFlat({Angle::halfTurn(), top}));
      band.arcTo(plan.wall.flat.toFlat({-Angle::halfTurn(), top}),
                 plan.wall.flat.ringBulge(Angle::halfTurn(), -Angle::halfTurn()));
      band.lineTo(band.start);
      painter.drawPath(painterPath(band, fit_));
      painter.setBrush(Qt::NoBrush);
    }
  }

  painter.setPen(QPen(t.ink, 1.6));
  strokeLines(painter, outline);

  for (const GaugeLine gaugeLine : gaugeLines()) {
    const bool picked = gaugeLine == order_.gaugeLine();
    if (!picked && gaugeLine != hovered_) continue;
    painter.setPen(QPen(t.brass, picked ? 3 : 2));
    strokeLines(painter, painterPath(lineOf(gaugeLine), fit_));
    if (order_.measureOf(gaugeLine)) {
      painter.setBrush(t.panel);
      painter.setPen(QPen(t.brass, 2.5));
      painter.drawEllipse(placeOf(gaugeLine), 5.5, 5.5);
      painter.setBrush(Qt::NoBrush);
    }
  }
}

/// What the film has to bear, where the parts of the wrap meet, and what is kept clear.
void FlatView::paintLaying(QPainter& painter, const CupPlan& plan) const {
  const Theme& t = theme();
  const Development& flat = plan.wall.flat;
  const Laying& laying = plan.laying();
  const Angle left = -Angle::halfTurn();
  const auto at = [&](Angle fromSeam, Length s) { return fit_(flat.toFlat({left + fromSeam, s})); };
  paintStretch(painter, laying, bearsOf(order_.currentCup().film), 40,
               [&](Length low, Length high, Angle from, Angle to) {
                 const int steps = std::max(1, static_cast<int>((to - from).degrees() / 6));
                 QPolygonF shape;
                 for (int i = 0; i <= steps; ++i) {
                   shape << at(from + (to - from) * (static_cast<double>(i) / steps), low);
                 }
                 for (int i = steps; i >= 0; --i) {
                   shape << at(from + (to - from) * (static_cast<double>(i) / steps), high);
                 }
                 return shape;
               });
  painter.setPen(QPen(t.ink, 1.2));
  const Length low = std::max(plan.wrap.low(), Length());
  const Length high = plan.wrap.high();
  if (laying.kind == LayingKind::bands) {
    for (std::size_t i = 1; i < laying.rings.size(); ++i) {
      const Length s = Length::mm(laying.rings[i].low);
      painter.drawPath(painterPath(flat.ring(s, left, Angle::halfTurn()), fit_));
    }
  }
  for (int i = 1; i < laying.gores; ++i) {
    painter.drawLine(at(Angle::turn() * (static_cast<double>(i) / laying.gores), low),
                     at(Angle::turn() * (static_cast<double>(i) / laying.gores), high));
  }
  for (const SlitRow& row : laying.slits) {
    for (int i = 0; i < row.count; ++i) {
      const Angle theta = Angle::turn() * ((i + 0.5) / row.count);
      painter.drawLine(at(theta, row.atRim ? high - row.depth : low),
                       at(theta, row.atRim ? high : low + row.depth));
    }
  }
  QColor clear = t.ink;
  clear.setAlpha(90);
  painter.setPen(QPen(t.ink, 1.2, Qt::DashLine));
  painter.setBrush(QBrush(clear, Qt::FDiagPattern));
  for (const Feature& feature : order_.currentCup().blank.features) {
    if (!coversWall(feature.kind)) continue;
    const bool allRound = feature.kind == FeatureKind::footLip;
    const Length bottom = allRound ? Length() : feature.low.length;
    const Angle middle =
        allRound ? Angle::halfTurn() : plan.wrap.inPiece(feature.at) + Angle::halfTurn();
    const Angle half = allRound ? Angle::halfTurn() : feature.wide / 2;
    for (const double turns : {-1.0, 0.0, 1.0}) {
      const Angle from = std::max(middle - half + Angle::turn() * turns, Angle());
      const Angle to = std::min(middle + half + Angle::turn() * turns, Angle::turn());
      if (to <= from) continue;
      Path patch = flat.ring(bottom, left + from, left + to);
      patch.lineTo(flat.toFlat({left + to, feature.high.length}));
      patch.arcTo(flat.toFlat({left + from, feature.high.length}),
                  flat.ringBulge(left + to, left + from));
      patch.lineTo(patch.start);
      painter.drawPath(painterPath(patch, fit_));
    }
  }
  painter.setBrush(Qt::NoBrush);
  paintStretchFigures(painter, plan);
}

/// How much the film bears, said where it bears most of either.
void FlatView::paintStretchFigures(QPainter& painter, const CupPlan& plan) const {
  const Laying& laying = plan.laying();
  if (laying.largest() < 0.0005) return;
  const auto beyond = [](const StretchRow& a, const StretchRow& b) { return a.edge < b.edge; };
  const auto [least, most] = std::minmax_element(laying.map.begin(), laying.map.end(), beyond);
  painter.setFont(face(12, QFont::DemiBold));
  for (const auto& row : {least, most}) {
    if (std::abs(row->edge) < 0.0005) continue;
    // Off the ends of the wall, so that the words stand on it.
    const Length s = std::clamp(row->s, Length::mm(10 / fit_.scale()) + plan.wrap.low(),
                                plan.wrap.high() - Length::mm(10 / fit_.scale()));
    const QPointF centre = fit_(plan.wall.flat.toFlat({Angle::degrees(132), s}));
    drawPlate(painter, centre, stretchText(row->edge));
  }
}

void FlatView::paintFigures(QPainter& painter, const CupPlan& plan) const {
  const Theme& t = theme();
  const Unit unit = order_.unit();
  const Development& body = plan.wall.flat;
  // In the middle of the wrap, or beside the strip where that lies on it.
  Length low = plan.wrap.low();
  Length high = plan.wrap.high();
  if (stripShown_) {
    const Length top = stripHeight(plan.wall.body, order_.currentCup().strip);
    const Length bottom = top - order_.currentCup().strip.width.length;
    if (bottom - low > high - top) {
      high = bottom;
    } else {
      low = top;
    }
  }
  const QPointF middle = fit_(body.toFlat({Angle(), (low + high) / 2}));
  const auto chip = [&](QPointF centre, const QString& words, const QFont& font) {
    painter.setFont(font);
    const double wide = QFontMetricsF(font).horizontalAdvance(words) + 14;
    painter.setPen(Qt::NoPen);
    painter.setBrush(t.film);
    painter.drawRect(QRectF(centre.x() - wide / 2, centre.y() - 13, wide, 26));
    painter.setBrush(Qt::NoBrush);
    painter.setPen(t.ink);
    drawWords(painter, centre, words);
  };
  const bool cylinder = plan.wall.body.isCone() && body.isCylinder();
  const QString girths = cylinder ? tr("%1 round").arg(onTape(body.aroundBase(), unit).mark)
                                  : tr("%1 at the base, %2 at the rim")
                                        .arg(onTape(plan.wall.body.aroundBase(), unit).mark,
                                             onTape(plan.wall.body.aroundRim(), unit).mark);
  chip(middle - QPointF(0, 12), girths, face(15, QFont::DemiBold));
  const Laying& laying = plan.laying();
  const QString shape =
      !plan.wall.body.isCone()
          ? tr("%1; stretch %2, fullness %3")
                .arg(layingWords(laying), percentText(laying.most), percentText(-laying.least))
      : body.isCylinder()
          ? tr("a rectangle, no bow")
          : tr("sector %1, rim edge bows %2")
                .arg(QString::fromStdString(angleText(abs(body.flatAngle(Angle::turn())))),
                     onTape(body.bow(body.wall()), unit).mark);
  chip(middle + QPointF(0, 12), shape, face(13));

  // The number of a refused change would not be true of the plan still shown.
  const std::optional<Length> measure =
      order_.planHolds() ? order_.measureOf(order_.gaugeLine()) : std::nullopt;
  if (measure) {
    const QString words = nameOf(order_.gaugeLine()) + QStringLiteral(" ") + say(*measure, unit);
    const QPointF at = placeOf(order_.gaugeLine());
    // Clear of the handle, and inside the picture.
    const double side = order_.gaugeLine() == GaugeLine::overlap ? -95 : 0;
    chip({at.x() + side, at.y() + (order_.gaugeLine() == GaugeLine::rimClearance ? 20 : -20)},
         words, face(13, QFont::DemiBold));
  }
}

}  // namespace avrelt

#include "moc_flat_view.cpp"

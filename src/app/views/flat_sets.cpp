// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>
#include <QKeyEvent>
#include <QPainter>

#include "app/look/theme.h"
#include "app/order/phrases.h"
#include "app/order/place_edits.h"
#include "app/views/flat_view.h"
#include "cup/hand_fronts.h"
#include "decal/laid_print.h"
#include "decal/place_relief.h"
#include "watch/place_rules.h"

// Sets on the flat: how they are painted, taken and moved.

namespace avrelt {

void FlatView::showSets(bool shown, bool movable) {
  setsShown_ = shown;
  setsMove_ = movable;
  if (!movable) askForPoint(false);
  if (movable) {
    setAccessibleDescription(
        tr("The wall rolled out. Page Up and Page Down take a place, the arrow keys move it by one "
           "mark, with Shift by eight; Alt with left and right turns it by a degree."));
  }
  update();
}

void FlatView::askForPoint(bool asked) {
  if (asked == pointAsked_) return;
  pointAsked_ = asked;
  setCursor(asked ? Qt::CrossCursor : Qt::ArrowCursor);
  emit pointAsked(asked);
}

QPointF FlatView::placeOfSet(const std::string& id) const {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr) return {};
  for (const SetPlan& set : plan->sets) {
    for (const PlacePlan& place : set.places) {
      if (set.id == id || place.id == id) return fit_(plan->wall.flat.toFlat(place.anchor));
    }
  }
  return {};
}

bool FlatView::takeSet(QPointF p) {
  if (!setsMove_) return false;
  const WallPoint here = wallAt(p);
  const StandingSet standing = placeAt(order_, here);
  if (!standing) return false;
  const WallPoint anchor = standing.place->anchor;
  setOff_ = {here.theta - anchor.theta, here.s - anchor.s};
  setPulled_ = true;
  pickPlace(order_, standing);
  return true;
}

/// What is put over the stencils of a set, all over their zones but where they lay.
void FlatView::paintOver(QPainter& painter, const CupPlan& plan, const StackItem& item) const {
  QPainterPath shape;
  const Region region = coveredBy(plan, item);
  for (const WallLine& outline : region.outlines()) shape.addPath(pathOf(outline, true));
  painter.setPen(Qt::NoPen);
  painter.setBrush(QColor(QString::fromStdString(colourOf(plan, item))));
  painter.drawPath(shape);
  painter.setBrush(Qt::NoBrush);
}

/// A layer of a set wherever that stands, in the colour of its film; what is lifted again, and what
/// is taken out of what lies below, as lines.
void FlatView::paintLayer(QPainter& painter, const CupPlan& plan, const StackItem& item) const {
  const Theme& t = theme();
  const SetPlan& set = plan.sets[static_cast<std::size_t>(item.set)];
  const auto i = static_cast<std::size_t>(item.layer);
  const Layer& chosen = order_.drawnCup().sets.at(static_cast<std::size_t>(set.set)).layers.at(i);
  const bool lines = chosen.kind == LayerKind::peekaboo || chosen.kind == LayerKind::knockOut;
  for (const PlacePlan& place : set.places) {
    QPainterPath shape;
    for (const WallLine& outline : place.laid->layers[i].region.outlines()) {
      shape.addPath(pathOf(outline, true));
    }
    if (lines) {
      painter.setBrush(Qt::NoBrush);
      painter.setPen(QPen(t.panel, 2.4));
      painter.drawPath(shape);
      painter.setPen(QPen(t.ink, 1.2, Qt::DashLine));
    } else {
      painter.setPen(QPen(t.ink, 0.7));
      painter.setBrush(QColor(QString::fromStdString(chosen.film)));
    }
    painter.drawPath(shape);
    if (const LayerPrint* print = lines ? nullptr : chosen.printedWith()) {
      const auto inFlat = [&](WallPoint p) { return plan.wall.flat.toFlat(p); };
      for (const PictureMesh& mesh :
           laidPrint(*print, place, i, plan.wall, -Angle::halfTurn(), Angle::halfTurn(), inFlat)) {
        prints_.draw(painter, shape, print->picture, mesh, transformOf(fit_));
      }
      painter.setBrush(Qt::NoBrush);
      painter.drawPath(shape);
    }
    const LayerPlan& made = set.makes[place.make].layers[i];
    if (!made.pieces.empty()) paintCuts(painter, plan, shape);
    if (!made.relief.empty()) {
      painter.save();
      painter.setClipPath(shape, Qt::IntersectClip);
      painter.setPen(QPen(t.stop, 1.4));
      // What is past the seam is clipped off.
      for (const ReliefCut& cut : reliefOnFlat(place, made, plan.wall.flat)) {
        painter.drawLine(fit_(cut.from), fit_(cut.to));
      }
      painter.restore();
    }
  }
  painter.setBrush(Qt::NoBrush);
}

/// Where something laid is cut along lines between zones.
void FlatView::paintCuts(QPainter& painter, const CupPlan& plan, const QPainterPath& laid) const {
  painter.save();
  painter.setClipPath(laid, Qt::IntersectClip);
  painter.setBrush(Qt::NoBrush);
  for (const QColor& colour : {theme().panel, theme().ink}) {
    painter.setPen(QPen(colour, colour == theme().panel ? 2.4 : 0.8));
    for (const DivideLine& line : plan.divided.lines) {
      for (const WallLine& stretch : line.stretches) painter.drawPath(pathOf(stretch, false));
    }
  }
  painter.restore();
}

/// What is told about sets, over them.
void FlatView::paintSets(QPainter& painter, const CupPlan& plan) const {
  if (setsMove_) {
    paintSeen(painter, plan);
    if (const StandingSet inHand = placeInHand(order_)) paintPlace(painter, plan, *inHand.place);
    paintSnap(painter, plan);
  }
  paintNumbers(painter, plan);
}

/// Which peekaboo is which, below each.
void FlatView::paintNumbers(QPainter& painter, const CupPlan& plan) const {
  painter.setFont(face(12, QFont::DemiBold));
  for (const SetPlan& set : plan.sets) {
    for (const PlacePlan& place : set.places) {
      if (place.number == 0) continue;
      const WallReach& reach = place.laid->reach;
      const QPointF below =
          fit_(plan.wall.flat.toFlat({((reach.from + reach.to) / 2).wrapped(), reach.low}));
      drawPlate(painter, below + QPointF(0, 11), QString::number(place.number));
    }
  }
}

/// How much of the wall is seen at once from the front.
void FlatView::paintSeen(QPainter& painter, const CupPlan& plan) const {
  const Theme& t = theme();
  const Length top = plan.wall.body.wall();
  QPen dotted(t.brass, 1.6);
  dotted.setDashPattern({1, 3});
  for (const double side : {-1.0, 1.0}) {
    const Angle at = plan.wall.inFrame(CupAngle::front() + seenToEachSide * side);
    const QPointF base = fit_(plan.wall.flat.toFlat({at, Length()}));
    const QPointF rim = fit_(plan.wall.flat.toFlat({at, top}));
    painter.setPen(QPen(t.panel, 2.4));
    painter.drawLine(base, rim);
    painter.setPen(dotted);
    painter.drawLine(base, rim);
  }
  painter.setFont(face(12));
  painter.setPen(t.muted);
  drawWords(painter,
            fit_(plan.wall.flat.toFlat({plan.wall.inFrame(CupAngle::front()), Length()})) +
                QPointF(0, 14),
            tr("seen at once from the front"));
  // What faces a drinker, a line below, where there is room for it.
  WordRoom room;
  for (const FacesDrinker& faces : facesDrinker(order_.drawnCup().blank.features)) {
    const Angle at = plan.wall.inFrame(faces.at);
    const QString words = faces.hand == Hand::right  ? tr("▲ faces who drinks, right hand")
                          : faces.hand == Hand::left ? tr("▲ faces who drinks, left hand")
                                                     : tr("▲ faces who drinks");
    const QPointF below = fit_(plan.wall.flat.toFlat({at, Length()})) + QPointF(0, 29);
    if (below.y() > height() - 8 || !room.take(below, painter.font(), words)) continue;
    drawWords(painter, below, words, plan.wall.flat.flatAngle(at).degrees());
  }
}

/// The one in hand: what it reaches over, its anchor, and how far it is from what is nearest.
void FlatView::paintPlace(QPainter& painter, const CupPlan& plan, const PlacePlan& place) const {
  const Theme& t = theme();
  const Development& flat = plan.wall.flat;
  QRectF whole;
  for (const LaidLayer& layer : place.laid->layers) {
    for (const WallLine& outline : layer.region.outlines()) {
      whole |= pathOf(outline, true).boundingRect();
    }
  }
  painter.setBrush(Qt::NoBrush);
  painter.setPen(QPen(t.brass, 2, Qt::DashLine));
  painter.drawRect(whole.adjusted(-5, -5, 5, 5));
  const QPointF middle = fit_(flat.toFlat({place.anchor.theta.wrapped(), place.anchor.s}));
  for (const QPen& pen : {QPen(t.panel, 4), QPen(t.brass, 1.8)}) {
    painter.setPen(pen);
    painter.drawLine(middle - QPointF(6, 0), middle + QPointF(6, 0));
    painter.drawLine(middle - QPointF(0, 6), middle + QPointF(0, 6));
  }
  const Unit unit = order_.unit();
  painter.setFont(face(12, QFont::DemiBold));
  const auto gap = [&](WallPoint from, WallPoint to, Length apart) {
    if (apart <= Length()) return;
    const QPointF a = fit_(flat.toFlat(from));
    const QPointF b = fit_(flat.toFlat(to));
    for (const QPen& pen : {QPen(t.panel, 3.6), QPen(t.brass, 1.6)}) {
      painter.setPen(pen);
      painter.drawLine(a, b);
    }
    // What is too short to carry its figure has it beyond its far end, off the set.
    const QString figure = onTape(apart, unit).mark;
    const double room = painter.fontMetrics().horizontalAdvance(figure) + 14;
    const double length = std::hypot(b.x() - a.x(), b.y() - a.y());
    const QPointF along = length > 0 ? (b - a) / length : QPointF(0, -1);
    const bool carries = length > std::abs(along.x()) * room + std::abs(along.y()) * 22;
    const QPointF beyond(along.x() * room / 2, along.y() * 12);
    drawPlate(painter, carries ? (a + b) / 2 : b + beyond, figure);
  };
  const WallReach& reach = place.laid->reach;
  const Angle across = ((reach.from + reach.to) / 2).wrapped();
  gap({across, reach.high}, {across, plan.wall.body.wall()}, place.room.rim);
  gap({across, reach.low}, {across, Length()}, place.room.base);
  const Apart* near = place.room.nearest();
  gap(near->here, near->there, near->apart);
}

/// What the set being dragged is drawn to: the upright or the ring, and gaps that are equal.
void FlatView::paintSnap(QPainter& painter, const CupPlan& plan) const {
  const StandingSet inHand = placeInHand(order_);
  if (!inHand || (!snap_.round && !snap_.up)) return;
  const Theme& t = theme();
  const Development& flat = plan.wall.flat;
  const Length top = plan.wall.body.wall();
  const WallPoint anchor{inHand.place->anchor.theta.wrapped(), inHand.place->anchor.s};
  const auto words = [](SnapTo to) {
    switch (to) {
      case SnapTo::front:
        return tr("front");
      case SnapTo::quarter:
        return tr("quarter");
      case SnapTo::zoneMiddle:
        return tr("zone's middle");
      case SnapTo::zoneEdge:
        return tr("zone's edge");
      case SnapTo::place:
        return tr("in line with another");
      case SnapTo::equalGaps:
        break;
    }
    return tr("equal gaps");
  };
  painter.setFont(face(12, QFont::DemiBold));
  const QPen bold(t.petrol, 1.6, Qt::DashLine);
  if (snap_.round) {
    painter.setPen(bold);
    painter.drawLine(fit_(flat.toFlat({anchor.theta, Length()})),
                     fit_(flat.toFlat({anchor.theta, top})));
    drawPlate(painter, fit_(flat.toFlat({anchor.theta, top})) + QPointF(0, 12),
              words(snap_.round->to));
    for (const SnapGap& gap : snap_.round->gaps) {
      const QPointF a = fit_(flat.toFlat({gap.from.wrapped(), anchor.s}));
      const QPointF b = fit_(flat.toFlat({gap.to.wrapped(), anchor.s}));
      painter.setPen(QPen(t.petrol, 2));
      // Over the seam it is told at its right end alone.
      if (a.x() < b.x()) painter.drawLine(a, b);
      drawPlate(painter, a.x() < b.x() ? (a + b) / 2 : b, onTape(gap.apart, order_.unit()).mark);
    }
  }
  if (snap_.up) {
    painter.setPen(bold);
    painter.drawPath(
        painterPath(flat.ring(snap_.up->s, -Angle::halfTurn(), Angle::halfTurn()), fit_));
    drawPlate(painter, fit_(flat.toFlat({Angle::degrees(-140), snap_.up->s})), words(snap_.up->to));
  }
}

bool FlatView::setKey(QKeyEvent& event) {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr || plan->sets.empty()) return false;
  const int marks = event.modifiers().testFlag(Qt::ShiftModifier) ? 8 : 1;
  if (event.modifiers().testFlag(Qt::AltModifier) &&
      (event.key() == Qt::Key_Left || event.key() == Qt::Key_Right)) {
    const Angle by = Angle::degrees(event.modifiers().testFlag(Qt::ShiftModifier) ? 15 : 1);
    turnPlaceRound(order_, event.key() == Qt::Key_Left ? -by : by);
    return true;
  }
  switch (event.key()) {
    case Qt::Key_Left:
      nudgePlace(order_, -marks, 0);
      return true;
    case Qt::Key_Right:
      nudgePlace(order_, marks, 0);
      return true;
    case Qt::Key_Up:
      nudgePlace(order_, 0, marks);
      return true;
    case Qt::Key_Down:
      nudgePlace(order_, 0, -marks);
      return true;
    case Qt::Key_PageDown:
      pickNextPlace(order_, 1);
      return true;
    case Qt::Key_PageUp:
      pickNextPlace(order_, -1);
      return true;
    case Qt::Key_Delete:
      if (const StandingSet inHand = placeInHand(order_)) {
        // The last place of a set goes with it.
        const bool last = inHand.set->places.size() == 1;
        last ? removeSet(order_, std::string(inHand.set->id)) : removePlace(order_);
      }
      return true;
    default:
      return false;
  }
}

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <QKeyEvent>
#include <QPainter>

#include "app/order/set_edits.h"
#include "app/views/flat_view.h"
#include "app/window/theme.h"

// Sets on the flat: how they are painted, taken and moved.

namespace avrelt {

void FlatView::showSets(bool shown, bool movable) {
  setsShown_ = shown;
  setsMove_ = movable;
  if (movable) {
    setAccessibleDescription(
        tr("The wall rolled out. Page Up and Page Down take a set, the arrow keys move it by one "
           "mark, with Shift by eight."));
  }
  update();
}

QPointF FlatView::placeOfSet(const std::string& id) const {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr) return {};
  for (const SetPlan& set : plan->sets) {
    if (set.id == id) return fit_(plan->wall.flat.toFlat(set.middle));
  }
  return {};
}

bool FlatView::takeSet(QPointF p) {
  if (!setsMove_) return false;
  const WallPoint place = wallAt(p);
  const SetPlan* set = setAt(order_, place);
  if (set == nullptr) return false;
  setOff_ = {place.theta - set->middle.theta, place.s - set->middle.s};
  setPulled_ = true;
  order_.pickSet(std::string(set->id));
  return true;
}

/// From the lowest layer up in the colours of their films; what is lifted again, and what is taken
/// out of what lies below, as lines.
void FlatView::paintSets(QPainter& painter, const CupPlan& plan) const {
  const Theme& t = theme();
  const SetPlan* inHand = setPlanInHand(order_);
  for (const SetPlan& set : plan.sets) {
    const DecalSet& chosen = order_.drawnCup().sets.at(static_cast<std::size_t>(set.set));
    QPainterPath whole;
    for (std::size_t i = set.layers.size(); i-- > 0;) {
      const LayerPlan& layer = set.layers[i];
      QPainterPath shape;
      for (const WallLine& outline : layer.region.outlines()) shape.addPath(pathOf(outline, true));
      const bool lifted = layer.kind == LayerKind::peekaboo || layer.kind == LayerKind::knockOut;
      if (lifted) {
        painter.setPen(QPen(t.panel, 2.4));
        painter.drawPath(shape);
        painter.setPen(QPen(t.ink, 1.2, Qt::DashLine));
      } else {
        painter.setPen(QPen(t.ink, 0.7));
        painter.setBrush(QColor(QString::fromStdString(chosen.layers[i].film)));
      }
      painter.drawPath(shape);
      painter.setBrush(Qt::NoBrush);
      whole.addPath(shape);
    }
    if (!setsMove_ || &set != inHand) continue;
    painter.setPen(QPen(t.brass, 2, Qt::DashLine));
    painter.drawRect(whole.boundingRect().adjusted(-5, -5, 5, 5));
    const QPointF middle = fit_(plan.wall.flat.toFlat(set.middle));
    painter.setPen(QPen(t.panel, 4));
    painter.drawLine(middle - QPointF(6, 0), middle + QPointF(6, 0));
    painter.drawLine(middle - QPointF(0, 6), middle + QPointF(0, 6));
    painter.setPen(QPen(t.brass, 1.8));
    painter.drawLine(middle - QPointF(6, 0), middle + QPointF(6, 0));
    painter.drawLine(middle - QPointF(0, 6), middle + QPointF(0, 6));
  }
}

bool FlatView::setKey(QKeyEvent& event) {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr || plan->sets.empty()) return false;
  const int marks = event.modifiers().testFlag(Qt::ShiftModifier) ? 8 : 1;
  const auto pick = [&](std::size_t by) {
    const SetPlan* now = setPlanInHand(order_);
    const auto here = now == nullptr ? 0 : static_cast<std::size_t>(now - plan->sets.data());
    order_.pickSet(std::string(plan->sets[(here + by) % plan->sets.size()].id));
  };
  switch (event.key()) {
    case Qt::Key_Left:
      nudgeSet(order_, -marks, 0);
      return true;
    case Qt::Key_Right:
      nudgeSet(order_, marks, 0);
      return true;
    case Qt::Key_Up:
      nudgeSet(order_, 0, marks);
      return true;
    case Qt::Key_Down:
      nudgeSet(order_, 0, -marks);
      return true;
    case Qt::Key_PageDown:
      pick(1);
      return true;
    case Qt::Key_PageUp:
      pick(plan->sets.size() - 1);
      return true;
    case Qt::Key_Delete:
      if (const DecalSet* set = setInHand(order_)) removeSet(order_, std::string(set->id));
      return true;
    default:
      return false;
  }
}

}  // namespace avrelt

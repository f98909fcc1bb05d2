// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/gauge/stage_list.h"

#include <algorithm>
#include <cmath>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

#include "app/gauge/coats.h"
#include "app/look/theme.h"
#include "app/order/phrases.h"

namespace avrelt {
namespace {
constexpr int rowHeight = 20;
}

StageList::StageList(Order& order, QWidget* parent) : Canvas(parent), order_(order) {
  setFocusPolicy(Qt::StrongFocus);
  setMouseTracking(true);
  setAccessibleName(tr("Stages of the cup"));
  connect(&order, &Order::changed, this, [this] {
    if (!draggedFrom_) scrolled_ = 0;
    if (const CupPlan* plan = order_.plan()) {
      setAccessibleDescription(
          tr("Laid after %1 coats, the rim then %2")
              .arg(stage())
              .arg(say(plan->stageOf(thing_).wall.body.aroundRim(), order_.unit())));
    }
    update();
  });
}

void StageList::take(const std::string& thing) {
  thing_ = thing;
  update();
}

int StageList::stage() const {
  return order_.hasCup() ? laidAfter(order_.currentCup(), thing_) : 0;
}

/// "film of zone C, stripe on line 2": what is laid then, not with the rest.
QString StageList::ownStagesAt(int after) const {
  const CupPlan* plan = order_.plan();
  QStringList names;
  for (const LaidThing& thing : plan->things) {
    if (thing.own && thing.after == after) names << say(thing.name, order_.unit());
  }
  return names.join(QStringLiteral(", "));
}

int StageList::shown() const {
  return std::max(1, height() / rowHeight);
}

int StageList::first() const {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr) return 0;
  const int count = static_cast<int>(plan->stages.size());
  // The stage in question stays in sight, unless the wheel looks elsewhere.
  if (draggedFrom_) return *draggedFrom_;
  const int wanted = stage() - shown() / 2 + scrolled_;
  return std::clamp(wanted, 0, std::max(0, count - shown()));
}

void StageList::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  const CupPlan* plan = order_.plan();
  if (plan == nullptr) return;
  if (!order_.planHolds()) painter.setOpacity(0.4);
  const Unit unit = order_.unit();
  const std::vector<Coat>& coats = order_.currentCup().buildUp.coats;
  const Length bare = plan->bare.aroundRim();
  const auto girthAt = [&](Length thickness) { return plan->bare.grownBy(thickness).aroundRim(); };
  Length most = Length::mm(1);
  for (const Stage& stage : plan->stages) most = std::max(most, girthAt(stage.thickness) - bare);

  const int count = static_cast<int>(plan->stages.size());
  for (int row = first(); row < std::min(count, first() + shown()); ++row) {
    const Stage& stage = plan->stages[static_cast<std::size_t>(row)];
    const double top = (row - first()) * rowHeight;
    const double middle = top + rowHeight / 2.0;
    const bool laid = stage.after == this->stage();
    if (laid) {
      painter.setPen(Qt::NoPen);
      painter.setBrush(t.drawer);
      painter.drawRoundedRect(QRectF(0, top, width(), rowHeight - 1), 4, 4);
    }
    painter.setPen(QPen(t.brass, 1.5));
    painter.setBrush(laid ? t.brass : QColor(Qt::transparent));
    painter.drawEllipse(QPointF(11, middle), 4, 4);

    painter.setPen(t.ink);
    painter.setFont(face(13, laid ? QFont::DemiBold : QFont::Normal));
    const bool known = row > 0 && static_cast<std::size_t>(row) <= coats.size();
    const QString name =
        known ? say(coatName(coats[static_cast<std::size_t>(row - 1)]), unit) : tr("bare");
    painter.drawText(QRectF(24, top, 112, rowHeight), Qt::AlignVCenter, name);

    const Length girth = girthAt(stage.thickness);
    const double left = 140;
    const double room = width() - left - 158;
    // On a narrow window the figures alone have to do.
    const QString own = ownStagesAt(stage.after);
    if (!own.isEmpty()) {
      // Something is laid then by itself.
      painter.setPen(QPen(t.petrol, 1.5));
      painter.setBrush(Qt::NoBrush);
      painter.drawEllipse(QPointF(11, middle), 7.5, 7.5);
    }
    if (room > 90 && !own.isEmpty()) {
      painter.setPen(t.ink);
      painter.setFont(face(12));
      const QString line = tr("◂ %1", "what is laid at this stage").arg(own);
      painter.drawText(QRectF(left, top, room, rowHeight), Qt::AlignVCenter,
                       QFontMetricsF(painter.font()).elidedText(line, Qt::ElideRight, room));
    } else if (room > 14) {
      painter.setPen(Qt::NoPen);
      painter.setBrush(t.rule);
      painter.drawRoundedRect(QRectF(left, middle - 4, room, 8), 3, 3);
      painter.setBrush(stage.measured || row == 0 ? t.ink : t.petrol);
      const double share = std::max(0.04, (girth - bare) / most);
      painter.drawRoundedRect(QRectF(left, middle - 4, room * share, 8), 3, 3);
    }

    painter.setPen(t.ink);
    painter.setFont(face(13, QFont::DemiBold));
    painter.drawText(QRectF(width() - 152, top, 78, rowHeight), Qt::AlignRight | Qt::AlignVCenter,
                     onTape(girth, unit).mark);
    painter.setPen(t.muted);
    painter.setFont(face(12));
    const Length either = girthAt(stage.thickness + stage.spread * 2) - girth;
    const QString sure =
        stage.measured || row == 0
            ? tr("measured")
            : QStringLiteral("± ") +
                  QString::fromStdString(decimalText(either, unit, unit == Unit::inch ? 2 : 1));
    painter.drawText(QRectF(width() - 70, top, 66, rowHeight), Qt::AlignRight | Qt::AlignVCenter,
                     sure);
  }
  painter.setOpacity(1);
  if (hasFocus()) drawFocus(painter);
}

void StageList::dragTo(double y) {
  layAfter(order_, first() + static_cast<int>(std::floor(y / rowHeight)), thing_);
}

void StageList::mousePressEvent(QMouseEvent* event) {
  if (order_.plan() == nullptr) return;
  const int top = first();
  draggedFrom_ = top;
  dragTo(event->position().y());
}

void StageList::mouseMoveEvent(QMouseEvent* event) {
  if (order_.plan() != nullptr) {
    setToolTip(ownStagesAt(first() + static_cast<int>(event->position().y()) / rowHeight));
  }
  if (draggedFrom_ && order_.plan() != nullptr) dragTo(event->position().y());
}

void StageList::mouseReleaseEvent(QMouseEvent* /*event*/) {
  draggedFrom_.reset();
  order_.settle();
  update();
}

void StageList::wheelEvent(QWheelEvent* event) {
  scrolled_ += event->angleDelta().y() > 0 ? -1 : 1;
  update();
}

void StageList::keyPressEvent(QKeyEvent* event) {
  if (!order_.hasCup()) return;
  const int now = stage();
  if (event->key() == Qt::Key_Up) {
    layAfter(order_, now - 1, thing_);
  } else if (event->key() == Qt::Key_Down) {
    layAfter(order_, now + 1, thing_);
  } else if (event->key() == Qt::Key_Delete || event->key() == Qt::Key_Backspace) {
    removeCoat(order_, now);
  } else {
    Canvas::keyPressEvent(event);
  }
}

}  // namespace avrelt

#include "moc_stage_list.cpp"

// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/cut/purpose_choice.h"

#include <algorithm>
#include <QPainter>

#include "app/order/phrases.h"
#include "app/views/painting.h"
#include "app/window/theme.h"

namespace avrelt {

namespace {

/// Whether an outline is a circle.
bool isRound(const Path& outline) {
  return std::all_of(outline.stretches.begin(), outline.stretches.end(),
                     [](const Stretch& stretch) { return stretch.bulge == 1; });
}

}  // namespace

PurposeChoice::PurposeChoice(Order& order, const Purpose& purpose, QWidget* parent)
    : QAbstractButton(parent), order_(order), purpose_(purpose) {
  setCheckable(true);
  setAutoExclusive(true);
  setFocusPolicy(Qt::StrongFocus);
  setCursor(Qt::PointingHandCursor);
  setAccessibleName(say(purpose.title, order.unit()));
  connect(&order, &Order::changed, this, qOverload<>(&QWidget::update));
}

void PurposeChoice::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  const QRectF frame = QRectF(rect()).adjusted(1.5, 1.5, -1.5, -1.5);
  painter.setBrush(isChecked() ? t.field : t.panel);
  painter.setPen(hasFocus()    ? QPen(t.brass, 2.5)
                 : isChecked() ? QPen(t.petrol, 2)
                               : QPen(t.rule, 1));
  painter.drawRoundedRect(frame, 6, 6);
  const CupPlan* plan = order_.plan();
  QString size;
  if (plan != nullptr) {
    const PartSet set = plan->set(purpose_.id);
    const Box box = set.bounds();
    const Fit fit(box, QRectF(14, 8, 62, height() - 16.0));
    painter.setPen(QPen(isChecked() ? t.petrol : t.muted, 1.3));
    for (const Part& part : set.parts) {
      painter.setBrush(part.material == PartMaterial::paper ? t.field : t.film);
      painter.drawPath(painterPath(part.outline, fit));
    }
    const Unit unit = order_.unit();
    const auto count = static_cast<int>(set.parts.size());
    const QString wide = onTape(Length::mm(box.width()), unit).mark;
    const QString tall = onTape(Length::mm(box.height()), unit).mark;
    size = count == 1 && isRound(set.parts.front().outline) ? tr("%1 across").arg(wide)
           : count > 1 ? tr("%1 pieces on %2 × %3").arg(count).arg(wide, tall)
                       : tr("%1 wide, %2 tall").arg(wide, tall);
  }
  painter.setPen(t.ink);
  painter.setFont(face(14, QFont::DemiBold));
  const QString title = say(purpose_.title, order_.unit());
  const double middle = height() / 2.0;
  painter.drawText(QPointF(92, middle - 3), title);
  painter.setPen(t.muted);
  painter.setFont(face(12));
  painter.drawText(QPointF(92, middle + 15),
                   QFontMetricsF(painter.font()).elidedText(size, Qt::ElideRight, width() - 100));
}

}  // namespace avrelt

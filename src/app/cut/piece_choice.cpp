// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/cut/piece_choice.h"

#include <QPainter>

#include "app/order/phrases.h"
#include "app/views/painting.h"
#include "app/window/theme.h"

namespace avrelt {

PieceChoice::PieceChoice(Order& order, PieceRole role, QWidget* parent)
    : QAbstractButton(parent), order_(order), role_(role) {
  setCheckable(true);
  setAutoExclusive(true);
  setFocusPolicy(Qt::StrongFocus);
  setCursor(Qt::PointingHandCursor);
  setAccessibleName(say(roleTitle(role), order.unit()));
  connect(&order, &Order::changed, this, qOverload<>(&QWidget::update));
}

void PieceChoice::paintEvent(QPaintEvent* /*event*/) {
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
    const PieceSet set = plan->set(role_);
    const Box box = set.bounds();
    const Fit fit(box, QRectF(14, 8, 62, height() - 16.0));
    painter.setPen(QPen(isChecked() ? t.petrol : t.muted, 1.3));
    painter.setBrush(role_ == PieceRole::wrap || role_ == PieceRole::baseDisc ||
                             role_ == PieceRole::stripe
                         ? t.film
                         : t.field);
    for (const Piece& piece : set.pieces) painter.drawPath(painterPath(piece.outline, fit));
    const Unit unit = order_.unit();
    const auto count = static_cast<int>(set.pieces.size());
    const QString wide = onTape(Length::mm(box.width()), unit).mark;
    const QString tall = onTape(Length::mm(box.height()), unit).mark;
    size = role_ == PieceRole::baseDisc ? tr("%1 across").arg(wide)
           : count > 1                  ? tr("%1 pieces on %2 × %3").arg(count).arg(wide, tall)
                                        : tr("%1 wide, %2 tall").arg(wide, tall);
  }
  painter.setPen(t.ink);
  painter.setFont(face(14, QFont::DemiBold));
  const QString title = say(roleTitle(role_), order_.unit());
  const double middle = height() / 2.0;
  painter.drawText(QPointF(92, middle - 3), title);
  painter.setPen(t.muted);
  painter.setFont(face(12));
  painter.drawText(QPointF(92, middle + 15),
                   QFontMetricsF(painter.font()).elidedText(size, Qt::ElideRight, width() - 100));
}

}  // namespace avrelt

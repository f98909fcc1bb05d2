// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/cut/part_choice.h"

#include <algorithm>
#include <QPainter>

#include "app/look/painting.h"
#include "app/look/theme.h"
#include "app/order/phrases.h"

namespace avrelt {

PartChoice::PartChoice(QWidget* parent) : QAbstractButton(parent) {
  setCheckable(true);
  setFocusPolicy(Qt::StrongFocus);
  setCursor(Qt::PointingHandCursor);
}

void PartChoice::show(const PartEntry& entry, const Order& order) {
  const Unit unit = order.unit();
  purpose_ = entry.purpose;
  of_ = entry.of;
  title_ = say(titleOf(entry), unit);
  const PartSet set = setOf(entry);
  box_ = set.bounds();
  outlines_.clear();
  for (const Part& part : set.parts) {
    outlines_.push_back(part.outline);
    outlines_.insert(outlines_.end(), part.more.begin(), part.more.end());
  }
  const Part& first = *entry.parts.front();
  paper_ = first.material == PartMaterial::paper;
  int copies = 0;
  int spares = 0;
  for (const Part* part : entry.parts) {
    copies += part->copies;
    spares += part->spares;
  }
  QStringList about;
  const bool many = entry.parts.size() > 1;
  QString wide = onTape(Length::mm(box_.width()), unit).mark;
  const QString tall = onTape(Length::mm(box_.height()), unit).mark;
  if (many || copies > 1) about << tr("%1 parts").arg(copies);
  if (spares > 0) about << (spares == 1 ? tr("1 spare") : tr("%1 spares").arg(spares));
  const bool round = !many && copies + spares == 1 && first.more.empty() && isRound(first.outline);
  // The unit once.
  if (!round) wide = wide.section(QLatin1Char(' '), 0, -2);
  about << (round                         ? tr("%1 across").arg(wide)
            : many || copies + spares > 1 ? tr("on %1 × %2").arg(wide, tall)
                                          : tr("%1 × %2").arg(wide, tall));
  if (!paper_) {
    about.prepend(first.laidAfter == 0   ? tr("on the bare cup")
                  : first.laidAfter == 1 ? tr("after 1 coat")
                                         : tr("after %1 coats").arg(first.laidAfter));
  }
  about_ = about.join(QStringLiteral(" · "));
  setAccessibleName(title_);
  setAccessibleDescription(about_);
  setToolTip(about_);
  update();
}

void PartChoice::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  const QRectF frame = QRectF(rect()).adjusted(1.5, 1.5, -1.5, -1.5);
  painter.setBrush(isChecked() ? t.field : t.panel);
  painter.setPen(hasFocus()    ? QPen(t.brass, 2.5)
                 : isChecked() ? QPen(t.petrol, 2)
                               : QPen(t.rule, 1));
  painter.drawRoundedRect(frame, 6, 6);
  const Fit fit(box_, QRectF(8, 6, 52, height() - 12.0));
  painter.setPen(QPen(isChecked() ? t.petrol : t.muted, 1.1));
  painter.setBrush(paper_ ? t.field : t.film);
  for (const Path& outline : outlines_) painter.drawPath(painterPath(outline, fit));
  painter.setPen(t.ink);
  painter.setFont(face(14, QFont::DemiBold));
  const double middle = height() / 2.0;
  const double room = width() - 76.0;
  painter.drawText(QPointF(68, middle - 3),
                   QFontMetricsF(painter.font()).elidedText(title_, Qt::ElideRight, room));
  painter.setPen(t.muted);
  painter.setFont(face(12));
  painter.drawText(QPointF(68, middle + 13),
                   QFontMetricsF(painter.font()).elidedText(about_, Qt::ElideRight, room));
}

}  // namespace avrelt

#include "moc_part_choice.cpp"

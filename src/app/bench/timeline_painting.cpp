// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <QPainter>

#include "app/bench/timeline_view.h"
#include "app/look/theme.h"

// How the timeline is drawn.

namespace avrelt {

void TimelineView::paintEvent(QPaintEvent* /*event*/) {
  layOut();
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  const Theme& t = theme();
  painter.fillRect(rect(), t.ground);
  painter.setFont(face(14, QFont::DemiBold));
  painter.setPen(t.ink);
  const QString head = headline();
  painter.drawText(QPointF(16, 23), head);
  const double left = 16 + painter.fontMetrics().horizontalAdvance(head) + 16.0;
  painter.setFont(face(13));
  painter.setPen(t.muted);
  QString done = whenDone();
  if (work_.clock().speed() > 1) done = tr("Dry run ×%1 · ").arg(work_.clock().speed()) + done;
  painter.drawText(QRectF(left, 6, width() - left - 14, 24), Qt::AlignVCenter | Qt::AlignLeft,
                   painter.fontMetrics().elidedText(done, Qt::ElideRight,
                                                    static_cast<int>(width() - left - 14)));
  paintDays(painter);
  paintRows(painter);
  paintWaits(painter);
  paintBlocks(painter);
  paintHands(painter);
  paintNow(painter);
  paintDrag(painter);
  drawFocus(painter);
}

void TimelineView::paintDays(QPainter& painter) const {
  const Theme& t = theme();
  for (const Day& day : days_) {
    if (day.box.isEmpty()) continue;
    painter.setPen(QPen(t.rule, 1));
    painter.setBrush(t.panel);
    painter.drawRoundedRect(day.box, 6, 6);
    painter.setFont(face(12, QFont::DemiBold));
    painter.setPen(t.muted);
    const QString words =
        tr("%1, %2–%3").arg(dayWords(day.from), clockWords(day.from), clockWords(day.to));
    painter.drawText(day.box.adjusted(10, 5, -8, 0), Qt::AlignTop | Qt::AlignLeft,
                     painter.fontMetrics().elidedText(words, Qt::ElideRight,
                                                      static_cast<int>(day.box.width()) - 18));
    // Whole hours.
    const auto first = std::chrono::ceil<std::chrono::hours>(day.from);
    for (auto hour = CivilTime(first); hour < day.to; hour += std::chrono::hours(1)) {
      const auto at = placeOf(hour);
      if (!at || hour == day.from) continue;
      painter.setPen(QPen(t.rule, 1));
      painter.drawLine(QPointF(at->x(), day.box.top() + dayHeight + 2),
                       QPointF(at->x(), day.box.bottom() - 1));
    }
  }
  // What lies to either side.
  painter.setPen(t.muted);
  painter.setFont(face(12));
  const int hidden = static_cast<int>(days_.size()) - firstDay_ - shownDays_;
  if (firstDay_ > 0 || hidden > 0) {
    QStringList words;
    if (firstDay_ > 0) words << tr("‹ %1").arg(firstDay_);
    if (hidden > 0) words << tr("%1 ›").arg(hidden);
    painter.drawText(QRectF(12, headHeight + 4, labelWidth - 20, 18),
                     Qt::AlignLeft | Qt::AlignVCenter, words.join(QStringLiteral("  ")));
  }
}

void TimelineView::paintRows(QPainter& painter) const {
  const Theme& t = theme();
  const BenchPlan& plan = work_.plan();
  const auto picked = work_.picked();
  for (int row = firstRow_; row < firstRow_ + shownRows_; ++row) {
    if (row >= static_cast<int>(plan.cups.size())) break;
    const auto cup = static_cast<std::size_t>(row);
    const bool mine = picked && picked->cup == cup;
    painter.setFont(face(13, mine ? QFont::Bold : QFont::DemiBold));
    painter.setPen(mine ? t.petrol : t.ink);
    const QString name = QString::fromStdString(plan.cups[cup].name);
    painter.drawText(
        QRectF(16, rowOf(cup) - 12, labelWidth - 24, 24), Qt::AlignVCenter | Qt::AlignLeft,
        painter.fontMetrics().elidedText(name, Qt::ElideRight, static_cast<int>(labelWidth) - 24));
  }
}

void TimelineView::paintWaits(QPainter& painter) const {
  const Theme& t = theme();
  for (std::size_t i = 0; i + 1 < blocks_.size(); ++i) {
    const Block& block = blocks_[i];
    const Block& next = blocks_[i + 1];
    const int row = static_cast<int>(block.place.cup);
    if (next.place.cup != block.place.cup || row < firstRow_ || row >= firstRow_ + shownRows_) {
      continue;
    }
    const double y = rowOf(block.place.cup);
    QColor line = t.muted;
    line.setAlphaF(0.35);
    for (const Day& day : days_) {
      if (day.box.isEmpty() || next.from <= day.from || block.to >= day.to) continue;
      const auto from = placeOf(std::max(block.to, day.from), true);
      const auto to = placeOf(std::min(next.from, day.to), true);
      if (!from || !to) continue;
      painter.setPen(QPen(line, 4));
      painter.drawLine(QPointF(from->x(), y), QPointF(to->x(), y));
    }
    // When what comes next may begin, and when it has to have begun.
    const Wait& wait = work_.stepAt(block.place).wait;
    const double tall = std::min(26.0, rowHeight_ * 0.66) / 2 + 2;
    const auto tick = [&](CivilTime time, const QColor& colour) {
      if (const auto at = placeOf(time, true)) {
        painter.setPen(QPen(colour, 2));
        painter.drawLine(QPointF(at->x() - 1, y - tall), QPointF(at->x() - 1, y + tall));
      }
    };
    if (wait.least.minutes() >= 2) tick(after(block.to, wait.least), t.brass);
    if (wait.most && wait.most->minutes() >= 2) tick(after(block.to, *wait.most), t.stop);
  }
}

void TimelineView::paintBlocks(QPainter& painter) const {
  const Theme& t = theme();
  const auto picked = work_.picked();
  for (const Block& block : blocks_) {
    const QRectF at = rectOf(block);
    if (at.isEmpty()) continue;
    const Step& step = work_.stepAt(block.place);
    const bool resin = step.working.has_value();
    QColor fill = block.done ? t.muted : resin ? t.petrol : t.ink;
    if (block.done) fill.setAlphaF(0.45);
    painter.setPen(Qt::NoPen);
    painter.setBrush(fill);
    painter.drawRoundedRect(at, 2.5, 2.5);
    if (block.done && at.width() > 10) {
      painter.setPen(QPen(t.panel, 1.6));
      painter.drawPolyline(QPolygonF()
                           << at.center() + QPointF(-4, 0) << at.center() + QPointF(-1, 3)
                           << at.center() + QPointF(4, -4));
    } else if (resin && at.width() > 9) {
      // Petrol is not the only sign of what is mixed: a drop is another.
      painter.setBrush(t.onInk);
      painter.drawEllipse(at.center(), 2.2, 2.2);
    }
    if (block.atHand) {
      // In somebody's hands: a flag before it.
      const QPointF tip(at.left() - 2, at.center().y());
      painter.setBrush(t.brass);
      painter.drawPolygon(QPolygonF() << tip << tip + QPointF(-8, -5) << tip + QPointF(-8, 5));
    }
    if (step.notBefore && !block.done) {
      painter.setPen(QPen(t.onInk, 1.5));
      painter.drawLine(at.topLeft() + QPointF(3, 3), at.bottomLeft() + QPointF(3, -3));
    }
    if (picked && *picked == block.place) {
      painter.setBrush(Qt::NoBrush);
      painter.setPen(QPen(t.brass, 2));
      painter.drawRoundedRect(at.adjusted(-3, -3, 3, 3), 4, 4);
    }
  }
}

void TimelineView::paintHands(QPainter& painter) const {
  const Theme& t = theme();
  const int pairs = std::max(1, work_.order().document().bench.hands);
  const double top =
      rowsTop_ +
      rowHeight_ * std::min<double>(shownRows_, static_cast<double>(work_.plan().cups.size()));
  const double tall = std::min(20.0, rowHeight_ * 0.6);
  for (int pair = 0; pair < pairs; ++pair) {
    const double y = top + (pair + 0.5) * rowHeight_;
    if (y > height() - 8) break;
    painter.setFont(face(13, QFont::DemiBold));
    painter.setPen(t.ink);
    painter.drawText(QRectF(16, y - 12, labelWidth - 24, 24), Qt::AlignVCenter | Qt::AlignLeft,
                     pairs == 1 ? tr("Hands") : tr("Hands %1").arg(pair + 1));
    painter.setPen(Qt::NoPen);
    painter.setBrush(t.rule);
    for (const Block& block : blocks_) {
      if (block.done || static_cast<int>(block.pair) != pair + 1) continue;
      const auto from = placeOf(block.from);
      const auto to = placeOf(block.to, true);
      if (!from || !to) continue;
      painter.drawRoundedRect(
          QRectF(from->x(), y - tall / 2, std::max(2.0, to->x() - from->x() - 1), tall), 2, 2);
    }
  }
}

void TimelineView::paintNow(QPainter& painter) const {
  const auto at = placeOf(work_.clock().now(), true);
  if (!at) return;
  painter.setPen(QPen(theme().stop, 2));
  painter.drawLine(QPointF(at->x(), headHeight - 2), QPointF(at->x(), height() - 8.0));
}

void TimelineView::paintDrag(QPainter& painter) const {
  if (!drag_ || !drag_->moved) return;
  const Theme& t = theme();
  const double y = rowOf(drag_->place.cup);
  const double tall = std::min(30.0, rowHeight_ * 0.8);
  QColor room = t.brass;
  room.setAlphaF(0.25);
  for (const Day& day : days_) {
    if (day.box.isEmpty()) continue;
    const CivilTime last = drag_->latest ? after(*drag_->latest, drag_->takes) : day.to;
    if (drag_->earliest >= day.to || last <= day.from) continue;
    const auto from = placeOf(std::max(drag_->earliest, day.from), true);
    const auto to = placeOf(std::min(last, day.to), true);
    if (!from || !to) continue;
    painter.setPen(Qt::NoPen);
    painter.setBrush(room);
    painter.drawRect(QRectF(from->x(), y - tall / 2, to->x() - from->x(), tall));
  }
  if (const auto at = placeOf(drag_->start, true)) {
    const auto to = placeOf(after(drag_->start, drag_->takes), true);
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(t.brass, 2));
    painter.drawRoundedRect(
        QRectF(at->x(), y - tall / 2, (to ? to->x() : at->x() + 8) - at->x(), tall), 3, 3);
    painter.setFont(face(12, QFont::DemiBold));
    painter.setPen(t.ink);
    drawPlate(painter, QPointF(at->x(), y - tall / 2 - 10), clockWords(drag_->start));
  }
}

}  // namespace avrelt

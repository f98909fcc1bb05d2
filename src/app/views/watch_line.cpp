// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/watch_line.h"

#include <algorithm>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <utility>

#include "app/look/theme.h"
#include "app/order/phrases.h"

namespace avrelt {

WatchLine::WatchLine(Order& order, QWidget* parent) : Canvas(parent), order_(order) {
  setFixedHeight(34);
  setFocusPolicy(Qt::TabFocus);
  setCursor(Qt::PointingHandCursor);
  setAccessibleName(tr("Watch"));
  connect(&order, &Order::changed, this, [this] {
    notice_.clear();
    refresh();
  });
  refresh();
}

void WatchLine::refresh() {
  const std::vector<Item> before = std::exchange(items_, {});
  const std::size_t shownBefore = shown_;
  const Unit unit = order_.unit();
  for (const Fault& fault : order_.faults()) {
    items_.push_back({WatchLevel::stop, fault.where, avrelt::say(fault.sentence, unit)});
  }
  if (order_.planHolds()) {
    for (const Watch& watch : order_.plan()->watches) {
      items_.push_back({watch.level, watch.where, avrelt::say(watch.sentence, unit)});
    }
  }
  items_.insert(items_.end(), others_.begin(), others_.end());
  std::stable_sort(items_.begin(), items_.end(),
                   [](const Item& a, const Item& b) { return a.level > b.level; });
  shown_ = std::min(shown_, items_.empty() ? 0 : items_.size() - 1);
  if (!items_.empty() && items_.front().level == WatchLevel::stop) shown_ = 0;
  if (items_ == before && shown_ == shownBefore && sentence() == toolTip()) return;
  setAccessibleDescription(sentence());
  setToolTip(sentence());
  update();
}

void WatchLine::setOthers(const std::vector<Item>& others) {
  if (others == others_) return;
  others_ = others;
  refresh();
}

QString WatchLine::sentence() const {
  if (!notice_.isEmpty()) return notice_;
  if (!items_.empty()) return items_[shown_].sentence;
  if (order_.working() && !order_.planHolds())
    return tr("Working out the plan. Undo takes the last change back.");
  return order_.hasCup() ? tr("Nothing to watch on this cup.")
                         : tr("The order has no cups yet. Add one with Ctrl+Shift+N.");
}

void WatchLine::say(const QString& sentence) {
  notice_ = sentence;
  setAccessibleDescription(sentence);
  setToolTip(sentence);
  update();
}

QString WatchLine::tally() const {
  const auto of = [this](WatchLevel level) {
    return static_cast<int>(std::count_if(items_.begin(), items_.end(),
                                          [level](const Item& i) { return i.level == level; }));
  };
  QStringList words;
  if (const int stops = of(WatchLevel::stop)) words << tr("%1 to put right").arg(stops);
  if (const int warns = of(WatchLevel::warn)) words << tr("%1 to watch").arg(warns);
  if (const int notes = of(WatchLevel::note)) {
    words << (notes == 1 ? tr("1 note") : tr("%1 notes").arg(notes));
  }
  return words.join(QStringLiteral(", "));
}

void WatchLine::next() {
  if (items_.empty()) return;
  notice_.clear();
  shown_ = (shown_ + 1) % items_.size();
  setAccessibleDescription(sentence());
  setToolTip(sentence());
  update();
}

void WatchLine::go() {
  if (!items_.empty() && notice_.isEmpty()) emit goTo(items_[shown_].where);
}

void WatchLine::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  painter.fillRect(rect(), t.panel);
  painter.setPen(QPen(t.rule, 1));
  painter.drawLine(0, 0, width(), 0);
  double left = 18;
  if (!items_.empty() && notice_.isEmpty()) {
    const WatchLevel level = items_[shown_].level;
    painter.setPen(Qt::NoPen);
    painter.setBrush(level == WatchLevel::stop   ? t.stop
                     : level == WatchLevel::warn ? t.warn
                                                 : t.petrol);
    const QPointF at(26, height() / 2.0);
    // Shape and colour both tell the level: a square stops, a triangle warns, a dot notes.
    if (level == WatchLevel::stop) {
      painter.drawRoundedRect(QRectF(at.x() - 7, at.y() - 7, 14, 14), 2, 2);
    } else if (level == WatchLevel::warn) {
      painter.drawPolygon(QPolygonF()
                          << QPointF(at.x() - 8, at.y() + 7) << QPointF(at.x(), at.y() - 7)
                          << QPointF(at.x() + 8, at.y() + 7));
    } else {
      painter.drawEllipse(at, 5, 5);
    }
    left = 44;
  }
  painter.setFont(face(13));
  const QString count = tally();
  const double right = painter.fontMetrics().horizontalAdvance(count) + 18.0;
  painter.setPen(t.ink);
  painter.drawText(QRectF(left, 0, width() - left - right - 12, height()),
                   Qt::AlignLeft | Qt::AlignVCenter,
                   painter.fontMetrics().elidedText(sentence(), Qt::ElideRight,
                                                    static_cast<int>(width() - left - right - 12)));
  painter.setPen(t.muted);
  painter.drawText(QRectF(width() - right, 0, right - 16, height()),
                   Qt::AlignRight | Qt::AlignVCenter, count);
  drawFocus(painter);
}

void WatchLine::mousePressEvent(QMouseEvent* event) {
  const double right = fontMetrics().horizontalAdvance(tally()) + 24.0;
  if (event->position().x() > width() - right) {
    next();
  } else {
    go();
  }
}

void WatchLine::keyPressEvent(QKeyEvent* event) {
  if (event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter) {
    go();
  } else if (event->key() == Qt::Key_Right || event->key() == Qt::Key_Down) {
    next();
  } else {
    Canvas::keyPressEvent(event);
  }
}

}  // namespace avrelt

#include "moc_watch_line.cpp"

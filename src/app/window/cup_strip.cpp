// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/cup_strip.h"

#include <algorithm>
#include <cmath>
#include <QContextMenuEvent>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

#include "app/look/theme.h"
#include "app/order/phrases.h"

namespace avrelt {
namespace {
constexpr double widestCup = 130;
constexpr double narrowestCup = 74;
constexpr double cupGap = 8;
}  // namespace

CupStrip::CupStrip(Order& order, QWidget* parent)
    : Canvas(parent), order_(order), name_(new QLineEdit(this)) {
  setFocusPolicy(Qt::StrongFocus);
  setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
  setAccessibleName(tr("Cups of the order"));
  name_->hide();
  name_->setAccessibleName(tr("Name of the cup"));
  name_->installEventFilter(this);
  connect(name_, &QLineEdit::returnPressed, this, &CupStrip::takeName);
  connect(name_, &QLineEdit::textEdited, this, [this] { emit nameRefused({}); });
  // The name that is being typed is of a cup that may be gone.
  connect(&order, &Order::cupTaken, this, [this] {
    if (std::exchange(renamed_, -1) >= 0) name_->hide();
  });
  connect(&order, &Order::changed, this, [this] {
    if (order_.hasCup()) {
      setAccessibleDescription(QString::fromStdString(order_.currentCup().name));
    }
    // Repainted for what it shows: in a drag nothing of it changes.
    std::vector<std::pair<std::string, std::optional<Blank>>> shown;
    int index = 0;
    for (const Cup& cup : order_.document().cups) {
      // Its picture is of the plan, which may come later.
      const CupPlan* plan = order_.plan(index++);
      shown.emplace_back(cup.name, plan == nullptr ? std::nullopt : std::optional(plan->of->blank));
    }
    if (shown == shown_ && order_.currentIndex() == shownIndex_) return;
    shown_ = std::move(shown);
    shownIndex_ = order_.currentIndex();
    update();
  });
}

double CupStrip::cupWidth() const {
  if (count() == 0) return widestCup;
  return std::clamp((width() - cupGap) / count() - cupGap, narrowestCup, widestCup);
}

double CupStrip::scroll() const {
  // The cup in hand is always in sight, however many there are.
  const double each = cupWidth() + cupGap;
  const double all = each * count();
  if (all <= width()) return 0;
  const double wanted = each * (order_.currentIndex() + 0.5) - width() / 2.0;
  return std::clamp(wanted, 0.0, all - width());
}

QRectF CupStrip::placeOf(int index) const {
  return {index * (cupWidth() + cupGap) - scroll() + 1, 4, cupWidth(), height() - 8.0};
}

int CupStrip::cupAt(QPointF p) const {
  for (int i = 0; i < count(); ++i) {
    if (placeOf(i).contains(p)) return i;
  }
  return -1;
}

void CupStrip::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  for (int i = 0; i < count(); ++i) {
    QRectF box = placeOf(i);
    if (i == dragged_) box.translate(dragX_, 0);
    const bool now = i == order_.currentIndex();
    painter.setPen(now && hasFocus() ? QPen(t.brass, 2.5)
                   : now             ? QPen(t.ink, 1.4)
                                     : QPen(t.rule, 1));
    painter.setBrush(now ? t.panel : t.ground);
    painter.drawRoundedRect(box, 6, 6);
    if (const CupPlan* plan = order_.plan(i)) {
      const Path side = plan->bare.sideView();
      const Fit fit(boundsOf(side), QRectF(box.left() + 8, box.top() + 6, 20, box.height() - 12));
      painter.setPen(QPen(t.ink, 0.9));
      painter.setBrush(now ? t.petrol : t.metal);
      painter.drawPath(painterPath(side, fit));
    }
    painter.setPen(t.ink);
    painter.setFont(face(13, now ? QFont::DemiBold : QFont::Normal));
    const QRectF words = box.adjusted(35, 0, -6, 0);
    const QString name = painter.fontMetrics().elidedText(
        QString::fromStdString(order_.document().cups[static_cast<std::size_t>(i)].name),
        Qt::ElideRight, static_cast<int>(words.width()));
    painter.drawText(words, Qt::AlignLeft | Qt::AlignVCenter, name);
  }
}

void CupStrip::resizeEvent(QResizeEvent* event) {
  Canvas::resizeEvent(event);
  if (renamed_ >= 0) name_->setGeometry(placeOf(renamed_).toRect());
}

void CupStrip::mousePressEvent(QMouseEvent* event) {
  const int cup = cupAt(event->position());
  if (cup < 0) return;
  order_.choose(cup);
  if (event->button() == Qt::LeftButton) {
    dragged_ = cup;
    pressed_ = event->position();
    dragX_ = 0;
  }
}

void CupStrip::mouseMoveEvent(QMouseEvent* event) {
  if (dragged_ < 0) return;
  const double moved = event->position().x() - pressed_.x();
  dragX_ = std::abs(moved) > 6 ? moved : 0;
  update();
}

void CupStrip::mouseReleaseEvent(QMouseEvent* /*event*/) {
  if (dragged_ < 0) return;
  const int from = std::exchange(dragged_, -1);
  const int steps = static_cast<int>(std::lround(dragX_ / (cupWidth() + cupGap)));
  dragX_ = 0;
  order_.moveCup(from, std::clamp(from + steps, 0, count() - 1));
  update();
}

void CupStrip::mouseDoubleClickEvent(QMouseEvent* event) {
  const int cup = cupAt(event->position());
  dragged_ = -1;
  if (cup >= 0) rename(cup);
}

void CupStrip::contextMenuEvent(QContextMenuEvent* event) {
  const int cup = cupAt(event->pos());
  if (cup >= 0) order_.choose(cup);
  emit menuAsked(event->globalPos());
}

void CupStrip::rename(int index) {
  if (index < 0 || index >= count()) return;
  renamed_ = index;
  name_->setText(
      QString::fromStdString(order_.document().cups[static_cast<std::size_t>(index)].name));
  name_->setGeometry(placeOf(index).toRect());
  name_->show();
  name_->setFocus();
  name_->selectAll();
}

void CupStrip::takeName() {
  if (renamed_ < 0) return;
  if (const std::optional<Sentence> fault = order_.renameCup(renamed_, name_->text())) {
    emit nameRefused(say(*fault, order_.unit()));
    return;
  }
  renamed_ = -1;
  emit nameRefused({});
  name_->hide();
  setFocus();
}

bool CupStrip::eventFilter(QObject* watched, QEvent* event) {
  if (watched == name_ && renamed_ >= 0) {
    if (event->type() == QEvent::KeyPress &&
        static_cast<QKeyEvent*>(event)->key() == Qt::Key_Escape) {
      renamed_ = -1;
      emit nameRefused({});
      name_->hide();
      setFocus();
      return true;
    }
    if (event->type() == QEvent::FocusOut) {
      // Leaving takes the name if it will do, and keeps the old one if not.
      static_cast<void>(order_.renameCup(std::exchange(renamed_, -1), name_->text()));
      emit nameRefused({});
      name_->hide();
    }
  }
  return Canvas::eventFilter(watched, event);
}

void CupStrip::keyPressEvent(QKeyEvent* event) {
  const int now = order_.currentIndex();
  const bool moves = event->modifiers().testFlag(Qt::ShiftModifier);
  if (event->key() == Qt::Key_Left || event->key() == Qt::Key_Right) {
    const int next = now + (event->key() == Qt::Key_Left ? -1 : 1);
    if (moves) {
      order_.moveCup(now, next);
    } else {
      order_.choose(next);
    }
  } else {
    Canvas::keyPressEvent(event);
  }
}

}  // namespace avrelt

#include "moc_cup_strip.cpp"

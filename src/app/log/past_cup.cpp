// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/log/past_cup.h"

namespace avrelt {

PastCup::PastCup(LogBoard& board, QObject* parent)
    : QObject(parent), board_(board), view_(new RoundView(order_)) {
  view_->onlyShow();
  view_->showZones(true);
  view_->showSets(true, false);
  view_->hide();
  // Rows that are only passed by are not planned.
  constexpr int pause = 120;
  later_.setSingleShot(true);
  later_.setInterval(pause);
  connect(&later_, &QTimer::timeout, this, &PastCup::look);
  connect(&board_, &LogBoard::changed, this, &PastCup::follow);
}

void PastCup::setSeen(bool seen) {
  seen_ = seen;
  if (seen && stale_) later_.start();
}

void PastCup::follow() {
  const LogEntry* picked = board_.picked();
  if (picked == nullptr ? !shown_ : shown_ == *picked) return;
  shown_ = picked == nullptr ? std::nullopt : std::optional<LogEntry>(*picked);
  view_->setCaption(shown_ ? QString::fromStdString(shown_->name) : QString());
  stale_ = true;
  if (seen_) later_.start();
  emit changed();
}

void PastCup::look() {
  stale_ = false;
  order_.setStock(board_.order().stock());
  // One that cannot be read any more is told of where it is opened; here nothing stands.
  order_.load(shown_ ? board_.pastOrder().value_or(Document()) : Document());
}

}  // namespace avrelt

#include "moc_past_cup.cpp"

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <chrono>
#include <functional>
#include <QEvent>
#include <QTimer>
#include <QWidget>

namespace avrelt {

/// Keeps what a page shows true to the order, but only does the work while it can be seen: a page
/// that is hidden catches up when it is shown.
class WhenSeen : public QObject {
 public:
  /// With `settled`, a page that takes long to lay out catches up once the hand rests so long.
  WhenSeen(QWidget* page, std::function<void()> refresh, std::chrono::milliseconds settled = {})
      : QObject(page), page_(page), refresh_(std::move(refresh)) {
    page->installEventFilter(this);
    rest_.setSingleShot(true);
    rest_.setInterval(settled);
    QObject::connect(&rest_, &QTimer::timeout, this, [this] { changedNow(); });
  }

  void changed() {
    if (rest_.interval() > 0 && page_->isVisible()) {
      rest_.start();
    } else {
      changedNow();
    }
  }

 protected:
  bool eventFilter(QObject* watched, QEvent* event) override {
    if (watched == page_ && event->type() == QEvent::Show && stale_) {
      stale_ = false;
      refresh_();
    }
    return QObject::eventFilter(watched, event);
  }

 private:
  void changedNow() {
    stale_ = !page_->isVisible();
    if (!stale_) refresh_();
  }

  QWidget* page_;
  QTimer rest_;
  std::function<void()> refresh_;
  bool stale_ = true;
};

}  // namespace avrelt

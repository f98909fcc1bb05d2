// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <QEvent>
#include <QWidget>

namespace avrelt {

/// Keeps what a page shows true to the order, but only does the work while it can be seen: a page
/// that is hidden catches up when it is shown.
class WhenSeen : public QObject {
 public:
  WhenSeen(QWidget* page, std::function<void()> refresh)
      : QObject(page), page_(page), refresh_(std::move(refresh)) {
    page->installEventFilter(this);
  }

  void changed() {
    stale_ = !page_->isVisible();
    if (!stale_) refresh_();
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
  QWidget* page_;
  std::function<void()> refresh_;
  bool stale_ = true;
};

}  // namespace avrelt

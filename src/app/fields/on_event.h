// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <QEvent>
#include <QWidget>

namespace avrelt {

/// Does something as a widget gets an event that it has no signal for, such as the keyboard leaving
/// it.
class OnEvent : public QObject {
 public:
  OnEvent(QEvent::Type type, std::function<void()> act, QWidget* widget)
      : QObject(widget), type_(type), act_(std::move(act)) {
    widget->installEventFilter(this);
  }

 protected:
  bool eventFilter(QObject* watched, QEvent* event) override {
    if (event->type() == type_) act_();
    return QObject::eventFilter(watched, event);
  }

 private:
  QEvent::Type type_;
  std::function<void()> act_;
};

}  // namespace avrelt

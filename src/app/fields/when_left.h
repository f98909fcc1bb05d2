// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <QEvent>
#include <QWidget>

namespace avrelt {

/// Does something as the keyboard leaves a field that has no signal for it.
class WhenLeft : public QObject {
 public:
  WhenLeft(std::function<void()> act, QWidget* field) : QObject(field), act_(std::move(act)) {
    field->installEventFilter(this);
  }

 protected:
  bool eventFilter(QObject* watched, QEvent* event) override {
    if (event->type() == QEvent::FocusOut) act_();
    return QObject::eventFilter(watched, event);
  }

 private:
  std::function<void()> act_;
};

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QListWidget>
#include <QWidget>

#include "app/order/order.h"

namespace avrelt {

/// Which cells are lifted for which colour, in order.
class LiftPage : public QWidget {
  Q_OBJECT

 public:
  explicit LiftPage(Order& order, QWidget* parent = nullptr);

  QListWidget& list() { return *list_; }
  QString sums() const { return sums_->text(); }

 private:
  void refresh();

  Order& order_;
  QListWidget* list_ = nullptr;
  QLabel* sums_ = nullptr;
  bool filling_ = false;
};

}  // namespace avrelt

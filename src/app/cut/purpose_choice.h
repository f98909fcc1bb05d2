// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QAbstractButton>

#include "app/order/order.h"

namespace avrelt {

/// A part to choose: its own small picture, its name and its size.
class PurposeChoice : public QAbstractButton {
  Q_OBJECT

 public:
  PurposeChoice(Order& order, const Purpose& purpose, QWidget* parent = nullptr);

  const std::string& purpose() const { return purpose_.id; }
  QSize sizeHint() const override { return {280, 58}; }
  QSize minimumSizeHint() const override { return {180, 37}; }

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  Order& order_;
  Purpose purpose_;
};

}  // namespace avrelt

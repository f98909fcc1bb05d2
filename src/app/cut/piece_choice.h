// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QAbstractButton>

#include "app/order/order.h"

namespace avrelt {

/// A piece to choose: its own small picture, its name and its size.
class PieceChoice : public QAbstractButton {
  Q_OBJECT

 public:
  PieceChoice(Order& order, PieceRole role, QWidget* parent = nullptr);

  PieceRole role() const { return role_; }
  QSize sizeHint() const override { return {280, 58}; }
  QSize minimumSizeHint() const override { return {180, 37}; }

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  Order& order_;
  PieceRole role_;
};

}  // namespace avrelt

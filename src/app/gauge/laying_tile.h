// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QAbstractButton>

#include "app/order/order.h"

namespace avrelt {

/// One way of laying the wrap, to compare and to take: its parts in small, what the film bears,
/// how many there are, how long the joins, how much film.
class LayingTile : public QAbstractButton {
  Q_OBJECT

 public:
  LayingTile(Order& order, LayingKind kind, QWidget* parent = nullptr);

  LayingKind kind() const { return kind_; }
  QSize sizeHint() const override { return {116, 190}; }
  QSize minimumSizeHint() const override { return {84, 150}; }

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  void describe();

  Order& order_;
  LayingKind kind_;
};

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/order/order.h"
#include "app/views/painting.h"

namespace avrelt {

/// The cup from bare to its last coat: a row a stage, its girth at the rim, how far that may be
/// off, and a dot at the one the parts are laid at. A click, or up and down, moves the dot;
/// Delete takes that coat off.
class StageList : public Canvas {
  Q_OBJECT

 public:
  explicit StageList(Order& order, QWidget* parent = nullptr);

  QSize minimumSizeHint() const override { return {200, 70}; }

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void wheelEvent(QWheelEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  int first() const;
  int shown() const;

  Order& order_;
  int scrolled_ = 0;
};

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/look/painting.h"
#include "app/order/order.h"

namespace avrelt {

/// The layers of the set in hand, on the left lifted off each other, on the right as they are laid,
/// in the colours of their films. A click or the arrow keys take one in hand.
class LayerStack : public Canvas {
  Q_OBJECT

 public:
  explicit LayerStack(Order& order, QWidget* parent = nullptr);

  /// Where a layer's sheet is in the stack, for pointing at it.
  QPointF placeOf(int layer) const { return sheetAt(layer).center(); }

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  QRectF sheetAt(int layer) const;
  int count() const;
  void take(int layer);
  void paintStack(QPainter& painter) const;
  void paintLaid(QPainter& painter) const;

  Order& order_;
};

}  // namespace avrelt

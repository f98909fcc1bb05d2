// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/order/order.h"
#include "app/views/painting.h"

namespace avrelt {

/// The cup from the side, as drawn on the back of an envelope, with a handle at the end of every
/// measure: drag the rim or base sideways, the rim's middle up and down. Handles snap to the
/// tape's marks.
class ProfileDrawing : public Canvas {
  Q_OBJECT

 public:
  explicit ProfileDrawing(Order& order, QWidget* parent = nullptr);

  enum class Handle { none, rim, base, height };
  QPointF placeOf(Handle handle) const;

 protected:
  void paintEvent(QPaintEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;

 private:
  void refit();
  Handle handleAt(QPointF p) const;
  void dragTo(QPointF p);

  Order& order_;
  Fit fit_;
  Handle held_ = Handle::none;
};

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/look/painting.h"
#include "app/order/order.h"

namespace avrelt {

/// The cup from the side, as drawn on the back of an envelope, with a handle at the end of every
/// measure: drag the rim or base sideways, the rim's middle up and down; the stations of a curved
/// body any way. Handles snap to the tape's marks.
class ProfileDrawing : public Canvas {
  Q_OBJECT

 public:
  explicit ProfileDrawing(Order& order, QWidget* parent = nullptr);

  enum class Handle { none, rim, base, height, station };
  QPointF placeOf(Handle handle) const;
  /// Of a curved body: the handle of one station.
  QPointF placeOfStation(std::size_t index) const;
  /// Which station is in hand in the table, to be shown as such.
  void pickStation(int index);

 protected:
  void paintEvent(QPaintEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;

 signals:
  void stationPicked(int index);

 private:
  void refit();
  struct Grip {
    Handle handle = Handle::none;
    std::size_t station = 0;
  };
  Grip gripAt(QPointF p) const;
  bool curved() const;
  void dragTo(QPointF p);

  Order& order_;
  Fit fit_;
  Grip held_;
  int picked_ = -1;
};

}  // namespace avrelt

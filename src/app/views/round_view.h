// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/order/order.h"
#include "app/views/painting.h"

namespace avrelt {

/// The cup in hand as it stands on the bench, with the wrap on it. Dragging turns it, as the left
/// and right arrow keys do; Home brings the front forward.
class RoundView : public Canvas {
  Q_OBJECT

 public:
  explicit RoundView(Order& order, QWidget* parent = nullptr);

  /// The direction that faces the onlooker; 0 is the front.
  Angle facing() const { return facing_; }
  void face(Angle direction);
  void showStrip(bool shown);

 protected:
  void paintEvent(QPaintEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  void focusInEvent(QFocusEvent* event) override;
  void focusOutEvent(QFocusEvent* event) override;

 private:
  void refit();
  /// Where a place on the wall appears, and whether it is on the near side.
  QPointF project(const Development& body, Angle onCup, Length s) const;
  bool near(const Development& body, Angle onCup) const;
  QPainterPath ringPath(const Development& body, Length s, bool nearOnly) const;
  QPainterPath thingPath(Thing thing) const;
  void paintBand(QPainter& painter, const Development& body, Length low, Length high,
                 const QColor& colour) const;
  void paintBody(QPainter& painter, const CupPlan& plan) const;
  void paintLines(QPainter& painter, const CupPlan& plan) const;

  Order& order_;
  Angle facing_;
  double scale_ = 1;
  QPointF middle_;
  double half_ = 0;  ///< half the height, mm
  QPointF pressed_;
  Angle pressedFacing_;
  bool turned_ = false;
  bool stripShown_ = false;
};

}  // namespace avrelt

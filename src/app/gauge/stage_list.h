// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/look/painting.h"
#include "app/order/order.h"

namespace avrelt {

/// The cup from bare to its last coat: a row a stage, its girth at the rim, how far that may be
/// off, and a dot at the one the parts are laid at, or the thing in hand is. A click, a drag, or up
/// and down, moves the dot; Delete takes that coat off. What has a stage of its own is named there.
class StageList : public Canvas {
  Q_OBJECT

 public:
  explicit StageList(Order& order, QWidget* parent = nullptr);

  /// The thing whose stage the dot is at, by its id; empty for all that have none of their own.
  const std::string& thing() const { return thing_; }
  void take(const std::string& thing);
  /// Coats on the cup there.
  int stage() const;

  QSize minimumSizeHint() const override { return {200, 70}; }

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void wheelEvent(QWheelEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  int first() const;
  int shown() const;

  void dragTo(double y);
  QString ownStagesAt(int after) const;

  Order& order_;
  std::string thing_;
  int scrolled_ = 0;
  std::optional<int> draggedFrom_;  ///< the first row in sight as the drag began
};

}  // namespace avrelt

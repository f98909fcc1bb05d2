// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/look/painting.h"

namespace avrelt {

/// A canvas that may be looked at from nearer.
///
/// By mouse: the wheel with Ctrl, about the pointer; the wheel alone and the middle button move it.
/// By keys: Ctrl and + or − about what is in hand, Ctrl and 0 for all of it; what is taken in hand
/// comes into sight.
class NearCanvas : public Canvas {
  Q_OBJECT

 public:
  using Canvas::Canvas;

  static constexpr double mostTimes = 16;
  /// How many times as large as when all of it is seen, from 1.
  double times() const { return times_; }
  /// So many times nearer, a place of the screen staying where it is.
  void goNearer(double by, QPointF about);
  /// A step nearer, or farther, about what is in hand.
  void goOneStep(bool nearer);
  void showAll();

 protected:
  /// As `whole` shows all of it, from where it is looked at now.
  Fit seen(const Fit& whole) const;
  /// Where on the screen what is in hand is.
  virtual std::optional<QPointF> inHand() const { return std::nullopt; }
  /// It is looked at from elsewhere.
  virtual void looked() { update(); }
  /// Brings what is in hand into sight, where it is not.
  void follow();
  /// How near it is, in a corner.
  void paintTimes(QPainter& painter) const;

  bool event(QEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  void look(double times, QPointF by);

  double times_ = 1;
  QPointF by_;  ///< from the middle, in pixels
  std::optional<QPointF> held_;
};

}  // namespace avrelt

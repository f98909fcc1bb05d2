// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "app/look/painting.h"
#include "app/views/print_paint.h"
#include "divide/divide.h"
#include "divide/picture_lie.h"

namespace avrelt {

/// A zone rolled out with its picture on it, which is dragged to where it shall lie.
class PrintCanvas : public Canvas {
  Q_OBJECT

 public:
  PrintCanvas(Wall wall, Region zone, QWidget* parent = nullptr);
  /// Shows a picture as it lies; nothing for none.
  void show(std::optional<PictureLie> lie);

 signals:
  /// The picture's middle was moved so far round the cup and up the wall; a drag ends by `moved`
  /// once more with nothing.
  void moved(avrelt::Angle round, avrelt::Length up);

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  Fit fit() const;
  QPainterPath shapeOf(const Fit& fit) const;

  Wall wall_;
  Region zone_;
  Box box_;
  std::optional<PictureLie> lie_;
  std::optional<WallPoint> held_;
  PrintPaint prints_;
};

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "app/look/painting.h"
#include "app/views/print_paint.h"
#include "decal/print_cover.h"

namespace avrelt {

/// A layer as it is cut, with the picture it is printed with, which is dragged to where it shall
/// lie, and what that leaves bare.
class LayerPrintCanvas : public Canvas {
  Q_OBJECT

 public:
  explicit LayerPrintCanvas(Polygon shape, QWidget* parent = nullptr);
  /// Shows a picture as it lies; one without a picture for none.
  void show(LayerPrint print, PrintCover cover);

 signals:
  /// The picture was moved so far, in mm to the right and up.
  void moved(avrelt::Point by);

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  Fit fit() const;

  Polygon shape_;
  Box box_;
  LayerPrint print_;
  PrintCover cover_;
  std::optional<Point> held_;
  PrintPaint prints_;
};

}  // namespace avrelt

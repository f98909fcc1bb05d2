// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/trace/photo_canvas.h"
#include "cup/trace.h"

namespace avrelt {

/// A photo of a cup from the side, with handles on it: two places of known distance, the body's
/// four corners, and points along its right-hand edge. The outline they make is drawn over it, on
/// the left as a mirror of the right, so that a slip shows.
///
/// As any photo with handles; a double click, or Insert, puts one more point on the edge, Delete
/// takes one off.
class TraceCanvas : public PhotoCanvas {
  Q_OBJECT

 public:
  explicit TraceCanvas(QWidget* parent = nullptr);

  const PhotoTrace& trace() const { return trace_; }
  void setApart(Length apart);
  void setUnit(Unit unit) { unit_ = unit; }
  /// All handles, the ones every photo has first.
  std::size_t handleCount() const override;
  void addEdgePoint(Point onPhoto);

 protected:
  using PhotoCanvas::pointOf;
  Point& pointOf(std::size_t handle) override;
  void begin(double width, double height) override;
  void paintEvent(QPaintEvent* event) override;
  void mouseDoubleClickEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  void paintOutline(QPainter& painter) const;

  PhotoTrace trace_;
  Unit unit_ = Unit::inch;
};

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QImage>
#include <vector>

#include "app/views/painting.h"
#include "cup/trace.h"

namespace avrelt {

/// A photo of a cup from the side, with handles on it: two places of known distance, the body's
/// four corners, and points along its right-hand edge. The outline they make is drawn over it, on
/// the left as a mirror of the right, so that a slip shows.
///
/// By mouse: drag a handle; a double click puts one more point on the edge. By keyboard: Tab goes
/// from handle to handle, arrows move one by a pixel of the photo, with Shift by ten, Insert adds a
/// point, Delete takes one off the edge.
class TraceCanvas : public Canvas {
  Q_OBJECT

 public:
  explicit TraceCanvas(QWidget* parent = nullptr);

  void show(const QImage& photo);
  const PhotoTrace& trace() const { return trace_; }
  void setApart(Length apart);
  void setUnit(Unit unit) { unit_ = unit; }
  /// All handles, the ones every photo has first.
  std::size_t handleCount() const;
  QPointF placeOf(std::size_t handle) const;
  void move(std::size_t handle, Point onPhoto);
  void addEdgePoint(Point onPhoto);

 signals:
  void traced();

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void mouseDoubleClickEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  bool focusNextPrevChild(bool next) override;

 private:
  Point& pointOf(std::size_t handle);
  Point pointOf(std::size_t handle) const;
  double scale() const;
  QPointF toScreen(Point onPhoto) const;
  Point toPhoto(QPointF onScreen) const;
  void paintOutline(QPainter& painter) const;

  QImage photo_;
  PhotoTrace trace_;
  Unit unit_ = Unit::inch;
  int held_ = -1;
  int picked_ = 0;
};

}  // namespace avrelt

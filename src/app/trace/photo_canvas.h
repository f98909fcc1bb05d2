// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <QImage>

#include "app/views/near_canvas.h"
#include "shape/point.h"

namespace avrelt {

/// A photo with handles on it.
///
/// By mouse: drag a handle. By keyboard: Tab goes from handle to handle, arrows move one by a pixel
/// of the photo, with Shift by ten.
class PhotoCanvas : public NearCanvas {
  Q_OBJECT

 public:
  explicit PhotoCanvas(QWidget* parent = nullptr);

  void show(const QImage& photo);
  virtual std::size_t handleCount() const = 0;
  /// Where a handle is on screen.
  QPointF placeOf(std::size_t handle) const;
  /// To a place of the photo.
  void move(std::size_t handle, Point onPhoto);

 signals:
  /// A handle was moved, or there is another photo.
  void traced();

 protected:
  /// Where a handle is on the photo.
  virtual Point& pointOf(std::size_t handle) = 0;
  Point pointOf(std::size_t handle) const;
  /// Puts the handles on a photo of this size.
  virtual void begin(double width, double height) = 0;
  /// Something moved: before that is told.
  virtual void changed() {}

  QPointF toScreen(Point onPhoto) const;
  Point toPhoto(QPointF onScreen) const;
  /// The topmost handle at a place of the screen; nothing for none.
  std::optional<std::size_t> handleAt(QPointF p) const;
  bool hasPhoto() const { return !photo_.isNull(); }
  int picked() const { return picked_; }
  void pick(int handle) { picked_ = handle; }
  void tell();
  /// The photo, or what to do to have one.
  void paintPhoto(QPainter& painter, const QString& none) const;
  void paintHandle(QPainter& painter, std::size_t handle, const QColor& colour) const;

  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  bool focusNextPrevChild(bool next) override;

 private:
  std::optional<QPointF> inHand() const override;
  /// The photo with its lower left at 0, as it is seen.
  Fit fit() const;

  QImage photo_;
  int held_ = -1;
  int picked_ = 0;
};

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "app/look/painting.h"
#include "cup/body.h"
#include "shop/shelf_blank.h"

namespace avrelt {

/// Blanks as they stand on the boards of a shelf, all to one scale, their names below. A click or
/// the arrow keys pick one; a double click or Return takes it.
class ShelfView : public Canvas {
  Q_OBJECT

 public:
  explicit ShelfView(QWidget* parent = nullptr);

  void show(const std::vector<ShelfBlank>& blanks);
  int picked() const { return picked_; }
  void pick(int index);
  int count() const { return static_cast<int>(stands_.size()); }
  QRectF placeOf(int index) const;

 signals:
  void pickedNow(int index);
  void taken(int index);

 protected:
  void paintEvent(QPaintEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseDoubleClickEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  struct Stand {
    QString name;
    Path side;
  };
  int perBoard() const;
  void fitHeight();
  int at(QPointF p) const;

  std::vector<Stand> stands_;
  double scale_ = 0.4;  // px per mm
  int picked_ = -1;
};

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "app/look/painting.h"
#include "pattern/pattern.h"

namespace avrelt {

/// The families of patterns in small pictures, one to be taken.
class Gallery : public Canvas {
  Q_OBJECT

 public:
  explicit Gallery(QWidget* parent = nullptr);

  /// Shows which is taken; none for nothing.
  void show(std::optional<Family> family);
  /// Draws all of them as they would come on this cup: in these colours, none for the window's own,
  /// and as much larger or smaller as a repeat is than an inch.
  void dress(const std::vector<QColor>& colours, Length size);
  QPointF placeOf(Family family) const { return boxOf(static_cast<int>(family)).center(); }

 signals:
  void chosen(avrelt::Family family);

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  QRectF boxOf(int index) const;
  int at_ = 0;  ///< where the keyboard is
  int taken_ = -1;
  std::vector<QColor> colours_;
  double larger_ = 1;
};

}  // namespace avrelt

Q_DECLARE_METATYPE(avrelt::Family)

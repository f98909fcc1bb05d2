// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/look/painting.h"

namespace avrelt {

/// Colours to choose from: two rows of pots, and one for any other. Arrow keys go along them,
/// Return takes one.
class Swatches : public Canvas {
  Q_OBJECT

 public:
  explicit Swatches(QWidget* parent = nullptr);

  /// Shows which is taken; a colour of none of the pots stands in the last one.
  void show(const QString& colour);
  static const QStringList& colours();

 signals:
  void chosen(const QString& colour);

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  QRectF placeOf(int pot) const;
  void take(int pot);

  QString colour_;
  int at_ = static_cast<int>(colours().size());
};

}  // namespace avrelt

// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QStringList>

#include "app/look/painting.h"

namespace avrelt {

/// The stations on a tape measure down the left edge, in working order; the present one is a dark
/// slider pointing into the work. On a small window it narrows to the numbers.
class TapeRail : public Canvas {
  Q_OBJECT

 public:
  explicit TapeRail(const QStringList& stations, QWidget* parent = nullptr);

  int current() const { return current_; }
  void setCurrent(int station);
  void setNarrow(bool narrow);

 signals:
  void chosen(int station);

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  double slotHeight() const;
  QRectF place(int station) const;
  int tapeWidth() const;

  QStringList stations_;
  int current_ = 0;
  bool narrow_ = false;
};

}  // namespace avrelt

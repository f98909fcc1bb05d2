// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/look/painting.h"
#include "log/learning.h"

namespace avrelt {

/// What was observed of a figure: points, the line they lie about, where it most likely lies, and
/// the line that is reckoned by now. Arrow keys go from point to point, Space leaves one out.
class FigurePlot : public Canvas {
  Q_OBJECT

 public:
  explicit FigurePlot(QWidget* parent = nullptr);

  /// Under titles of the axes.
  void show(const LearntFigure& figure, const QString& across, const QString& up);
  void pick(int observation);
  int picked() const { return picked_; }

 signals:
  void pickedAt(int observation);
  void toggled(int observation);

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseDoubleClickEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  bool event(QEvent* event) override;

 private:
  QRectF room() const;
  QPointF placeOf(const FitPoint& point) const;
  QPointF placeOfSeen(std::size_t which) const;
  int at(QPointF place) const;

  LearntFigure figure_;
  QString across_;
  QString up_;
  double mostX_ = 1;
  double mostY_ = 1;
  int picked_ = -1;
};

}  // namespace avrelt
